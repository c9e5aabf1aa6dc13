// PDF pages painted in this process: for the program that does nothing else (src/intake), since the library that reads
// them may take any time and memory over a hostile file and cannot be stopped.
#pragma once

#include "render/picture_in.h"

namespace mezzet {

/// How many pages a PDF has. Encrypted and broken ones are refused. Needs a QGuiApplication.
[[nodiscard]] Result<int> pagesOfPdfHere(const std::string& bytes, const std::string& name);
/// One page, from 0, painted with its long side kKeptPixels.
[[nodiscard]] Result<PictureIn> pageOfPdfHere(const std::string& bytes, const std::string& name, int page);

}  // namespace mezzet
