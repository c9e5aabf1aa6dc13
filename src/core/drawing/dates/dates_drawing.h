// Tasks as bars over working days. In mm of paper at scale 1.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/plan/dates.h"

namespace mezzet {

inline constexpr double kDatesRow = 5.1;  ///< one task, mm of paper

/// Which of the tasks, in their order.
struct DatesPart {
  std::size_t from = 0, count = 1'000'000;
};
/// Filled bars for what may not wait, a dotted line for days to spare, a line for today where it lies within. The names
/// stand in a column on the left.
[[nodiscard]] Drawing composeDates(const Dates&, DatesPart, double wide, std::optional<Day> today);

}  // namespace mezzet
