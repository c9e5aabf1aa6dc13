#include "core/use/eyes.h"

#include <numeric>

#include "core/model/kinds.h"

namespace mezzet {

std::optional<double> meanEyeHeight(const Brief& brief) {
  if (brief.statures.empty()) return std::nullopt;
  const double sum = std::accumulate(brief.statures.begin(), brief.statures.end(), 0.0);
  return kEyeOverStature * sum / static_cast<double>(brief.statures.size());
}
double standingEye(const Brief& brief) { return meanEyeHeight(brief).value_or(kStandingEye); }

std::optional<double> seatedEye(const Piece& piece) {
  if (!piece.seat->height) return std::nullopt;
  if (isDiningSeat(piece.kind)) return *piece.seat->height + kUprightEye;
  return isSeat(piece.kind) || isPulledUp(piece.kind) ? std::optional(*piece.seat->height + kLeaningEye) : std::nullopt;
}

}  // namespace mezzet
