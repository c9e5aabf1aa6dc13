#include "core/walk/walk_space.h"

#include <cmath>
#include <limits>
#include <numeric>
#include <optional>

#include "core/site/heights.h"
#include "core/model/kinds.h"
#include "core/space/swing.h"

namespace mezzet {
namespace {

/// A threshold is closed this far outside the wall's face: less than any wall is thick.
constexpr double kBeyond = 10;

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
  const auto link = [&](std::uint32_t from, Vec2 a, Vec2 b, std::uint32_t to, std::uint32_t gap) {
    Link l;
    l.path = {atoms[from].centre, a, b, atoms[to].centre};
    const auto [low, high] = std::minmax({l.path[0].y, a.y, b.y, l.path[3].y});
    l.low = low;
    l.high = high;
    l.right = std::max({l.path[0].x, a.x, b.x, l.path[3].x});
    l.from = from;
    l.to = to;
    l.gap = gap;
    return l;
  };
  // The walls make one ring with the thresholds; it closes round both ends of any way and parts nothing.
  for (const WalkSpace::Threshold& t : space.thresholds)
    if (joined.join(t.before, t.after)) branches.push_back(link(t.before, t.beyond, t.beyond, t.after, 0));
  for (std::uint32_t i = 0; i < space.gaps.size(); ++i) {
    const WalkGap& gap = space.gaps[i];
    (joined.join(gap.first, gap.second) ? branches : space.rings)
        .push_back(link(gap.first, gap.a, gap.b, gap.second, i));
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
        Link& branch = branches[i];
        const std::uint32_t next = branch.to == at ? branch.from : branch.to;
        if (seen[next]) continue;
        seen[next] = true;
        if (branch.to == at) {
          std::swap(branch.from, branch.to);
          std::reverse(branch.path.begin(), branch.path.end());
        }
        space.branches.push_back(branch);
        reached.push_back(next);
      }
    }
  }
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
  // What leans with its foot on the floor stands in the way out to its front.
  for (const Placement& p : scheme.placements) {
    const auto* leans = leaning(p.on);
    const auto wall = leans != nullptr ? findWall(room, leans->wall) : std::nullopt;
    if (!wall || !leans->carrier.empty()) continue;
    const Piece& piece = pieces.of(p);
    const WallRect r = leaningRectOf(piece, *leans);
    const Vec2 from = onWall(*wall, r.left), to = onWall(*wall, r.right),
               out = wall->inward() * (leans->lean + piece.depth.value_or(0));
    if (leans->lean + piece.depth.value_or(0) <= 0) continue;
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

double distanceTo(const Convex& body, Vec2 point) {
  const std::vector<Vec2>& core = body.core;
  if (core.size() == 1) return distance(core[0], point) - body.radius;
  if (core.size() == 2) return distance(nearestOnSegment(point, core[0], core[1]), point) - body.radius;
  double squared = std::numeric_limits<double>::infinity();
  const auto look = [&](Vec2 p, Vec2 q) {
    const Vec2 d = nearestOnSegment(point, p, q) - point;
    squared = std::min(squared, dot(d, d));
  };
  const auto end = [&](std::size_t i) { return core[i + 1 == core.size() ? 0 : i + 1]; };
  // From outside only the edges that face the point come nearest.
  bool inside = true;
  for (std::size_t i = 0; i < core.size(); ++i) {
    if (cross(end(i) - core[i], point - core[i]) >= 0) continue;
    inside = false;
    look(core[i], end(i));
  }
  if (inside)
    for (std::size_t i = 0; i < core.size(); ++i) look(core[i], end(i));
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
