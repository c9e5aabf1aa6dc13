// Where an aimed light falls on a wall.
#pragma once

#include <optional>
#include <vector>

#include "core/light/light_sources.h"

namespace mezzet {

/// The wall that the ray of an aimed light meets first, and where on it: u, and v above the datum. None for a light
/// that shines straight down, or is not aimed.
struct LitWall {
  CornerId wall;
  Vec2 at;
};
[[nodiscard]] std::optional<LitWall> litBy(const Room&, const Fixture&);

/// The edge of a beam of this full angle on a wall, in u and v: an ellipse, from its top anticlockwise as seen. Empty
/// where some of the beam never meets the wall's plane.
[[nodiscard]] std::vector<Vec2> beamOnWall(const Fixture&, const Wall&, double fullAngle);

}  // namespace mezzet
