#include "core/space/standing.h"

#include <algorithm>

#include "core/space/bodies.h"
#include "core/model/kinds.h"
#include "core/site/heights.h"

namespace mezzet {
namespace {

std::optional<double> topOf(const Piece& piece) { return piece.seat->back ? piece.seat->back : piece.height; }

}  // namespace

Standing standingOf(const Piece& piece, const PlacementId& id, const FloorPlace& place, const Wall& wall) {
  const Vec2 along = wall.along(), inward = wall.inward();
  double low = HUGE_VAL, high = -HUGE_VAL, nearest = HUGE_VAL, farthest = -HUGE_VAL;
  for (const Convex& body : footprint(piece, place))
    for (const Vec2 p : body.core) {
      const double s = dot(p - wall.start, along), off = dot(p - wall.start, inward);
      low = std::min(low, s - body.radius);
      high = std::max(high, s + body.radius);
      nearest = std::min(nearest, off - body.radius);
      farthest = std::max(farthest, off + body.radius);
    }
  // Seen from inside, the start corner is at the right: u runs against s.
  return {id, wall.length() - high, wall.length() - low, topOf(piece), nearest, farthest};
}

AlongWall alongWall(const Wall& wall, const Polygon& outline) {
  double low = HUGE_VAL, high = -HUGE_VAL;
  AlongWall out{0, 0, HUGE_VAL, -HUGE_VAL};
  for (const Vec2 p : outline) {
    const double s = dot(p - wall.start, wall.along()), off = dot(p - wall.start, wall.inward());
    low = std::min(low, s);
    high = std::max(high, s);
    out.nearest = std::min(out.nearest, off);
    out.farthest = std::max(out.farthest, off);
  }
  out.left = wall.length() - high;
  out.right = wall.length() - low;
  return out;
}

std::vector<Standing> standingAt(const Job& job, const Scheme& scheme, const Wall& wall, double reach) {
  std::vector<Standing> out;
  const PieceIndex pieces(job);
  const RoomHeights heights = heightsOf(roomOf(job, scheme));
  for (const Placement& p : scheme.placements) {
    const auto* place = onFloor(p.on);
    if (place == nullptr) continue;
    const Piece& piece = pieces.of(p);
    if (isRug(piece.kind)) continue;
    Standing s = standingOf(piece, p.id, *place, wall);
    // Beyond the wall's ends (round a corner) or behind it is not at this wall.
    if (s.offWall > reach || s.offWallFar <= 0 || s.right <= 0 || s.left >= wall.length()) continue;
    s.floor = heights.floorAt(onWall(wall, (s.left + s.right) / 2));
    if (s.top) *s.top += s.floor;
    out.push_back(s);
  }
  std::stable_sort(out.begin(), out.end(), [](const Standing& a, const Standing& b) { return a.offWall > b.offWall; });
  return out;
}

}  // namespace mezzet
