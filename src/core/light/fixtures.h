// Lights where they are put up: what of a light every rule, drawing and estimate asks.
#pragma once

#include <vector>

#include "core/model/job.h"
#include "core/site/heights.h"
#include "core/space/bodies.h"

namespace mezzet {

/// Heights are above the floor right under the light.
struct Fixture {
  const Placement* placement = nullptr;
  const Piece* piece = nullptr;
  Mount mount = Mount::Pendant;
  FloorPlace at;         ///< its box in the plan
  Parts body;            ///< in the plan
  double floor = 0;      ///< of the floor there, above the datum
  double ceiling = 0;    ///< floor to ceiling there
  double underside = 0;  ///< of its body
  double top = 0;        ///< of its body; what is recessed ends at the ceiling
  double source = 0;     ///< where its light comes from: the underside, of a shade its lower edge
  CornerId wall = {};    ///< of what hangs on a wall
  [[nodiscard]] const PlacementId& id() const { return placement->id; }
  /// The cord, chain or rod: from the ceiling to the body's top.
  [[nodiscard]] double rod() const { return ceiling - top; }
  [[nodiscard]] bool onCeiling() const { return mezzet::onCeiling(placement->on) != nullptr; }
  /// On a cord or rod over what stands below.
  [[nodiscard]] bool hangsDown() const { return onCeiling() && mount == Mount::Pendant; }
  [[nodiscard]] bool recessed() const { return mount == Mount::Recessed; }
};

/// Until the lower edge of a lamp's shade is measured, it is this share of its height up, for light only [D].
inline constexpr double kUsualShade = 0.7;

/// A light; none for a placement that is no light, or that nothing carries.
[[nodiscard]] std::optional<Fixture> fixtureOf(const PieceIndex&, const Room&, const RoomHeights&, const Scheme&,
                                               const Placement&);
/// Every light of the scheme, in its order. The pointers are into job and scheme.
[[nodiscard]] std::vector<Fixture> fixturesIn(const PieceIndex&, const Room&, const RoomHeights&, const Scheme&);

/// What stands under a light's middle: of several the highest, then the smaller id.
struct Under {
  const Placement* placement = nullptr;  ///< null: the floor
  double top = 0;                        ///< above the floor; 0 of the floor
  bool measured = true;                  ///< false: how high it is has not been measured
};
[[nodiscard]] Under underOf(const PieceIndex&, const Scheme&, const std::vector<Body>& bodies, Vec2 at);

/// Where the ceiling is, above the floor there.
[[nodiscard]] inline double clearOver(const RoomHeights& heights, Vec2 at) { return heights.clearAt(at); }
/// The drop that brings a light's underside to a height above the floor under it; never above the ceiling.
[[nodiscard]] double dropFor(const RoomHeights&, Vec2 at, double underside);

}  // namespace mezzet
