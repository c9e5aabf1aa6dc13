// The room opened like a box: the plan in the middle, every wall laid flat outward from its own edge at one scale.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/model/job.h"

namespace mezzet {

/// Where a wall lies: the point of the plan that its elevation's (0, 0) comes to, and by how much it is turned.
struct FoldedWall {
  CornerId wall;
  Vec2 origin;
  double turn = 0;       ///< degrees anticlockwise
  double pushedOut = 0;  ///< beyond the usual distance from its edge, so that it meets no other
  Vec2 along, outward;   ///< of the plan: u and v
};
/// Between two walls that lie flat, mm of paper.
inline constexpr double kFoldedApart = 6;
/// In the room's order. Walls that would meet one another or the plan are pushed out along their normal until they are
/// kFoldedApart apart at this scale.
[[nodiscard]] std::vector<FoldedWall> foldedWalls(const Room&, double scale);

/// A place of a folded wall, u and v, in the drawing, and back.
[[nodiscard]] Vec2 foldedOut(const FoldedWall&, Vec2 uv);
[[nodiscard]] Vec2 foldedBack(const FoldedWall&, Vec2 at);

[[nodiscard]] Drawing composeFoldOut(const Job&, const Room&, const Scheme*, double scale, LengthFormat);

}  // namespace mezzet
