// How a lamp's cord runs along the floor to a socket: the shortest way round what stands there, and over no main way.
#pragma once

#include <optional>
#include <vector>

#include "core/model/job.h"
#include "core/space/bodies.h"

namespace mezzet {

struct Cord {
  PointId socket;
  double length = 0;       ///< from the rim of what it comes from
  std::vector<Vec2> line;  ///< from the lamp's middle to the socket
};
/// What a cord meets. Cords lie behind what stands at a wall, and under raised legs.
struct CordFloor {
  std::vector<Convex> bodies;                ///< convex polygons, drawn in by kCordBehind
  std::vector<std::vector<Vec2>> notAcross;  ///< main ways
  Polygon outline;
  std::vector<std::pair<PointId, Vec2>> sockets;
};
inline constexpr double kCordBehind = kInch / 2;  ///< what a cord takes up behind or beside a body [D]
/// Further than this nobody looks for a socket [D].
inline constexpr double kCordSearch = 360 * kInch;

/// Floor and sockets of a room; `own` are bodies that the cord comes from.
[[nodiscard]] CordFloor cordFloor(const PieceIndex&, const Room&, const Scheme&, const std::vector<PlacementId>& own);
/// The shortest cord; none when no socket is reached.
[[nodiscard]] std::optional<Cord> shortestCord(const CordFloor&, Vec2 from, const Parts& rim);

}  // namespace mezzet
