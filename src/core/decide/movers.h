// What can be moved to cure a finding on the floor, and how: slid, turned a quarter, alone or with what goes along.
#pragma once

#include "core/decide/ways_out.h"
#include "core/space/arrange.h"

namespace mezzet {

/// Things are slid at most this far, in directions every 45 degrees from wall A.
inline constexpr double kMostSlide = 36 * kInch;

/// One change that makes the target hold, by its own rule alone; the rest of the rules are not asked yet.
struct MoveCandidate {
  WayOut way;
  double moved = 0;  ///< mm; turning counts as moving a corner
  Vec2 along = {};   ///< of a slide, unit
  PlacementIds movers;
};
/// Candidates for a broken finding of the plan, least movement first, then fewest pieces. Of each direction the least
/// distance at which the target holds, in quarter inches or 5 mm. Locked things stay; a dining table goes with its
/// chairs, and its chairs only with it; what is grouped goes together.
[[nodiscard]] std::vector<MoveCandidate> moversOf(const Finding& target, const Job&, const Rulebook&, const Scheme&,
                                                  LengthFormat, const CheckWith&, IdSource ids, Tries* tries);
/// The same slide by some more, if the target still holds then.
[[nodiscard]] std::optional<MoveCandidate> further(const MoveCandidate&, double more, const Finding& target, const Job&,
                                                   const Rulebook&, const Scheme&, LengthFormat, const CheckWith&,
                                                   Tries* tries);

}  // namespace mezzet
