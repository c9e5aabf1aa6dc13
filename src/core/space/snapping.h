// Where a thing in the hand comes to rest: flush with a wall, in line with the edges and centres of what is near.
#pragma once

#include <vector>

#include "core/space/arrange.h"

namespace mezzet {

/// Why it rests there, for the drawing: a line through what is lined up, and the words for it.
struct Guide {
  Vec2 from, to;      ///< on the plan, or u and v
  std::string words;  ///< "wall A", "centre of rug"
  Vec2 mark;          ///< where the line meets what it lines up with
};
struct Snapped {
  Place place;
  std::vector<Guide> guides;  ///< at most one for each of the thing's two directions; none: it rests where it was put
};

/// `place` moved by at most `reach` along each of the thing's own two directions (on a wall: u and v) so that an edge
/// or its middle lines up. Walls go first, then centres, then edges. `moving` is left out of what it is lined up with.
[[nodiscard]] Snapped snapped(const Job&, const Scheme&, const PlacementId& held, const Place& place,
                              const PlacementIds& moving, double reach);

/// The turn of a piece whose handle is carried from `grabbed` to `now`; `free` rests at tenths of a degree only.
[[nodiscard]] double turnByHand(const Room&, const FloorPlace& from, Vec2 grabbed, Vec2 now, bool free);
/// A turn by hand: parallel to a wall or a multiple of 15 degrees when within 3 degrees of it, else whole degrees.
[[nodiscard]] double snappedTurn(const Room&, double degrees);

}  // namespace mezzet
