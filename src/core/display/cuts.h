// Boards cut from stock lengths: few bars, little waste, and what fewer could not do.
#pragma once

#include <string>
#include <vector>

#include "core/base/result.h"

namespace mezzet {

struct Cut {
  std::string what;  ///< "shelf of the ledge on wall A"
  double length = 0;
};
struct CutBar {
  double stock = 0;               ///< its length as bought
  std::vector<std::size_t> cuts;  ///< by index, the longest first
  double left = 0;                ///< over at the end, the last kerf taken off
};
struct CutList {
  std::vector<Cut> cuts;
  double kerf = 0;
  std::vector<CutBar> bars;            ///< in the order in which they are cut
  int bound = 0;                       ///< fewer bars of the longest stock cannot do, by their length alone
  [[nodiscard]] double waste() const;  ///< 0 to 1 of what is bought
};

/// What a saw takes [D].
inline constexpr double kUsualKerf = 3.175;
inline constexpr std::size_t kMostCuts = 1000;

/// Refused when a length or the kerf is none, or a board is longer than every stock. Deterministic.
[[nodiscard]] Result<CutList> cutFrom(std::vector<Cut>, std::vector<double> stock, double kerf);

}  // namespace mezzet
