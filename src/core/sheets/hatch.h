// Cut walls as they are drawn on paper: a heavy edge round a hatch, not a black bar.
#pragma once

#include "core/drawing/base/drawing.h"

namespace mezzet {

/// Takes the cut walls of a settled drawing together and hatches them at 45 degrees, so that no joint between two walls
/// shows and less ink is spent. Lines of the hatch keep one beat over the whole drawing.
void hatchWalls(Drawing&);

/// The parts of the line dot(p, normal) == at within some outlines, holes left out (even-odd); ends in pairs along it.
[[nodiscard]] std::vector<std::pair<Vec2, Vec2>> lineWithin(const std::vector<Polygon>& outlines, Vec2 normal,
                                                            double at);

}  // namespace mezzet
