#include "core/choose/room_frame.h"

#include <algorithm>
#include <cmath>

#include "core/geometry/offset.h"

namespace mezzet {

Box RoomFrame::round(const Parts& parts) const {
  Box out{{1e18, 1e18}, {-1e18, -1e18}};
  for (const Convex& part : parts)
    for (const Vec2 v : part.core) {
      const Vec2 p = in(v), r{part.radius, part.radius};
      out.low = {std::min(out.low.x, p.x - r.x), std::min(out.low.y, p.y - r.y)};
      out.high = {std::max(out.high.x, p.x + r.x), std::max(out.high.y, p.y + r.y)};
    }
  return out;
}

RoomFrame frameOf(const Room& room) {
  const std::vector<Wall> walls = wallsOf(room);
  const Wall& longest = *std::max_element(walls.begin(), walls.end(),
                                          [](const Wall& a, const Wall& b) { return a.length() < b.length(); });
  double x0 = 1e18, x1 = -1e18, y0 = 1e18, y1 = -1e18;
  for (const Vec2 p : outlineOf(room)) {
    const double x = dot(p - longest.start, longest.along()), y = dot(p - longest.start, longest.inward());
    x0 = std::min(x0, x);
    x1 = std::max(x1, x);
    y0 = std::min(y0, y);
    y1 = std::max(y1, y);
  }
  RoomFrame out{longest.start + longest.along() * x0 + longest.inward() * y0, longest.along(), longest.inward(),
                x1 - x0, y1 - y0};
  if (out.length < out.width) {
    out.origin = out.origin + out.along * out.length;
    std::swap(out.length, out.width);
    out.inward = -out.along;
    out.along = longest.inward();
  }
  return out;
}

Polygon insideRoom(const Room& room, const Polygon& shape, const std::vector<Polygon>& taken) {
  std::vector<Polygon> parts;
  for (const Area& area : within({shape}, {outlineOf(room)})) parts.push_back(area.outer);
  if (!taken.empty() && !parts.empty()) {
    std::vector<Polygon> left;
    for (const Area& area : without(parts, taken)) left.push_back(area.outer);
    parts = std::move(left);
  }
  const auto largest = std::max_element(parts.begin(), parts.end(), [](const Polygon& a, const Polygon& b) {
    return std::abs(signedArea(a)) < std::abs(signedArea(b));
  });
  if (largest == parts.end()) return {};
  Polygon out = *largest;
  if (signedArea(out) < 0) std::reverse(out.begin(), out.end());
  return out;
}

}  // namespace mezzet
