#include "core/walk/walkways.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <numeric>
#include <tuple>

#include "core/space/swing.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

/// A threshold is closed this far outside the wall's face: less than any wall is thick.
constexpr double kBeyond = 10;
/// Gaps that differ by less tie (parallel faces, a wall that a door splits).
constexpr double kTie = 0.5;

std::uint32_t ownerIndex(WalkSpace& space, const std::string& id) {
  space.owners.push_back(id);
  return static_cast<std::uint32_t>(space.owners.size() - 1);
}

std::uint32_t addAtom(WalkSpace& space, Convex shape, std::uint32_t owner) {
  Atom atom;
  atom.centre = meanOf(shape.core);
  atom.bounds = boundsOf(shape);
  atom.shape = std::move(shape);
  atom.owner = owner;
  space.atoms.push_back(std::move(atom));
  return static_cast<std::uint32_t>(space.atoms.size() - 1);
}

Convex segment(Vec2 a, Vec2 b) { return distance(a, b) > 1e-6 ? Convex{{a, b}, 0} : Convex{{a}, 0}; }

/// The walls, with holes where one walks through, and the leaves that stand open there.
void addWalls(WalkSpace& space, const Room& room) {
  std::vector<WayEnd> ends(room.openings.size());
  std::vector<bool> walked(room.openings.size(), false);
  for (const Wall& wall : wallsOf(room)) {
    std::vector<std::size_t> through;
    for (std::size_t i = 0; i < room.openings.size(); ++i)
      if (room.openings[i].wall == wall.id && isWalkedThrough(room.openings[i])) through.push_back(i);
    std::sort(through.begin(), through.end(),
              [&](std::size_t i, std::size_t j) { return room.openings[i].offset < room.openings[j].offset; });
    const std::uint32_t owner = ownerIndex(space, wallKey(wall.id));
    const double length = wall.length();
    double from = 0;
    std::optional<std::pair<std::size_t, std::uint32_t>> open;  // the opening last passed, and the wall before it
    const auto wallTo = [&](double to) {
      const std::uint32_t atom =
          addAtom(space, segment(wall.start + wall.along() * from, wall.start + wall.along() * to), owner);
      space.atoms[atom].wall = true;
      if (open) {
        const Opening& o = room.openings[open->first];
        space.thresholds.push_back({open->second, atom, middleOf(wall, o) - wall.inward() * kBeyond});
      }
      return atom;
    };
    for (const std::size_t i : through) {
      const Opening& o = room.openings[i];
      const double start = std::clamp(o.offset, from, length), end = std::clamp(o.offset + o.width, start, length);
      open = std::pair(i, wallTo(start));
      from = end;
      const double leaf = o.kind == OpeningKind::Door ? o.leafThickness : 0;
      const bool atStart = o.hinge == Hinge::Start;
      const double middle = (start + end + (atStart ? leaf : -leaf)) / 2;
      ends[i] = {o.id.value, wall.start + wall.along() * middle,
                 std::max(0.0, std::min(clearWidth(o), end - start - leaf)), wall.inward()};
      walked[i] = true;
      if (leaf <= 0 || o.swing != Swing::In) continue;
      const Vec2 hinge = wall.start + wall.along() * (atStart ? start : end - leaf), across = wall.along() * leaf,
                 in = wall.inward() * o.width;
      addAtom(space, Convex{{hinge, hinge + across, hinge + across + in, hinge + in}, 0},
              ownerIndex(space, o.id.value));
    }
    wallTo(length);
  }
  for (std::size_t i = 0; i < ends.size(); ++i)
    if (walked[i]) space.openings.push_back(std::move(ends[i]));
}

void findGaps(WalkSpace& space) {
  const std::vector<Atom>& atoms = space.atoms;
  std::vector<std::uint32_t> order(atoms.size());
  std::iota(order.begin(), order.end(), 0U);
  std::sort(order.begin(), order.end(),
            [&](std::uint32_t i, std::uint32_t j) { return atoms[i].bounds.low.x < atoms[j].bounds.low.x; });
  struct Open {
    Box box;
    std::uint32_t atom;
  };
  std::vector<Open> open;
  for (const std::uint32_t i : order) {
    const Box& box = atoms[i].bounds;
    std::erase_if(open, [&](const Open& o) { return o.box.high.x + space.cap < box.low.x; });
    for (const Open& o : open) {
      if (furtherApart(box, o.box, space.cap)) continue;
      const std::uint32_t first = std::min(i, o.atom), second = std::max(i, o.atom);
      const Separation s = separation(atoms[first].shape, atoms[second].shape);
      if (s.gap <= space.cap) space.gaps.push_back({s.gap, s.a, s.b, first, second});
    }
    open.push_back({box, i});
  }
  std::sort(space.gaps.begin(), space.gaps.end(), [](const WalkGap& a, const WalkGap& b) {
    return a.length < b.length || (a.length == b.length && std::pair(a.first, a.second) < std::pair(b.first, b.second));
  });
}

/// Atoms joined by gaps. Each carries how often the way from its root to it crosses the line A to B, with sign.
class Chains {
 public:
  explicit Chains(std::size_t n) : parent_(n), crossings_(n, 0) { std::iota(parent_.begin(), parent_.end(), 0U); }
  /// Joins two atoms by a link of so many crossings from a to b; the crossings of the ring it closes, 0 for none.
  int join(std::uint32_t a, std::uint32_t b, int crossings) {
    const auto [rootA, toA] = find(a);
    const auto [rootB, toB] = find(b);
    if (rootA == rootB) return toA + crossings - toB;
    parent_[rootB] = rootA;
    crossings_[rootB] = toA + crossings - toB;
    return 0;
  }

 private:
  std::pair<std::uint32_t, int> find(std::uint32_t i) {
    std::uint32_t root = i;
    int total = 0;
    while (parent_[root] != root) {
      total += crossings_[root];
      root = parent_[root];
    }
    // Everything passed on the way hangs on the root from now on.
    int left = total;
    while (parent_[i] != root && i != root) {
      const std::uint32_t next = parent_[i];
      const int step = crossings_[i];
      parent_[i] = root;
      crossings_[i] = left;
      left -= step;
      i = next;
    }
    return {root, total};
  }
  std::vector<std::uint32_t> parent_;
  std::vector<int> crossings_;
};

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

/// Of the path through the centres of a gap's two bodies and its ends. Most paths lie on one side of the line.
int crossing(Vec2 p, Vec2 q, Vec2 r, Vec2 t, Vec2 a, Vec2 b) {
  const Vec2 d = b - a;
  const bool side = cross(d, p - a) >= 0;
  if ((cross(d, q - a) >= 0) == side && (cross(d, r - a) >= 0) == side && (cross(d, t - a) >= 0) == side) return 0;
  return crossing(p, q, a, b) + crossing(q, r, a, b) + crossing(r, t, a, b);
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

const WayEnd* findEnd(const WalkSpace& space, std::string_view opening) {
  const auto at =
      std::find_if(space.openings.begin(), space.openings.end(), [&](const WayEnd& e) { return e.id == opening; });
  return at != space.openings.end() ? &*at : nullptr;
}

bool isWalkedThrough(const Opening& o) { return o.kind != OpeningKind::Window; }

const Opening* mainEntry(const Room& room) {
  const Opening* first = nullptr;
  for (const Opening& o : room.openings) {
    if (!isWalkedThrough(o)) continue;
    if (o.id == room.entry) return &o;
    if (first == nullptr || (first->kind != OpeningKind::Door && o.kind == OpeningKind::Door)) first = &o;
  }
  return first;
}

std::vector<Body> hungBodies(const PieceIndex& pieces, const Room& room, const Scheme& scheme) {
  std::vector<Body> bodies;
  for (const Placement& p : scheme.placements) {
    const auto* on = onWall(p.on);
    if (on == nullptr) continue;
    const Piece& piece = pieces.of(p);
    const auto wall = findWall(room, on->wall);
    const WallRect r = wallRectOf(piece, *on);
    if (!wall || !piece.depth || *piece.depth <= 0 || r.bottom >= kWalkersHeadRoom) continue;
    const Vec2 from = wall->end - wall->along() * r.left, to = wall->end - wall->along() * r.right,
               out = wall->inward() * *piece.depth;
    Body body{p.id.value, {Convex{{to, from, from + out, to + out}, 0}}, false, {}};
    body.bounds = boundsOf(body.parts);
    bodies.push_back(std::move(body));
  }
  return bodies;
}

WalkSpace walkSpace(const Room& room, const std::vector<Body>& standing) {
  WalkSpace space;
  space.outline = outlineOf(room);
  space.atoms.reserve(standing.size() + 3 * room.corners.size());
  addWalls(space, room);
  for (const Body& body : featureBodies(room)) {
    const std::uint32_t owner = ownerIndex(space, body.id);
    for (const Convex& part : body.parts) addAtom(space, part, owner);
  }
  for (const Body& body : standing) {
    if (body.flat) continue;
    const std::uint32_t owner = ownerIndex(space, body.id);
    for (const Convex& part : body.parts) addAtom(space, part, owner);
  }
  if (const Opening* entry = mainEntry(room))
    for (std::size_t i = 0; i < space.openings.size(); ++i)
      if (space.openings[i].id == entry->id.value) space.entry = i;
  // No way is wider than the widest opening it can begin at.
  double widest = 0;
  for (const WayEnd& end : space.openings) widest = std::max(widest, end.widest);
  space.cap = std::min(kWidestGap, space.openings.empty() ? kWidestGap : widest + kTie);
  for (std::uint32_t i = 0; i < space.atoms.size(); ++i)
    (space.atoms[i].wall ? space.walls : space.byLeft).push_back(i);
  std::sort(space.byLeft.begin(), space.byLeft.end(), [&](std::uint32_t i, std::uint32_t j) {
    return space.atoms[i].bounds.low.x < space.atoms[j].bounds.low.x;
  });
  for (const std::uint32_t i : space.byLeft)
    space.widestAtom = std::max(space.widestAtom, space.atoms[i].bounds.high.x - space.atoms[i].bounds.low.x);
  findGaps(space);
  return space;
}

Way widestWay(const WalkSpace& space, const WayEnd& from, const WayEnd& to) {
  const bool fromIsLess = from.widest <= to.widest;
  const double most = std::min(from.widest, to.widest);
  const double cap = std::min(most, space.cap);
  const Vec2 a = from.at, b = to.at;
  Chains chains(space.atoms.size());
  // The walls make one ring with the thresholds; it closes round both ends and parts nothing.
  for (const WalkSpace::Threshold& t : space.thresholds) {
    const Vec2 p = space.atoms[t.before].centre, q = space.atoms[t.after].centre;
    chains.join(t.before, t.after, crossing(p, t.beyond, a, b) + crossing(t.beyond, q, a, b));
  }
  for (std::size_t i = 0; i < space.gaps.size(); ++i) {
    const WalkGap& gap = space.gaps[i];
    if (gap.length >= cap) break;
    const int crossings = crossing(space.atoms[gap.first].centre, gap.a, gap.b, space.atoms[gap.second].centre, a, b);
    if (chains.join(gap.first, gap.second, crossings) == 0) continue;
    // Two things with a third between them bound no way of their own: its gaps, which are narrower, do.
    if (!areNeighbours(space, gap)) continue;
    Way way;
    way.width = gap.length < kClosedGap ? 0 : gap.length;
    way.pinch = pinchAt(space, i);
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

double distanceTo(const Convex& body, Vec2 point) {
  const std::vector<Vec2>& core = body.core;
  if (core.size() == 1) return distance(core[0], point) - body.radius;
  if (core.size() == 2) return distance(nearestOnSegment(point, core[0], core[1]), point) - body.radius;
  double squared = std::numeric_limits<double>::infinity();
  bool inside = true;
  for (std::size_t i = 0; i < core.size(); ++i) {
    const Vec2 p = core[i], q = core[i + 1 == core.size() ? 0 : i + 1];
    inside = inside && cross(q - p, point - p) >= 0;
    const Vec2 d = nearestOnSegment(point, p, q) - point;
    squared = std::min(squared, dot(d, d));
  }
  return (inside ? -std::sqrt(squared) : std::sqrt(squared)) - body.radius;
}

double nearerOf(double best, const Atom& atom, Vec2 point) {
  const Box& box = atom.bounds;
  const double dx = std::max({0.0, box.low.x - point.x, point.x - box.high.x}),
               dy = std::max({0.0, box.low.y - point.y, point.y - box.high.y});
  if (best > 0 && dx * dx + dy * dy >= best * best) return best;
  return std::min(best, distanceTo(atom.shape, point));
}

double clearanceAt(const WalkSpace& space, Vec2 point) {
  double best = std::numeric_limits<double>::infinity();
  for (const Atom& atom : space.atoms) best = nearerOf(best, atom, point);
  return best;
}

}  // namespace mezzet
