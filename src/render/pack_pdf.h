// A pack as one PDF with bookmarks, or as a file for each of its sheets.
#pragma once

#include <QByteArray>

#include "core/sheets/pack.h"
#include "render/painter.h"

namespace mezzet {

/// Refused where the PDF could not be made.
[[nodiscard]] Result<QByteArray> packPdf(const Pack&, const std::string& title, const ImageStore*);
/// The pages of one of its contents as a PDF.
[[nodiscard]] Result<QByteArray> contentPdf(const Pack&, const PackContent&, const std::string& title,
                                            const ImageStore*);
/// "03-nails-wall-a-parlour.pdf": names of files for its contents, in their order, each different.
[[nodiscard]] std::vector<std::string> packFileNames(const Pack&);

}  // namespace mezzet
