#include "core/sheets/table.h"

#include <algorithm>

#include "core/drawing/base/drafting.h"

namespace mezzet {
namespace {

constexpr double kTableRow = 7, kHeadRow = 9;

int rowsOn(const Table& table, const Paper& paper) {
  const double height = table.lying ? paper.width : paper.height;
  const double below = static_cast<double>(table.below.size()) * kTableRow * 2;
  return std::max(1, static_cast<int>((height - 2 * kBorder - kTitleBlock - 2 * kHeadRow - below) / kTableRow));
}

}  // namespace

int pagesOf(const Table& table, const Paper& paper) {
  const int rows = rowsOn(table, paper);
  return std::max(1, (static_cast<int>(table.rows.size()) + rows - 1) / rows);
}

Sheet tablePage(const Table& table, const SheetSource& s, int number) {
  const SheetRequest& r = s.request;
  Sheet sheet = emptySheet(*r.paper, {true, table.lying}, 0);
  Drawing& d = sheet.drawing;
  d.scale = 1;
  const int rows = rowsOn(table, *r.paper), first = number * rows, pages = pagesOf(table, *r.paper);
  const double left = kBorder + 5, right = sheet.width - kBorder - 5, wide = right - left;
  double y = sheet.height - kBorder - kHeadRow;
  for (const TableColumn& column : table.columns) addSheetText(d, {left + column.from * wide, y}, column.title);
  d.add(Layer::Title, "", line({left, y - 3.5}, {right, y - 3.5}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  y -= kHeadRow;
  for (int i = first; i < std::min(first + rows, static_cast<int>(table.rows.size())); ++i, y -= kTableRow) {
    const std::vector<std::string>& cells = table.rows[static_cast<std::size_t>(i)];
    for (std::size_t c = 0; c < table.columns.size(); ++c) {
      const double from = table.columns[c].from, end = c + 1 < table.columns.size() ? table.columns[c + 1].from : 1.0;
      addSheetText(d, {left + from * wide, y}, fittedText(cells[c], (end - from) * wide - 2));
    }
    d.add(Layer::Title, "", line({left, y - 3}, {right, y - 3}, fine()));
  }
  if (table.rows.empty()) {
    addSheetText(d, {left, y}, table.none);
    y -= kTableRow;
  }
  if (number + 1 == pages)
    for (const std::string& sentence : table.below)
      for (const std::string& one : wrapped(sentence, wide)) {
        addSheetText(d, {left, y - 2}, one);
        y -= kTableRow - 1;
      }
  d.low = {0, 0};
  d.high = {sheet.width, sheet.height};
  addTitleBlock(
      sheet, s.job, s.room, s.scheme,
      table.title + (pages > 1 ? ", page " + std::to_string(number + 1) + " of " + std::to_string(pages) : ""), r);
  return sheet;
}

}  // namespace mezzet
