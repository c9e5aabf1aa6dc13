#include "core/space/standing.h"

#include <algorithm>

#include "core/space/bodies.h"
#include "core/model/kinds.h"
#include "core/site/heights.h"

namespace mezzet {
namespace {

std::optional<double> topOf(const Piece& piece) { return piece.seat->back ? piece.seat->back : piece.height; }

double overlapOf(const Standing& s, const WallRect& r) { return std::min(s.right, r.right) - std::max(s.left, r.left); }

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

std::vector<Hung> hungIn(const PieceIndex& pieces, const Scheme& scheme) {
  std::vector<Hung> out;
  std::vector<std::string> groups;  // parallel to out; "" for a single piece
  for (const Placement& p : scheme.placements) {
    const auto* place = onWall(p.on);
    if (place == nullptr || mountOf(pieces.of(p))) continue;  // lights are no pictures
    const WallRect rect = wallRectOf(pieces.of(p), *place);
    const std::string group = place->group.value_or("");
    std::size_t at = out.size();
    if (!group.empty())
      for (std::size_t i = 0; i < out.size(); ++i)
        if (groups[i] == group && out[i].wall == place->wall) at = i;
    if (at == out.size()) {
      out.push_back({{p.id}, place->wall, rect});
      groups.push_back(group);
    } else {
      Hung& hung = out[at];
      hung.members.push_back(p.id);
      hung.envelope = {std::min(hung.envelope.left, rect.left), std::max(hung.envelope.right, rect.right),
                       std::min(hung.envelope.bottom, rect.bottom), std::max(hung.envelope.top, rect.top)};
    }
  }
  for (Hung& hung : out) std::sort(hung.members.begin(), hung.members.end());
  return out;
}

std::optional<Hung> hungWith(const Job& job, const Scheme& scheme, const PlacementId& id) {
  for (Hung& hung : hungIn(job, scheme))
    if (std::find(hung.members.begin(), hung.members.end(), id) != hung.members.end()) return std::move(hung);
  return std::nullopt;
}

namespace {
std::optional<Standing> below(const Job& job, const Scheme& scheme, const Room& room, const Hung& hung,
                              bool (*carries)(std::string_view)) {
  const auto wall = findWall(room, hung.wall);
  if (!wall) return std::nullopt;
  std::optional<Standing> best;
  double bestOverlap = kTouch;
  for (const Standing& s : standingAt(job, scheme, *wall)) {
    const Placement* p = findPlacement(scheme, s.id);
    if (!carries(pieceOf(job, *p).kind)) continue;
    const double overlap = overlapOf(s, hung.envelope);
    const bool equal = best && std::abs(overlap - bestOverlap) < kTouch;
    if (overlap > bestOverlap + (best ? kTouch : 0) || (equal && s.top.value_or(0) > best->top.value_or(0))) {
      best = s;
      bestOverlap = overlap;
    }
  }
  return best;
}
}  // namespace

std::optional<Standing> belowArt(const Job& job, const Scheme& scheme, const Room& room, const Hung& hung) {
  return below(job, scheme, room, hung, &carriesArtAbove);
}
std::optional<Standing> belowAny(const Job& job, const Scheme& scheme, const Room& room, const Hung& hung) {
  return below(job, scheme, room, hung, [](std::string_view) { return true; });
}

}  // namespace mezzet
