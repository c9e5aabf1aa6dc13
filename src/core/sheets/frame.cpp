#include "core/sheets/frame.h"

#include <algorithm>

#include "core/drawing/base/drafting.h"

namespace mezzet {
namespace {

constexpr double kCheckRow = 17;  // the title block's lower row, with the check bar
constexpr double kBreathing = 2;  // between drawing and frame

}  // namespace

Fit fitOf(const Drawing& plan, const Paper& paper, double scale) {
  const double w = (plan.high.x - plan.low.x) / scale, h = (plan.high.y - plan.low.y) / scale;
  const auto into = [&](double pw, double ph) {
    return w <= pw - 2 * (kBorder + kBreathing) && h <= ph - 2 * (kBorder + kBreathing) - kTitleBlock;
  };
  if (into(paper.width, paper.height)) return {true, false};
  if (into(paper.height, paper.width)) return {true, true};
  return {};
}

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

void addSheetText(Drawing& d, Vec2 at, const std::string& text, double height, Ink ink) {
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
  addSheetText(d, {left + 4, high - 6}, job.name, kTitleLetters);
  addSheetText(d, {left + 4, high - 13}, room.name + (scheme != nullptr ? ", " + scheme->name : ""));
  const double column = left + (right - left) * 0.55;
  // What does not fit before the scale is left to the line above, which is shorter.
  const std::string what = title + (r.version == SheetVersion::Installer ? ". For setting out" : ""),
                    all = what + (r.date.empty() ? "" : ". " + r.date);
  const bool fits = letteringWidth(all, kSmallLetters) < column - left - 6;
  addSheetText(d, {left + 4, high - 19.5},
               fits                                                      ? all
               : letteringWidth(what, kSmallLetters) < column - left - 6 ? what
                                                                         : title);
  if (!fits && !r.date.empty())
    addSheetText(d, {left + 4 + letteringWidth(job.name, kTitleLetters) + 4, high - 6},
                 (letteringWidth(what, kSmallLetters) < column - left - 6 ? ""
                  : r.version == SheetVersion::Installer                  ? "for setting out, "
                                                                          : "") +
                     r.date,
                 kSmallLetters, Ink::Quiet);

  d.add(Layer::Title, "frame", line({column, row}, {column, high}, thin()));
  const bool inches = job.units == Unit::Inch;
  if (sheet.scale > 0) {
    addSheetText(d, {column + 4, high - 6}, "Scale " + scaleInWords(sheet.scale));
    // Scale bar: lengths of the room, as long as the column takes.
    const double step = (inches ? kFoot : 500) / sheet.scale;
    const int steps = std::clamp(static_cast<int>((right - column - 8) / step), 1, inches ? 10 : 8);
    for (int i = 0; i < steps; ++i)
      d.add(Layer::Title, "scale-bar",
            rectangle({column + 4 + i * step, high - 14}, {column + 4 + (i + 1) * step, high - 12},
                      i % 2 == 0 ? Ink::Ink : Ink::Paper, thin()));
    addSheetText(d, {column + 4, high - 19.5}, writeLength(steps * (inches ? kFoot : 500), r.format) + " of the room");
  } else {
    addSheetText(d, {column + 4, high - 6}, "Not to scale");
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
  addSheetText(d, {x, y + 6.5}, std::string("Print at 100 %, measure this: ") + (inches ? "4 in" : "100 mm"));
  addSheetText(d, {x + bar + 6, y + 6.5}, "Check on site", kSmallLetters, Ink::Quiet);
  addSheetText(d, {x + bar + 6, y}, "before ordering.", kSmallLetters, Ink::Quiet);
}

Sheet emptySheet(const Paper& paper, bool turned, int scale) {
  Sheet sheet;
  sheet.scale = scale;
  sheet.turned = turned;
  sheet.width = turned ? paper.height : paper.width;
  sheet.height = turned ? paper.width : paper.height;
  return sheet;
}

}  // namespace mezzet
