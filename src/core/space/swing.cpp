#include "core/space/swing.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace mezzet {
namespace {

/// The polygon's part on the left of the line through the origin along `d` (Sutherland and Hodgman).
Polygon cut(const Polygon& polygon, Vec2 d) {
  Polygon out;
  for (std::size_t i = 0; i < polygon.size(); ++i) {
    const Vec2 a = polygon[i], b = polygon[(i + 1) % polygon.size()];
    const double sa = cross(d, a), sb = cross(d, b);
    if (sa >= 0) out.push_back(a);
    if ((sa > 0 && sb < 0) || (sa < 0 && sb > 0)) out.push_back(a + (b - a) * (sa / (sa - sb)));
  }
  return out;
}

/// Nearest point to the origin of what a convex part has within the quarter between x and y; absent when it has nothing
/// there.
std::optional<Vec2> nearestInQuarter(const Convex& part, Vec2 x, Vec2 y) {
  if (part.core.size() == 1) {
    const Vec2 c = part.core[0];
    const double distance = norm(c), r = part.radius;
    if (distance <= r) return Vec2{};
    const Vec2 nearest = c * ((distance - r) / distance);
    if (dot(nearest, x) >= 0 && dot(nearest, y) >= 0) return nearest;
    // Else where one of the two sides cuts the circle first.
    std::optional<Vec2> best;
    for (const Vec2 side : {x, y}) {
      const double along = dot(c, side), off = dot(c - side * along, c - side * along);
      if (off > r * r) continue;
      const double half = std::sqrt(r * r - off);
      if (along + half < 0) continue;
      const double at = std::max(0.0, along - half);
      if (!best || at < norm(*best)) best = side * at;
    }
    return best;
  }
  // x to y is a quarter turn to the left: the quarter lies left of x and right of y.
  const Polygon inside = cut(cut(part.core, x), -y);
  if (inside.empty()) return std::nullopt;
  bool holdsOrigin = inside.size() > 2;
  std::optional<Vec2> best;
  for (std::size_t i = 0; i < inside.size(); ++i) {
    const Vec2 a = inside[i], b = inside[(i + 1) % inside.size()];
    holdsOrigin = holdsOrigin && cross(b - a, -a) >= 0;
    const Vec2 p = nearestOnSegment({}, a, b);
    if (!best || norm(p) < norm(*best)) best = p;
  }
  return holdsOrigin ? Vec2{} : *best;
}

/// How far a part comes along a direction from the origin.
double reachAlong(const Convex& part, Vec2 direction) {
  double most = -std::numeric_limits<double>::infinity();
  for (const Vec2 p : part.core) most = std::max(most, dot(p, direction) + part.radius);
  return most;
}

}  // namespace

double clearWidth(const Opening& o) { return o.kind == OpeningKind::Door ? o.width - o.leafThickness : o.width; }

std::optional<Sweep> sweepOf(const Room& room, const Opening& o) {
  if (o.kind != OpeningKind::Door || o.swing != Swing::In) return std::nullopt;
  const auto wall = findWall(room, o.wall);
  if (!wall) return std::nullopt;
  const Vec2 from = wall->start + wall->along() * o.offset;
  if (o.hinge == Hinge::Start) return Sweep{from, wall->along(), wall->inward(), o.width};
  return Sweep{from + wall->along() * o.width, -wall->along(), wall->inward(), o.width};
}

std::vector<Sweep> casementSweeps(const Room& room, const Opening& o) {
  if (o.kind != OpeningKind::Window || o.leaf != WindowLeaf::CasementIn) return {};
  const auto wall = findWall(room, o.wall);
  if (!wall) return {};
  const Vec2 from = wall->start + wall->along() * o.offset;
  return {{from, wall->along(), wall->inward(), o.width / 2},
          {from + wall->along() * o.width, -wall->along(), wall->inward(), o.width / 2}};
}

Separation clearOfSweep(const Parts& body, const Sweep& sweep) {
  // Seen from the hinge, with the quarter between x and y, y a quarter turn left of x.
  const bool leftward = cross(sweep.closed, sweep.open) > 0;
  const Vec2 x = leftward ? sweep.closed : sweep.open, y = leftward ? sweep.open : sweep.closed;
  Separation best{std::numeric_limits<double>::infinity(), {}, {}};
  for (const Convex& part : body) {
    Convex here = part;
    for (Vec2& p : here.core) p = p - sweep.hinge;
    if (const auto nearest = nearestInQuarter(here, x, y)) {
      const double gap = norm(*nearest) - sweep.radius;
      // Past the straight edge of the open leaf a body goes out sideways, if that is the shorter way.
      const double aside = reachAlong(here, sweep.closed);
      if (gap < 0 && aside < -gap) {
        if (-aside < best.gap) {
          const Vec2 edge = sweep.hinge + sweep.open * std::clamp(dot(*nearest, sweep.open), 0.0, sweep.radius);
          best = {-aside, edge + sweep.closed * aside, edge};
        }
      } else if (gap < best.gap) {
        const Vec2 d = norm(*nearest) > 0 ? unit(*nearest) : unit(x + y);
        best = {gap, sweep.hinge + *nearest, sweep.hinge + d * sweep.radius};
      }
    }
    // Outside the quarter the two straight sides are nearest.
    for (const Vec2 side : {sweep.closed, sweep.open}) {
      const Separation s = separation(part, Convex{{sweep.hinge, sweep.hinge + side * sweep.radius}, 0});
      if (s.gap >= 0 && s.gap < best.gap) best = s;
    }
  }
  return best;
}

}  // namespace mezzet
