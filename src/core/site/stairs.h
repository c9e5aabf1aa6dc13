// What follows from a flight's riser and going.
#pragma once

#include <string>
#include <vector>

#include "core/model/job.h"

namespace mezzet {

[[nodiscard]] double pitchOf(const Stair&);  ///< degrees
[[nodiscard]] inline double stepLength(const Stair& s) {
  return 2 * s.riser + s.going;
}  ///< twice the riser plus the going
/// How far the risers together are off the measured rise: positive, they climb too far. Nothing until the rise is
/// measured.
[[nodiscard]] std::optional<double> reachMisfit(const Stair&);
/// A flight may miss its landing by this much: one riser may differ from the next by 3/8 in.
inline constexpr double kReachTolerance = 0.375 * kInch;
/// Height of the nosing line above the flight's foot, `along` the climb from the foot of the first riser; 0 before it,
/// the flight's top past the last.
[[nodiscard]] double nosingLine(const Stair&, double along);
/// Length of the flight in the plan: one going less than risers, since the last riser lands on the floor above.
[[nodiscard]] inline double runOf(const Stair& s) { return s.going * std::max(1, s.risers - 1); }

/// Lines of the risers across an outline, foot first, and the arrow along the climb; for the drawing.
struct StairPlan {
  std::vector<std::pair<Vec2, Vec2>> risers;
  Vec2 foot, top;
};
[[nodiscard]] StairPlan stairPlan(const Polygon& outline, const Stair&);

/// "14 risers of 7 5/8 in, going 10 in, 37 degrees." and whether it reaches.
[[nodiscard]] std::vector<std::string> stairWords(const Stair&, LengthFormat);

}  // namespace mezzet
