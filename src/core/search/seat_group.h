// Seats set round their table by one of the trade's patterns, with what stands beside them and the rug under them.
#pragma once

#include "core/search/patterns.h"

namespace mezzet {

/// A group is laid in a frame of its own: the main seat's front looks along +y, the table's middle is the origin.
struct InGroup {
  std::size_t movable;
  Vec2 at;
  double look = 90;  ///< direction of its front, degrees
};
[[nodiscard]] std::vector<InGroup> seatGroup(const Ground&, const Layout&, SeatPattern, Chance&);

}  // namespace mezzet
