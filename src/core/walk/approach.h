// Ways to what one goes to without going through it: a seat, a window, a cupboard.
#pragma once

#include "core/walk/walkways.h"

namespace mezzet {

/// A disc has come to a thing when its nearest point is at most this far from the middle of the thing's front [D]
/// (contract).
inline constexpr double kAtReach = 24 * kInch;

/// How wide a way leads to a thing, and where the disc stands that has come to it.
struct Approach {
  Way way;
  Vec2 at;
  double clearance = 0;  ///< half of the widest disc that stands there
};
/// The widest disc that comes to within kAtReach of one of the marks: the middles of seat places' fronts,
/// of a window, of a cupboard's face. Places to stand are searched on a fan about each mark and then settled where they
/// are widest, to kSettled; the way there is exact.
[[nodiscard]] Approach widestApproach(const WaysFrom&, const std::vector<Vec2>& marks, const std::string& id);
inline constexpr double kSettled = 0.05;

}  // namespace mezzet
