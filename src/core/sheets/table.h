// A list on as many pages as it takes.
#pragma once

#include <span>

#include "core/sheets/frame.h"
#include "core/sheets/sheet_row.h"

namespace mezzet {

struct TableColumn {
  const char* title = "";
  double from = 0;  ///< where it begins, as a share of the page's width
};
struct Table {
  std::span<const TableColumn> columns;
  std::vector<std::vector<std::string>> rows;  ///< as many cells each as there are columns
  std::string title, none;                     ///< of the title block; what is said of no rows
  std::vector<std::string> below = {};         ///< sentences under the last page's rows
  bool lying = false;
};
[[nodiscard]] int pagesOf(const Table&, const Paper&);
[[nodiscard]] Sheet tablePage(const Table&, const SheetSource&, int number);

}  // namespace mezzet
