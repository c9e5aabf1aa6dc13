// Where a picture can hang when its centre and its gap above the furniture are both asked for.
#pragma once

#include <optional>

#include "core/base/range.h"
#include "core/units/length.h"

namespace mezzet {

/// Where a picture's centre hangs until its rules are asked: the middle of 57 to 60 in (common practice).
inline constexpr double kUsualCentre = 58.5 * kInch;

/// With centre C, furniture top S, gap g and frame height h: C = S + g + h / 2. All in mm.
struct ArtQuestion {
  Range centre;  ///< asked of the centre's height above the floor
  Range gap;     ///< asked of the gap between furniture top and frame bottom
  double top = 0;
  double frame = 0;
};

struct ArtSolution {
  bool both = false;       ///< some height satisfies both
  double centre = 0;       ///< recommended: the middle of what satisfies both, else where the larger shortfall is least
  double gap = 0;          ///< at that centre
  double shortCentre = 0;  ///< by how much each rule is missed there; 0 when it holds
  double shortGap = 0;
  Range centreBand;                   ///< of the centre, by the centre rule
  Range gapBand;                      ///< of the centre, by the gap rule
  double apart = 0;                   ///< distance between the two bands; 0 when they meet
  std::optional<Range> frameHeights;  ///< heights of frame that could satisfy both; absent when none could
};

[[nodiscard]] ArtSolution solveArt(const ArtQuestion&);

}  // namespace mezzet
