// Furniture seen from above, as draughtsmen draw it: cushions, legs, leaves, drawers, pillows, borders.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/model/job.h"

namespace mezzet {

/// The piece at its place without words. Outer edges are true to its measured footprint (upholstery's corners are
/// rounded within it); what is drawn inside is indicative [D], in thinner lines.
void addFurniturePlan(Drawing&, const Piece&, const FloorPlace&, const ItemId& id, Layer);

/// How far inside its edge a rug's border is drawn, unless it is narrow [D].
inline constexpr double kRugBorder = 75;

}  // namespace mezzet
