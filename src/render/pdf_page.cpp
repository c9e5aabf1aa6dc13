#include "render/pdf_page.h"

#include <QBuffer>
#include <QImage>
#include <QPainter>
#include <QPdfDocument>
#include <memory>

namespace mezzet {
namespace {

constexpr double kMostPoints = 20'000;  // no sheet of paper is 7 m long

/// The document reads from the buffer as long as it lives.
struct OpenPdf {
  QByteArray bytes;
  QBuffer buffer;
  QPdfDocument document;
};
Result<std::shared_ptr<OpenPdf>> openPdf(const std::string& bytes, const std::string& name) {
  if (bytes.size() > kMostPdfBytes) return Error{name, "is larger than 256 MB", "Save only the page with the plan"};
  if (!isPdf(bytes)) return Error{name, "is not a PDF", "Choose a PDF, PNG or JPEG"};
  auto open = std::make_shared<OpenPdf>();
  open->bytes = QByteArray(bytes.data(), static_cast<qsizetype>(bytes.size()));
  open->buffer.setBuffer(&open->bytes);
  open->buffer.open(QIODevice::ReadOnly);
  open->document.load(&open->buffer);
  switch (open->document.error()) {
    case QPdfDocument::Error::None: break;
    case QPdfDocument::Error::IncorrectPassword:
      return Error{name, "is locked with a password", "Save a copy without one, or take a picture of the page"};
    case QPdfDocument::Error::UnsupportedSecurityScheme:
      return Error{name, "is encrypted in a way that cannot be read", "Save a copy without encryption"};
    default:
      return Error{name, "cannot be read as a PDF",
                   "The file may be damaged; open and save it elsewhere, or take a picture of the page"};
  }
  if (open->document.status() != QPdfDocument::Status::Ready || open->document.pageCount() < 1)
    return Error{name, "cannot be read as a PDF",
                 "The file may be damaged; open and save it elsewhere, or take a picture of the page"};
  return open;
}

}  // namespace

Result<int> pagesOfPdfHere(const std::string& bytes, const std::string& name) {
  const auto open = openPdf(bytes, name);
  if (!open) return open.error();
  return (*open)->document.pageCount();
}

Result<PictureIn> pageOfPdfHere(const std::string& bytes, const std::string& name, int page) {
  const auto open = openPdf(bytes, name);
  if (!open) return open.error();
  QPdfDocument& document = (*open)->document;
  if (page < 0 || page >= document.pageCount())
    return Error{name, "has no page " + std::to_string(page + 1), "It has " + std::to_string(document.pageCount())};
  const QSizeF points = document.pagePointSize(page);
  if (!(points.width() > 0 && points.height() > 0) || std::max(points.width(), points.height()) > kMostPoints)
    return Error{name, "has a page of no size", "Print it to a usual paper first"};
  const QSize size = points.scaled(kKeptPixels, kKeptPixels, Qt::KeepAspectRatio).toSize().expandedTo({1, 1});
  QImage image = document.render(page, size);
  if (image.isNull()) return Error{name, "has a page that cannot be painted", "Take a picture of the page"};
  QImage paper(image.size(), QImage::Format_RGB32);
  paper.fill(Qt::white);
  QPainter(&paper).drawImage(QPoint(), image);
  return packedPicture(paper, false, name);
}

}  // namespace mezzet
