// What an installer sets out: distances from walls, heights from the floor.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/model/job.h"

namespace mezzet {

/// Numbers the pieces and lists below the plan, for each, the two shortest ways square to its sides to a wall.
void addPlanSetOut(Drawing&, const Job&, const Scheme&, LengthFormat);
/// For each picture the height of its centre above the floor, and its centre's distance from the nearer end of the
/// wall.
void addWallSetOut(Drawing&, const Job&, const Room&, const Scheme&, const CornerId& wall, LengthFormat);

}  // namespace mezzet
