// Who sits together: seats that talk. Found from where the seats stand; seats that were grouped by hand are one.
#pragma once

#include "core/use/seats.h"
#include "core/use/serving.h"

namespace mezzet {

/// Seats that stand further apart than this do not talk unless they share a table [D]; published social distance ends
/// here, too.
inline constexpr double kTalkReach = 144 * kInch;

struct TalkGroup {
  std::vector<const Placement*> seats;  ///< in placement order; pointers into the scheme
  int places = 0;
};
/// Whether a placement is one of its seats.
[[nodiscard]] bool sitsIn(const TalkGroup&, std::string_view placement);
/// Groups of the seats round low tables and of those that look at each other; the one with most places first. Seats
/// with one group name, given by hand, are one group and take no others. A seat alone is a group of one.
[[nodiscard]] std::vector<TalkGroup> talkGroupsIn(const PieceIndex&, const std::vector<Serving>&);

/// Middle of a seat's front, and the way it looks; of an L its long limb's.
[[nodiscard]] FrontEdge frontOf(const PieceIndex&, const Placement&);
/// Degrees between the way a front looks and the way to a point.
[[nodiscard]] double turnedAway(const FrontEdge&, Vec2 point);

}  // namespace mezzet
