// What is drawn over the plan in Measure: which walls are checked, what does not fit, corner-to-corner readings,
// ellipses.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/survey/room_survey.h"

namespace mezzet {

struct SurveyMarks {
  const SurveyNetwork* network = nullptr;
  const SurveyReport* report = nullptr;
  ReadingId chosen;       ///< drawn stronger, as in the list
  bool ellipses = false;  ///< 95 % ellipses of the corners, kEllipseScale times as large as they are
};

/// How much larger than life the ellipses are drawn.
inline constexpr double kEllipseScale = 20;

[[nodiscard]] Drawing composeSurveyMarks(const Room&, const SurveyMarks&, double scale, LengthFormat);

}  // namespace mezzet
