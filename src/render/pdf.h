// Sheets as PDF, as SVG and as pictures.
#pragma once

#include <QByteArray>
#include <QImage>
#include <string>

#include "core/sheets/sheet.h"
#include "render/painter.h"

namespace mezzet {

/// The sheet at its true size; the working layer is left out. Empty if the PDF could not be made.
[[nodiscard]] QByteArray sheetPdf(const std::vector<Sheet>& pages, const std::string& title, const ImageStore*);
[[nodiscard]] inline QByteArray sheetPdf(const Sheet& sheet, const std::string& title, const ImageStore* images) {
  return sheetPdf(std::vector<Sheet>{sheet}, title, images);
}

/// The same as SVG, in millimetres, with its lettering as paths so that it needs no font.
[[nodiscard]] QByteArray sheetSvg(const Sheet&, const std::string& title, const ImageStore*);

/// The sheet as a PNG of `dotsPerInch`, which it says of itself.
[[nodiscard]] QByteArray sheetPng(const Sheet&, double dotsPerInch, const ImageStore*);
/// Written by the ending of a file name: ".pdf", ".svg" or ".png"; the last two hold one page each.
[[nodiscard]] Result<QByteArray> sheetBytes(const std::vector<Sheet>& pages, const std::string& path,
                                            const std::string& title, const ImageStore*);

/// The sheet as a picture of `pixelsPerMm`.
[[nodiscard]] QImage sheetImage(const Sheet&, double pixelsPerMm, const ImageStore*);

}  // namespace mezzet
