// The hanging day: what is hung when, by whom, with what.
#pragma once

#include "core/plan/dates.h"

namespace mezzet {

/// Larger than this one holds and another judges [D].
inline constexpr double kTwoPeopleWide = 24 * kInch;
/// From how far off it is judged [D].
inline constexpr double kJudgeFrom = 8 * kFoot;

struct DayStep {
  int order = 1;
  int minute = 0;  ///< after the day began
  std::string room, wall;
  PlacementId placement;
  SchemeId scheme;
  std::string what;    ///< "Delta, 24 x 18 in"
  std::string nails;   ///< where they go: "12 1/4 from the left, 3 above the line"
  std::string weight;  ///< "about 9 lb", "not known"
  int people = 1;
  double minutes = 0;
  bool warned = false;  ///< a cable may run where it is nailed
};
struct DayPlan {
  std::vector<DayStep> steps;
  std::vector<std::string> tools, hardware, cautions;
  double minutes = 0;
  int people = 1;
  TaskTimes times;
};
/// Of everything that hangs in these schemes, wall by wall in the order in which it is hung.
[[nodiscard]] DayPlan hangingDay(const Job&, const Rulebook&, const std::vector<const Scheme*>&, LengthFormat);
/// "9:36"
[[nodiscard]] std::string clockWords(const TaskTimes&, int minute);

}  // namespace mezzet
