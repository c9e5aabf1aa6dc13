// Networks that tests are written on: what a tape reads in a made-up room.
#pragma once

#include <random>

#include "core/survey/next_reading.h"

namespace mezzet::test {

/// Sigma of the assumption that a corner is square: half a degree, and 12 mm over its shorter wall [D].
inline double squareSigma(const Polygon& p, std::size_t i) {
  const std::size_t n = p.size();
  const double shorter = std::min(distance(p[i], p[(i + 1) % n]), distance(p[i], p[(i + n - 1) % n]));
  return std::hypot(0.5, 12 / shorter * 180 / std::acos(-1.0));
}

inline Observation length(std::size_t a, std::size_t b, std::size_t n, double value) {
  const bool run = b == (a + 1) % n;
  return {cornerLetter(a) + cornerLetter(b),
          run ? ObservationKind::Run : ObservationKind::Diagonal,
          a,
          b,
          value,
          tapeU95(value) / 2};
}

/// Exact readings of every run, of the diagonals, and squares at the corners that are not angled.
inline Network surveyOf(const Polygon& sketch, const std::vector<std::pair<std::size_t, std::size_t>>& diagonals,
                        const std::vector<std::size_t>& angled = {}) {
  Network net;
  const std::size_t n = sketch.size();
  net.corners = n;
  for (std::size_t i = 0; i < n; ++i) {
    net.turns.push_back(insideAngle(sketch, i) < 180 ? 1 : -1);
    net.observations.push_back(length(i, (i + 1) % n, n, distance(sketch[i], sketch[(i + 1) % n])));
  }
  for (const auto& [a, b] : diagonals) net.observations.push_back(length(a, b, n, distance(sketch[a], sketch[b])));
  for (std::size_t i = 0; i < n; ++i)
    if (std::find(angled.begin(), angled.end(), i) == angled.end())
      net.observations.push_back({"square " + cornerLetter(i), ObservationKind::Square, i, i,
                                  net.turns[i] > 0 ? 90.0 : 270.0, squareSigma(sketch, i)});
  return net;
}

}  // namespace mezzet::test
