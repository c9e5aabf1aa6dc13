// A pack as one PDF with bookmarks, or as one for each of its contents.
#pragma once

#include <QByteArray>

#include "core/sheets/pack.h"
#include "render/painter.h"

namespace mezzet {

/// Refused where the PDF could not be made.
[[nodiscard]] Result<QByteArray> packPdf(const Pack&, const std::string& title, const ImageStore*);
/// The bytes of a PDF for each of its contents, in their order.
[[nodiscard]] Result<std::vector<std::string>> contentPdfs(const Pack&, const std::string& title, const ImageStore*);

}  // namespace mezzet
