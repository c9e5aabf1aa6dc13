// What stands in a room as convex bodies in the plan.
#pragma once

#include <string>
#include <vector>

#include "core/geometry/convex_parts.h"
#include "core/model/job.h"

namespace mezzet {

/// Contract: under half a millimetre counts as touching, and touching is no overlap.
inline constexpr double kTouch = 0.5;

/// What hangs lower than this is in a walker's way (published head room, 80 in).
inline constexpr double kWalkersHeadRoom = 80 * kInch;

struct Body {
  std::string id;  ///< placement, feature or opening id, or "wall:A"
  Parts parts;
  bool flat = false;  ///< a rug: no obstacle
  Box bounds;
};

/// The footprint of a piece standing at a place; one part, two for an L, many for a curve, whose outline is nowhere
/// more than kCurveTolerance off. An oval is a polygon that is nowhere more than kOvalTolerance off the ellipse. The
/// piece must have a depth.
[[nodiscard]] Parts footprint(const Piece&, const FloorPlace&);
inline constexpr double kOvalTolerance = 0.02, kCurveTolerance = 0.5;

/// The outline that is drawn: corners of the footprint; empty for a round piece.
[[nodiscard]] Polygon outlineOf(const Piece&, const FloorPlace&);
[[nodiscard]] bool covers(const Parts&, Vec2 point);  ///< inside or on the edge

/// Bodies of everything that stands on the floor, in placement order; what is carried or hung is left out.
/// `without` leaves one placement out (the piece in the hand).
[[nodiscard]] std::vector<Body> floorBodies(const PieceIndex&, const Scheme&, const PlacementId& without = {});
[[nodiscard]] inline std::vector<Body> floorBodies(const Job& job, const Scheme& scheme,
                                                   const PlacementId& without = {}) {
  return floorBodies(PieceIndex(job), scheme, without);
}
[[nodiscard]] std::vector<Body> wallBodies(const Room&);     ///< each wall's edge, openings included, as one segment
[[nodiscard]] std::vector<Body> openingBodies(const Room&);  ///< each opening as the segment between its jambs
/// Fixed things that stand in the way on the floor: no niche, and no beam that one walks under.
[[nodiscard]] std::vector<Body> featureBodies(const Room&);
[[nodiscard]] bool standsInTheWay(const Feature&);
/// Walls and fixed things: what nobody moves.
[[nodiscard]] std::vector<Body> fixedBodies(const Room&);

[[nodiscard]] Separation separation(const Body&, const Body&);
/// How far a footprint reaches past the room's outline; 0 inside.
[[nodiscard]] double reachOutside(const Parts& body, const Polygon& outline);
[[nodiscard]] std::string wallKey(const CornerId&);  ///< "wall:A"

/// The front side of a piece (facing -y in its frame) from left to right as someone before it sees it, less the
/// arms: where the seat cushions end. A piece without arms keeps its whole front.
struct FrontEdge {
  Vec2 left, right, outward;
};
/// One edge; of an L two: before the long limb first, then along the inner side of the return. Of a curve one for each
/// 24 in of it.
[[nodiscard]] std::vector<FrontEdge> seatFronts(const Piece&, const FloorPlace&);
[[nodiscard]] inline FrontEdge seatFront(const Piece& piece, const FloorPlace& place) {
  return seatFronts(piece, place).front();
}
/// The rear side of a piece's box from left to right as someone behind it sees it, and outward.
[[nodiscard]] FrontEdge backEdge(const Piece&, const FloorPlace&);
/// Where the feet stand: four, inside the corners; the first two at the front.
[[nodiscard]] std::vector<Vec2> feetOf(const Piece&, const FloorPlace&);
/// Width of one arm where none was measured [D].
inline constexpr double kDefaultArmWidth = 6 * kInch;

}  // namespace mezzet
