// Lights as points that shine: where, which way, how strongly.
#pragma once

#include <set>

#include "core/light/fixtures.h"
#include "core/light/photometry.h"

namespace mezzet {

struct Vec3 {
  double x = 0, y = 0, z = 0;
};

/// A point of light. Heights are above the datum.
struct LightSource {
  PlacementId id;
  CircuitId circuit;
  Vec3 at;
  Vec3 axis{0, 0, -1};  ///< unit
  enum class Model { Beam, Downward, Around, Measured } model = Model::Downward;
  Beam beam;          ///< of a beam
  double lumens = 0;  ///< that leave it; of a measured one by its file
  double scale = 1;   ///< of a measured one: lumens entered over those of its file
  double turn = 0;    ///< of a measured one, degrees
  std::shared_ptr<const Photometry> web = nullptr;
};
/// cd towards a unit direction.
[[nodiscard]] double intensityTowards(const LightSource&, const Vec3& direction);

/// Until lumens are entered a light has none: what is not known is not estimated. Strips shine from points along their
/// length, at most kStripStep apart. `on`: circuits that are switched on; empty: all lights.
[[nodiscard]] std::vector<LightSource> lightSourcesIn(const std::vector<Fixture>&, const Photometries&,
                                                      const std::set<CircuitId>& on = {});
inline constexpr double kStripStep = 300;

/// The axis of a light: as aimed, else straight down.
[[nodiscard]] Vec3 axisOf(const Fixture&);

}  // namespace mezzet
