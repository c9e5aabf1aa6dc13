// Gaps: the nearest distance between two bodies, with its witness points.
#pragma once

#include <string>
#include <vector>

#include "core/space/bodies.h"

namespace mezzet {

struct Gap {
  std::string a, b;  ///< a is a floor placement; b a placement, "wall:A", an opening or a feature
  double length = 0;
  Vec2 atA, atB;
};

/// Every pair of bodies up to `cap` apart, ascending. Pairs: floor placements with each other, with walls, openings
/// and features; rugs only with walls, openings and features. Found by a sweep over the bodies sorted by x.
[[nodiscard]] std::vector<Gap> gapsIn(const Job&, const Scheme&, double cap);
[[nodiscard]] std::vector<Gap> gapsIn(std::vector<Body> floor, const Room&,
                                      double cap);  ///< the same, of bodies made already

inline constexpr double kGapListCap = 2000;  ///< contract: what `mezzet-cli gaps` lists

}  // namespace mezzet
