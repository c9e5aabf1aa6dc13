#include "core/space/snapping.h"

#include "core/space/ceiling_snapping.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/space/bodies.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kNearby = 2500;    // mm: further things are not lined up with [D]
constexpr double kParallel = 1e-3;  // sine of what counts as the same direction
constexpr double kTurnReach = 3;    // degrees
constexpr double kTurnStep = 15;

enum class Rank { Wall, Centre, Edge };

/// One value along a direction that an edge or the middle may come to.
struct Mark {
  double value;
  Vec2 at;  // a point on what it belongs to
  Rank rank;
  bool middle;  // for the middle of the thing in the hand, else for its edges
  std::string words;
};

struct Extent {
  double low = 0, high = 0;
  [[nodiscard]] double middle() const { return (low + high) / 2; }
};

Extent along(const Parts& parts, Vec2 direction) {
  Extent e{HUGE_VAL, -HUGE_VAL};
  for (const Convex& part : parts)
    for (const Vec2 p : part.core) {
      e.low = std::min(e.low, dot(p, direction) - part.radius);
      e.high = std::max(e.high, dot(p, direction) + part.radius);
    }
  return e;
}

/// The best mark within reach; the shift that brings it about.
struct Choice {
  const Mark* mark = nullptr;
  double shift = 0;
};
Choice best(const std::vector<Mark>& marks, const Extent& own, double reach) {
  Choice out;
  for (const Mark& mark : marks) {
    const auto offer = [&](double value) {
      const double shift = mark.value - value;
      if (std::abs(shift) > reach) return;
      const bool better = out.mark == nullptr || mark.rank < out.mark->rank ||
                          (mark.rank == out.mark->rank && std::abs(shift) < std::abs(out.shift));
      if (better) out = {&mark, shift};
    };
    if (mark.middle) {
      offer(own.middle());
    } else {
      offer(own.low);
      offer(own.high);
    }
  }
  return out;
}

void addMarks(std::vector<Mark>& marks, const Extent& e, Vec2 middle, const std::string& name) {
  marks.push_back({e.middle(), middle, Rank::Centre, true, "centre of " + name});
  marks.push_back({e.low, middle, Rank::Edge, false, "edge of " + name});
  marks.push_back({e.high, middle, Rank::Edge, false, "edge of " + name});
}

std::string nameOf(const Piece& piece) {
  std::string name = piece.name;
  if (name.size() > 1 && name[0] >= 'A' && name[0] <= 'Z' && name[1] >= 'a' && name[1] <= 'z')
    name[0] = static_cast<char>(name[0] - 'A' + 'a');
  return name;
}

/// What stands in line on the plan along one direction.
std::vector<Mark> floorMarks(const Job& job, const Scheme& scheme, const PlacementIds& moving, const Parts& own,
                             Vec2 direction) {
  const Room& room = roomOf(job, scheme);
  std::vector<Mark> marks;
  const Vec2 side = leftOf(direction);
  const Extent across = along(own, side), deep = along(own, direction);
  const Vec2 here = direction * deep.middle() + side * across.middle();
  for (const Wall& wall : wallsOf(room)) {
    const std::string name = "wall " + wall.id.value;
    const Vec2 middle = midpoint(wall.start, wall.end);
    if (std::abs(dot(wall.along(), direction)) < kParallel) {
      // A wall only stops what stands before it.
      const double a = dot(wall.start, side), b = dot(wall.end, side);
      if (std::max(a, b) > across.low && std::min(a, b) < across.high)
        marks.push_back({dot(middle, direction), middle, Rank::Wall, false, name});
    } else if (std::abs(cross(wall.along(), direction)) < kParallel &&
               distance(nearestOnSegment(here, wall.start, wall.end), here) < kNearby) {
      marks.push_back({dot(middle, direction), middle, Rank::Centre, true, "middle of " + name});
    }
  }
  for (const Feature& f : room.features) {
    if (!standsInTheWay(f)) continue;
    const Parts parts = convexParts(f.outline);
    const Extent e = along(parts, direction);
    const Vec2 middle = direction * e.middle() + side * along(parts, side).middle();
    if (distance(middle, here) < kNearby) addMarks(marks, e, middle, "the " + std::string(featureWord(f.kind)));
  }
  for (const Opening& o : room.openings) {
    const auto wall = findWall(room, o.wall);
    if (!wall || std::abs(cross(wall->along(), direction)) >= kParallel) continue;
    const Vec2 middle = middleOf(*wall, o);
    const std::string what = o.kind == OpeningKind::Window ? "window" : "door";
    if (distance(middle, here) < kNearby)
      marks.push_back({dot(middle, direction), middle, Rank::Centre, true, "centre of the " + what});
  }
  const PieceIndex pieces(job);
  for (const Placement& p : scheme.placements) {
    const auto* floor = onFloor(p.on);
    if (floor == nullptr || has(moving, p.id)) continue;
    const Piece& piece = pieces.of(p);
    if (distance(floor->at, here) < kNearby)
      addMarks(marks, along(footprint(piece, *floor), direction), floor->at, nameOf(piece));
  }
  return marks;
}

Snapped floorSnapped(const Job& job, const Scheme& scheme, const Piece& piece, const FloorPlace& wanted,
                     const PlacementIds& moving, double reach) {
  FloorPlace there = wanted;
  const Turn turn = turnOf(wanted.turn);
  const Parts own = footprint(piece, wanted);
  std::vector<Guide> guides;
  struct Kept {
    Vec2 direction;
    double value;
    Mark mark;
  };
  std::vector<Kept> kept;
  for (const Vec2 axis : {Vec2{1, 0}, Vec2{0, 1}}) {
    const Vec2 direction = rotated(axis, turn);
    const std::vector<Mark> marks = floorMarks(job, scheme, moving, own, direction);
    if (const Choice choice = best(marks, along(own, direction), reach); choice.mark != nullptr) {
      there.at += direction * choice.shift;
      kept.push_back({direction, choice.mark->value, *choice.mark});
    }
  }
  for (const Kept& k : kept) {
    // A line through both, at the value they share.
    const Vec2 side = leftOf(k.direction);
    const Extent reachOf = along(footprint(piece, there), side);
    const double other = dot(k.mark.at, side);
    const double low = std::min(reachOf.low, other), high = std::max(reachOf.high, other);
    guides.push_back({k.direction * k.value + side * low, k.direction * k.value + side * high, k.mark.words,
                      k.direction * k.value + side * other});
  }
  return {there, guides};
}

Snapped wallSnapped(const Job& job, const Scheme& scheme, const Piece& piece, const WallPlace& wanted,
                    const PlacementIds& moving, double reach) {
  const Room& room = roomOf(job, scheme);
  const auto wall = findWall(room, wanted.wall);
  if (!wall) return {wanted, {}};
  const WallRect own = wallRectOf(piece, wanted);
  std::vector<Mark> across, up;
  across.push_back({wall->length() / 2,
                    {wall->length() / 2, own.centreHeight()},
                    Rank::Centre,
                    true,
                    "middle of wall " + wall->id.value});
  for (const Opening& o : room.openings)
    if (o.wall == wall->id) {
      const double u = wall->length() - o.offset - o.width / 2;
      const Vec2 at{u, o.sill + o.height / 2};
      const std::string name = o.kind == OpeningKind::Window ? "the window" : "the door";
      across.push_back({u, at, Rank::Centre, true, "centre of " + name});
      up.push_back({o.head(), at, Rank::Edge, false, "head of " + name});
    }
  const PieceIndex pieces(job);
  for (const Placement& p : scheme.placements) {
    if (has(moving, p.id)) continue;
    const Piece& other = pieces.of(p);
    if (const auto* hung = onWall(p.on); hung != nullptr && hung->wall == wall->id) {
      const WallRect r = wallRectOf(other, *hung);
      const Vec2 at{(r.left + r.right) / 2, r.centreHeight()};
      addMarks(across, {r.left, r.right}, at, nameOf(other));
      addMarks(up, {r.bottom, r.top}, at, nameOf(other));
    }
    if (const auto* floor = onFloor(p.on); floor != nullptr && !isRug(other.kind)) {
      const Parts parts = footprint(other, *floor);
      // What stands at this wall, or near enough to be hung over.
      if (along(parts, wall->inward()).low - dot(wall->start, wall->inward()) > 24 * kInch) continue;
      const Extent s = along(parts, wall->along());
      const double start = dot(wall->start, wall->along());
      const Extent u{wall->length() - (s.high - start), wall->length() - (s.low - start)};
      if (u.high < 0 || u.low > wall->length()) continue;
      addMarks(across, u, {u.middle(), other.height.value_or(0)}, nameOf(other));
    }
  }
  WallPlace there = wanted;
  std::vector<Guide> guides;
  const Choice c = best(across, {own.left, own.right}, reach), r = best(up, {own.bottom, own.top}, reach);
  if (c.mark != nullptr) there.u += c.shift;
  if (r.mark != nullptr) there.v += r.shift;
  const WallRect now = wallRectOf(piece, there);
  if (c.mark != nullptr)
    guides.push_back({{c.mark->value, std::min(now.bottom, c.mark->at.y)},
                      {c.mark->value, std::max(now.top, c.mark->at.y)},
                      c.mark->words,
                      {c.mark->value, c.mark->at.y}});
  if (r.mark != nullptr)
    guides.push_back({{std::min(now.left, r.mark->at.x), r.mark->value},
                      {std::max(now.right, r.mark->at.x), r.mark->value},
                      r.mark->words,
                      {r.mark->at.x, r.mark->value}});
  return {there, guides};
}

}  // namespace

Snapped snapped(const Job& job, const Scheme& scheme, const PlacementId& held, const Place& place,
                const PlacementIds& moving, double reach) {
  const Placement* p = findPlacement(scheme, held);
  if (p == nullptr || !(reach > 0)) return {place, {}};
  const Piece& piece = pieceOf(job, *p);
  PlacementIds out = moving;
  out.push_back(held);
  if (const auto* floor = onFloor(place)) return floorSnapped(job, scheme, piece, *floor, out, reach);
  if (const auto* up = onCeiling(place)) return ceilingSnapped(job, scheme, *up, out, reach);
  if (const auto* hung = onWall(place)) return wallSnapped(job, scheme, piece, *hung, out, reach);
  return {place, {}};
}

double turnByHand(const Room& room, const FloorPlace& from, Vec2 grabbed, Vec2 now, bool free) {
  const Vec2 a = grabbed - from.at, b = now - from.at;
  if (norm(a) == 0 || norm(b) == 0) return from.turn;
  const double degrees = from.turn + std::atan2(cross(a, b), dot(a, b)) * 180 / std::numbers::pi;
  return free ? normalisedTurn(std::round(degrees * 10) / 10) : snappedTurn(room, degrees);
}

double snappedTurn(const Room& room, double degrees) {
  const double plain = normalisedTurn(degrees);
  const auto off = [&](double to) { return std::abs(std::remainder(plain - to, 360)); };
  double bestTurn = std::round(plain), least = kTurnReach;
  const auto offer = [&](double to) {
    if (off(to) < least) {
      least = off(to);
      bestTurn = to;
    }
  };
  for (double to = 0; to < 360; to += kTurnStep) offer(to);
  // A wall's own direction goes before the steps: the back of a piece against an angled wall.
  if (least > 0) {
    for (const Wall& wall : wallsOf(room)) {
      const double angle = directionOf(wall.along());
      for (int quarter = 0; quarter < 4; ++quarter) {
        const double to = normalisedTurn(angle + 90 * quarter);
        if (off(to) < kTurnReach && off(to) <= least + 1) {
          least = off(to);
          bestTurn = to;
        }
      }
    }
  }
  // Quarter turns come out exact.
  if (std::abs(bestTurn - std::round(bestTurn)) < 1e-6) bestTurn = std::round(bestTurn);
  return normalisedTurn(bestTurn);
}

}  // namespace mezzet
