#include "core/site/heights.h"
#include "core/sheets/sheet.h"

#include <algorithm>

#include "core/drawing/base/drafting.h"
#include "core/drawing/wall/elevation.h"
#include "core/sheets/field_sheet.h"
#include "core/drawing/plan/site_plan.h"
#include "core/drawing/plan/plan.h"
#include "core/sheets/set_out.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kBorder = 10;      // mm from the paper's edge
constexpr double kTitleBlock = 42;  // height at the foot of the sheet
constexpr double kCheckRow = 17;    // its lower row, with the check bar
constexpr double kBreathing = 2;    // between drawing and frame

struct Fit {
  bool fits = false, turned = false;
};

Fit fitOf(const Drawing& plan, const Paper& paper, double scale) {
  const double w = (plan.high.x - plan.low.x) / scale, h = (plan.high.y - plan.low.y) / scale;
  const auto into = [&](double pw, double ph) {
    return w <= pw - 2 * (kBorder + kBreathing) && h <= ph - 2 * (kBorder + kBreathing) - kTitleBlock;
  };
  if (into(paper.width, paper.height)) return {true, false};
  if (into(paper.height, paper.width)) return {true, true};
  return {};
}

/// From model mm to mm of paper.
void toPaper(Drawing& d, Vec2 origin) {
  const double k = 1 / d.scale;
  const auto put = [&](Vec2& p) { p = (p - d.low) * k + origin; };
  for (Item& item : d.items) {
    if (auto* path = std::get_if<PathItem>(&item.shape))
      for (Vec2& p : path->points) put(p);
    if (auto* arc = std::get_if<ArcItem>(&item.shape)) {
      put(arc->centre);
      arc->radius *= k;
    }
    if (auto* text = std::get_if<TextItem>(&item.shape)) put(text->at);
    if (auto* image = std::get_if<ImageItem>(&item.shape)) {
      put(image->low);
      put(image->high);
    }
  }
  d.scale = 1;
}

void addText(Drawing& d, Vec2 at, const std::string& text, double height = kSmallLetters, Ink ink = Ink::Ink) {
  d.add(Layer::Title, "", TextItem{at, text, height, Align::Left, 0, ink, Ink::None});
}

void addTitleBlock(Sheet& sheet, const Job& job, const Room& room, const Scheme* scheme, const std::string& title,
                   const SheetRequest& r) {
  Drawing& d = sheet.drawing;
  const double left = kBorder, right = sheet.width - kBorder, low = kBorder, high = kBorder + kTitleBlock,
               row = low + kCheckRow;
  d.add(Layer::Title, "frame",
        rectangle({left, low}, {right, sheet.height - kBorder}, Ink::None, {Ink::Ink, kWallLine, Dash::Solid}));
  d.add(Layer::Title, "frame", line({left, high}, {right, high}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  d.add(Layer::Title, "frame", line({left, row}, {right, row}, thin()));
  addText(d, {left + 4, high - 6}, job.name, kTitleLetters);
  addText(d, {left + 4, high - 13}, room.name + (scheme != nullptr ? ", " + scheme->name : ""));
  const double column = left + (right - left) * 0.55;
  // What does not fit before the scale is left to the line above, which is shorter.
  const std::string what = title + (r.version == SheetVersion::Installer ? ". For setting out" : ""),
                    all = what + (r.date.empty() ? "" : ". " + r.date);
  const bool fits = letteringWidth(all, kSmallLetters) < column - left - 6;
  addText(d, {left + 4, high - 19.5},
          fits                                                      ? all
          : letteringWidth(what, kSmallLetters) < column - left - 6 ? what
                                                                    : title);
  if (!fits && !r.date.empty())
    addText(d, {left + 4 + letteringWidth(job.name, kTitleLetters) + 4, high - 6},
            (letteringWidth(what, kSmallLetters) < column - left - 6 ? ""
             : r.version == SheetVersion::Installer                  ? "for setting out, "
                                                                     : "") +
                r.date,
            kSmallLetters, Ink::Quiet);

  d.add(Layer::Title, "frame", line({column, row}, {column, high}, thin()));
  const bool inches = job.units == Unit::Inch;
  if (sheet.scale > 0) {
    addText(d, {column + 4, high - 6}, "Scale " + scaleInWords(sheet.scale));
    // Scale bar: lengths of the room, as long as the column takes.
    const double step = (inches ? kFoot : 500) / sheet.scale;
    const int steps = std::clamp(static_cast<int>((right - column - 8) / step), 1, inches ? 10 : 8);
    for (int i = 0; i < steps; ++i)
      d.add(Layer::Title, "scale-bar",
            rectangle({column + 4 + i * step, high - 14}, {column + 4 + (i + 1) * step, high - 12},
                      i % 2 == 0 ? Ink::Ink : Ink::Paper, thin()));
    addText(d, {column + 4, high - 19.5}, writeLength(steps * (inches ? kFoot : 500), r.format) + " of the room");
  } else {
    addText(d, {column + 4, high - 6}, "Not to scale");
  }

  // Check bar: lengths of the paper.
  const double bar = inches ? 4 * kInch : 100;
  const double x = left + 4, y = low + 5;
  d.add(Layer::Title, "check-bar", line({x, y}, {x + bar, y}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  for (const double end : {x, x + bar})
    d.add(Layer::Title, "check-bar", line({end, y - 2}, {end, y + 2}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  const int marks = inches ? 4 : 10;
  for (int i = 1; i < marks; ++i)
    d.add(Layer::Title, "check-bar", line({x + i * bar / marks, y - 1}, {x + i * bar / marks, y + 1}, thin()));
  addText(d, {x, y + 6.5}, std::string("Print at 100 %, measure this: ") + (inches ? "4 in" : "100 mm"));
  addText(d, {x + bar + 6, y + 6.5}, "Check on site", kSmallLetters, Ink::Quiet);
  addText(d, {x + bar + 6, y}, "before ordering.", kSmallLetters, Ink::Quiet);
}

/// The drawing that goes onto a sheet, at one scale.
Drawing composeFor(const Job& job, const Room& room, const Scheme* scheme, const SheetKind& kind, const SheetRequest& r,
                   int scale) {
  if (kind.what == SheetKind::Field) return composeFieldSheet(job, room, scale, r.format);
  if (kind.what == SheetKind::House) {
    for (const HouseStorey& storey : layoutOf(job, r.format))
      if (storey.id == room.storey) return composeStorey(job, storey, {}, scale, r.format);
  }
  if (kind.what == SheetKind::Wall) {
    ElevationOptions options;
    options.scale = scale;
    options.format = r.format;
    options.grid = false;
    options.titles = false;
    options.services = r.version == SheetVersion::Installer;
    Drawing d = composeElevation(job, room, scheme, kind.wall, options);
    if (r.version == SheetVersion::Installer && scheme != nullptr)
      addWallSetOut(d, job, room, *scheme, kind.wall, r.format);
    return d;
  }
  PlanOptions options;
  options.scale = scale;
  options.format = r.format;
  options.grid = false;
  options.titles = false;
  Drawing d = composePlan(job, room, scheme, options);
  if (r.version == SheetVersion::Installer && scheme != nullptr) addPlanSetOut(d, job, *scheme, r.format);
  return d;
}

Sheet emptySheet(const Paper& paper, bool turned, int scale) {
  Sheet sheet;
  sheet.scale = scale;
  sheet.turned = turned;
  sheet.width = turned ? paper.height : paper.width;
  sheet.height = turned ? paper.width : paper.height;
  return sheet;
}

// ---- the list of pieces
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

Sheet scheduleSheet(const Job& job, const Room& room, const Scheme* scheme, const SheetRequest& r, int page) {
  Sheet sheet = emptySheet(*r.paper, false, 0);
  Drawing& d = sheet.drawing;
  d.scale = 1;
  const std::vector<Line> lines = scheduleLines(job, scheme, r);
  const int rows = rowsOn(*r.paper), first = page * rows;
  const double left = kBorder + 5, right = sheet.width - kBorder - 5, wide = right - left;
  const std::pair<const char*, double> columns[] = {{"No.", 0},     {"Piece", 0.07}, {"Kind", 0.33},
                                                    {"Size", 0.49}, {"High", 0.68},  {"Note", 0.78}};
  double y = sheet.height - kBorder - kHeadRow;
  for (const auto& [title, share] : columns) addText(d, {left + share * wide, y}, title);
  d.add(Layer::Title, "", line({left, y - 3.5}, {right, y - 3.5}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  y -= kHeadRow;
  for (int i = first; i < std::min(first + rows, static_cast<int>(lines.size())); ++i, y -= kRow) {
    const Line& one = lines[static_cast<std::size_t>(i)];
    const std::string cells[] = {std::to_string(one.count), one.name, one.kind, one.size, one.height, one.note};
    for (std::size_t c = 0; c < 6; ++c) {
      const double end = c < 5 ? columns[c + 1].second : 1.0;
      addText(d, {left + columns[c].second * wide, y}, fitted(cells[c], (end - columns[c].second) * wide - 2));
    }
    d.add(Layer::Title, "", line({left, y - 3}, {right, y - 3}, fine()));
  }
  if (lines.empty()) addText(d, {left, y}, "Nothing stands in this scheme yet.");
  const int pages = std::max(1, (static_cast<int>(lines.size()) + rows - 1) / rows);
  const bool inches = job.units == Unit::Inch;
  const std::string title = std::string("Pieces, sizes in ") + (inches ? "inches" : "mm") +
                            (pages > 1 ? ", page " + std::to_string(page + 1) + " of " + std::to_string(pages) : "");
  d.low = {0, 0};
  d.high = {sheet.width, sheet.height};
  addTitleBlock(sheet, job, room, scheme, title, r);
  return sheet;
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
  static const std::vector<int> all{20, 24, 48, 50, 100};
  return all;
}

std::string scaleInWords(int denominator) {
  if (denominator == 48) return "1/4 in = 1 ft (1:48)";
  if (denominator == 24) return "1/2 in = 1 ft (1:24)";
  return "1:" + std::to_string(denominator);
}

std::optional<SheetKind> sheetKind(const std::string& words) {
  if (words == "plan") return SheetKind{};
  if (words == "house") return SheetKind{SheetKind::House, {}};
  if (words == "field") return SheetKind{SheetKind::Field, {}};
  if (words == "schedule") return SheetKind{SheetKind::Schedule, {}};
  if (words.starts_with("wall:") && words.size() > 5) return SheetKind{SheetKind::Wall, CornerId(words.substr(5))};
  return std::nullopt;
}

int pagesOf(const Job& job, const Room&, const Scheme* scheme, const SheetKind& kind, const SheetRequest& r) {
  if (kind.what != SheetKind::Schedule) return 1;
  const int rows = rowsOn(*r.paper);
  return std::max(1, (static_cast<int>(scheduleLines(job, scheme, r).size()) + rows - 1) / rows);
}

Result<Sheet> composeSheet(const Job& job, const Room& room, const Scheme* scheme, const SheetKind& kind,
                           const SheetRequest& r, int page) {
  if (kind.what == SheetKind::Schedule) return scheduleSheet(job, room, scheme, r, page);
  if (kind.what == SheetKind::Wall && !findWall(room, kind.wall))
    return Error{room.name, "has no wall " + kind.wall.value, "Choose one of its walls"};
  const std::string subject = kind.what == SheetKind::Wall ? room.name + ", wall " + kind.wall.value : room.name;
  int scale = r.scale;
  Fit fit;
  Drawing drawing;
  for (const int s : sheetScales()) {
    if (r.scale != 0 && s != r.scale) continue;
    drawing = composeFor(job, room, scheme, kind, r, s);
    fit = fitOf(drawing, *r.paper, s);
    scale = s;
    if (fit.fits) break;
  }
  if (!fit.fits) {
    std::string others;
    for (const Paper& paper : papers())
      for (const int s : sheetScales()) {
        if (s != r.scale && paper.id != r.paper->id) continue;  // change one thing
        if (fitOf(composeFor(job, room, nullptr, kind, r, s), paper, s).fits)
          others += (others.empty() ? "" : " or ") + paper.name + " at " + scaleInWords(s);
      }
    const std::string at = r.scale == 0 ? "at any of the scales" : "at " + scaleInWords(r.scale);
    return Error{
        subject, "does not fit " + r.paper->name + " " + at,
        others.empty() ? "No paper that Mezzet prints on is large enough at these scales" : "It fits " + others};
  }
  Sheet sheet = emptySheet(*r.paper, fit.turned, scale);
  const double w = (drawing.high.x - drawing.low.x) / scale, h = (drawing.high.y - drawing.low.y) / scale;
  const double top = sheet.height - kBorder, foot = kBorder + kTitleBlock;
  toPaper(drawing, {(sheet.width - w) / 2, foot + (top - foot - h) / 2});
  sheet.drawing = std::move(drawing);
  sheet.drawing.low = {0, 0};
  sheet.drawing.high = {sheet.width, sheet.height};
  if (kind.what == SheetKind::Field || kind.what == SheetKind::House) scheme = nullptr;
  const std::string title = kind.what == SheetKind::House   ? "All rooms of this storey"
                            : kind.what == SheetKind::Field ? "To measure by. Write what the tape reads"
                            : kind.what == SheetKind::Wall
                                ? "Wall " + kind.wall.value + " from the room. " + ceilingWords(room, r.format)
                                : "Floor plan. " + ceilingWords(room, r.format);
  addTitleBlock(sheet, job, room, scheme, title, r);
  return sheet;
}

}  // namespace mezzet
