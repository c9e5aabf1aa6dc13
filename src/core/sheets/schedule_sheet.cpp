// The list of the pieces, on as many pages as it takes.
#include "core/model/kinds.h"
#include "core/sheets/table.h"

namespace mezzet {
namespace {

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

constexpr TableColumn kScheduleColumns[] = {{"No.", 0},     {"Piece", 0.07}, {"Kind", 0.33},
                                            {"Size", 0.49}, {"High", 0.68},  {"Note", 0.78}};

Table scheduleTableOf(const SheetSource& s) {
  Table table{kScheduleColumns, {}, "", "Nothing stands in this scheme yet."};
  table.title = std::string("Pieces, sizes in ") + (s.job.units == Unit::Inch ? "inches" : "mm");
  for (const Line& one : scheduleLines(s.job, s.scheme, s.request))
    table.rows.push_back({std::to_string(one.count), one.name, one.kind, one.size, one.height, one.note});
  return table;
}

int schedulePages(const SheetSource& s) { return pagesOf(scheduleTableOf(s), *s.request.paper); }
Sheet pageSchedule(const SheetSource& s, int number) { return tablePage(scheduleTableOf(s), s, number); }

}  // namespace

const SheetRow& scheduleSheetRow() {
  static constexpr SheetRow row{
      .id = "schedule", .title = "list of pieces", .scales = false, .pages = schedulePages, .page = pageSchedule};
  return row;
}

}  // namespace mezzet
