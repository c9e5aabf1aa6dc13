// Splits a simple polygon into convex parts, so that distances to concave things (an L, a hearth) are exact.
#pragma once

#include <vector>

#include "core/geometry/convex.h"
#include "core/geometry/polygon.h"

namespace mezzet {

/// A convex polygon comes back whole; a concave one as triangles (ear clipping). Direction does not matter.
[[nodiscard]] std::vector<Convex> convexParts(Polygon polygon);

}  // namespace mezzet
