// The ways of a room: from its entry to every other opening and to what one goes to.
#pragma once

#include "core/walk/approach.h"
#include "core/use/groups.h"
#include "core/use/use_zones.h"

namespace mezzet {

enum class Goal { Opening, Seat, Window, Storage };

/// What one goes to from the entry.
struct Destination {
  Goal goal = Goal::Opening;
  std::string id;           ///< of the opening or placement
  std::vector<Vec2> marks;  ///< where one must come near to; for an opening its middle
};
/// Every opening but the entry, every seat, window and cupboard, in the room's and the scheme's order. Windows high up
/// (sill above kHighSill) are left out: one goes to them only on a ladder.
[[nodiscard]] std::vector<Destination> destinationsIn(const PieceIndex&, const Room&, const Scheme&);
inline constexpr double kHighSill = 60 * kInch;
/// Those that rules ask the way to: a dining chair is left and taken by pulling it out, and its own rules judge that.
[[nodiscard]] std::vector<Destination> judgedDestinations(const PieceIndex&, const Room&, const Scheme&);
/// The openings among them.
[[nodiscard]] std::vector<Destination> openingsAmong(std::vector<Destination>);

struct RoomWay {
  Destination to;
  Way way;
  Vec2 at;  ///< where the disc stands that has come there
};
/// None when the room has no opening to come in by.
[[nodiscard]] std::vector<RoomWay> waysIn(const WalkSpace&, const std::vector<Destination>&);
/// From the entry to one destination, or between any two places.
[[nodiscard]] RoomWay wayTo(const WaysFrom&, const Destination&);
/// Of the ways to the seats of a group the widest, the first of equals; null when none leads to it.
[[nodiscard]] const RoomWay* bestReached(const std::vector<RoomWay>&, const TalkGroup&);
/// Everything walkers meet in a state: bodies with their use zones, and what hangs low.
[[nodiscard]] WalkSpace walkSpaceOf(const PieceIndex&, const Room&, const Scheme&, UseState);

/// The end of a drawn route at this destination.
[[nodiscard]] WayEnd endOf(const WalkSpace&, const RoomWay&);
/// Where another way begins for someone who went this way: as wide as there is room to stand.
[[nodiscard]] WayEnd goOnFrom(const WalkSpace&, const RoomWay&);

}  // namespace mezzet
