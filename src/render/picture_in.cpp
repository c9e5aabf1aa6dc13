#include "render/picture_in.h"

#include <QBuffer>
#include <QImage>
#include <QImageReader>
#include <QPainter>
#include <QPdfDocument>
#include <algorithm>
#include <memory>

namespace mezzet {
namespace {

constexpr int kJpegQuality = 92;
constexpr std::size_t kMostBytes = 256u << 20;
constexpr double kMostPoints = 20'000;  // no sheet of paper is 7 m long

Result<PictureIn> packed(const QImage& image, bool asJpeg, const std::string& name) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  if (!image.save(&buffer, asJpeg ? "JPG" : "PNG", asJpeg ? kJpegQuality : -1)) return Error{name, "could not be kept", "There may be too little memory"};
  return PictureIn{bytes.toStdString(), asJpeg ? "jpg" : "png", image.width(), image.height(), false};
}

/// The document reads from the buffer as long as it lives.
struct OpenPdf {
  QByteArray bytes;
  QBuffer buffer;
  QPdfDocument document;
};
Result<std::shared_ptr<OpenPdf>> openPdf(const std::string& bytes, const std::string& name) {
  if (bytes.size() > kMostBytes) return Error{name, "is larger than 256 MB", "Save only the page with the plan"};
  if (!isPdf(bytes)) return Error{name, "is not a PDF", "Choose a PDF, PNG or JPEG"};
  auto open = std::make_shared<OpenPdf>();
  open->bytes = QByteArray(bytes.data(), static_cast<qsizetype>(bytes.size()));
  open->buffer.setBuffer(&open->bytes);
  open->buffer.open(QIODevice::ReadOnly);
  open->document.load(&open->buffer);
  switch (open->document.error()) {
    case QPdfDocument::Error::None: break;
    case QPdfDocument::Error::IncorrectPassword: return Error{name, "is locked with a password", "Save a copy without one, or take a picture of the page"};
    case QPdfDocument::Error::UnsupportedSecurityScheme: return Error{name, "is encrypted in a way that cannot be read", "Save a copy without encryption"};
    default: return Error{name, "cannot be read as a PDF", "The file may be damaged; open and save it elsewhere, or take a picture of the page"};
  }
  if (open->document.status() != QPdfDocument::Status::Ready || open->document.pageCount() < 1)
    return Error{name, "cannot be read as a PDF", "The file may be damaged; open and save it elsewhere, or take a picture of the page"};
  return open;
}

}  // namespace

Result<PictureIn> pictureFrom(const std::string& bytes, const std::string& name) {
  if (bytes.empty()) return Error{name, "is empty", "Choose another picture"};
  if (bytes.size() > kMostBytes) return Error{name, "is larger than 256 MB", "Make it smaller first"};
  QByteArray raw = QByteArray::fromRawData(bytes.data(), static_cast<qsizetype>(bytes.size()));
  QBuffer buffer(&raw);
  QImageReader reader(&buffer);
  reader.setDecideFormatFromContent(true);
  const QByteArray format = reader.format();
  if (format != "png" && format != "jpeg" && format != "jpg") return Error{name, "is no picture that Mezzet takes", "Use PNG or JPEG, or a PDF of a plan"};
  const QSize size = reader.size();
  if (!size.isValid() || size.isEmpty()) return Error{name, "says no size", "The file may be damaged; open and save it elsewhere"};
  if (static_cast<long long>(size.width()) * size.height() > kMostPicturePixels)
    return Error{name, "has " + std::to_string(static_cast<long long>(size.width()) * size.height() / 1'000'000) + " megapixels",
                 "Mezzet takes up to 80; make it smaller first"};
  reader.setAutoTransform(true);
  const bool turned = reader.transformation() != QImageIOHandler::TransformationNone;
  const bool large = std::max(size.width(), size.height()) > kKeptPixels;
  if (large) reader.setScaledSize(size.scaled(kKeptPixels, kKeptPixels, Qt::KeepAspectRatio));
  // Four bytes to a pixel of 80 megapixels, and room to scale them.
  QImageReader::setAllocationLimit(1024);
  const QImage image = reader.read();
  if (image.isNull()) return Error{name, "cannot be decoded", "The file may be damaged; open and save it elsewhere"};
  if (!large && !turned) return PictureIn{bytes, format == "png" ? "png" : "jpg", image.width(), image.height(), false};
  auto out = packed(image, format != "png", name);
  if (!out) return out;
  PictureIn kept = std::move(out).value();
  kept.madeSmaller = large;
  return kept;
}

Result<int> pdfPages(const std::string& bytes, const std::string& name) {
  const auto open = openPdf(bytes, name);
  if (!open) return open.error();
  return (*open)->document.pageCount();
}

Result<PictureIn> pictureOfPdf(const std::string& bytes, const std::string& name, int page) {
  const auto open = openPdf(bytes, name);
  if (!open) return open.error();
  QPdfDocument& document = (*open)->document;
  if (page < 0 || page >= document.pageCount()) return Error{name, "has no page " + std::to_string(page + 1), "It has " + std::to_string(document.pageCount())};
  const QSizeF points = document.pagePointSize(page);
  if (!(points.width() > 0 && points.height() > 0) || std::max(points.width(), points.height()) > kMostPoints)
    return Error{name, "has a page of no size", "Print it to a usual paper first"};
  const QSize size = points.scaled(kKeptPixels, kKeptPixels, Qt::KeepAspectRatio).toSize().expandedTo({1, 1});
  QImage image = document.render(page, size);
  if (image.isNull()) return Error{name, "has a page that cannot be painted", "Take a picture of the page"};
  QImage paper(image.size(), QImage::Format_RGB32);
  paper.fill(Qt::white);
  QPainter(&paper).drawImage(QPoint(), image);
  return packed(paper, false, name);
}

}  // namespace mezzet
