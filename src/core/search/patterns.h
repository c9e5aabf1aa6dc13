// The trade's patterns, fitted to a room's own edges: where a search begins.
#pragma once

#include "core/search/ground.h"

namespace mezzet {

/// How seats are set round their table.
enum class SeatPattern { Facing, Corner, Horseshoe, Side };
/// Where that group stands.
enum class GroupPlace {
  AtWall,    ///< the main seat's back at a wall
  OffWall,   ///< off it, a console behind
  ToFire,    ///< looking at the fire or the anchor
  ToWindow,  ///< chairs with their backs to the window, under its sill
  ToScreen,  ///< looking at the screen
  InMiddle,  ///< in the middle of the floor
};
struct Pattern {
  SeatPattern seats = SeatPattern::Facing;
  GroupPlace place = GroupPlace::AtWall;
  std::size_t focus = 0;  ///< of the ground's; where it looks at one
};

/// Every pattern that the ground, and what is wished of walls, allows; in a steady order, each place once before any
/// twice.
[[nodiscard]] std::vector<Pattern> patternsOf(const Ground&, WallsWish);

/// Everything of the ground put down by a pattern, as far as it goes; what finds no place stands where it fits, and is
/// left where it was when it fits nowhere. `placed` says how many found one.
struct Furnished {
  Layout layout;
  std::size_t placed = 0;
};
[[nodiscard]] Furnished furnish(const Ground&, const Pattern&, Chance&);

/// Everything put down anywhere, turned by quarters: what a search is held against.
[[nodiscard]] Furnished scattered(const Ground&, Chance&);

/// The layout in which everything stands where the scheme has it.
[[nodiscard]] Layout layoutNow(const Ground&);

}  // namespace mezzet
