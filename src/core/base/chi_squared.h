// Quantiles of the chi-square distribution, from Boost.Math.
#pragma once

namespace mezzet {

/// The value that chi-square with `freedom` > 0 degrees of freedom stays below with this probability (0 < p < 1).
[[nodiscard]] double chiSquaredQuantile(int freedom, double probability);

/// 95 % of clean surveys stay below; 0 without redundancy.
[[nodiscard]] double chiSquaredLimit(int redundancy);

}  // namespace mezzet
