// What hangs next to what: the least tree that ties a group together.
#pragma once

#include <array>
#include <vector>

#include "core/space/hung.h"

namespace mezzet {

struct HungPair {
  PlacementId a, b;  ///< a before b
  double gap = 0;    ///< of their outlines in elevation, as the contract measures it
  std::array<Vec2, 2> at{};
};
/// Edges of the minimum spanning tree by (gap, smaller id, larger id), in that order.
[[nodiscard]] std::vector<HungPair> spanningPairs(const PieceIndex&, const Scheme&, std::vector<PlacementId> members);
/// The nearest of the others on the same wall, whatever group it is in; absent when nothing else hangs there.
[[nodiscard]] std::optional<HungPair> nearestHung(const PieceIndex&, const Scheme&, const PlacementId&);

}  // namespace mezzet
