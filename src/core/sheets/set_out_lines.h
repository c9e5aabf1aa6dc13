// Lines, running figures and tables of what is set out on a wall.
#pragma once

#include <string>
#include <vector>

#include "core/drawing/base/drawing.h"
#include "core/model/place.h"
#include "core/units/length.h"

namespace mezzet {

/// A straight line from (a, at) to (b, at), or upright, left out where it would run over a frame.
void addExtension(Drawing&, const std::vector<WallRect>& frames, double a, double b, double at, bool upright);
/// Running distances from one end: a tick at each stop with what it is from the first.
void addRunning(Drawing&, Vec2 origin, Vec2 along, std::vector<double> stops, LengthFormat);
inline constexpr double kListStep = 5.5;  ///< from one line of a list to the next, mm of paper
/// Rows in columns below a drawing, the first their heads.
void addColumns(Drawing&, const std::vector<std::vector<std::string>>& rows);

}  // namespace mezzet
