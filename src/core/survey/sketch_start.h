// A first outline from the sketch: turns and whatever lengths are known. Where the adjustment begins.
#pragma once

#include "core/survey/network.h"

namespace mezzet {

/// Walks the runs with the turns of the sketch: square corners as quarter turns, measured angles as measured, the rest
/// sharing what is left of a full turn. Lengths not measured are those that close the walk best; what is still open is
/// shared by all corners. Always finite; deterministic.
[[nodiscard]] Polygon sketchStart(const Network&);

}  // namespace mezzet
