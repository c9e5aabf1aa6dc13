// Main routes where they pass the doors: what rugs lie across there.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/rugs/lying.h"

namespace mezzet {

/// A rug's corners and edges are judged this near to a door [D].
inline constexpr double kNearDoor = 48 * kInch;

/// A main route and the openings it uses. `line` is empty until it was drawn.
struct DoorRoute {
  std::string to;             ///< what it leads to
  std::vector<Convex> doors;  ///< each from jamb to jamb
  std::vector<Vec2> line;
  [[nodiscard]] bool passesNear(Vec2 point) const;  ///< within kNearDoor of one of its doors
};

/// How far a point is from a drawn route, and the nearest point of it; absent when it is not near one of its doors.
struct OffRoute {
  double distance = 0;
  Vec2 onRoute;
};
[[nodiscard]] std::optional<OffRoute> offRoute(Vec2 corner, const DoorRoute&);

/// Where a drawn route crosses the rug's edge near one of its doors at the least angle, 0 to 90 degrees; absent where
/// it does not.
struct EdgeCrossing {
  double angle = 90;
  Vec2 at, along;  ///< the edge's direction there
};
[[nodiscard]] std::optional<EdgeCrossing> leastCrossing(const Rug&, const DoorRoute&);
/// Whether a drawn route runs over the rug.
[[nodiscard]] bool crosses(const Rug&, const std::vector<Vec2>& line);

}  // namespace mezzet
