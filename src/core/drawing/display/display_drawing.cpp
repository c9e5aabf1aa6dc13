#include "core/drawing/display/display_drawing.h"

#include <algorithm>
#include <cmath>

#include "core/colour/names.h"
#include "core/display/colours.h"
#include "core/display/free_top.h"
#include "core/drawing/base/drafting.h"
#include "core/drawing/display/thing_front.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kDark = 0.35;  // of a colour where no light reaches [D]
constexpr double kNight[] = {0.20, 0.22, 0.25};
constexpr double kSectionApart = 22, kDimensionOff = 7, kPaletteOff = 18, kPaletteHigh = 5,
                 kTopOff = 16;            // mm of paper
constexpr double kEyeShown = 12 * kInch;  // above all that is there
constexpr int kMostSmallShares = 5;
constexpr double kNamedOver = 1.25;  // mm of paper: narrower things are named in the bar and the list
const Stroke kCase{Ink::Ink, kFurnitureLine, Dash::Solid};

std::string length(double mm, const DisplayOptions& o) { return writeLength(mm, o.format); }

/// Where the drawing ends at the right, and where its strip of colours begins.
double rightOf(const Display& display, double scale) {
  return isSeenFromAbove(display) ? display.width : sectionLeft(display, scale) + display.depth;
}
double paletteTop(const Display& display, double scale) {
  return isSeenFromAbove(display) ? topViewBase(display, scale) - 6 * scale : -kPaletteOff * scale;
}

/// The back of the case, its boards and sides; of a table its top.
void addCarrier(Drawing& d, const Display& display, const DisplayOptions& o) {
  const Carrier& c = display.carrier;
  const ItemId id = c.id;
  const auto lit = litBays(display);
  const bool cased = c.piece != nullptr && !c.piece->surfaces->all.empty();
  if (cased) d.add(Layer::Furniture, id, rectangle({0, 0}, {display.width, display.height}, Ink::Wood, kCase));
  else if (c.placement != nullptr || display.height > 0) {
    const double thick = std::min(display.height, 1.25 * kInch);
    d.add(Layer::Furniture, id,
          rectangle({0, display.height - thick}, {display.width, display.height}, Ink::Wood, kCase));
    if (c.piece != nullptr && c.foot <= 0 && display.height > thick) {
      const double leg = std::min(1.75 * kInch, display.width / 8);
      for (const double x : {display.width * 0.04, display.width * 0.96 - leg})
        d.add(Layer::Furniture, id, rectangle({x, 0}, {x + leg, display.height - thick}, Ink::Wood, kCase));
    }
  }
  for (std::size_t b = 0; b < display.bays.size(); ++b) {
    const Bay& bay = display.bays[b];
    if (!bay.top) continue;
    PathItem back = rectangle({bay.left, bay.bottom}, {bay.right, *bay.top}, Ink::Paper, fine(Ink::Ink));
    if (o.evening && !lit[b]) back.tint = Srgb{kNight[0], kNight[1], kNight[2]};
    d.add(Layer::Furniture, ItemId(display.surfaceName(b)), std::move(back));
  }
  if (c.foot <= 1 && c.placement != nullptr)
    d.add(Layer::Wall, "floor",
          line({-0.06 * display.width, 0}, {1.06 * display.width, 0}, {Ink::Ink, kWallLine, Dash::Solid}));
}

/// In front of what: those further back first.
std::vector<const DisplayedThing*> inOrder(const Display& display, const PlacementIds& without) {
  std::vector<const DisplayedThing*> out;
  for (const DisplayedThing& t : display.things)
    if (std::find(without.begin(), without.end(), t.placement->id) == without.end()) out.push_back(&t);
  std::stable_sort(out.begin(), out.end(), [](const auto* a, const auto* b) { return a->front > b->front; });
  return out;
}

void addThings(Drawing& d, const Display& display, const DisplayOptions& o) {
  const auto lit = litBays(display);
  for (const DisplayedThing* t : inOrder(display, o.without))
    addThingFront(d, *t, {t->left, t->right, t->bottom, t->top}, o.evening && !lit[t->bay] ? kDark : 1,
                  t->placement->id.value);
  if (!o.names) return;
  for (const DisplayedThing& t : display.things) {
    if (std::find(o.without.begin(), o.without.end(), t.placement->id) != o.without.end()) continue;
    const TextItem text{{}, t.piece->name, kSmallLetters, Align::Centre, 0, Ink::Ink, Ink::Paper};
    const double wide = letteringWidth(t.piece->name, kSmallLetters) * o.scale;
    if (wide > kNamedOver * t.width()) continue;
    const double step = 2 * kSmallLetters * o.scale;
    d.add(labelOnlyAt(Layer::Label, t.placement->id.value, Rank::Note,
                      {{t.middle(), (t.bottom + t.top) / 2}, {t.middle(), t.bottom + step}, {t.middle(), t.top - step}},
                      text));
  }
}

void addFigures(Drawing& d, const Display& display, const DisplayOptions& o) {
  // Heights of bays in the first column at the left, its other columns at the right.
  for (std::size_t b = 0; b < display.bays.size(); ++b) {
    const Bay& bay = display.bays[b];
    if (!bay.top) continue;
    const bool first = bay.left <= 2 * kInch + kUsualBoard;
    if (!first) continue;
    addDimension(d, {{0, *bay.top}, {0, bay.bottom}, -kDimensionOff, length(*bay.height(), o), Layer::Dimension, {}});
  }
  addDimension(d, {{0, 0}, {display.width, 0}, -kDimensionOff, length(display.width, o), Layer::Dimension, {}});
  addDimension(d, {{0, display.height}, {0, 0}, -2.2 * kDimensionOff, length(display.height, o), Layer::Dimension, {}});
}

/// Through one bay's column: boards and things from the side, the eye's line, what the edges hide.
void addSection(Drawing& d, const Display& display, const DisplayOptions& o) {
  const double x0 = sectionLeft(display, o.scale), depth = display.depth;
  const DisplayedThing* chosen = o.chosen.empty() ? nullptr : display.shown(o.chosen);
  std::size_t column = chosen != nullptr ? chosen->bay : display.things.empty() ? 0 : display.things.front().bay;
  const auto at = [&](double y, double h) { return Vec2{x0 + y, h}; };
  const ItemId id("section");
  const bool cased = display.carrier.piece != nullptr && !display.carrier.piece->surfaces->all.empty();
  if (cased) d.add(Layer::Furniture, id, rectangle(at(0, 0), at(depth, display.height), Ink::Paper, fine(Ink::Ink)));
  const auto inColumn = [&](const Bay& bay) {
    const Bay& cut = display.bays[column];
    return bay.left < cut.right - 1 && bay.right > cut.left + 1;
  };
  for (std::size_t b = 0; b < display.bays.size(); ++b) {
    const Bay& bay = display.bays[b];
    if (!inColumn(bay)) continue;
    d.add(Layer::Furniture, id,
          rectangle(at(bay.front, bay.bottom - bay.thickness), at(bay.front + bay.depth, bay.bottom), Ink::CutWall,
                    kCase));
    const double shelf = display.carrier.foot + bay.bottom;
    if (o.eye && shelf > display.eye.height && display.eye.distance > 0) {
      const double rise = bay.depth * (shelf - display.eye.height) / display.eye.distance;
      d.add(Layer::Furniture, id,
            PathItem{{at(bay.front, bay.bottom), at(bay.front + bay.depth, bay.bottom),
                      at(bay.front + bay.depth, bay.bottom + rise)},
                     true,
                     Ink::Pocket,
                     Stroke{}});
      d.add(Layer::Dimension, id,
            line(at(bay.front, bay.bottom), at(bay.front + bay.depth, bay.bottom + rise),
                 {Ink::Quiet, kFineLine, Dash::Dashed}));
    }
  }
  for (const DisplayedThing* t : inOrder(display, o.without)) {
    if (!inColumn(display.bays[t->bay])) continue;
    addThingSide(d, *t, {x0 + t->front, x0 + t->back, t->bottom, t->top}, t->placement->id.value);
  }
  if (cased) d.add(Layer::Furniture, id, line(at(depth, 0), at(depth, display.height), kCase));
  addDimension(d, {at(0, 0), at(depth, 0), -kDimensionOff, length(depth, o), Layer::Dimension, {}});
}

void addEye(Drawing& d, const Display& display, const DisplayOptions& o) {
  const double eye = display.eye.height - display.carrier.foot;
  const double top = std::max(display.height, display.things.empty() ? 0 : display.things.back().top);
  // Higher than all that is there it says nothing that the words do not.
  if (eye < 0 || eye > top + kEyeShown) return;
  const double left = -2 * o.scale, right = rightOf(display, o.scale) + 3 * o.scale;
  d.add(Layer::Dimension, "eye", line({left, eye}, {right, eye}, {Ink::Quiet, kDimensionLine, Dash::Dashed}));
  d.add(Layer::Label, "eye",
        TextItem{
            {right + o.scale, eye}, "eye " + length(display.eye.height, o), kSmallLetters, Align::Left, 0, Ink::Ink});
}

/// From above, in place of the section, where nothing is over the things: the front below. What is free is shown where
/// a cup would find most room.
void addTop(Drawing& d, const Display& display, const DisplayOptions& o) {
  const double base = topViewBase(display, o.scale);
  const bool round = display.carrier.piece != nullptr && display.carrier.piece->shape == Shape::Round;
  const ItemId id("top");
  if (round)
    d.add(Layer::Furniture, id,
          ArcItem{{display.width / 2, base + display.depth / 2}, display.width / 2, 0, 360, Ink::Wood, kCase});
  else d.add(Layer::Furniture, id, rectangle({0, base}, {display.width, base + display.depth}, Ink::Wood, kCase));
  std::vector<const DisplayedThing*> all = inOrder(display, o.without);
  std::stable_sort(all.begin(), all.end(), [](const auto* a, const auto* b) { return a->bottom < b->bottom; });
  for (const DisplayedThing* t : all) {
    const std::string main = mainColour(*t->piece);
    const auto tint = main.empty() ? std::nullopt : readColour(main);
    if (t->piece->shape == Shape::Round && t->lie != Lie::Lying)
      d.add(Layer::Furniture, t->placement->id.value,
            ArcItem{{t->middle(), base + (t->front + t->back) / 2}, t->width() / 2, 0, 360, Ink::Cloth, thin(), tint});
    else {
      PathItem box = rectangle({t->left, base + t->front}, {t->right, base + t->back}, Ink::Cloth, thin());
      box.tint = tint;
      d.add(Layer::Furniture, t->placement->id.value, std::move(box));
    }
  }
  addDimension(d,
               {{0, base + display.depth}, {0, base}, -kDimensionOff, length(display.depth, o), Layer::Dimension, {}});
  const FreeCircle free = largestFreeCircle(display, {display.width / 2, 0}, display.width + display.depth);
  if (!display.things.empty() && free.radius > 0) {
    const Vec2 at{free.at.x, base + free.at.y};
    d.add(Layer::Dimension, id,
          ArcItem{at, free.radius, 0, 360, Ink::None, {Ink::Quiet, kDimensionLine, Dash::Dashed}});
    // In a small circle its width alone.
    std::string words = "free, " + length(2 * free.radius, o) + " across";
    if (letteringWidth(words, kSmallLetters) * o.scale > 2 * free.radius) words = length(2 * free.radius, o);
    if (letteringWidth(words, kSmallLetters) * o.scale <= 2 * free.radius)
      d.add(Layer::Label, id, TextItem{at, words, kSmallLetters, Align::Centre, 0, Ink::Ink});
  }
}

/// Shares of the colours as a strip, each named, what is of the palette marked.
void addPalette(Drawing& d, const Display& display, const DisplayOptions& o) {
  const auto colours = coloursOf(display);
  const double right = rightOf(display, o.scale), y = paletteTop(display, o.scale), high = kPaletteHigh * o.scale;
  if (colours.empty()) return;
  const PaletteReader palette(display.palette);
  double at = 0;
  int below = 0;  // small shares are named one under the other, at the end
  for (const SharedColour& c : colours) {
    const double to = at + c.share * right;
    PathItem strip = rectangle({at, y - high}, {to, y}, Ink::Cloth, thin());
    strip.tint = readColour(c.srgb);
    d.add(Layer::Furniture, "palette", std::move(strip));
    const std::string words = std::to_string(std::lround(100 * c.share)) + " % " + nameOfColour(c.srgb) +
                              (palette.isAccent(c.srgb) ? ", accent" : "");
    const bool fits = below == 0 && letteringWidth(words, kSmallLetters) * o.scale < to - at;
    const double down = (2.6 + (fits ? 0.0 : 4.0 * below)) * o.scale;
    d.add(Layer::Label, "palette",
          TextItem{{fits ? (at + to) / 2 : right + 2 * o.scale, fits ? y - high - down : y - down + o.scale},
                   words,
                   kSmallLetters,
                   fits ? Align::Centre : Align::Left,
                   0,
                   Ink::Ink});
    if (!fits && ++below == kMostSmallShares) break;
    at = to;
  }
}

}  // namespace

double sectionLeft(const Display& display, double scale) { return display.width + kSectionApart * scale; }

bool isSeenFromAbove(const Display& display) {
  return std::none_of(display.bays.begin(), display.bays.end(), [](const Bay& b) { return b.top.has_value(); });
}
double topViewBase(const Display& display, double scale) { return -(kTopOff * scale) - display.depth; }

std::vector<bool> litBays(const Display& display) {
  std::vector<bool> out(display.bays.size(), false);
  for (std::size_t b = 0; b < out.size(); ++b) out[b] = !display.bays[b].top;  // an open top has the room's light
  for (const DisplayedThing& t : display.things)
    if (mountOf(*t.piece)) out[t.bay] = true;
  return out;
}

Drawing composeDisplay(const Display& display, const DisplayOptions& o) {
  Drawing d;
  d.scale = o.scale;
  addCarrier(d, display, o);
  addThings(d, display, o);
  const bool above = isSeenFromAbove(display);
  above ? addTop(d, display, o) : addSection(d, display, o);
  if (o.figures) addFigures(d, display, o);
  if (o.eye) addEye(d, display, o);
  if (o.palette) addPalette(d, display, o);
  double top = display.height;
  for (const DisplayedThing& t : display.things) top = std::max(top, t.top);
  const double s = o.scale;
  const bool palette = o.palette && !coloursOf(display).empty();
  d.low = {-22 * s, paletteTop(display, s) + (palette ? -kPaletteHigh - 6 : 6) * s};
  d.high = {rightOf(display, s) + (o.eye || palette ? 38 : 8) * s, top + 8 * s};
  return d;
}

}  // namespace mezzet
