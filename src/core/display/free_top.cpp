#include "core/display/free_top.h"

#include <algorithm>
#include <cmath>
#include <queue>

#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kFine = 0.1;
constexpr double kLampFoot = 0.45;  // of its shade: a cup stands under that [D]

/// How far a point is from the top's edge and from everything on it; negative outside or in a thing.
double clearAt(const Display& d, Vec2 p) {
  double out;
  if (d.carrier.piece != nullptr && d.carrier.piece->shape == Shape::Round)
    out = d.width / 2 - distance(p, {d.width / 2, d.depth / 2});
  else out = std::min({p.x, d.width - p.x, p.y, d.depth - p.y});
  for (const DisplayedThing& t : d.things) {
    if (t.on != nullptr) continue;
    if (t.piece->shape == Shape::Round && t.lie == Lie::Standing) {
      const double foot = isLamp(t.piece->kind) ? kLampFoot : 1;
      out = std::min(out, distance(p, {t.middle(), (t.front + t.back) / 2}) - foot * t.width() / 2);
      continue;
    }
    const double dx = std::max({t.left - p.x, p.x - t.right}), dy = std::max({t.front - p.y, p.y - t.back});
    out = std::min(out, dx > 0 && dy > 0 ? std::hypot(dx, dy) : std::max(dx, dy));
  }
  return out;
}

struct Cell {
  Vec2 middle;
  double half = 0, clear = 0, bound = 0;
  bool operator<(const Cell& other) const { return bound < other.bound; }
};

}  // namespace

FreeCircle largestFreeCircle(const Display& d, Vec2 from, double reach) {
  // Cells that can hold no larger circle than the best are dropped: the clear distance changes by at most the way.
  FreeCircle best;
  std::priority_queue<Cell> cells;
  const auto consider = [&](Vec2 middle, double half) {
    const double diagonal = half * std::sqrt(2.0);
    if (distance(middle, from) - diagonal > reach) return;
    Cell cell{middle, half, clearAt(d, middle), 0};
    cell.bound = cell.clear + diagonal;
    // The nearest point of the cell to the seat may be the only one within reach.
    Vec2 at = middle;
    if (distance(at, from) > reach) at = from + unit(at - from) * reach;
    if (const double clear = clearAt(d, at); clear > best.radius) best = {at, clear};
    if (cell.bound > best.radius + kFine) cells.push(cell);
  };
  const double side = std::max(1.0, std::min(d.width, d.depth)) / 4;
  for (double x = side / 2; x < d.width + side / 2; x += side)
    for (double y = side / 2; y < d.depth + side / 2; y += side) consider({x, y}, side / 2);
  while (!cells.empty()) {
    const Cell cell = cells.top();
    cells.pop();
    if (cell.bound <= best.radius + kFine) break;
    const double quarter = cell.half / 2;
    for (const double dx : {-quarter, quarter})
      for (const double dy : {-quarter, quarter}) consider(cell.middle + Vec2{dx, dy}, quarter);
  }
  return best;
}

}  // namespace mezzet
