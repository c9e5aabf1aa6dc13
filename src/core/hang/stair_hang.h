// Frames that climb with a flight: one to every few treads, at one height over the walking line.
#pragma once

#include <string>
#include <vector>

#include "core/hang/arrangement.h"
#include "core/site/stair_wall.h"

namespace mezzet {

/// Between the facing sides of two frames that climb, at least [D].
inline constexpr double kStairGap = 2 * kInch;
/// A dense hang over a flight stays this far above the nosings [D].
inline constexpr double kDenseOver = 40 * kInch;

struct StairHangAsk {
  std::vector<Frame> frames;   ///< from the foot up
  double centre = 0;           ///< over the walking line
  double left = 0, right = 0;  ///< u that frames keep within
  int treads = 0;              ///< from one frame to the next; 0: the least that leaves kStairGap
};
struct StairHang {
  bool fits = false;
  int treads = 0;                         ///< as it was asked, or chosen
  std::vector<Vec2> centres;              ///< u and v, in the order of the frames
  double clear = 0;                       ///< least between facing sides
  std::size_t most = 0;                   ///< how many of them fit between the bounds, from the first on
  double emptyBelow = 0, emptyAbove = 0;  ///< of the wall between the bounds, at the foot and at the head
};
/// First and last over the middle of a tread, centred between the bounds as nearly as treads allow, of two as near the
/// one nearer to the foot.
[[nodiscard]] StairHang stairHang(const StairWall&, const StairHangAsk&);

/// The polygon that a dense hang fills: over the flight, kDenseOver above its nosings, below `top`, between u `left`
/// and `right` (the flight's ends where left out). Anticlockwise; empty where there is no height left.
[[nodiscard]] std::vector<Vec2> denseRegion(const StairWall&, double top, double left, double right);
/// The largest upright rectangle in it.
[[nodiscard]] WallRect largestIn(const StairWall&, const std::vector<Vec2>& region);

}  // namespace mezzet
