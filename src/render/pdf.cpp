#include "render/pdf.h"

#include <QBuffer>
#include <QPageLayout>
#include <QPainter>
#include <QPdfWriter>

namespace mezzet {
namespace {

constexpr int kPdfDpi = 1200;  // 0.02 mm steps

Drawing withoutWorking(const Drawing& drawing) {
  Drawing out = drawing;
  std::erase_if(out.items, [](const Item& item) { return item.layer == Layer::Working; });
  return out;
}

}  // namespace

QByteArray sheetPdf(const Sheet& sheet, const std::string& title, const ImageStore* images) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  QPdfWriter writer(&buffer);
  writer.setResolution(kPdfDpi);
  writer.setTitle(QString::fromStdString(title));
  writer.setCreator(QStringLiteral("Mezzet"));
  writer.setPageSize(QPageSize(QSizeF(sheet.width, sheet.height), QPageSize::Millimeter, {}, QPageSize::ExactMatch));
  writer.setPageMargins(QMarginsF(0, 0, 0, 0));
  {
    QPainter painter;
    if (!painter.begin(&writer)) return {};
    const double perMm = kPdfDpi / 25.4;
    paintDrawing(painter, withoutWorking(sheet.drawing), {perMm, {0, sheet.height * perMm}}, {Palette::print(), images, 0});
  }
  return bytes;
}

QImage sheetImage(const Sheet& sheet, double pixelsPerMm, const ImageStore* images) {
  QImage image(static_cast<int>(sheet.width * pixelsPerMm), static_cast<int>(sheet.height * pixelsPerMm), QImage::Format_RGB32);
  image.fill(Qt::white);
  QPainter painter(&image);
  paintDrawing(painter, withoutWorking(sheet.drawing), {pixelsPerMm, {0, sheet.height * pixelsPerMm}}, {Palette::print(), images, 0.6});
  return image;
}

}  // namespace mezzet
