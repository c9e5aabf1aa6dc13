#include "core/geometry/convex_parts.h"

#include <algorithm>

namespace mezzet {
namespace {

constexpr double kFlat = 1e-9;  // mm²: a corner flatter than this bends neither way

bool inTriangle(Vec2 p, Vec2 a, Vec2 b, Vec2 c) {
  return cross(b - a, p - a) >= 0 && cross(c - b, p - b) >= 0 && cross(a - c, p - c) >= 0;
}

bool isEar(const Polygon& p, std::size_t i) {
  const std::size_t n = p.size();
  const Vec2 a = p[(i + n - 1) % n], b = p[i], c = p[(i + 1) % n];
  if (cross(b - a, c - b) <= kFlat) return false;
  for (const Vec2 q : p)
    if (q != a && q != b && q != c && inTriangle(q, a, b, c)) return false;
  return true;
}

}  // namespace

std::vector<Convex> convexParts(Polygon polygon) {
  if (signedArea(polygon) < 0) std::reverse(polygon.begin(), polygon.end());
  bool convex = true;
  for (std::size_t i = 0; i < polygon.size(); ++i) {
    const Vec2 in = edgeEnd(polygon, i) - polygon[i];
    const Vec2 out = polygon[(i + 2) % polygon.size()] - edgeEnd(polygon, i);
    convex = convex && cross(in, out) >= -kFlat;
  }
  if (convex) return {Convex{std::move(polygon), 0}};
  std::vector<Convex> parts;
  while (polygon.size() > 3) {
    std::size_t ear = 0;
    while (ear < polygon.size() && !isEar(polygon, ear)) ++ear;
    if (ear == polygon.size()) break;  // only flat corners are left
    const std::size_t n = polygon.size();
    parts.push_back({{polygon[(ear + n - 1) % n], polygon[ear], polygon[(ear + 1) % n]}, 0});
    polygon.erase(polygon.begin() + static_cast<std::ptrdiff_t>(ear));
  }
  if (polygon.size() == 3) parts.push_back({std::move(polygon), 0});
  return parts;
}

}  // namespace mezzet
