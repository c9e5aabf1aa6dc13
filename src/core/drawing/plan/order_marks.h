// Numbers on a plan or a wall: in which order things are set down or hung, and which of them are.
#pragma once

#include "core/base/ids.h"
#include "core/drawing/base/drawing.h"

namespace mezzet {

struct OrderMark {
  PlacementId id;
  Vec2 at;  ///< its middle
  int number = 1;
  bool done = false;      ///< filled
  bool selected = false;  ///< ringed
};
/// Circles over everything else, in the layer for working.
void addOrderMarks(Drawing&, const std::vector<OrderMark>&);

}  // namespace mezzet
