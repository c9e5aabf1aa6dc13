// Over the plan while a site is recorded: heights with what they leave over, the parts of the ceiling, photographs; and
// the house.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/model/job.h"
#include "core/site/heights.h"
#include "core/site/house.h"

namespace mezzet {

/// Each height at its point with its figure, and its residual where something checks it; parts of the ceiling in
/// dashes.
[[nodiscard]] Drawing composeHeightMarks(const Room&, const HeightReport&, const ReadingId& chosen, double scale,
                                         LengthFormat);
/// The place that was pointed at for what is recorded next.
void addSpot(Drawing&, Vec2 at);
/// The openings of one wall as they were read: along its inside from its start corner to its end, with what they leave
/// over.
[[nodiscard]] Drawing composeOpeningMarks(const Room&, const CornerId& wall, double scale, LengthFormat);
/// Where photographs were taken of, numbered.
[[nodiscard]] Drawing composePhotographMarks(const Room&, const PhotographId& chosen, double scale);
/// One storey: all its rooms put together, with their names, the doors they share drawn through.
[[nodiscard]] Drawing composeStorey(const Job&, const HouseStorey&, const RoomId& chosen, double scale, LengthFormat);

}  // namespace mezzet
