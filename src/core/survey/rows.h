// How an observation changes as corners move: shared by the adjustment and what is computed from it.
#pragma once

#include <array>

#include "core/survey/network.h"

namespace mezzet {

/// The derivatives of one observation, at most six: column 2i is x of corner i, 2i + 1 its y.
struct Gradient {
  std::array<std::pair<std::size_t, double>, 6> terms{};
  std::size_t size = 0;
  void add(std::size_t column, double value) { terms[size++] = {column, value}; }
};

[[nodiscard]] Gradient gradientOf(const Observation&, const Polygon& corners);
[[nodiscard]] Gradient lengthGradient(std::size_t a, std::size_t b, const Polygon& corners);

/// gᵀ C h for a covariance kept row by row.
[[nodiscard]] double product(const Gradient& g, const std::vector<double>& covariance, std::size_t columns,
                             const Gradient& h);

}  // namespace mezzet
