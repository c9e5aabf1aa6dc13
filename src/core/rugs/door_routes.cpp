#include "core/rugs/door_routes.h"

#include <algorithm>
#include <cmath>

namespace mezzet {
namespace {

/// Crossings of a segment with the rug's edge: where, and which way the edge runs there.
struct Meeting {
  Vec2 at, along;
};
std::vector<Meeting> meetings(const Rug& rug, Vec2 from, Vec2 to) {
  std::vector<Meeting> out;
  const Vec2 d = to - from;
  const FloorPlace& place = rug.place();
  const Polygon outline = outlineOf(*rug.piece, place);
  if (outline.empty()) {
    const double r = rug.piece->width / 2, a = dot(d, d), b = dot(from - place.at, d),
                 c = dot(from - place.at, from - place.at) - r * r, root = b * b - a * c;
    if (a <= 0 || root < 0) return out;
    for (const double t : {(-b - std::sqrt(root)) / a, (-b + std::sqrt(root)) / a})
      if (t >= 0 && t <= 1) {
        const Vec2 at = from + d * t;
        out.push_back({at, leftOf(unit(at - place.at))});
      }
    return out;
  }
  for (std::size_t i = 0; i < outline.size(); ++i) {
    const Vec2 a = edgeStart(outline, i), e = edgeEnd(outline, i) - a;
    const double denominator = cross(d, e);
    if (std::abs(denominator) < 1e-12) continue;  // along the edge
    const double t = cross(a - from, e) / denominator, u = cross(a - from, d) / denominator;
    if (t >= 0 && t <= 1 && u >= 0 && u <= 1) out.push_back({from + d * t, unit(e)});
  }
  return out;
}

}  // namespace

bool DoorRoute::passesNear(Vec2 point) const {
  return std::any_of(doors.begin(), doors.end(), [&](const Convex& door) {
    return separation(door, Convex{{point}, 0}).gap <= kNearDoor;
  });
}

std::optional<OffRoute> offRoute(Vec2 corner, const DoorRoute& route) {
  if (route.line.empty() || !route.passesNear(corner)) return std::nullopt;
  OffRoute best{distance(corner, route.line.front()), route.line.front()};
  for (std::size_t i = 0; i + 1 < route.line.size(); ++i) {
    const Vec2 near = nearestOnSegment(corner, route.line[i], route.line[i + 1]);
    if (const double off = distance(corner, near); off < best.distance) best = {off, near};
  }
  return best;
}

std::optional<EdgeCrossing> leastCrossing(const Rug& rug, const DoorRoute& route) {
  std::optional<EdgeCrossing> least;
  for (std::size_t i = 0; i + 1 < route.line.size(); ++i)
    for (const Meeting& m : meetings(rug, route.line[i], route.line[i + 1])) {
      if (!route.passesNear(m.at)) continue;
      const double between = degreesBetween(route.line[i + 1] - route.line[i], m.along);
      const double angle = std::min(between, 180 - between);
      if (!least || angle < least->angle) least = EdgeCrossing{angle, m.at, m.along};
    }
  return least;
}

bool crosses(const Rug& rug, const std::vector<Vec2>& line) {
  for (std::size_t i = 0; i + 1 < line.size(); ++i)
    if (separation(rug.body, Parts{Convex{{line[i], line[i + 1]}, 0}}).gap < 0) return true;
  return false;
}

}  // namespace mezzet
