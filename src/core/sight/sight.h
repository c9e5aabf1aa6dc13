// What is seen from a point at eye height: through openings, over low pieces, under what hangs high. Exact in the plan
// with heights: a line of sight rises or falls evenly, and a body hides just where the line is between its underside
// and its top. Circles count as polygons that are nowhere more than kRoundSight off.
#pragma once

#include <string>
#include <vector>

#include "core/space/bodies.h"
#include "core/use/eyes.h"

namespace mezzet {

inline constexpr double kRoundSight = 0.5;

/// The first look into a room covers this to either side of the axis, degrees (trade guide).
inline constexpr double kFirstLook = 15;

struct Eye {
  Vec2 at;
  double height = 0;
};
/// Something that hides what is behind it between two heights.
struct Occluder {
  Convex shape;
  double bottom = 0, top = 0;
  std::string owner;  ///< placement, feature or opening id, or "wall:A"
  bool wall = false;  ///< a part of a wall
};
/// A part of a segment: from and to as shares of its length, 0 to 1.
struct Stretch {
  double from = 0, to = 0;
};

/// A body as a polygon or a segment; circles as polygons nowhere more than kRoundSight off.
[[nodiscard]] std::vector<Vec2> outlineOfBody(const Convex&);

/// The walls with their openings (a window is open between sill and head, a door or arch below its head, leaves of
/// doors count as open), fixed things and everything on the floor with a height. What has no height yet hides nothing.
[[nodiscard]] std::vector<Occluder> occludersIn(const PieceIndex&, const Room&, const Scheme&);

/// The parts of the segment a b, all of it at one height, that the eye sees; ascending. Occluders of the owners in
/// `ignore` (what is looked at, what one sits on) hide nothing.
[[nodiscard]] std::vector<Stretch> seenOf(const Eye&, Vec2 a, Vec2 b, double height, const std::vector<Occluder>&,
                                          const std::vector<std::string>& ignore = {});
/// How much of the segment that is: 0 to 1.
[[nodiscard]] double seenShare(const Eye&, Vec2 a, Vec2 b, double height, const std::vector<Occluder>&,
                               const std::vector<std::string>& ignore = {});
[[nodiscard]] bool sees(const Eye&, Vec2 point, double height, const std::vector<Occluder>&,
                        const std::vector<std::string>& ignore = {});

/// The floor plan as the eye sees it at its own height, within `reach`: a polygon about the eye, star-shaped.
[[nodiscard]] Polygon sightRegion(const Eye&, const std::vector<Occluder>&, double reach,
                                  const std::vector<std::string>& ignore = {});

}  // namespace mezzet
