// What stands on something: how it lies, the surfaces of what carries it, where it is in the room.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/edit/displays.h"
#include "core/model/job.h"
#include "core/site/heights.h"

namespace mezzet {

/// Things are so deep whose depth was never asked [D].
inline constexpr double kUsualThingDepth = 1 * kInch;
/// How deep a mantel's shelf and a window's sill are [D].
inline constexpr double kUsualMantel = 8 * kInch, kUsualSill = 5 * kInch;

/// A thing as it is put down, before its turn: along x and y of its carrier, and upright.
struct LyingSize {
  double x = 0, y = 0, z = 0;
};
/// Lying, its smallest dimension stands upright: if that was the width, the height takes x; if the depth, it takes y;
/// of equals the width. Branches count where it stands. What has no height is as high as nothing.
[[nodiscard]] LyingSize lyingSize(const Piece&, Lie);

/// What carries: a placement, a fixed thing (a mantel, a radiator, what is built in) or a window's sill.
struct Carrier {
  std::string id;
  const Placement* placement = nullptr;  ///< null of what is fixed
  const Piece* piece = nullptr;          ///< likewise
  double width = 0, depth = 0, height = 0;
  double foot = 0;   ///< above the floor; what is fixed counts its surfaces from the floor
  Vec2 left;         ///< in the plan: the left end of its front, as seen by someone before it
  Vec2 along, back;  ///< unit: to the right as seen, and away from who looks
  /// x from the left end, bottoms above `foot`; every depth is known.
  std::vector<Surface> surfaces;
  [[nodiscard]] const Surface* surface(std::string_view surfaceId) const;  ///< null when it has none of this id
};
inline constexpr std::string_view kTopSurface = "top";  ///< of what has no surfaces of its own
/// The surface a thing stands on, by its id.
[[nodiscard]] inline std::string_view surfaceOf(const CarriedPlace& on) {
  return on.surface.empty() ? kTopSurface : std::string_view(on.surface);
}

/// What carries things under this id; none where there is no such thing, or it is neither standing nor hanging.
[[nodiscard]] std::optional<Carrier> carrierNamed(const PieceIndex&, const Room&, const Scheme&, std::string_view id);

/// Where a placement's own frame lies in the plan, and how high its foot is above the floor.
struct StandingFrame {
  Vec2 origin;
  double turn = 0, foot = 0;
};
/// None of what hangs from the ceiling or leans.
[[nodiscard]] std::optional<StandingFrame> standingFrameOf(const PieceIndex&, const Room&, const Scheme&,
                                                           const Placement&);

/// What a placement stands on in the end, through any number of others, and on which of its surfaces; "" of what stands
/// on nothing.
struct RootCarrier {
  std::string id, surface;
};
[[nodiscard]] RootCarrier rootCarrierOf(const Scheme&, const Placement&);

/// Whether it stands on a shelf of something, not on its top: from above it is not seen.
[[nodiscard]] inline bool standsInBay(const Scheme& scheme, const Placement& p) {
  const std::string surface = rootCarrierOf(scheme, p).surface;
  return !surface.empty() && surface != kTopSurface;
}

}  // namespace mezzet
