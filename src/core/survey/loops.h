// Closed outlines from loose lines, as a drawing file brings them.
#pragma once

#include <stop_token>
#include <vector>

#include "core/geometry/polygon.h"

namespace mezzet {

struct LooseLine {
  Vec2 a, b;
};
struct LoopSearch {
  std::vector<Polygon> loops;  ///< anticlockwise, the largest first; corners in line with their neighbours are left out
  int gapsClosed = 0;          ///< places where ends that did not meet were joined
  double largestGap = 0;       ///< the widest of them; at most the tolerance
  std::size_t openEnds = 0;    ///< ends that meet nothing within the tolerance
};
/// Ends nearer than `tolerance` are one corner. At a corner of several lines the loops are the faces between them.
[[nodiscard]] LoopSearch loopsOf(const std::vector<LooseLine>&, double tolerance, std::stop_token stop = {});

}  // namespace mezzet
