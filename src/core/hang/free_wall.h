// What of a wall is free to hang something on, and which shape of picture the free part over a piece asks for.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/space/arrange.h"
#include "core/space/below.h"

namespace mezzet {

/// A free part smaller than this either way is not worth naming [D].
inline constexpr double kLeastFree = 12 * kInch;
/// A socket or switch is kept clear by this square about its middle [D].
inline constexpr double kHungPointClear = 6 * kInch;
/// Under a slope the ceiling is taken in steps of this, from u = 0.
inline constexpr double kCeilingStep = 6 * kInch;

/// The face of a wall: what is taken, and the ceiling and the floor in steps between `edges`.
struct WallFace {
  double length = 0;
  std::vector<WallRect> taken;
  std::vector<double> edges;      ///< u, ascending, from 0 to the length
  std::vector<double> low, high;  ///< the highest floor and the least ceiling between two edges
};
/// Openings with their trim, drawn curtains, trim of the room, fixed things that touch, what stands near the wall,
/// points, and everything hung but `without`, with `clear` about it.
[[nodiscard]] WallFace wallFace(const Job&, const Room&, const Scheme*, const Wall&, const PlacementIds& without = {},
                                double clear = 0);

/// Every upright rectangle that is free and cannot be made larger on any side, at least kLeastFree each way: by area,
/// the largest first, then from the left, then from below.
[[nodiscard]] std::vector<WallRect> freeRectangles(const WallFace&);

/// The largest free rectangle that stands on a top, within left and right; none where nothing is free there.
[[nodiscard]] std::optional<WallRect> freeAbove(const WallFace&, double left, double right, double top);

/// Shapes of pictures, width to height.
struct PictureShape {
  int width, height;
  [[nodiscard]] double ratio() const { return static_cast<double>(width) / height; }
};
/// The usual shape nearest a free one, by ratio of ratios.
[[nodiscard]] PictureShape shapeFor(double freeRatio);
/// Of a picture over a piece: from and to this share of its width [D].
inline constexpr double kArtShareLow = 0.60, kArtShareHigh = 0.75;
/// Sizes of the house over long seats: width by height.
struct HouseSize {
  double width, height, overSeatFrom;
};
inline constexpr HouseSize kHouseSizes[] = {{80 * kInch, 40 * kInch, 95 * kInch},
                                            {90 * kInch, 30 * kInch, 106 * kInch}};

/// The free part over each thing at a wall, and what it asks for. By id; what has no known top is left out.
struct FreeAbove {
  Below below;
  WallRect free;
  PictureShape proposed;
  double widthLow = 0, widthHigh = 0;
  std::vector<HouseSize> houseSizes;
};
[[nodiscard]] std::vector<FreeAbove> freeAboveEach(const Job&, const Room&, const Scheme&, const Wall&,
                                                   const WallFace&);

}  // namespace mezzet
