// Where a walker may be: the region of a disc's centres, what of the floor it reaches, the way drawn through it. Slower
// than the widths of walkways.h (milliseconds), so it is worked out off the interface thread; every function takes a
// stop token.
#pragma once

#include <stop_token>

#include "core/walk/walk_space.h"
#include "core/geometry/offset.h"

namespace mezzet {

/// A doorway as walkers come through it: a passage outside the opening, as deep as its clear width, with the place in
/// it that they come from, half of that outside the wall's face. Absent for what is no opening, and where another part
/// of the room lies behind the wall.
struct Porch {
  Polygon floor;
  std::vector<Convex> sides;
  Vec2 start;
};
[[nodiscard]] std::optional<Porch> porchOf(const WalkSpace&, const WayEnd&);

/// Chords of rounded corners lie at most this far outside their arc.
inline constexpr double kFineChord = 0.2;
/// The shortest way of a disc of this diameter from one end to another, as a line of its centres; it begins and ends
/// outside in the porches of openings. Empty when there is none or it was stopped. Rounded corners are followed by
/// chords outside the arc, so that the line's clearance is nowhere less than half of `width`.
[[nodiscard]] std::vector<Vec2> shortestRoute(const WalkSpace&, const WayEnd& from, const WayEnd& to, double width,
                                              const std::stop_token& = {}, double chord = kFineChord);

/// What of the floor a disc of this diameter sweeps that comes in at the entry, and what is left over.
struct Reached {
  std::vector<Area> floor;    ///< swept by the disc
  std::vector<Area> pockets;  ///< free floor that it does not reach; slivers under kLeastPocket are left out
};
[[nodiscard]] Reached reachedFloor(const WalkSpace&, double width, const std::stop_token& = {});
/// A pocket smaller than this is a corner, not a place [D], mm².
inline constexpr double kLeastPocket = 0.25e6;

/// The largest circle on the free floor, doors closed (published: doors may swing into a turning space). To 0.05 mm.
struct TurningCircle {
  double diameter = 0;  ///< 0 when there is no free floor
  Vec2 centre;
};
[[nodiscard]] TurningCircle largestTurn(const Room&, const std::vector<Body>& standing, const std::stop_token& = {});

/// The free width square to a route, at a point of it.
struct CrossSection {
  double along = 0;  ///< from the route's beginning
  Vec2 at, left, right;
  [[nodiscard]] double width() const { return distance(left, right); }
};
/// Every `step` along a route, ends included. Looks `reach` to each side.
[[nodiscard]] std::vector<CrossSection> crossSections(const WalkSpace&, const std::vector<Vec2>& route, double step,
                                                      double reach);
/// Length of the longest part of a route that is narrower than `width` (square to the passage), sampled every 10 mm,
/// its ends to 0.1 mm.
[[nodiscard]] double longestNarrowerThan(const WalkSpace&, const std::vector<Vec2>& route, double width);

}  // namespace mezzet
