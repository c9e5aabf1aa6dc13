#include "io/tables/csv.h"

#include <csv.h>

#include <algorithm>
#include <array>

#include "io/files/text.h"

namespace mezzet {
namespace {

/// The byte-order mark that some spreadsheets put before UTF-8.
constexpr std::string_view kMark = "\xEF\xBB\xBF";

/// What the parser's callbacks fill.
struct Filling {
  Rows rows{1};
  std::string trouble;  // the first
  std::size_t atRow = 0;
  void refuse(const char* what) {
    if (trouble.empty()) trouble = what, atRow = rows.size();
  }
};

void onCell(void* text, std::size_t size, void* data) {
  Filling& f = *static_cast<Filling*>(data);
  if (size > kLongestCsvCell) return f.refuse("has a cell of more than 4000 letters");
  if (f.rows.back().size() == kMostCsvColumns) return f.refuse("has more than 200 columns");
  f.rows.back().emplace_back(static_cast<const char*>(text), size);
}

void onRow(int, void* data) {
  Filling& f = *static_cast<Filling*>(data);
  if (f.rows.size() == kMostCsvRows) return f.refuse("is as far as a table may go: 20000 rows");
  f.rows.emplace_back();
}

/// What parts the cells of the first row.
char separatorOf(std::string_view bytes) {
  std::array<std::pair<char, int>, 3> found{{{',', 0}, {';', 0}, {'\t', 0}}};
  bool quoted = false;
  for (const char c : bytes) {
    if (c == '"') quoted = !quoted;
    if (c == '\n' && !quoted) break;
    for (auto& [separator, count] : found) count += !quoted && c == separator;
  }
  return std::max_element(found.begin(), found.end(), [](const auto& a, const auto& b) { return a.second < b.second; })
      ->first;
}

/// A row of one empty cell would look like no row at all, and a byte-order mark in front would be taken for one.
bool needsQuotes(const std::string& cell, bool alone) {
  return cell.find_first_of(",;\t\"\r\n") != std::string::npos || cell.starts_with(' ') || cell.ends_with(' ') ||
         cell.starts_with(kMark) || (alone && cell.empty());
}

}  // namespace

Result<Rows> readCsv(std::string_view bytes, const std::string& name) {
  if (bytes.size() > kMostCsvBytes) return Error{name, "is larger than 16 MB", "Split the table"};
  if (bytes.starts_with(kMark)) bytes.remove_prefix(kMark.size());
  if (!isUtf8(bytes)) return Error{name, "is not a table in UTF-8", "Save it as CSV in UTF-8"};
  // One kind of line end, and empty lines count: the rows are numbered as the spreadsheet does.
  std::string text;
  text.reserve(bytes.size());
  for (std::size_t i = 0; i < bytes.size(); ++i) {
    if (bytes[i] != '\r') text += bytes[i];
    else if (i + 1 == bytes.size() || bytes[i + 1] != '\n') text += '\n';
  }
  csv_parser parser;
  // Only an open quote at the end is a fault: inch marks inside a cell (5' 3") are common.
  if (csv_init(&parser, CSV_REPALL_NL) != 0) return Error{name, "cannot be read", "Try again"};
  csv_set_delim(&parser, static_cast<unsigned char>(separatorOf(text)));
  Filling filling;
  const bool parsed = csv_parse(&parser, text.data(), text.size(), onCell, onRow, &filling) == text.size();
  csv_set_opts(&parser, CSV_REPALL_NL | CSV_STRICT | CSV_STRICT_FINI);
  const bool ended = csv_fini(&parser, onCell, onRow, &filling) == 0;
  csv_free(&parser);
  if (!filling.trouble.empty())
    return Error{name + ", row " + std::to_string(filling.atRow), filling.trouble, "Split the table"};
  if (!parsed || !ended)
    return Error{name + ", row " + std::to_string(filling.rows.size()), "opens a quote that is never closed",
                 "Close it, or take it out"};
  while (!filling.rows.empty() && filling.rows.back().empty()) filling.rows.pop_back();
  if (filling.rows.empty()) return Error{name, "is empty", "The first row names the columns"};
  return std::move(filling.rows);
}

std::string writeCsv(const Rows& rows) {
  std::string out;
  std::string cell;
  for (const auto& row : rows) {
    for (std::size_t i = 0; i < row.size(); ++i) {
      if (i > 0) out += ',';
      if (!needsQuotes(row[i], row.size() == 1)) {
        out += row[i];
        continue;
      }
      cell.resize(row[i].size() * 2 + 2);
      cell.resize(csv_write(cell.data(), cell.size(), row[i].data(), row[i].size()));
      out += cell;
    }
    out += "\r\n";
  }
  return out;
}

}  // namespace mezzet
