// Where a hall's carpet may end: on a line of the architecture, with room to stand on it inside the door.
#pragma once

#include <string>
#include <vector>

#include "core/geometry/offset.h"
#include "core/model/job.h"

namespace mezzet {

/// A hall's carpet keeps this far off the walls [D].
inline constexpr double kHallBorder = 4 * kInch;
/// Guests stand on it inside the entry: at least this deep [D].
inline constexpr double kStandInside = 36 * kInch;

struct StopLine {
  Vec2 a, b;                        ///< across the hall, on the carpet's edge
  std::string linesUp;              ///< "the end of wall C", "a jamb of the door on wall B"
  double length = 0;                ///< of the carpet along the hall
  double area = 0;                  ///< mm²
  double standing = 0;              ///< straight in from the entry, on the carpet
  bool enough = false;              ///< the standing room
  std::vector<std::string> leaves;  ///< ids of the doors and cupboards whose leaves pass over it
  Polygon carpet;                   ///< in the plan
};
/// One line for each wall's end, jamb, breast and arch along the hall, from the entry inwards; what lies within 10 mm
/// of another is one. The hall runs along its longest wall. None when the room has no entry.
[[nodiscard]] std::vector<StopLine> stopLinesOf(const Job&, const Scheme&, double border = kHallBorder);

}  // namespace mezzet
