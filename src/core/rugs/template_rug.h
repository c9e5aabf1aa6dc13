// A rug cut to a template: it follows the group, keeps off the walls and the fire, and is set out from two walls.
#pragma once

#include <string>
#include <vector>

#include "core/model/job.h"
#include "core/space/bodies.h"

namespace mezzet {

/// It reaches this far beyond the group's outline, keeps this far off the walls, and its corners are merged when they
/// are nearer to each other than kNearCorners [D].
inline constexpr double kBeyondGroup = 6 * kInch, kOffWalls = 10 * kInch, kNearCorners = 3 * kInch;

/// The hull of the bodies grown, clipped to the room set in and to what hearths keep clear. The largest piece of it,
/// anticlockwise, in the plan; empty when nothing is left or there is no body.
[[nodiscard]] Polygon templateRug(const Room&, const std::vector<Parts>& group);

/// As a piece: width x depth is its box, its outline in its own frame. `at` receives where it lies, unturned.
[[nodiscard]] Piece templatePiece(const Polygon& inPlan, FloorPlace& at);

/// A corner of a rug as it is set out: square from two walls.
struct FromWall {
  CornerId wall;
  double off = 0;  ///< square to the wall
  Vec2 foot;       ///< on the wall's face
};
struct SetOutCorner {
  Vec2 at;
  std::vector<FromWall> from;  ///< two walls that are not in line; fewer where the room has none facing it
};
struct RugTemplate {
  std::vector<SetOutCorner> corners;
  struct Diagonal {
    std::size_t from = 0, to = 0;  ///< of `corners`
    double length = 0;
  };
  std::vector<Diagonal> sides, diagonals;  ///< diagonals: enough to fix the shape, and one to check it
  double area = 0, edge = 0;
};
[[nodiscard]] RugTemplate templateOf(const Room&, const Polygon& inPlan);

}  // namespace mezzet
