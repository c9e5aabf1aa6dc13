// A room as walkers meet it: what they go round, the gaps between, and how these hang together.
#pragma once

#include <algorithm>
#include <array>
#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

#include "core/space/bodies.h"

namespace mezzet {

/// Gaps beyond this are of no interest to walkers: a width that would be more reads "at least".
inline constexpr double kWidestGap = 2500;
/// Gaps under this are closed [D].
inline constexpr double kClosedGap = 1;
/// Gaps that differ by less tie (parallel faces, a wall that a door splits).
inline constexpr double kTie = 0.5;

/// One convex thing that walkers go round.
struct Atom {
  Convex shape;
  Box bounds;
  Vec2 centre;              ///< a point in it
  std::uint32_t owner = 0;  ///< index into WalkSpace::owners
  bool wall = false;        ///< a part of a wall
};

/// The free way between two atoms.
struct WalkGap {
  double length = 0;
  Vec2 a, b;  ///< where it is measured, on the first and on the second
  std::uint32_t first = 0, second = 0;
};

/// What joins two atoms, as a path through their middles: a gap, or the threshold of an opening.
struct Link {
  double low = 0, high = 0, right = 0;  ///< bounds of the path; first, as most questions end with them
  std::uint32_t from = 0, to = 0;       ///< atoms, in the direction of the path; of a branch away from the root
  std::uint32_t gap = 0;                ///< index into WalkSpace::gaps, of a link that closes a ring
  std::array<Vec2, 4> path;
};

/// Where a way begins or ends.
struct WayEnd {
  std::string id;
  Vec2 at;
  double widest = 0;  ///< the widest disc that stands there: of a door its clear width
  Vec2 inward = {};   ///< of an opening: into the room, unit
};

/// A room as walkers meet it: walls with holes where one walks through, leaves standing open, everything on the floor
/// that is no rug, everything hung low.
struct WalkSpace {
  std::vector<Atom> atoms;
  std::vector<std::string> owners;  ///< ids of placements, features and openings, "wall:A"
  std::vector<WalkGap> gaps;        ///< ascending, up to `cap`
  double cap = kWidestGap;
  Polygon outline;
  std::vector<WayEnd> openings;  ///< those one walks through, in the room's order
  std::size_t entry = 0;         ///< index into openings: where one comes in
  /// Atoms by their left edge, but for the walls, which reach across the room; the widest of them ends a search to the
  /// left.
  std::vector<std::uint32_t> byLeft;
  std::vector<std::uint32_t> walls;
  double widestAtom = 0;
  /// Calls `look(atom)` for every atom whose box comes within `reach` of a point.
  template <class Look>
  void near(Vec2 point, double reach, Look look) const {
    const auto meets = [&](const Atom& a) {
      return a.bounds.low.x < point.x + reach && a.bounds.high.x > point.x - reach &&
             a.bounds.low.y < point.y + reach && a.bounds.high.y > point.y - reach;
    };
    for (const std::uint32_t i : walls)
      if (meets(atoms[i])) look(atoms[i]);
    auto at = std::lower_bound(byLeft.begin(), byLeft.end(), point.x - reach - widestAtom,
                               [&](std::uint32_t i, double x) { return atoms[i].bounds.low.x < x; });
    for (; at != byLeft.end() && atoms[*at].bounds.low.x < point.x + reach; ++at)
      if (meets(atoms[*at])) look(atoms[*at]);
  }
  /// Closes each opening outside its end point, so that the walls make one ring.
  struct Threshold {
    std::uint32_t before = 0, after = 0;  ///< wall atoms
    Vec2 beyond;
  };
  std::vector<Threshold> thresholds;
  /// Gaps in ascending order join the atoms to trees; one that joins nothing new closes a ring with branches of its
  /// tree. Neither depends on where a way leads. Branches from the root of each tree outwards, rings ascending.
  std::vector<Link> branches;
  std::vector<Link> rings;
};
/// The end at an opening that one walks through; null when it has no such opening.
[[nodiscard]] const WayEnd* findEnd(const WalkSpace&, std::string_view opening);

/// Whether one walks through it: a door, sliding door or arch.
[[nodiscard]] bool isWalkedThrough(const Opening&);
/// Where one comes in: the opening that the room names, else its first door, else the first opening one walks through;
/// null when there is none.
[[nodiscard]] const Opening* mainEntry(const Room&);
/// `standing` are the bodies on the floor (floorBodies) and what hangs low (hungBodies).
[[nodiscard]] WalkSpace walkSpace(const Room&, const std::vector<Body>& standing);
/// Pictures, televisions and the like that hang lower than kWalkersHeadRoom, as bodies in the plan.
[[nodiscard]] std::vector<Body> hungBodies(const PieceIndex&, const Room&, const Scheme&);

/// Distance of a point to a convex body; negative inside.
[[nodiscard]] double distanceTo(const Convex&, Vec2 point);
/// Its distance when that is less than `best`, else `best`: asked only of atoms whose box is near enough.
[[nodiscard]] double nearerOf(double best, const Atom&, Vec2 point);
/// To the nearest atom; negative inside one.
[[nodiscard]] double clearanceAt(const WalkSpace&, Vec2 point);

}  // namespace mezzet
