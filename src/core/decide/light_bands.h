// Bands of lights: where an underside, or the middle of a wall light, may be.
#pragma once

#include "core/decide/bands.h"

namespace mezzet {

/// Of what hangs on a cord: in the section, x of the plan and heights above the datum. Of a wall light: across its
/// wall.
[[nodiscard]] std::vector<Band> lightBands(const Job&, const Rulebook&, const Scheme&, const Placement&, LengthFormat);

}  // namespace mezzet
