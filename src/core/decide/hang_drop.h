// Pieces that are not on the wall yet, hung as one.
#pragma once

#include "core/decide/adding.h"
#include "core/decide/hang_place.h"

namespace mezzet {

/// Several pieces, or one several times, hung at once as one group; the first of them. Refused in words where they do
/// not fit.
[[nodiscard]] Result<Added> withHungTogether(const Job&, const Rulebook&, const SchemeId&, const CornerId& wall,
                                             const std::vector<PieceId>&, HangAs, std::optional<double> gap, IdSource&,
                                             LengthFormat);

/// Pieces dropped on the wall, to hang as one.
struct HungDrop {
  Job job;
  PlacementIds fresh;  ///< as the pieces were named
  WallRect region;     ///< the free wall that takes them: what lights up
};
/// Dropped over something that stands there: over its middle at the height that their rules ask, in a row with what
/// hangs there already. Several that are dropped elsewhere hang about the middle of the free wall there, or of the
/// nearest that takes them. What is too long for a row becomes a salon. Nothing where they do not fit, and for one
/// piece over nothing.
[[nodiscard]] std::optional<HungDrop> withDropped(const Job&, const Rulebook&, const SchemeId&, const CornerId& wall,
                                                  const std::vector<PieceId>&, Vec2 at, IdSource&, LengthFormat);

}  // namespace mezzet
