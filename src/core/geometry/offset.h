// Polygons grown and cut, by Clipper on a grid of a thousandth of a millimetre.
#pragma once

#include "core/geometry/polygon.h"

namespace mezzet {

/// The polygon grown by a distance, with rounded corners (to a tenth of a millimetre). Direction does not matter.
[[nodiscard]] std::vector<Polygon> grown(const Polygon&, double by);
/// What of the polygons lies inside `room`.
[[nodiscard]] std::vector<Polygon> clippedTo(const std::vector<Polygon>&, const Polygon& room);
/// The polygons made one: outer edges anticlockwise, then holes clockwise. What touches is joined.
struct Joined {
  std::vector<Polygon> outer, holes;
};
[[nodiscard]] Joined joined(const std::vector<Polygon>&);
/// Area of the union of the polygons within `room`, mm².
[[nodiscard]] double coveredArea(const std::vector<Polygon>&, const Polygon& room);

}  // namespace mezzet
