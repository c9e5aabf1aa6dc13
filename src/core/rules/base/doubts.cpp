#include "core/rules/base/doubts.h"

#include <cmath>

namespace mezzet {

double doubtOf(const Piece& piece, const std::string& dimension) {
  const auto at = piece.doubts.find(dimension);
  return at == piece.doubts.end() ? 0 : at->second.u95;
}

double doubtAlong(const Piece& piece, const FloorPlace& place, Vec2 direction) {
  if (piece.doubts.empty()) return 0;
  const Turn turn = turnOf(place.turn);
  const auto along = [&](Vec2 axis) {
    const double share = dot(direction, rotated(axis, turn));
    return std::abs(share) < 1e-9 ? 0 : share;  // square to it, but for rounding
  };
  const double across = along({1, 0}), deep = along({0, 1});
  return std::hypot(across * doubtOf(piece, "width"),
                    deep * doubtOf(piece, piece.shape == Shape::Round ? "width" : "depth"));
}

double doubtOfTop(const Piece& piece) { return doubtOf(piece, piece.seat->back ? "backHeight" : "height"); }

}  // namespace mezzet
