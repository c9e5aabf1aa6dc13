// The list of the pieces, on as many pages as it takes.
#include <algorithm>

#include "core/drawing/base/drafting.h"
#include "core/model/kinds.h"
#include "core/sheets/frame.h"
#include "core/sheets/sheet_row.h"

namespace mezzet {
namespace {

constexpr double kRow = 7, kHeadRow = 9;

struct Line {
  std::string name, kind, size, height, note;
  int count = 0;
};

std::vector<Line> scheduleLines(const Job& job, const Scheme* scheme, const SheetRequest& r) {
  std::vector<Line> lines;
  LengthFormat bare = r.format;
  bare.withUnit = false;
  for (const auto& piece : job.pieces) {
    int count = 0;
    if (scheme != nullptr)
      for (const Placement& p : scheme->placements) count += p.piece == piece->id;
    if (scheme != nullptr && count == 0) continue;
    const auto length = [&](const std::optional<double>& v) { return v ? writeLength(*v, bare) : std::string("-"); };
    Line line;
    line.name = piece->name;
    line.kind = kindWords(piece->kind);
    line.size = piece->shape == Shape::Round
                    ? length(piece->width) + " dia"
                    : length(piece->width) + " x " + length(hangs(piece->kind) ? piece->height : piece->depth);
    line.height = hangs(piece->kind) ? "-" : length(piece->height);
    if (piece->shape == Shape::L)
      line.note = piece->limbs->hand == Hand::Left ? "return on the left" : "return on the right";
    if (piece->rug->soldWidth && piece->rug->soldDepth)
      line.note =
          "sold as " + writeLength(*piece->rug->soldWidth, bare) + " x " + writeLength(*piece->rug->soldDepth, bare);
    // Sizes that nobody has measured are no sizes to order by.
    for (const auto& [dimension, doubt] : piece->doubts)
      if (doubt.source == DimensionSource::Default || doubt.source == DimensionSource::Guess)
        line.note = "measure before ordering";
    line.count = scheme != nullptr ? count : piece->count;
    lines.push_back(std::move(line));
  }
  return lines;
}

int rowsOn(const Paper& paper) {
  return static_cast<int>((paper.height - 2 * kBorder - kTitleBlock - 2 * kHeadRow) / kRow);
}

/// What fits a column, with an ellipsis where it does not.
std::string fitted(std::string text, double width) {
  while (text.size() > 1 && letteringWidth(text, kSmallLetters) > width) {
    do text.pop_back();
    while (!text.empty() && (static_cast<unsigned char>(text.back()) & 0xC0) == 0x80);
    if (letteringWidth(text + "...", kSmallLetters) <= width) return text + "...";
  }
  return text;
}

int pages(const SheetSource& s) {
  const int rows = rowsOn(*s.request.paper);
  return std::max(1, (static_cast<int>(scheduleLines(s.job, s.scheme, s.request).size()) + rows - 1) / rows);
}

Sheet page(const SheetSource& s, int number) {
  const SheetRequest& r = s.request;
  Sheet sheet = emptySheet(*r.paper, {true}, 0);
  Drawing& d = sheet.drawing;
  d.scale = 1;
  const std::vector<Line> lines = scheduleLines(s.job, s.scheme, r);
  const int rows = rowsOn(*r.paper), first = number * rows;
  const double left = kBorder + 5, right = sheet.width - kBorder - 5, wide = right - left;
  const std::pair<const char*, double> columns[] = {{"No.", 0},     {"Piece", 0.07}, {"Kind", 0.33},
                                                    {"Size", 0.49}, {"High", 0.68},  {"Note", 0.78}};
  double y = sheet.height - kBorder - kHeadRow;
  for (const auto& [title, share] : columns) addSheetText(d, {left + share * wide, y}, title);
  d.add(Layer::Title, "", line({left, y - 3.5}, {right, y - 3.5}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  y -= kHeadRow;
  for (int i = first; i < std::min(first + rows, static_cast<int>(lines.size())); ++i, y -= kRow) {
    const Line& one = lines[static_cast<std::size_t>(i)];
    const std::string cells[] = {std::to_string(one.count), one.name, one.kind, one.size, one.height, one.note};
    for (std::size_t c = 0; c < 6; ++c) {
      const double end = c < 5 ? columns[c + 1].second : 1.0;
      addSheetText(d, {left + columns[c].second * wide, y}, fitted(cells[c], (end - columns[c].second) * wide - 2));
    }
    d.add(Layer::Title, "", line({left, y - 3}, {right, y - 3}, fine()));
  }
  if (lines.empty()) addSheetText(d, {left, y}, "Nothing stands in this scheme yet.");
  const int pages = std::max(1, (static_cast<int>(lines.size()) + rows - 1) / rows);
  const bool inches = s.job.units == Unit::Inch;
  const std::string title = std::string("Pieces, sizes in ") + (inches ? "inches" : "mm") +
                            (pages > 1 ? ", page " + std::to_string(number + 1) + " of " + std::to_string(pages) : "");
  d.low = {0, 0};
  d.high = {sheet.width, sheet.height};
  addTitleBlock(sheet, s.job, s.room, s.scheme, title, r);
  return sheet;
}

}  // namespace

const SheetRow& scheduleSheetRow() {
  static constexpr SheetRow row{
      .id = "schedule", .title = "list of pieces", .scales = false, .pages = pages, .page = page};
  return row;
}

}  // namespace mezzet
