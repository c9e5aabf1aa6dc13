// Which reading does not fit: each is left out in turn, and what that would explain is weighed.
#pragma once

#include "core/survey/adjust.h"

namespace mezzet {

/// Detected when leaving one out lowers chi-square by more than this: a two-sided test at 0.1 % (3.29 squared).
inline constexpr double kDetected = 10.83;
/// Named when its share of what could explain the misfit is at least this, and there is redundancy to tell.
inline constexpr double kNamedShare = 0.95;

struct Suspect {
  std::size_t observation = 0;
  double share = 0;                        ///< of the weight of all explanations, 0 to 1
  double chi2Without = 0;                  ///< of the adjustment without it
  double predicted = 0, predictedU95 = 0;  ///< what the others say it should read, in its unit
  Polygon corners;                         ///< without it
};

struct Suspects {
  bool detected = false;
  std::optional<std::size_t> named;  ///< the observation
  /// When detected: the named one alone, or the fewest whose shares add to kNamedShare, the likeliest first.
  std::vector<Suspect> listed;
  /// When several are listed: the corners between which a measurement would tell them apart best.
  std::optional<std::pair<std::size_t, std::size_t>> ask;
};

/// Weighs every observation that something checks. `all` is the adjustment of `net`.
[[nodiscard]] Suspects suspectsOf(const Network& net, const Adjustment& all);

/// The network without one observation.
[[nodiscard]] Network without(const Network& net, std::size_t observation);

}  // namespace mezzet
