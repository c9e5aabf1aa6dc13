// Polygons grown and cut, by Clipper on a grid of a thousandth of a millimetre.
#pragma once

#include <vector>

#include "core/geometry/polygon.h"

namespace mezzet {

/// An outline with holes in it.
struct Area {
  Polygon outer;               ///< anticlockwise
  std::vector<Polygon> holes;  ///< clockwise
};
[[nodiscard]] double sizeOf(const Area&);  ///< mm²
[[nodiscard]] bool contains(const Area&, Vec2);
/// What of the first polygons (their union) none of the others covers, piece by piece.
[[nodiscard]] std::vector<Area> without(const std::vector<Polygon>& these, const std::vector<Polygon>& those);
/// What of the first polygons the union of the others covers too, piece by piece.
[[nodiscard]] std::vector<Area> within(const std::vector<Polygon>& these, const std::vector<Polygon>& those);
/// The outlines of areas, holes among them, as one list for the functions here.
[[nodiscard]] std::vector<Polygon> outlinesOf(const std::vector<Area>&);
/// Grown (or shrunk, below 0) with rounded corners to `tolerance`.
[[nodiscard]] std::vector<Area> grown(const std::vector<Area>&, double by, double tolerance);

/// The polygon grown by a distance, with rounded corners (to a tenth of a millimetre). Direction does not matter.
[[nodiscard]] std::vector<Polygon> grown(const Polygon&, double by);
/// The polygon grown (or shrunk, below 0) with its corners kept: sharp ones past twice the distance are cut square.
[[nodiscard]] std::vector<Polygon> grownSquare(const Polygon&, double by);
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
