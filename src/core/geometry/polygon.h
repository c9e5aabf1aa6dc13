// Simple polygons: a room's outline, a hearth's edge.
#pragma once

#include <optional>
#include <utility>
#include <vector>

#include "core/geometry/vec.h"

namespace mezzet {

using Polygon = std::vector<Vec2>;  ///< at least three points, the last joined to the first

/// Every corner turned about the origin.
[[nodiscard]] Polygon rotated(Polygon, Turn);

/// Shoelace; > 0 when the points run anticlockwise.
[[nodiscard]] double signedArea(const Polygon& polygon);

/// The mean of some points, at least one.
[[nodiscard]] Vec2 meanOf(const std::vector<Vec2>& points);

/// The centre of a polygon's area; its first corner when it has hardly any.
[[nodiscard]] Vec2 centroidOf(const Polygon& polygon);

/// Inside or on the edge.
[[nodiscard]] bool contains(const Polygon& polygon, Vec2 point);

/// Distance from a point to the polygon's edge, whichever side it is on.
[[nodiscard]] double distanceToEdge(const Polygon& polygon, Vec2 point);

/// The first two edges (by index) that cross or touch though they are not neighbours, or fold back on each other.
[[nodiscard]] std::optional<std::pair<std::size_t, std::size_t>> selfCrossing(const Polygon& polygon);

/// The convex hull, anticlockwise, without points in line; fewer than three points when all of them lie in one line.
[[nodiscard]] Polygon hullOf(std::vector<Vec2> points);

/// Whether corner i of an anticlockwise polygon juts inward.
[[nodiscard]] bool isReflex(const Polygon& polygon, std::size_t i);

/// Edge i runs from corner i to the next.
[[nodiscard]] inline Vec2 edgeStart(const Polygon& p, std::size_t i) { return p[i]; }
[[nodiscard]] inline Vec2 edgeEnd(const Polygon& p, std::size_t i) { return p[i + 1 == p.size() ? 0 : i + 1]; }

}  // namespace mezzet
