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

/// Which atoms hang together.
class Joined {
 public:
  explicit Joined(std::size_t n) : parent_(n) { std::iota(parent_.begin(), parent_.end(), 0U); }
  /// False when they hung together before.
  bool join(std::uint32_t a, std::uint32_t b) {
    const std::uint32_t rootA = rootOf(a), rootB = rootOf(b);
    parent_[rootB] = rootA;
    return rootA != rootB;
  }

 private:
  std::uint32_t rootOf(std::uint32_t i) {
    while (parent_[i] != i) i = parent_[i] = parent_[parent_[i]];
    return i;
  }
  std::vector<std::uint32_t> parent_;
};

/// Joins the atoms by thresholds and then by gaps in ascending order: the branches of trees, and what closes rings.
void joinAtoms(WalkSpace& space) {
  const std::vector<Atom>& atoms = space.atoms;
  Joined joined(atoms.size());
  std::vector<Link> branches;
  // The walls make one ring with the thresholds; it closes round both ends of any way and parts nothing.
  for (const WalkSpace::Threshold& t : space.thresholds)
    if (joined.join(t.before, t.after))
      branches.push_back({{atoms[t.before].centre, t.beyond, t.beyond, atoms[t.after].centre}, t.before, t.after, 0});
  for (std::uint32_t i = 0; i < space.gaps.size(); ++i) {
    const WalkGap& gap = space.gaps[i];
    const Link link{{atoms[gap.first].centre, gap.a, gap.b, atoms[gap.second].centre}, gap.first, gap.second, i};
    (joined.join(gap.first, gap.second) ? branches : space.rings).push_back(link);
  }
  // From the root of each tree outwards.
  std::vector<std::vector<std::uint32_t>> of(atoms.size());
  for (std::uint32_t i = 0; i < branches.size(); ++i) {
    of[branches[i].from].push_back(i);
    of[branches[i].to].push_back(i);
  }
  std::vector<bool> seen(atoms.size(), false);
  std::vector<std::uint32_t> reached;
  space.branches.reserve(branches.size());
  for (std::uint32_t root = 0; root < atoms.size(); ++root) {
    if (seen[root]) continue;
    seen[root] = true;
    reached.assign(1, root);
    while (!reached.empty()) {
      const std::uint32_t at = reached.back();
      reached.pop_back();
      for (const std::uint32_t i : of[at]) {
        const bool backwards = branches[i].to == at;
        const std::uint32_t next = backwards ? branches[i].from : branches[i].to;
        if (seen[next]) continue;
        seen[next] = true;
        space.branches.push_back({branches[i], backwards});
        reached.push_back(next);
      }
    }
  }
}

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

/// Of a link's path. Most paths lie on one side of the line.
int crossing(const Link& link, Vec2 a, Vec2 b) {
  const auto& [p, q, r, t] = link.path;
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
  joinAtoms(space);
  return space;
}

Way widestWay(const WalkSpace& space, const WayEnd& from, const WayEnd& to) {
  const bool fromIsLess = from.widest <= to.widest;
  const double most = std::min(from.widest, to.widest);
  const double cap = std::min(most, space.cap);
  const Vec2 a = from.at, b = to.at;
  // How often the way from its tree's root to each atom crosses the line from a to b, with sign.
  std::vector<int> crossings(space.atoms.size(), 0);
  for (const auto& [link, backwards] : space.branches) {
    const int step = crossing(link, a, b);
    if (backwards) crossings[link.from] = crossings[link.to] - step;
    else crossings[link.to] = crossings[link.from] + step;
  }
  for (const Link& ring : space.rings) {
    const WalkGap& gap = space.gaps[ring.gap];
    if (gap.length >= cap) break;
    if (crossings[ring.from] + crossing(ring, a, b) == crossings[ring.to]) continue;
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
