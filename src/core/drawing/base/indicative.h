// What no one measures of furniture, as it is drawn [D]: plan and elevation show the same number of cushions and
// leaves.
#pragma once

#include <algorithm>
#include <cmath>

namespace mezzet {

// About how wide one of them is, mm of the room.
inline constexpr double kSeatCushion = 760, kLeafWide = 520, kScreenLeaf = 450;

/// How many of about `each` make up a length; at least one.
[[nodiscard]] inline int timesIn(double length, double each) {
  return std::max(1, static_cast<int>(std::lround(length / each)));
}

}  // namespace mezzet
