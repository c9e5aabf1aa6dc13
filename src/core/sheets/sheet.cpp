#include "core/sheets/sheet.h"

#include <algorithm>
#include <array>

#include "core/base/sentence.h"
#include "core/drawing/labels/labels.h"
#include "core/sheets/frame.h"
#include "core/sheets/hatch.h"
#include "core/sheets/sheet_row.h"

namespace mezzet {
namespace {

constexpr int kClosest = 12, kClosestMetric = 10;  // scales for what is worked from with a tape in the hand

const SheetRow& rowOf(const SheetKind& kind) { return kind.row != nullptr ? *kind.row : planSheetRow(); }

/// The scales that rulers of the unit have, largest first, then the others. The largest of all is proposed of what is
/// worked from closely alone.
std::vector<int> scalesFor(Unit unit, const SheetRow& row) {
  std::vector<int> out = sheetScales();
  if (!row.close) std::erase_if(out, [](int s) { return s <= kClosest; });
  std::stable_partition(out.begin(), out.end(),
                        [unit](int s) { return (s % 8 == 0 || s == kClosest) == (unit == Unit::Inch); });
  return out;
}

/// The sheet at one scale, or at the largest at which it fits, of those of the job's unit if one of them does.
struct Fitted {
  Fit fit;
  int scale = 0;
  Drawing drawing;
};
Fitted fitted(const SheetRow& row, const SheetSource& source) {
  Fitted out;
  const int asked = source.request.scale;
  for (const int s : asked != 0 ? std::vector<int>{asked} : scalesFor(source.job.units, row)) {
    out.drawing = row.compose(source, s);
    out.fit = fitOf(out.drawing, *source.request.paper, s);
    out.scale = s;
    if (out.fit.fits) break;
  }
  return out;
}

Error doesNotFit(const SheetRow& row, const SheetSource& source) {
  const SheetRequest& r = source.request;
  SheetSource bare = source;
  if (!row.fitsByScheme) bare.scheme = nullptr;
  std::string others;
  const auto offer = [&](const Paper& paper, int s) {
    const bool fits = fitOf(row.compose(bare, s), paper, s).fits;
    if (fits) others += (others.empty() ? "" : " or ") + paper.name + " at " + scaleInWords(s);
    return fits;
  };
  for (const Paper& paper : papers())
    for (const int s : r.scale == 0 ? scalesFor(source.job.units, row) : sheetScales()) {
      if (r.scale == 0 ? paper.id == r.paper->id : s != r.scale && paper.id != r.paper->id)
        continue;  // change one thing
      // Where any scale will do, the largest of each paper is enough.
      if (offer(paper, s) && r.scale == 0) break;
    }
  const std::string at = r.scale == 0 ? "at any of the scales" : "at " + scaleInWords(r.scale);
  return {source.subject.empty() ? source.room.name
                                 : source.room.name + ", " + std::string(row.title) + " " + source.subject,
          "does not fit " + r.paper->name + " " + at,
          others.empty() ? "No paper that Mezzet prints on is large enough at these scales" : "It fits " + others};
}

}  // namespace

const std::vector<Paper>& papers() {
  static const std::vector<Paper> all{{"letter", "Letter", 215.9, 279.4},
                                      {"tabloid", "Tabloid", 279.4, 431.8},
                                      {"a4", "A4", 210, 297},
                                      {"a3", "A3", 297, 420},
                                      {"a2", "A2", 420, 594},
                                      {"arch-d", "ARCH D", 609.6, 914.4}};
  return all;
}

const Paper* findPaper(const std::string& id) {
  const auto at = std::find_if(papers().begin(), papers().end(), [&](const Paper& p) { return p.id == id; });
  return at == papers().end() ? nullptr : &*at;
}

const std::vector<int>& sheetScales() {
  static const std::vector<int> all{kClosestMetric, kClosest, 20, 24, 32, 48, 50, 100};
  return all;
}

std::string scaleInWords(int denominator) {
  if (denominator == 1) return "full size (1:1)";
  if (denominator == kClosest) return "1 in = 1 ft (1:12)";
  if (denominator == 48) return "1/4 in = 1 ft (1:48)";
  if (denominator == 32) return "3/8 in = 1 ft (1:32)";
  if (denominator == 24) return "1/2 in = 1 ft (1:24)";
  return "1:" + std::to_string(denominator);
}

std::span<const SheetRow* const> sheetRows() {
  static const std::array all{&planSheetRow(),        &wallSheetRow(),     &scheduleSheetRow(), &fieldSheetRow(),
                              &houseSheetRow(),       &rugSheetRow(),      &carpetSheetRow(),   &sizeCardSheetRow(),
                              &ceilingSheetRow(),     &fixturesSheetRow(), &foldSheetRow(),     &nailSheetRow(),
                              &templateSheetRow(),    &displaySheetRow(),  &ledgeSheetRow(),    &cutsSheetRow(),
                              &mediaSheetRow(),       &shoppingSheetRow(), &budgetSheetRow(),   &tapeOutSheetRow(),
                              &cutOutsSheetRow(),     &daySheetRow(),      &datesSheetRow(),    &deliverySheetRow(),
                              &beforeAfterSheetRow(), &finalistsSheetRow()};
  return all;
}

std::vector<OfferedSheet> offeredSheets(const Job& job, const Room* room, const Scheme* scheme) {
  std::vector<OfferedSheet> out;
  for (const SheetRow* row : sheetRows()) {
    if (row->offered != nullptr && !row->offered(job)) continue;
    const std::string id(row->id), title(row->title);
    if (!row->ofSubjects()) {
      out.push_back({id, title, row->scales});
      continue;
    }
    if (row->placed != nullptr) {
      if (room == nullptr || scheme == nullptr) continue;
      for (const SheetSubject& subject : row->placed(job, *room, *scheme))
        out.push_back({id + ":" + subject.id, title + " " + midSentence(subject.name), row->scales});
      continue;
    }
    for (const std::string& subject : room != nullptr ? row->subjects(*room) : std::vector<std::string>())
      out.push_back({id + ":" + subject, title + " " + subject, row->scales});
  }
  return out;
}

std::string sheetWords() {
  std::string out;
  const auto rows = sheetRows();
  for (std::size_t i = 0; i < rows.size(); ++i)
    out += (i == 0                 ? ""
            : i + 1 == rows.size() ? " or "
                                   : ", ") +
           std::string(rows[i]->id) +
           (!rows[i]->ofSubjects()                                         ? ""
            : rows[i] == &sizeCardSheetRow() || rows[i]->placed != nullptr ? ":p1"
                                                                           : ":A");
  return out;
}

std::optional<SheetKind> sheetKind(const std::string& words) {
  // As the shop calls it.
  if (words.starts_with("size-")) return sheetKind(words.substr(std::string_view("size-").size()));
  for (const SheetRow* row : sheetRows()) {
    if (!row->ofSubjects() && words == row->id) return SheetKind{row, {}};
    const std::string begins = std::string(row->id) + ":";
    if (row->ofSubjects() && words.starts_with(begins) && words.size() > begins.size())
      return SheetKind{row, words.substr(begins.size())};
  }
  return std::nullopt;
}

int pagesOf(const Job& job, const Room& room, const Scheme* scheme, const SheetKind& kind, const SheetRequest& r) {
  const SheetRow& row = rowOf(kind);
  const SheetSource source{job, room, scheme, kind.subject, r};
  if (row.whole != nullptr) return static_cast<int>(row.whole(source).size());
  return row.pages == nullptr ? 1 : row.pages(source);
}

Result<std::vector<Sheet>> composeSheets(const Job& job, const Room& room, const Scheme* scheme, const SheetKind& kind,
                                         const SheetRequest& r) {
  const SheetRow& row = rowOf(kind);
  if (row.whole != nullptr) return row.whole({job, room, scheme, kind.subject, r});
  std::vector<Sheet> out;
  for (int page = 0, all = pagesOf(job, room, scheme, kind, r); page < all; ++page) {
    auto sheet = composeSheet(job, room, scheme, kind, r, page);
    if (!sheet) return sheet.error();
    out.push_back(std::move(sheet).value());
  }
  return out;
}

Result<Sheet> composeSheet(const Job& job, const Room& room, const Scheme* scheme, const SheetKind& kind,
                           const SheetRequest& r, int page) {
  const SheetRow& row = rowOf(kind);
  const SheetSource source{job, room, scheme, kind.subject, r};
  if (row.page != nullptr) return row.page(source, page);
  if (row.whole != nullptr) {
    std::vector<Sheet> pages = row.whole(source);
    return std::move(pages[std::min(static_cast<std::size_t>(std::max(0, page)), pages.size() - 1)]);
  }
  if (row.subjects != nullptr)
    if (const auto all = row.subjects(room); std::find(all.begin(), all.end(), kind.subject) == all.end())
      return Error{room.name, "has no " + std::string(row.title) + " " + kind.subject, "Choose one of its walls"};
  if (row.placed != nullptr) {
    const auto all = scheme != nullptr ? row.placed(job, room, *scheme) : std::vector<SheetSubject>();
    if (std::none_of(all.begin(), all.end(), [&](const SheetSubject& one) { return one.id == kind.subject; }))
      return Error{room.name, "has no " + std::string(row.title) + " " + kind.subject,
                   "Choose a placement that it is of"};
  }
  Fitted made = fitted(row, source);
  if (!made.fit.fits) return doesNotFit(row, source);
  Sheet sheet = emptySheet(*r.paper, made.fit, made.scale);
  Drawing& drawing = made.drawing;
  settle(drawing);
  hatchWalls(drawing);
  const double w = (drawing.high.x - drawing.low.x) / made.scale, h = (drawing.high.y - drawing.low.y) / made.scale;
  const double top = sheet.height - kBorder, foot = kBorder + (made.fit.side ? 0 : kTitleBlock),
               right = sheet.width - kBorder - (made.fit.side ? kTitleBlock : 0);
  toPaper(drawing, {kBorder + (right - kBorder - w) / 2, foot + (top - foot - h) / 2});
  sheet.drawing = std::move(drawing);
  sheet.drawing.low = {0, 0};
  sheet.drawing.high = {sheet.width, sheet.height};
  addTitleBlock(sheet, job, room, row.namesScheme ? scheme : nullptr, row.heading(source), r);
  return sheet;
}

}  // namespace mezzet
