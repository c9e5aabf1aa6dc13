// Made-up rooms of many pieces at constant density, for the benches.
#pragma once

#include <cmath>
#include <random>

#include "support/rooms.h"

namespace mezzet::bench {

/// `count` pieces, a third of them seats and a ninth low tables, one to about 2 m² of floor, each a little turned.
inline Job madeUpRoom(int count, unsigned seed = 7) {
  std::mt19937 random(seed);
  const auto uniform = [&](double a, double b) { return std::uniform_real_distribution(a, b)(random); };
  const int side = static_cast<int>(std::ceil(std::sqrt(count)));
  constexpr double kCell = 56;  // inches
  Job job = test::emptyRoom(side * kCell + 20, side * kCell + 20);
  Scheme scheme = *job.schemes.front();
  for (int i = 0; i < count; ++i) {
    const std::string id = std::to_string(i);
    const char* kind = i % 9 == 0 ? "low-table" : i % 3 == 0 ? "armchair" : "console";
    Piece p = test::piece(("q" + id).c_str(), kind, uniform(18, 34), uniform(16, 30));
    if (i % 5 == 0) {
      p.shape = Shape::Round;
      p.depth = p.width;
    }
    job.pieces.push_back(std::make_shared<const Piece>(p));
    const double x = (i % side + 0.5) * kCell + 10 + uniform(-6, 6), y = (i / side + 0.5) * kCell + 10 + uniform(-6, 6);
    scheme.placements.push_back(
        {PlacementId("p" + id), p.id, FloorPlace{{test::in(x), test::in(y)}, normalisedTurn(uniform(0, 360))}, {}});
  }
  return withScheme(job, scheme);
}

}  // namespace mezzet::bench
