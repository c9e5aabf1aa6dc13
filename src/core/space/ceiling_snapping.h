// Where a light in the hand comes to rest.
#pragma once

#include "core/space/snapping.h"

namespace mezzet {

/// Over the middle of what stands there, in line with other lights, in the middle of the room; `out` are left out.
[[nodiscard]] Snapped ceilingSnapped(const Job&, const Scheme&, const CeilingPlace&, const PlacementIds& out,
                                     double reach);

}  // namespace mezzet
