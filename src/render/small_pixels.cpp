#include "render/small_pixels.h"

#include "core/colour/palette.h"
#include "render/decode.h"

namespace mezzet {

Result<SmallPicture> smallPicture(std::string_view bytes, const std::string& name) {
  const Decoded decoded = decodedPicture(bytes, true);
  if (decoded.image.isNull())
    return Error{name, "is no picture that can be read, or larger than 80 megapixels", "Use a PNG or a JPEG"};
  const QImage small =
      decoded.image.width() <= kPaletteSide && decoded.image.height() <= kPaletteSide
          ? decoded.image.convertToFormat(QImage::Format_RGB32)
          : decoded.image.scaled(kPaletteSide, kPaletteSide, Qt::KeepAspectRatio, Qt::SmoothTransformation)
                .convertToFormat(QImage::Format_RGB32);
  SmallPicture out;
  out.width = static_cast<std::size_t>(small.width());
  for (int y = 0; y < small.height(); ++y)
    for (int x = 0; x < small.width(); ++x) {
      const QRgb pixel = small.pixel(x, y);
      out.pixels.push_back({qRed(pixel) / 255.0, qGreen(pixel) / 255.0, qBlue(pixel) / 255.0});
    }
  return out;
}

Result<std::vector<Srgb>> smallPixels(std::string_view bytes, const std::string& name) {
  auto picture = smallPicture(bytes, name);
  if (!picture) return picture.error();
  return std::move(picture).value().pixels;
}

PicturesByName picturesOf(const Job& job, const std::function<std::string_view(const std::string&)>& bytesOf) {
  PicturesByName out;
  for (const auto& piece : job.pieces) {
    if (piece->image.empty() || out.contains(piece->image)) continue;
    const std::string_view bytes = bytesOf(piece->image);
    if (bytes.empty()) continue;
    if (const auto small = smallPicture(bytes, piece->image))
      out[piece->image] = coloursOfPicture(small->pixels, small->width);
  }
  return out;
}

}  // namespace mezzet
