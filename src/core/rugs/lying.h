// Rugs where they lie: their edges, and what stands on them.
#pragma once

#include <vector>

#include "core/space/bodies.h"

namespace mezzet {

/// A rug on the floor; the pointer is into the scheme.
struct Rug {
  const Placement* placement = nullptr;
  const Piece* piece = nullptr;
  Parts body;
  [[nodiscard]] const FloorPlace& place() const { return floorPlace(placement->on); }
};
/// Every rug on the floor, in placement order. Pointers are into job and scheme.
[[nodiscard]] std::vector<Rug> rugsIn(const PieceIndex&, const Scheme&);

/// The corners of its true edge in the plan: four, or those of the template it is cut to; none of a round or oval one.
[[nodiscard]] std::vector<Vec2> cornersOf(const Rug&);
/// The whole edge as a polygon, a circle as one that is nowhere 0.1 mm off it.
[[nodiscard]] Polygon rugOutline(const Piece&, const FloorPlace&);
/// How far inside the rug's edge a point lies, mm; negative: how far off it.
[[nodiscard]] double insideRug(const Rug&, Vec2 point);
/// The point of the rug's edge that is nearest to a point on it.
[[nodiscard]] Vec2 nearestEdge(const Rug&, Vec2 point);

/// How many of a piece's feet stand on a rug.
struct FeetOnRug {
  const Rug* rug = nullptr;
  int onFront = 0, on = 0;
  double frontOff = 0;  ///< of the front foot that is furthest off, 0 on it
  Vec2 foot;            ///< that foot
  /// 2: all feet, 1: the front feet, 0: neither.
  [[nodiscard]] int rank() const { return on == 4 ? 2 : onFront == 2 ? 1 : 0; }
};
[[nodiscard]] FeetOnRug feetOn(const Rug&, const std::vector<Vec2>& feet);
/// The rug under the most of a table's feet, of equals that with the smaller id; null when none is.
[[nodiscard]] const Rug* rugUnder(const std::vector<Rug>&, const std::vector<Vec2>& feet);

}  // namespace mezzet
