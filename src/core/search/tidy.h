// What makes a layout look meant: things square with each other and on one middle, pairs as mirror images, small
// tables and stools where somebody sits.
#pragma once

#include "core/search/ground.h"

namespace mezzet {

/// How much of a layout stands askew: per thing at most kAskew, rounded to 0.01. Part of a layout's taste.
inline constexpr double kAskew = 0.5;
[[nodiscard]] double untidiness(const Ground&, const Layout&);

/// The layout with one thing set straight: squared, brought to the middle, mirrored, put beside a seat. It may meet
/// something there: that is judged like every other step.
[[nodiscard]] Layout setStraight(const Ground&, const Layout&, Chance&);

}  // namespace mezzet
