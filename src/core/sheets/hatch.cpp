#include "core/sheets/hatch.h"

#include <algorithm>
#include <cmath>

#include "core/drawing/base/drafting.h"
#include "core/geometry/offset.h"

namespace mezzet {
namespace {

constexpr double kBeat = 1.3;  // between the lines of a hatch, mm of paper
constexpr double kMostLines = 5000;

bool isCutWall(const Item& item) {
  const auto* path = std::get_if<PathItem>(&item.shape);
  return path != nullptr && path->closed && path->fill == Ink::CutWall && path->points.size() > 2;
}

}  // namespace

std::vector<std::pair<Vec2, Vec2>> lineWithin(const std::vector<Polygon>& outlines, Vec2 normal, double at) {
  const Vec2 along = leftOf(normal);
  std::vector<double> crossings;
  for (const Polygon& outline : outlines)
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const Vec2 a = edgeStart(outline, i), b = edgeEnd(outline, i);
      const double da = dot(a, normal) - at, db = dot(b, normal) - at;
      if ((da < 0) == (db < 0)) continue;
      crossings.push_back(dot(a + (b - a) * (da / (da - db)), along));
    }
  std::sort(crossings.begin(), crossings.end());
  std::vector<std::pair<Vec2, Vec2>> out;
  for (std::size_t i = 0; i + 1 < crossings.size(); i += 2)
    out.push_back({normal * at + along * crossings[i], normal * at + along * crossings[i + 1]});
  return out;
}

void hatchWalls(Drawing& d) {
  std::vector<Polygon> walls;
  for (Item& item : d.items) {
    if (!isCutWall(item)) continue;
    auto& path = std::get<PathItem>(item.shape);
    walls.push_back(path.points);
    path.fill = Ink::HatchedWall;
    path.stroke = {};
  }
  if (walls.empty()) return;
  const Joined whole = joined(walls);
  std::vector<Polygon> outlines = whole.outer;
  outlines.insert(outlines.end(), whole.holes.begin(), whole.holes.end());
  const Vec2 normal = unit({1, -1});
  double low = HUGE_VAL, high = -HUGE_VAL;
  for (const Polygon& outline : outlines)
    for (const Vec2 p : outline) {
      low = std::min(low, dot(p, normal));
      high = std::max(high, dot(p, normal));
    }
  const double beat = kBeat * d.scale;
  if ((high - low) / beat < kMostLines)
    for (double at = std::ceil(low / beat) * beat; at < high; at += beat)
      for (const auto& [a, b] : lineWithin(outlines, normal, at))
        d.add(Layer::Wall, "hatch", line(a, b, {Ink::Ink, kFineLine, Dash::Solid}));
  for (Polygon& outline : outlines)
    d.add(Layer::Wall, "hatch", PathItem{std::move(outline), true, Ink::None, {Ink::Ink, kWallLine, Dash::Solid}});
}

}  // namespace mezzet
