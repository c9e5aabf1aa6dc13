// Pendants over tables and the like: which hangs over which, and which hang in a row.
#pragma once

#include "core/light/fixtures.h"

namespace mezzet {

struct OverTop {
  const Fixture* fixture = nullptr;
  const Placement* body = nullptr;  ///< a dining table, desk, counter or island
  double top = 0;                   ///< above the floor
  bool measured = true;             ///< false: the top is not
};
/// What hangs on a cord over the middle of such a top; a light over anything else is left out.
[[nodiscard]] std::vector<OverTop> overTops(const PieceIndex&, const Scheme&, const std::vector<Body>& bodies,
                                            const std::vector<Fixture>&);

/// Those of one kind of piece over one top, along its long axis.
struct PendantRow {
  const Placement* body = nullptr;
  std::vector<const Fixture*> fixtures;  ///< in order along the axis
  Vec2 axis;                             ///< unit, along the top's longer side
  double start = 0, end = 0;             ///< the top's ends along it
  [[nodiscard]] double at(std::size_t i) const { return dot(fixtures[i]->at.at, axis); }
};
/// Two or more each.
[[nodiscard]] std::vector<PendantRow> pendantRows(const PieceIndex&, const std::vector<OverTop>&);
/// Places along the axis with equal spaces and equal ends, for as many lights: the spaces stay as they are on average,
/// or are `space`.
[[nodiscard]] std::vector<double> evenRow(const PendantRow&, std::optional<double> space = std::nullopt);

}  // namespace mezzet
