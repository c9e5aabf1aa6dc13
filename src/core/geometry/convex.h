// Convex bodies and the exact distance between two of them.
#pragma once

#include <algorithm>
#include <optional>
#include <span>
#include <utility>
#include <vector>

#include "core/geometry/vec.h"

namespace mezzet {

/// A convex core grown by a radius: {point, r} is a circle, two points and 0 a wall's edge, more points a polygon.
/// Vertices run anticlockwise. At least one vertex; no repeated neighbours.
struct Convex {
  std::vector<Vec2> core;
  double radius = 0;
};

struct Box {
  Vec2 low, high;
};
[[nodiscard]] Box boundsOf(const Convex& body);
[[nodiscard]] Box boundsOf(std::span<const Vec2> points);  ///< at least one

/// Whether two boxes are further apart than `cap`: then so is what is in them.
[[nodiscard]] bool furtherApart(const Box&, const Box&, double cap);

/// A body of one or more convex parts, which may overlap.
using Parts = std::vector<Convex>;
[[nodiscard]] Box boundsOf(const Parts& parts);

/// Distance of two bodies with the points it is measured between.
/// gap > 0 apart, 0 touching, < 0 the depth of the least push that would part them.
struct Separation {
  double gap = 0;
  Vec2 a, b;  ///< on the first and on the second body; a to b has length |gap|
};

/// Exact for polygons, segments and circles. Symmetric, and unmoved by rigid motion up to rounding.
/// Where two faces run parallel the witness points stand at the middle of what faces each other.
[[nodiscard]] Separation separation(const Convex& a, const Convex& b);

/// Of bodies in several parts the nearest pair counts; where some overlap, the deepest.
[[nodiscard]] Separation separation(const Parts& a, const Parts& b);

/// How far `moving` can slide along the unit vector `along` before it touches `fixed`; negative when it already
/// overlaps and would have to go back; absent when it never meets it. Grazing by less than `graze` is no meeting.
[[nodiscard]] std::optional<double> slideUntilTouch(const Convex& moving, const Convex& fixed, Vec2 along,
                                                    double graze);

/// From where to where along a segment (0 at a, 1 at b) it runs through the inside of a polygon or a circle. None where
/// it misses, or only touches.
[[nodiscard]] std::optional<std::pair<double, double>> stretchWithin(const Convex& body, Vec2 a, Vec2 b);

/// Nearest point to p on the segment a b.
[[nodiscard]] inline Vec2 nearestOnSegment(Vec2 p, Vec2 a, Vec2 b) {
  const Vec2 d = b - a;
  const double length2 = dot(d, d);
  if (length2 <= 0) return a;
  return a + d * std::clamp(dot(p - a, d) / length2, 0.0, 1.0);
}

}  // namespace mezzet
