#include "core/use/eyes.h"

#include "core/model/kinds.h"

namespace mezzet {

std::optional<double> seatedEye(const Piece& piece) {
  if (!piece.seat->height) return std::nullopt;
  if (isDiningSeat(piece.kind)) return *piece.seat->height + kUprightEye;
  return isSeat(piece.kind) || isPulledUp(piece.kind) ? std::optional(*piece.seat->height + kLeaningEye) : std::nullopt;
}

}  // namespace mezzet
