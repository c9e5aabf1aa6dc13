#include "core/drawing/base/drafting.h"

#include <algorithm>
#include <cmath>

namespace mezzet {
namespace {

constexpr double kTick = 1.4;          // half length of an oblique tick, mm of paper
constexpr double kExtensionGap = 1.2;  // between the thing and its extension line
constexpr double kOvershoot = 1.4;

}  // namespace

double readableTurn(Vec2 along) {
  double turn = directionOf(along);
  if (turn > 90.0 + 1e-9) turn -= 180;
  if (turn <= -90.0 + 1e-9) turn += 180;
  return turn;
}

PathItem line(Vec2 a, Vec2 b, Stroke stroke) { return {{a, b}, false, Ink::None, stroke}; }

PathItem rectangle(Vec2 low, Vec2 high, Ink fill, Stroke stroke) {
  return {{low, {high.x, low.y}, high, {low.x, high.y}}, true, fill, stroke};
}

void addDimension(Drawing& d, const Dimension& dim) {
  const double paper = d.scale;
  const Vec2 along = unit(dim.b - dim.a), out = leftOf(along);
  const Vec2 a = dim.a + out * (dim.offset * paper), b = dim.b + out * (dim.offset * paper);
  const Stroke stroke = thin(dim.ink);
  if (dim.offset != 0) {
    const double sign = dim.offset > 0 ? 1 : -1;
    for (const auto& [from, to] : {std::pair{dim.a, a}, std::pair{dim.b, b}})
      d.add(dim.layer, dim.id,
            line(from + out * (sign * kExtensionGap * paper), to + out * (sign * kOvershoot * paper), stroke));
  }
  const Vec2 tick = unit(along + out) * (kTick * paper);
  d.add(dim.layer, dim.id, line(a, b, stroke));
  for (const Vec2 end : {a, b})
    d.add(dim.layer, dim.id, line(end - tick, end + tick, {dim.ink, kFurnitureLine, Dash::Solid}));
  if (dim.text.empty()) return;
  d.add(labelOnLine(dim.layer, dim.id, Rank::Dimension, a, b,
                    TextItem{{}, dim.text, kLetters, Align::Centre, readableTurn(along), dim.letters, dim.ground},
                    paper));
}

void addGrid(Drawing& d, Vec2 low, Vec2 high, bool inches) {
  const double step = inches ? kFoot : 500;
  low = {std::min(low.x, d.low.x), std::min(low.y, d.low.y)};
  high = {std::max(high.x, d.high.x), std::max(high.y, d.high.y)};
  // Far out the squares would run together: then only every tenth line is drawn.
  const double every = step / d.scale < 1.5 ? 10 * step : step;
  constexpr double kMostLines = 400;
  if ((high.x - low.x + high.y - low.y) / every > kMostLines) return;
  for (double x = std::ceil(low.x / every) * every; x <= high.x; x += every)
    d.add(Layer::Grid, "", line({x, low.y}, {x, high.y}, fine(Ink::GridLine)));
  for (double y = std::ceil(low.y / every) * every; y <= high.y; y += every)
    d.add(Layer::Grid, "", line({low.x, y}, {high.x, y}, fine(Ink::GridLine)));
}

void addTag(Drawing& d, const std::vector<Vec2>& at, const std::string& letter, const ItemId& id, Rank rank) {
  Label tag =
      labelAt(Layer::Label, id, rank, at, TextItem{{}, letter, kLetters, Align::Centre, 0, Ink::Ink, Ink::None});
  tag.badge = Badge::Circle;
  tag.needed = true;
  d.add(std::move(tag));
}

void addScaleBar(Drawing& d, Vec2 at, bool inches, LengthFormat format) {
  const double step = inches ? kFoot : 500;
  const int steps = inches ? 5 : 4;
  const double h = 1.4 * d.scale;
  for (int i = 0; i < steps; ++i) {
    const Vec2 low{at.x + i * step, at.y};
    d.add(Layer::Title, "scale-bar",
          rectangle(low, {low.x + step, low.y + h}, i % 2 == 0 ? Ink::Ink : Ink::Paper, thin()));
  }
  const std::string text = writeLength(steps * step, format);
  d.add(Layer::Title, "scale-bar",
        TextItem{{at.x + steps * step + 2.5 * d.scale, at.y + h / 2},
                 text,
                 kSmallLetters,
                 Align::Left,
                 0,
                 Ink::Ink,
                 Ink::None});
}

void addNorth(Drawing& d, Vec2 at) {
  const double p = d.scale;
  d.add(Layer::Title, "north",
        PathItem{{at + Vec2{0, 4.5 * p}, at + Vec2{-1.7 * p, 0}, at + Vec2{0, 1.2 * p}, at + Vec2{1.7 * p, 0}},
                 true,
                 Ink::Ink,
                 thin()});
  d.add(Layer::Title, "north", line(at + Vec2{0, 1 * p}, at + Vec2{0, -4 * p}, thin()));
  d.add(Layer::Title, "north",
        TextItem{at + Vec2{0, -6.5 * p}, "N", kSmallLetters, Align::Centre, 0, Ink::Ink, Ink::None});
}

std::string fittedText(std::string text, double width, double letters) {
  if (letteringWidth(text, letters) <= width) return text;
  while (!text.empty() && letteringWidth(text + "...", letters) > width) {
    do text.pop_back();
    while (!text.empty() && (static_cast<unsigned char>(text.back()) & 0xC0) == 0x80);
  }
  return text + "...";
}

}  // namespace mezzet
