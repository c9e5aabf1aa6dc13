// A drawing at full size cut into parts that paper takes, with marks by which they are joined again.
#pragma once

#include <vector>

#include "core/drawing/base/drawing.h"

namespace mezzet {

/// Neighbouring parts show this much twice, mm.
inline constexpr double kTileOverlap = 10;

struct Tile {
  int column = 0, row = 0, columns = 1, rows = 1;  ///< from the left and from the top
  Vec2 low, high;                                  ///< what of the drawing it shows
};
/// Parts of at most `wide` by `high` that cover a box, each overlapping the next by kTileOverlap; row by row from the
/// top left. Both must be more than the overlap.
[[nodiscard]] std::vector<Tile> tilesOf(Vec2 low, Vec2 high, double wide, double tall);
/// What lies in a tile, moved so that its lower left corner is at `at`: lines are cut at its edges, words and arcs are
/// taken where they lie in it whole. Marks of the joints are added: "a", "b" ... from the left, "1", "2" ... from the
/// top.
[[nodiscard]] Drawing cutTile(const Drawing&, const Tile&, Vec2 at);

}  // namespace mezzet
