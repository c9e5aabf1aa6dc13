#include "core/drawing/sheet.h"

#include <algorithm>

#include "core/drawing/drafting.h"
#include "core/drawing/plan.h"

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
  const auto into = [&](double pw, double ph) { return w <= pw - 2 * (kBorder + kBreathing) && h <= ph - 2 * (kBorder + kBreathing) - kTitleBlock; };
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

void addTitleBlock(Sheet& sheet, const Job& job, const Room& room, const Scheme* scheme, const SheetRequest& r) {
  Drawing& d = sheet.drawing;
  const double left = kBorder, right = sheet.width - kBorder, low = kBorder, high = kBorder + kTitleBlock, row = low + kCheckRow;
  d.add(Layer::Title, "frame", rectangle({left, low}, {right, sheet.height - kBorder}, Ink::None, {Ink::Ink, kWallLine, Dash::Solid}));
  d.add(Layer::Title, "frame", line({left, high}, {right, high}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  d.add(Layer::Title, "frame", line({left, row}, {right, row}, thin()));
  addText(d, {left + 4, high - 6}, job.name, kTitleLetters);
  addText(d, {left + 4, high - 13}, room.name + (scheme != nullptr ? ", " + scheme->name : ""));
  addText(d, {left + 4, high - 19.5}, "Floor plan. Ceiling " + writeLength(room.ceilingHeight, r.format) + (r.date.empty() ? "" : ". " + r.date));

  const double column = left + (right - left) * 0.55;
  d.add(Layer::Title, "frame", line({column, row}, {column, high}, thin()));
  addText(d, {column + 4, high - 6}, "Scale " + scaleInWords(r.scale));
  // Scale bar: lengths of the room, as long as the column takes.
  const bool inches = job.units == Unit::Inch;
  const double step = (inches ? kFoot : 500) / r.scale;
  const int steps = std::clamp(static_cast<int>((right - column - 8) / step), 1, inches ? 10 : 8);
  for (int i = 0; i < steps; ++i)
    d.add(Layer::Title, "scale-bar",
          rectangle({column + 4 + i * step, high - 14}, {column + 4 + (i + 1) * step, high - 12}, i % 2 == 0 ? Ink::Ink : Ink::Paper, thin()));
  addText(d, {column + 4, high - 19.5}, writeLength(steps * (inches ? kFoot : 500), r.format) + " of the room");

  // Check bar: lengths of the paper.
  const double bar = inches ? 4 * kInch : 100;
  const double x = left + 4, y = low + 5;
  d.add(Layer::Title, "check-bar", line({x, y}, {x + bar, y}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  for (const double end : {x, x + bar}) d.add(Layer::Title, "check-bar", line({end, y - 2}, {end, y + 2}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  const int marks = inches ? 4 : 10;
  for (int i = 1; i < marks; ++i) d.add(Layer::Title, "check-bar", line({x + i * bar / marks, y - 1}, {x + i * bar / marks, y + 1}, thin()));
  addText(d, {x, y + 6.5}, std::string("Print at 100 %, measure this: ") + (inches ? "4 in" : "100 mm"));
  addText(d, {x + bar + 6, y + 6.5}, "Check on site", kSmallLetters, Ink::Quiet);
  addText(d, {x + bar + 6, y}, "before ordering.", kSmallLetters, Ink::Quiet);
}

}  // namespace

const std::vector<Paper>& papers() {
  static const std::vector<Paper> all{{"letter", "Letter", 215.9, 279.4}, {"a4", "A4", 210, 297}, {"a3", "A3", 297, 420}};
  return all;
}

const Paper* findPaper(const std::string& id) {
  const auto at = std::find_if(papers().begin(), papers().end(), [&](const Paper& p) { return p.id == id; });
  return at == papers().end() ? nullptr : &*at;
}

const std::vector<int>& sheetScales() {
  static const std::vector<int> all{24, 48, 50};
  return all;
}

std::string scaleInWords(int denominator) {
  if (denominator == 48) return "1/4 in = 1 ft (1:48)";
  if (denominator == 24) return "1/2 in = 1 ft (1:24)";
  return "1:" + std::to_string(denominator);
}

Result<Sheet> planSheet(const Job& job, const Room& room, const Scheme* scheme, const SheetRequest& r) {
  PlanOptions options;
  options.scale = r.scale;
  options.format = r.format;
  options.grid = false;
  options.titles = false;
  Drawing plan = composePlan(job, room, scheme, options);
  const Fit fit = fitOf(plan, *r.paper, r.scale);
  if (!fit.fits) {
    std::string others;
    for (const Paper& paper : papers())
      for (const int scale : sheetScales()) {
        options.scale = scale;
        if (scale != r.scale && paper.id != r.paper->id) continue;  // change one thing
        if (fitOf(composePlan(job, room, nullptr, options), paper, scale).fits)
          others += (others.empty() ? "" : " or ") + paper.name + " at " + scaleInWords(scale);
      }
    return Error{room.name, "does not fit " + r.paper->name + " at " + scaleInWords(r.scale),
                 others.empty() ? "No paper that Mezzet prints on is large enough at these scales" : "It fits " + others};
  }
  Sheet sheet;
  sheet.turned = fit.turned;
  sheet.width = fit.turned ? r.paper->height : r.paper->width;
  sheet.height = fit.turned ? r.paper->width : r.paper->height;
  const double w = (plan.high.x - plan.low.x) / r.scale, h = (plan.high.y - plan.low.y) / r.scale;
  const double top = sheet.height - kBorder, foot = kBorder + kTitleBlock;
  toPaper(plan, {(sheet.width - w) / 2, foot + (top - foot - h) / 2});
  sheet.drawing = std::move(plan);
  sheet.drawing.low = {0, 0};
  sheet.drawing.high = {sheet.width, sheet.height};
  addTitleBlock(sheet, job, room, scheme, r);
  return sheet;
}

}  // namespace mezzet
