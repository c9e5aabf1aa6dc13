// Tables of text in CSV (RFC 4180) and in the tab-separated form in which spreadsheets copy. Untrusted input.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"

namespace mezzet {

using Rows = std::vector<std::vector<std::string>>;

inline constexpr std::size_t kMostCsvBytes = 16u << 20;
inline constexpr std::size_t kMostCsvRows = 20'000, kMostCsvColumns = 200, kLongestCsvCell = 4'000;

/// Reads rows parted by commas, semicolons or tabs, whichever the first row has most of. UTF-8, with or without its
/// mark. All or nothing; the error says which row.
[[nodiscard]] Result<Rows> readCsv(std::string_view bytes, const std::string& name);
/// With commas and CRLF; cells that need quotes get them.
[[nodiscard]] std::string writeCsv(const Rows&);

}  // namespace mezzet
