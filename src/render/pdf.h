// Sheets as PDF and as pictures.
#pragma once

#include <QByteArray>
#include <QImage>
#include <string>

#include "core/drawing/sheet.h"
#include "render/painter.h"

namespace mezzet {

/// The sheet at its true size; the working layer is left out. Empty if the PDF could not be made.
[[nodiscard]] QByteArray sheetPdf(const Sheet&, const std::string& title, const ImageStore*);

/// The sheet as a picture of `pixelsPerMm`.
[[nodiscard]] QImage sheetImage(const Sheet&, double pixelsPerMm, const ImageStore*);

}  // namespace mezzet
