#include "core/drawing/ceiling/marks.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <set>

#include "core/drawing/base/drafting.h"

namespace mezzet {
namespace {

const Stroke kEdge{Ink::Ink, kWallLine, Dash::Solid};
constexpr double kHatchSpace = 0.9;  // mm of paper
/// Directions of the hatches, in the order of the circuits; a second one crosses.
struct Hatch {
  double first;
  std::optional<double> second;
};
constexpr Hatch kHatches[] = {{45, {}}, {135, {}}, {0, {}}, {90, {}}, {45, 135}, {0, 90}};

Polygon ringOf(Vec2 centre, double radius) {
  Polygon out;
  for (int i = 0; i < 32; ++i) {
    const double t = 2 * std::numbers::pi * i / 32;
    out.push_back(centre + Vec2{std::cos(t), std::sin(t)} * radius);
  }
  return out;
}

void hatch(Drawing& d, const Polygon& shape, double degrees, const ItemId& id, Layer layer) {
  const Turn turn = turnOf(degrees);
  const Vec2 along{turn.cosine, turn.sine}, across = leftOf(along);
  double low = HUGE_VAL, high = -HUGE_VAL;
  for (const Vec2 p : shape) {
    low = std::min(low, dot(p, across));
    high = std::max(high, dot(p, across));
  }
  const double step = kHatchSpace * d.scale;
  for (double at = low + step / 2; at < high; at += step) {
    std::vector<double> cuts;
    for (std::size_t i = 0; i < shape.size(); ++i) {
      const Vec2 a = shape[i], b = shape[(i + 1) % shape.size()];
      const double fa = dot(a, across) - at, fb = dot(b, across) - at;
      if ((fa > 0) != (fb > 0)) cuts.push_back(dot(a + (b - a) * (fa / (fa - fb)), along));
    }
    if (cuts.size() != 2) continue;
    d.add(layer, id, line(across * at + along * cuts[0], across * at + along * cuts[1], fine(Ink::Ink)));
  }
}

void dot2(Drawing& d, Vec2 at, double paper, const ItemId& id, Layer layer) {
  d.add(layer, id, ArcItem{at, paper * d.scale, 0, 360, Ink::Ink, Stroke{}});
}

/// The mark itself, its middle at `at`, so large.
void mark(Drawing& d, Mount mount, Vec2 at, double r, double turn, const ItemId& id, Layer layer) {
  const auto ring = [&](double radius, Ink fill, Stroke stroke) {
    d.add(layer, id, ArcItem{at, radius, 0, 360, fill, stroke});
  };
  const auto stroke = [&](Vec2 a, Vec2 b, Stroke s) {
    const Turn t = turnOf(turn);
    d.add(layer, id, line(at + rotated(a, t), at + rotated(b, t), s));
  };
  switch (mount) {
    case Mount::Pendant:  // the cord in its middle
      ring(r, Ink::None, kEdge);
      dot2(d, at, 0.7, id, layer);
      break;
    case Mount::Surface:
      ring(r, Ink::None, kEdge);
      ring(r * 0.6, Ink::None, thin());
      break;
    case Mount::Recessed:  // half of it dark
      ring(r, Ink::None, kEdge);
      d.add(layer, id, ArcItem{at, r * 0.55, 180, 180, Ink::None, {Ink::Ink, 0.6, Dash::Solid}});
      stroke({-r * 0.55, 0}, {r * 0.55, 0}, {Ink::Ink, 0.35, Dash::Solid});
      break;
    case Mount::Spot:  // a pointer along its aim
      ring(r, Ink::None, kEdge);
      stroke({0, 0}, {r * 2, 0}, {Ink::Ink, 0.6, Dash::Solid});
      break;
    case Mount::Wall:
    case Mount::Picture:
    case Mount::Strip: break;  // drawn as bodies
    case Mount::Table:
    case Mount::Floor:
      ring(r, Ink::None, thin());
      ring(r * 0.45, Ink::None, kEdge);
      break;
    case Mount::Candle:
      stroke({-r, 0}, {r, 0}, kEdge);
      stroke({0, -r}, {0, r}, kEdge);
      break;
  }
}

}  // namespace

std::string_view mountWords(Mount mount) {
  switch (mount) {
    case Mount::Pendant: return "on a cord or rod";
    case Mount::Surface: return "on the ceiling";
    case Mount::Recessed: return "recessed";
    case Mount::Spot: return "spot, aimed as its pointer";
    case Mount::Wall: return "on the wall";
    case Mount::Picture: return "over a picture";
    case Mount::Table: return "on a table";
    case Mount::Floor: return "on the floor";
    case Mount::Strip: return "strip";
    case Mount::Candle: return "candle";
  }
  return "light";
}

void addFixtureMark(Drawing& d, const Fixture& f, std::optional<std::size_t> circuit, const ItemId& id, Layer layer) {
  const double r = std::max(f.piece->width / 2, kLeastMark * d.scale);
  const bool round = f.piece->shape == Shape::Round && f.mount != Mount::Wall && f.mount != Mount::Picture;
  Polygon shape = round ? ringOf(f.at.at, r) : outlineOf(*f.piece, f.at);
  if (shape.empty()) shape = ringOf(f.at.at, r);
  d.add(layer, id, PathItem{shape, true, Ink::Paper, round ? Stroke{} : kEdge});
  if (circuit) {
    const Hatch& h = kHatches[*circuit % std::size(kHatches)];
    hatch(d, shape, h.first, id, layer);
    if (h.second) hatch(d, shape, *h.second, id, layer);
  }
  if (round) mark(d, f.mount, f.at.at, r, f.placement->aim ? f.placement->aim->bearing : f.at.turn, id, layer);
  else if (f.mount == Mount::Pendant) dot2(d, f.at.at, 0.7, id, layer);
}

void addFixtureFront(Drawing& d, const Fixture& f, double x, double under, double top, double ceiling, const ItemId& id,
                     Layer layer) {
  const Box plan = f.body.empty() ? Box{{-40, -40}, {40, 40}} : boundsOf(f.body);
  const double half = std::max((plan.high.x - plan.low.x) / 2, 20.0);
  const Stroke edge{Ink::Ink, kFurnitureLine, Dash::Solid};
  if (f.recessed()) {
    d.add(layer, id, rectangle({x - half, ceiling}, {x + half, ceiling + kLeastMark * d.scale}, Ink::Paper, edge));
    return;
  }
  if (f.hangsDown() && ceiling - top > 1) {
    d.add(layer, id, line({x, ceiling}, {x, top}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
    const double rose = std::min(half, 60.0);
    d.add(layer, id, rectangle({x - rose, ceiling - 25}, {x + rose, ceiling}, Ink::Paper, edge));
  }
  if (f.mount == Mount::Pendant && f.piece->shape == Shape::Round) {
    // A shade: narrower where the cord comes in [D].
    const double neck = half * 0.35;
    d.add(layer, id,
          PathItem{{{x - half, under}, {x + half, under}, {x + neck, top}, {x - neck, top}}, true, Ink::Paper, edge});
    return;
  }
  d.add(layer, id, rectangle({x - half, under}, {x + half, std::max(top, under + 10)}, Ink::Paper, edge));
}

double addLightKey(Drawing& d, Vec2 at, double width, const std::vector<Fixture>& fixtures, const Scheme& scheme) {
  const double row = 5.2 * d.scale, r = 1.7 * d.scale, each = kKeyColumn * d.scale;
  const int columns = std::max(1, static_cast<int>(width / each));
  int count = 0;
  const auto next = [&](const std::string& text) {
    const Vec2 middle{at.x + (count % columns) * each + 2.6 * d.scale, at.y - row / 2 - (count / columns) * row};
    ++count;
    d.add(Layer::Label, "",
          TextItem{middle + Vec2{3.4 * d.scale, 0}, text, kSmallLetters, Align::Left, 0, Ink::Ink, Ink::None});
    return middle;
  };
  std::set<Mount> seen;
  for (const Fixture& f : fixtures) seen.insert(f.mount);
  for (const Mount mount : seen) {
    const Vec2 middle = next(std::string(mountWords(mount)));
    if (mount == Mount::Wall || mount == Mount::Picture || mount == Mount::Strip)
      d.add(Layer::Label, "", rectangle(middle - Vec2{r, r / 2}, middle + Vec2{r, r / 2}, Ink::Paper, kEdge));
    else mark(d, mount, middle, r, 0, "", Layer::Label);
  }
  for (std::size_t i = 0; i < scheme.circuits.size(); ++i) {
    const Vec2 middle = next("circuit " + scheme.circuits[i].name);
    const Polygon box{middle - Vec2{r, r}, middle + Vec2{r, -r}, middle + Vec2{r, r}, middle + Vec2{-r, r}};
    d.add(Layer::Label, "", PathItem{box, true, Ink::Paper, thin()});
    const Hatch& h = kHatches[i % std::size(kHatches)];
    hatch(d, box, h.first, "", Layer::Label);
    if (h.second) hatch(d, box, *h.second, "", Layer::Label);
  }
  return ((count + columns - 1) / columns) * row;
}

}  // namespace mezzet
