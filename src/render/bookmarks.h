// Bookmarks of a PDF. In a file of its own: clang refuses the library's headers in C++20, so it is compiled as C++17,
// and nothing newer may be included here.
#pragma once

#include <string>
#include <vector>

#include "core/sheets/bookmark.h"

namespace mezzet {

/// The bytes of a PDF with these bookmarks, which it shows when it is opened. Throws what the library throws on a PDF
/// that is none.
[[nodiscard]] std::string withBookmarks(const std::string& pdf, const std::vector<PackBookmark>&);

}  // namespace mezzet
