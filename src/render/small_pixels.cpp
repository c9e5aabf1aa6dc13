#include "render/small_pixels.h"

#include "core/colour/palette.h"
#include "render/decode.h"

namespace mezzet {

Result<std::vector<Srgb>> smallPixels(std::string_view bytes, const std::string& name) {
  const Decoded decoded = decodedPicture(bytes, true);
  if (decoded.image.isNull())
    return Error{name, "is no picture that can be read, or larger than 80 megapixels", "Use a PNG or a JPEG"};
  const QImage small =
      decoded.image.width() <= kPaletteSide && decoded.image.height() <= kPaletteSide
          ? decoded.image.convertToFormat(QImage::Format_RGB32)
          : decoded.image.scaled(kPaletteSide, kPaletteSide, Qt::KeepAspectRatio, Qt::SmoothTransformation)
                .convertToFormat(QImage::Format_RGB32);
  std::vector<Srgb> out;
  for (int y = 0; y < small.height(); ++y)
    for (int x = 0; x < small.width(); ++x) {
      const QRgb pixel = small.pixel(x, y);
      out.push_back({qRed(pixel) / 255.0, qGreen(pixel) / 255.0, qBlue(pixel) / 255.0});
    }
  return out;
}

}  // namespace mezzet
