#include "core/sheets/frame.h"

#include <algorithm>

#include "core/drawing/base/drafting.h"
#include "core/edit/choosing.h"

namespace mezzet {
namespace {

constexpr double kBreathing = 1;      // between drawing and frame
constexpr double kCheckColumn = 110;  // of the title block, beside its names: scale, bar to check by
constexpr const char* kNotToBuildFrom = "NOT TO BUILD FROM: no engineer has signed";
constexpr double kLeastName = 12;                         // mm in which a name still says something
constexpr double kPad = 4, kFirst = 5, kLineApart = 5.4;  // words in it: from the edge, first line, next line

}  // namespace

Fit fitOf(const Drawing& plan, const Paper& paper, double scale) {
  const double w = (plan.high.x - plan.low.x) / scale, h = (plan.high.y - plan.low.y) / scale;
  const double free = 2 * (kBorder + kBreathing);
  for (const bool side : {false, true})
    for (const bool turned : {false, true}) {
      const double pw = (turned ? paper.height : paper.width) - free - (side ? kTitleBlock : 0),
                   ph = (turned ? paper.width : paper.height) - free - (side ? 0 : kTitleBlock);
      if (w <= pw && h <= ph) return {true, turned, side};
    }
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

namespace {

/// One after the other, with commas between those that say something.
std::string joinedWords(const std::vector<std::string>& words) {
  std::string out;
  for (const std::string& one : words)
    if (!one.empty()) out += (out.empty() ? "" : ", ") + one;
  return out;
}

/// What the sheet is, and below it what of that has no room, with its issue, or else the date, and its number.
struct Lines {
  std::string third, fourth;
};
Lines titleLines(const std::string& title, const SheetRequest& r, double wide) {
  const std::string setting = r.version == SheetVersion::Installer ? "For setting out" : "";
  const std::string number =
      r.of > 0 ? "sheet " + std::to_string(r.number) + " of " + std::to_string(r.of) : std::string();
  const std::string when = r.issue.empty() ? r.date : r.issue;
  if (letteringWidth(title + ". " + setting, kSmallLetters) < wide && !setting.empty())
    return {title + ". " + setting, joinedWords({when, number})};
  const std::string all = joinedWords({setting, when, number});
  return {title, letteringWidth(all, kSmallLetters) <= wide ? all : joinedWords({when, number})};
}

/// Words at the right end of a line, whole or as far as they go, where something else stands from its left.
void addAtRight(Drawing& d, const std::string& words, double from, double to, double y) {
  if (!words.empty() && to - from > kLeastName)
    d.add(Layer::Title, "",
          TextItem{{to, y}, fittedText(words, to - from), kSmallLetters, Align::Right, 0, Ink::Ink, Ink::None});
}

/// The names, the scale with its bar, and the bar to check the print by; from (0, 0), `wide` along.
Drawing titleBlock(double wide, int scale, const Job& job, const Room& room, const Scheme* scheme,
                   const std::string& title, const SheetRequest& r) {
  Drawing d;
  d.scale = 1;
  const bool inches = job.units == Unit::Inch;
  const double check = wide - kCheckColumn, x = check + kPad, top = kTitleBlock - kFirst;
  const auto row = [&](int i) { return top - i * kLineApart; };
  d.add(Layer::Title, "frame", line({0, kTitleBlock}, {wide, kTitleBlock}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  d.add(Layer::Title, "frame", line({check, 0}, {check, kTitleBlock}, thin()));
  const Lines lines = titleLines(title, r, check - 2 * kPad);
  const double forNames = check - 2 * kPad;
  const std::string name = fittedText(job.name, forNames, kTitleLetters);
  addSheetText(d, {kPad, row(0)}, name, kTitleLetters);
  addAtRight(d, job.records->client.empty() ? std::string() : "for " + job.records->client,
             2 * kPad + letteringWidth(name, kTitleLetters), check - kPad, row(0));
  addSheetText(d, {kPad, row(1)}, fittedText(room.name + (scheme != nullptr ? ", " + scheme->name : ""), forNames));
  addSheetText(d, {kPad, row(2)}, lines.third);
  if (scheme != nullptr && !unsignedIn(*scheme).empty())
    addSheetText(d, {kPad, row(3)}, kNotToBuildFrom, kSmallLetters, Ink::Ink);
  else addSheetText(d, {kPad, row(3)}, lines.fourth, kSmallLetters, Ink::Quiet);

  std::string ofTheRoom;
  if (scale == 1) {
    addSheetText(d, {x, row(0)}, "Full size, 1:1");
  } else if (scale > 0) {
    const std::string words = "Scale " + scaleInWords(scale);
    addSheetText(d, {x, row(0)}, words);
    // Lengths of the room, as long as there is place.
    const double step = (inches ? kFoot : 500) / scale, from = x + letteringWidth(words, kSmallLetters) + kPad;
    const int steps = std::clamp(static_cast<int>((wide - kPad - from) / step), 1, inches ? 10 : 8);
    for (int i = 0; i < steps; ++i)
      d.add(Layer::Title, "scale-bar",
            rectangle({from + i * step, row(0) - 1}, {from + (i + 1) * step, row(0) + 1},
                      i % 2 == 0 ? Ink::Ink : Ink::Paper, thin()));
    ofTheRoom = writeLength(steps * (inches ? kFoot : 500), r.format) + " of the room. ";
  } else {
    addSheetText(d, {x, row(0)}, "Not to scale");
  }
  addSheetText(d, {x, row(1)}, ofTheRoom + "Check on site before ordering.", kSmallLetters, Ink::Quiet);
  const std::string check100 = std::string("Print at 100 %, measure this: ") + (inches ? "4 in" : "100 mm");
  addSheetText(d, {x, row(2)}, check100);
  addAtRight(d, job.records->firm, x + letteringWidth(check100, kSmallLetters) + kPad, wide - kPad, row(2));
  const double bar = inches ? 4 * kInch : 100, y = row(3);
  d.add(Layer::Title, "check-bar", line({x, y}, {x + bar, y}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  for (const double end : {x, x + bar})
    d.add(Layer::Title, "check-bar", line({end, y - 2}, {end, y + 2}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  const int marks = inches ? 4 : 10;
  for (int i = 1; i < marks; ++i)
    d.add(Layer::Title, "check-bar", line({x + i * bar / marks, y - 1}, {x + i * bar / marks, y + 1}, thin()));
  return d;
}

}  // namespace

void addTitleBlock(Sheet& sheet, const Job& job, const Room& room, const Scheme* scheme, const std::string& title,
                   const SheetRequest& r) {
  const double right = sheet.width - kBorder, high = sheet.height - kBorder;
  sheet.drawing.add(Layer::Title, "frame",
                    rectangle({kBorder, kBorder}, {right, high}, Ink::None, {Ink::Ink, kWallLine, Dash::Solid}));
  Drawing block = titleBlock((sheet.blockAtSide ? high : right) - kBorder, sheet.scale, job, room, scheme, title, r);
  // Along the side it reads from the right.
  const auto home = [&](Vec2& p) {
    p = sheet.blockAtSide ? Vec2{right - p.y, kBorder + p.x} : Vec2{kBorder, kBorder} + p;
  };
  for (Item& item : block.items) {
    if (auto* path = std::get_if<PathItem>(&item.shape))
      for (Vec2& p : path->points) home(p);
    if (auto* text = std::get_if<TextItem>(&item.shape)) {
      home(text->at);
      if (sheet.blockAtSide) text->turn = 90;
    }
  }
  append(sheet.drawing, std::move(block));
}

Sheet emptySheet(const Paper& paper, Fit fit, int scale) {
  const bool turned = fit.turned;
  Sheet sheet;
  sheet.scale = scale;
  sheet.turned = turned;
  sheet.blockAtSide = fit.side;
  sheet.width = turned ? paper.height : paper.width;
  sheet.height = turned ? paper.width : paper.height;
  return sheet;
}

namespace {

/// Whether a line must not end before what follows at `at`: a fraction, or the unit of a number.
bool belongsBefore(const std::string& text, std::size_t at) {
  const std::string_view rest = std::string_view(text).substr(at);
  std::size_t digits = 0;
  while (digits < rest.size() && rest[digits] >= '0' && rest[digits] <= '9') ++digits;
  if (digits > 0 && digits < rest.size() && rest[digits] == '/') return true;
  for (const std::string_view unit : {"in", "mm", "ft", "sq", "lb", "kg", "lx"})
    if (rest.starts_with(unit) && (rest.size() == unit.size() || rest[unit.size()] < 'a' || rest[unit.size()] > 'z'))
      return at > 1 && text[at - 2] >= '0' && text[at - 2] <= '9';
  return false;
}

}  // namespace

std::vector<std::string> wrapped(const std::string& text, double width) {
  std::vector<std::string> out{""};
  std::size_t at = 0;
  while (at < text.size()) {
    std::size_t end = std::min(text.find(' ', at), text.size());
    while (end < text.size() && belongsBefore(text, end + 1)) end = std::min(text.find(' ', end + 1), text.size());
    const std::string word = text.substr(at, end - at);
    const std::string longer = out.back().empty() ? word : out.back() + " " + word;
    if (!out.back().empty() && letteringWidth(longer, kSmallLetters) > width) out.push_back(word);
    else out.back() = longer;
    at = end + 1;
  }
  return out;
}

void addListBelow(Drawing& d, const std::vector<std::string>& lines) {
  constexpr double kListLine = 5.5, kIn = 4, kLeastWide = 150;  // mm of paper
  const double wide = std::max(kLeastWide, (d.high.x - d.low.x) / d.scale - kIn);
  double y = d.low.y - kIn * d.scale, most = 0;
  for (const std::string& text : lines)
    for (const std::string& one : wrapped(text, wide)) {
      d.add(Layer::Label, "",
            TextItem{{d.low.x + kIn * d.scale, y}, one, kSmallLetters, Align::Left, 0, Ink::Ink, Ink::None});
      most = std::max(most, letteringWidth(one, kSmallLetters));
      y -= kListLine * d.scale;
    }
  d.low.y = y;
  d.high.x = std::max(d.high.x, d.low.x + (most + 2 * kIn) * d.scale);
}

PlanOptions planOptions(double scale, LengthFormat format) {
  PlanOptions options;
  options.scale = scale;
  options.format = format;
  options.grid = false;
  options.titles = false;
  return options;
}

}  // namespace mezzet
