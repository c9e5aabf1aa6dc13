// The largest free circle on a top: where a cup stands.
#pragma once

#include "core/display/display.h"

namespace mezzet {

struct FreeCircle {
  Vec2 at;  ///< x from the left end, y behind the front edge
  double radius = 0;
};
/// Of all circles on the top whose middle is within `reach` of a point: the largest that meets neither a thing nor the
/// edge, to a tenth of a millimetre. Radius 0 where there is none. Round tops are circles.
[[nodiscard]] FreeCircle largestFreeCircle(const Display&, Vec2 from, double reach);

}  // namespace mezzet
