// What is fixed on a wall, in its elevation: trim, hearths, radiators and the like, points, studs, and where cables are
// likely.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/model/job.h"
#include "core/site/heights.h"

namespace mezzet {

/// Skirting (a usual one until measured), cornice and picture rail, following floor and ceiling.
void addTrimLines(Drawing&, const Room&, const std::vector<Vec2>& ceiling, const std::vector<Vec2>& floor);
void addFixedFront(Drawing&, const Room&, const Wall&, const RoomHeights&, LengthFormat);
void addPointsFront(Drawing&, const Room&, const Wall&, const RoomHeights&);
/// Studs as predicted with their doubt, the hits they come from, and the strips above, below and beside points.
/// What they are and that they are no proof is written below `low`; how much lower the drawing then reaches.
double addServices(Drawing&, const Room&, const Wall&, const RoomHeights&, LengthFormat, double low);

/// Half the width of a strip in which the cable of a point is looked for [D].
inline constexpr double kCableHalf = 50;
/// A regional convention: cables run straight up, down or level from the point. No proof of safety anywhere.
struct CableStrip {
  PointId point;
  double left = 0, right = 0, bottom = 0, top = 0;  ///< u and v
};
[[nodiscard]] std::vector<CableStrip> cableStrips(const Room&, const Wall&, const RoomHeights&);

}  // namespace mezzet
