#include "render/pdf.h"

#include <QBuffer>
#include <QPageLayout>
#include <QPainter>
#include <QPdfWriter>
#include <QSvgGenerator>

namespace mezzet {
namespace {

constexpr int kPdfDpi = 1200;  // 0.02 mm steps

Drawing withoutWorking(const Drawing& drawing) {
  Drawing out = drawing;
  std::erase_if(out.items, [](const Item& item) { return item.layer == Layer::Working; });
  return out;
}

}  // namespace

QByteArray sheetPdf(const std::vector<Sheet>& pages, const std::string& title, const ImageStore* images) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  QPdfWriter writer(&buffer);
  writer.setResolution(kPdfDpi);
  writer.setTitle(QString::fromStdString(title));
  writer.setCreator(QStringLiteral("Mezzet"));
  const auto usePage = [&](const Sheet& sheet) {
    writer.setPageSize(QPageSize(QSizeF(sheet.width, sheet.height), QPageSize::Millimeter, {}, QPageSize::ExactMatch));
    writer.setPageMargins(QMarginsF(0, 0, 0, 0));
  };
  usePage(pages.front());
  {
    QPainter painter;
    if (!painter.begin(&writer)) return {};
    const double perMm = kPdfDpi / 25.4;
    for (const Sheet& sheet : pages) {
      if (&sheet != &pages.front()) {
        usePage(sheet);
        writer.newPage();
      }
      paintDrawing(painter, withoutWorking(sheet.drawing), {perMm, {0, sheet.height * perMm}},
                   {Palette::print(), images, 0});
    }
  }
  return bytes;
}

QByteArray sheetSvg(const Sheet& sheet, const std::string& title, const ImageStore* images) {
  constexpr int kPerMm = 100;  // so that 254 dots to the centimetre hold a line of 0.13 mm well
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  QSvgGenerator writer;
  writer.setOutputDevice(&buffer);
  writer.setResolution(kPerMm * 254 / 10);
  writer.setSize(QSize(qRound(sheet.width * kPerMm), qRound(sheet.height * kPerMm)));
  writer.setViewBox(QRectF(0, 0, sheet.width * kPerMm, sheet.height * kPerMm));
  writer.setTitle(QString::fromStdString(title));
  QPainter painter;
  if (!painter.begin(&writer)) return {};
  paintDrawing(painter, withoutWorking(sheet.drawing), {double{kPerMm}, {0, sheet.height * kPerMm}},
               {Palette::print(), images, 0, true});
  painter.end();
  return bytes;
}

QByteArray sheetPng(const Sheet& sheet, double dotsPerInch, const ImageStore* images) {
  QImage image = sheetImage(sheet, dotsPerInch / 25.4, images);
  image.setDotsPerMeterX(qRound(dotsPerInch / 0.0254));
  image.setDotsPerMeterY(qRound(dotsPerInch / 0.0254));
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  return image.save(&buffer, "PNG") ? bytes : QByteArray();
}

Result<QByteArray> sheetBytes(const std::vector<Sheet>& pages, const std::string& path, const std::string& title,
                              const ImageStore* images) {
  constexpr double kDotsPerInch = 200;
  const bool pdf = path.ends_with(".pdf"), svg = path.ends_with(".svg"), png = path.ends_with(".png");
  if (!pdf && !svg && !png)
    return Error{path, "has an ending that Mezzet does not write", "Name it with .pdf, .svg or .png"};
  if (!pdf && pages.size() > 1)
    return Error{path, "would hold " + std::to_string(pages.size()) + " pages, and this format holds one",
                 "Write a PDF"};
  QByteArray bytes = pdf   ? sheetPdf(pages, title, images)
                     : svg ? sheetSvg(pages.front(), title, images)
                           : sheetPng(pages.front(), kDotsPerInch, images);
  if (bytes.isEmpty()) return Error{path, "could not be drawn", "There may be too little memory"};
  return bytes;
}

QImage sheetImage(const Sheet& sheet, double pixelsPerMm, const ImageStore* images) {
  QImage image(static_cast<int>(sheet.width * pixelsPerMm), static_cast<int>(sheet.height * pixelsPerMm),
               QImage::Format_RGB32);
  image.fill(Qt::white);
  QPainter painter(&image);
  paintDrawing(painter, withoutWorking(sheet.drawing), {pixelsPerMm, {0, sheet.height * pixelsPerMm}},
               {Palette::print(), images, 0.6});
  return image;
}

}  // namespace mezzet
