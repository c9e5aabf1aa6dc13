// A room along its longest wall, and shapes inside it.
#pragma once

#include <vector>

#include "core/model/job.h"
#include "core/space/bodies.h"

namespace mezzet {

/// The room along its longest wall: x along it, y into the room.
struct RoomFrame {
  Vec2 origin, along, inward;
  double length = 0, width = 0;
  [[nodiscard]] Vec2 in(Vec2 p) const { return {dot(p - origin, along), dot(p - origin, inward)}; }
  /// The box round what stands at these, in the frame; low above high when there is none.
  [[nodiscard]] Box round(const Parts&) const;
  [[nodiscard]] Polygon box(double x0, double x1, double y0, double y1) const {
    const auto at = [&](double x, double y) { return origin + along * x + inward * y; };
    return {at(x0, y0), at(x1, y0), at(x1, y1), at(x0, y1)};
  }
};
[[nodiscard]] RoomFrame frameOf(const Room&);

/// The largest part of a shape that lies in the room and not in what is `taken`; empty when nothing does.
[[nodiscard]] Polygon insideRoom(const Room&, const Polygon& shape, const std::vector<Polygon>& taken);

}  // namespace mezzet
