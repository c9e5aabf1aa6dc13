// How sure each wall and corner is: checked by other readings, measured but unchecked, or only assumed square.
#pragma once

#include "core/survey/network.h"

namespace mezzet {

enum class Certainty { Checked, Unchecked, Assumed };

struct RoomCertainty {
  std::vector<Certainty> walls;  ///< wall i runs from corner i
  std::vector<Certainty> corners;
};

/// Judged by the readings alone, without the square corners: a wall is checked when its run has a redundancy over 0.02,
/// a corner when its angle is fixed and both its walls are checked. `corners` are the adjusted ones.
[[nodiscard]] RoomCertainty certaintyOf(const Network&, const Polygon& corners);

[[nodiscard]] const char* certaintyWords(Certainty);  ///< "checked", "measured, unchecked", "assumed square"

}  // namespace mezzet
