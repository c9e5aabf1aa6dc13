// What serves each seat: the low table before it and the surface beside it, whatever group the seat is in.
#pragma once

#include "core/space/bodies.h"

namespace mezzet {

struct Serving {
  const Placement* seat = nullptr;
  FrontEdge front;                   ///< the edge of the seat that the table is nearest to
  const Placement* table = nullptr;  ///< nearest low table before the seat; null when there is none
  Separation reach;                  ///< from the front edge to the table
  const Placement* side = nullptr;   ///< nearest side table, console or sideboard; null when there is none
  Separation beside;                 ///< from the seat's body to it
};

/// One for each seat that stands on the floor, in placement order. The pointers are into the scheme.
[[nodiscard]] std::vector<Serving> servingsIn(const PieceIndex&, const Scheme&);

/// A side table serves a seat from at most this far [D].
inline constexpr double kSideReach = 12 * kInch;

}  // namespace mezzet
