#include "core/model/piece.h"

#include <algorithm>

namespace mezzet {

std::optional<double> highestOf(const Piece& piece) {
  if (!piece.seat->back) return piece.height;
  return std::max(piece.height.value_or(0), *piece.seat->back);
}

}  // namespace mezzet
