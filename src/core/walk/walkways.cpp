#include "core/walk/walkways.h"

#include <algorithm>
#include <tuple>

namespace mezzet {
namespace {

/// Signed crossings of the path p q with the line from a to b. A point on the line counts as on its left, so that a
/// path that touches the line at a corner is counted once or not at all, never half.
int crossing(Vec2 p, Vec2 q, Vec2 a, Vec2 b) {
  const Vec2 d = b - a;
  const bool leftP = cross(d, p - a) >= 0, leftQ = cross(d, q - a) >= 0;
  if (leftP == leftQ) return 0;
  const Vec2 e = q - p;
  const bool leftA = cross(e, a - p) >= 0, leftB = cross(e, b - p) >= 0;
  if (leftA == leftB) return 0;
  return leftP ? 1 : -1;
}

/// Signed crossings of the path p q with the ray from `at` along x. A point level with `at` counts as above it, so that
/// a path that touches the ray at a corner is counted once or not at all, never half.
int rayCrossing(Vec2 p, Vec2 q, Vec2 at) {
  const bool aboveP = p.y >= at.y, aboveQ = q.y >= at.y;
  if (aboveP == aboveQ) return 0;
  const double left = cross(q - p, at - p);
  if (aboveQ) return left > 0 ? 1 : 0;
  return left < 0 ? -1 : 0;
}

int rayCrossing(const std::array<Vec2, 4>& path, Vec2 at) {
  return rayCrossing(path[0], path[1], at) + rayCrossing(path[1], path[2], at) + rayCrossing(path[2], path[3], at);
}

/// Of a link's path. Most paths lie above, below or left of where the ray begins.
inline int rayCrossing(const Link& link, Vec2 at) {
  // One test: each of the three by itself would be guessed wrong half the time.
  const bool misses =
      static_cast<int>(link.low >= at.y) | static_cast<int>(link.high < at.y) | static_cast<int>(link.right < at.x);
  return misses ? 0 : rayCrossing(link.path, at);
}

/// How often the paths from the roots of the trees to the atoms cross the ray from a point, with sign.
std::vector<int> rayCrossings(const WalkSpace& space, Vec2 at) {
  std::vector<int> of(space.atoms.size(), 0);
  for (const Link& link : space.branches) of[link.to] = of[link.from] + rayCrossing(link, at);
  return of;
}

/// How often a ring winds round a point, by the crossings of its branches.
int roundOf(const Link& ring, const std::vector<int>& crossings, Vec2 at) {
  return crossings[ring.from] + rayCrossing(ring, at) - crossings[ring.to];
}

/// Whether nothing else reaches into the disc on a gap's line.
bool areNeighbours(const WalkSpace& space, const WalkGap& gap) {
  const Vec2 middle = midpoint(gap.a, gap.b);
  const double radius = gap.length / 2 - 1e-6;
  if (radius <= 0) return true;
  bool alone = true;
  space.near(middle, radius, [&](const Atom& atom) {
    if (alone && &atom != &space.atoms[gap.first] && &atom != &space.atoms[gap.second] &&
        distanceTo(atom.shape, middle) < radius)
      alone = false;
  });
  return alone;
}

TiedPair pairAt(const WalkSpace& space, const WalkGap& gap) {
  TiedPair pair{
      space.owners[space.atoms[gap.first].owner], space.owners[space.atoms[gap.second].owner], {gap.a, gap.b}};
  if (pair.second < pair.first) {
    std::swap(pair.first, pair.second);
    std::swap(pair.at[0], pair.at[1]);
  }
  return pair;
}

Pinch pinchAt(const WalkSpace& space, std::size_t index) {
  const WalkGap& gap = space.gaps[index];
  const TiedPair pair = pairAt(space, gap);
  Pinch pinch{pair.first, pair.second, pair.at, {}};
  if (gap.length < kClosedGap) return pinch;  // what shuts a way needs no naming of all that is piled there
  // Others as narrow that share one of the two.
  const auto look = [&](const WalkGap& other) {
    const bool shares = other.first == gap.first || other.first == gap.second || other.second == gap.first ||
                        other.second == gap.second;
    if (!shares || !areNeighbours(space, other)) return;
    const TiedPair tied = pairAt(space, other);
    const auto same = [&](const auto& p) { return p.first == tied.first && p.second == tied.second; };
    constexpr std::size_t kMostTied = 16;
    if (pinch.tied.size() < kMostTied && !same(pinch) && std::none_of(pinch.tied.begin(), pinch.tied.end(), same))
      pinch.tied.push_back(tied);
  };
  for (std::size_t i = index; i-- > 0 && space.gaps[i].length > gap.length - kTie;) look(space.gaps[i]);
  for (std::size_t i = index + 1; i < space.gaps.size() && space.gaps[i].length < gap.length + kTie; ++i)
    look(space.gaps[i]);
  std::sort(pinch.tied.begin(), pinch.tied.end(), [](const TiedPair& a, const TiedPair& b) {
    return std::tie(a.first, a.second) < std::tie(b.first, b.second);
  });
  return pinch;
}

}  // namespace

WaysFrom::WaysFrom(const WalkSpace& space, WayEnd end) : space_(space), end_(std::move(end)) {
  const std::vector<int> crossings = rayCrossings(space_, end_.at);
  round_.reserve(space_.rings.size());
  for (const Link& ring : space_.rings) round_.push_back(roundOf(ring, crossings, end_.at));
}

Way widestWay(const WaysFrom& start, const WayEnd& to) {
  const WalkSpace& space = start.space();
  const WayEnd& from = start.end();
  const bool fromIsLess = from.widest <= to.widest;
  const double most = std::min(from.widest, to.widest);
  const double cap = std::min(most, space.cap);
  // A ring parts the ends when it winds round the one as it does not round the other.
  const std::vector<int> crossings = rayCrossings(space, to.at);
  for (std::size_t i = 0; i < space.rings.size(); ++i) {
    const Link& ring = space.rings[i];
    const WalkGap& gap = space.gaps[ring.gap];
    if (gap.length >= cap) break;
    if (roundOf(ring, crossings, to.at) == start.round(i)) continue;
    // Two things with a third between them bound no way of their own: its gaps, which are narrower, do.
    if (!areNeighbours(space, gap)) continue;
    Way way;
    way.width = gap.length < kClosedGap ? 0 : gap.length;
    way.pinch = pinchAt(space, ring.gap);
    return way;
  }
  Way way;
  way.width = std::max(0.0, cap);
  way.atLeast = cap < most;
  if (!way.atLeast) way.cappedBy = fromIsLess ? from.id : to.id;
  return way;
}

Pinch crossedPinch(Pinch pinch, const std::vector<Vec2>& route) {
  const auto crosses = [&](const std::array<Vec2, 2>& at) {
    for (std::size_t i = 0; i + 1 < route.size(); ++i)
      if (crossing(at[0], at[1], route[i], route[i + 1]) != 0) return true;
    return false;
  };
  if (crosses(pinch.at)) return pinch;
  for (TiedPair& pair : pinch.tied)
    if (crosses(pair.at)) {
      std::swap(pinch.first, pair.first);
      std::swap(pinch.second, pair.second);
      std::swap(pinch.at, pair.at);
      break;
    }
  return pinch;
}

}  // namespace mezzet
