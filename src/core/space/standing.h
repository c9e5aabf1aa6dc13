// What stands along a wall, seen in elevation.
#pragma once

#include <optional>
#include <vector>

#include "core/model/job.h"

namespace mezzet {

/// A floor piece seen against a wall: its span along u, the top of it, and how far its nearest point is off the wall.
struct Standing {
  PlacementId id;
  double left = 0, right = 0;  ///< u
  std::optional<double> top;   ///< back height where there is one, else overall height; absent if not measured
  double offWall = 0;          ///< nearest
  double offWallFar = 0;       ///< farthest
  double floor =
      0;  ///< of the floor under it above the datum, where it stands at the wall; `top` counts from the datum too
};

/// Things further from a wall than this are not "below" what hangs on it [D].
inline constexpr double kStandsAtWall = 24 * kInch;

/// Everything that stands within `reach` of the wall, nearest last, so that drawing in this order looks right.
[[nodiscard]] std::vector<Standing> standingAt(const Job&, const Scheme&, const Wall&, double reach = kStandsAtWall);

/// What an outline of the plan takes up along a wall: from and to in u, how far its nearest and farthest points are
/// off.
struct AlongWall {
  double left = 0, right = 0, nearest = 0, farthest = 0;
};
[[nodiscard]] AlongWall alongWall(const Wall&, const Polygon& outline);

/// The same for one floor placement, however far from the wall it is.
[[nodiscard]] Standing standingOf(const Piece&, const PlacementId&, const FloorPlace&, const Wall&);

}  // namespace mezzet
