// What an installer sets out: distances from walls, heights from the floor.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/model/job.h"

namespace mezzet {

/// Numbers the pieces and lists below the plan, for each, the two shortest ways square to its sides to a wall.
void addPlanSetOut(Drawing&, const Job&, const Scheme&, LengthFormat);
/// Outside the wall, from its floor and from its left end as it is seen: heights and distances of the centres of what
/// hangs; widths and what is between them; under each its size.
void addWallSetOut(Drawing&, const Job&, const Room&, const Scheme&, const CornerId& wall, LengthFormat);

}  // namespace mezzet
