// What stands along a wall, seen in elevation.
#pragma once

#include <optional>
#include <vector>

#include "core/model/job.h"

namespace mezzet {

/// A floor piece seen against a wall: its span along u, the top of it, and how far its nearest point is off the wall.
struct Standing {
  PlacementId id;
  double left = 0, right = 0;  ///< u
  std::optional<double> top;   ///< back height where there is one, else overall height; absent if not measured
  double offWall = 0;          ///< nearest
  double offWallFar = 0;       ///< farthest
  double floor =
      0;  ///< of the floor under it above the datum, where it stands at the wall; `top` counts from the datum too
};

/// Things further from a wall than this are not "below" what hangs on it [D].
inline constexpr double kStandsAtWall = 24 * kInch;

/// Everything that stands within `reach` of the wall, nearest last, so that drawing in this order looks right.
[[nodiscard]] std::vector<Standing> standingAt(const Job&, const Scheme&, const Wall&, double reach = kStandsAtWall);

/// The same for one floor placement, however far from the wall it is.
[[nodiscard]] Standing standingOf(const Piece&, const PlacementId&, const FloorPlace&, const Wall&);

/// A picture, or the pictures of one group, on a wall.
struct Hung {
  std::vector<PlacementId> members;  ///< ascending
  CornerId wall;
  WallRect envelope;
};
/// Every picture, mirror and screen of the scheme, no light; those with one group id on one wall together.
[[nodiscard]] std::vector<Hung> hungIn(const PieceIndex&, const Scheme&);
[[nodiscard]] inline std::vector<Hung> hungIn(const Job& job, const Scheme& scheme) {
  return hungIn(PieceIndex(job), scheme);
}
[[nodiscard]] std::optional<Hung> hungWith(const Job&, const Scheme&, const PlacementId&);

/// The one thing a picture hangs above: of the sofas and tables at the wall, the one it overlaps most in width
/// (of equals the higher).
[[nodiscard]] std::optional<Standing> belowArt(const Job&, const Scheme&, const Room&, const Hung&);
/// The same among all that stands at the wall: what a mirror or a television is above.
[[nodiscard]] std::optional<Standing> belowAny(const Job&, const Scheme&, const Room&, const Hung&);

}  // namespace mezzet
