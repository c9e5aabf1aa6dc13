// What stands in a room as convex bodies in the plan.
#pragma once

#include <string>
#include <vector>

#include "core/geometry/convex_parts.h"
#include "core/job/job.h"

namespace mezzet {

/// Contract: under half a millimetre counts as touching, and touching is no overlap.
inline constexpr double kTouch = 0.5;

struct Body {
  std::string id;  ///< placement, feature or opening id, or "wall:A"
  std::vector<Convex> parts;
  bool flat = false;  ///< a rug: no obstacle
  Box bounds;
};

/// The footprint of a piece standing at a place. The piece must have a depth.
[[nodiscard]] Convex footprint(const Piece&, const FloorPlace&);

/// Bodies of everything that stands on the floor, in placement order; what is carried or hung is left out.
/// `without` leaves one placement out (the piece in the hand).
[[nodiscard]] std::vector<Body> floorBodies(const Job&, const Scheme&, const PlacementId& without = {});
[[nodiscard]] std::vector<Body> wallBodies(const Room&);     ///< each wall's edge, openings included, as one segment
[[nodiscard]] std::vector<Body> openingBodies(const Room&);  ///< each opening as the segment between its jambs
[[nodiscard]] std::vector<Body> featureBodies(const Room&);

[[nodiscard]] Separation separation(const Body&, const Body&);
[[nodiscard]] std::string wallKey(const CornerId&);  ///< "wall:A"

/// The front side of a piece (facing -y in its frame) from left to right as someone before it sees it, less the
/// arms: where the seat cushions end. A piece without arms keeps its whole front.
struct FrontEdge {
  Vec2 left, right, outward;
};
[[nodiscard]] FrontEdge seatFront(const Piece&, const FloorPlace&);
/// Width of one arm where none was measured [D].
inline constexpr double kDefaultArmWidth = 6 * kInch;

}  // namespace mezzet
