// Where a rug of a given size can lie: every foot on it, off the walls, out of leaves' sweeps and of the routes.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/geometry/offset.h"
#include "core/rules/base/facts.h"

namespace mezzet {

/// A rug keeps this far off walls and fixed things [D].
inline constexpr double kRugOffWalls = 4 * kInch;

/// A foot that must stand on the rug, and whose it is.
struct NeededFoot {
  Vec2 at;
  std::string of;
};

/// Everything a rug's place depends on, in the rug's own frame: x along its width.
struct RugGround {
  Turn into, back;
  Polygon room;
  std::vector<Polygon> solid;   ///< walls and fixed things, to keep kRugOffWalls from
  std::vector<Polygon> sweeps;  ///< of leaves that do not pass over a rug
  std::vector<Polygon> routes;  ///< where no corner may lie
};

/// For a rug that lies turned by so many degrees.
[[nodiscard]] RugGround groundOf(const Situation&, double degrees);

struct RugTrial {
  std::vector<Area> free;  ///< for its middle
  Box box;                 ///< of a rectangle: where the feet allow its middle
  bool small = false;      ///< the feet reach further than it does
  bool wide = false;       ///< in x, else in y
};

/// A round rug, and one of half width x and half depth y; at least one foot.
[[nodiscard]] RugTrial triedRound(const RugGround&, const std::vector<NeededFoot>&, double radius);
[[nodiscard]] RugTrial triedRect(const RugGround&, const std::vector<NeededFoot>&, double x, double y);
/// Of the free places the one nearest to that; absent when there is none.
[[nodiscard]] std::optional<Vec2> nearestFree(const RugTrial&, Vec2 wanted);

}  // namespace mezzet
