#include "render/decode.h"

#include <QBuffer>
#include <QImageReader>
#include <algorithm>

namespace mezzet {

const char* pictureFormat(std::string_view bytes) {
  if (bytes.starts_with("\x89PNG\r\n\x1a\n")) return "png";
  if (bytes.starts_with("\xFF\xD8\xFF")) return "jpeg";
  return nullptr;
}

Decoded decodedPicture(std::string_view bytes, bool upright) {
  Decoded out;
  const char* format = pictureFormat(bytes);
  if (format == nullptr) return out;
  QByteArray raw = QByteArray::fromRawData(bytes.data(), static_cast<qsizetype>(bytes.size()));
  QBuffer buffer(&raw);
  QImageReader reader(&buffer, format);
  reader.setAutoDetectImageFormat(false);
  out.size = reader.size();
  if (!out.size.isValid() || out.size.isEmpty() ||
      static_cast<long long>(out.size.width()) * out.size.height() > kMostPicturePixels)
    return out;
  reader.setAutoTransform(upright);
  out.turned = upright && reader.transformation() != QImageIOHandler::TransformationNone;
  if (std::max(out.size.width(), out.size.height()) > kKeptPixels)
    reader.setScaledSize(out.size.scaled(kKeptPixels, kKeptPixels, Qt::KeepAspectRatio));
  // Four bytes to a pixel of 80 megapixels, and room to scale them.
  QImageReader::setAllocationLimit(1024);
  out.image = reader.read();
  return out;
}

}  // namespace mezzet
