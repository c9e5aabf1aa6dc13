// Nails on a wall, as crosses with their numbers, and the level line they are measured from.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/hang/nails.h"

namespace mezzet {

inline constexpr double kNailCross = 1.6;  ///< half a cross, mm of paper

void addNailCrosses(Drawing&, const NailPlan&, Layer);
/// Dashed across the whole wall, with its height.
void addLevelLine(Drawing&, double line, double wallLength, Layer, LengthFormat);
/// Both, and each nail's number beside its cross; a nail in whose line cables may run has a ring.
void addNailMarks(Drawing&, const NailPlan&, double line, double wallLength, LengthFormat);

}  // namespace mezzet
