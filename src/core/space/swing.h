// What a door's leaf sweeps.
#pragma once

#include <optional>

#include "core/space/bodies.h"

namespace mezzet {

/// The quarter disc that a leaf sweeps inside the room: from its closed edge to wide open, a quarter turn apart.
struct Sweep {
  Vec2 hinge;
  Vec2 closed, open;  ///< unit
  double radius = 0;
};

/// Absent for an opening without a leaf that swings into the room.
[[nodiscard]] std::optional<Sweep> sweepOf(const Room&, const Opening&);
/// The two leaves of a window that swing in, each half its width; none for any other opening.
[[nodiscard]] std::vector<Sweep> casementSweeps(const Room&, const Opening&);

/// Signed distance of a body to the sweep: > 0 clear of it, 0 touching; inside, how far it must go to be out: outwards
/// past the leaf's end (the distance of its deepest point from the hinge minus the radius, contract), or sideways past
/// the open leaf where that is less, so that the margin goes on without a jump.
[[nodiscard]] Separation clearOfSweep(const Parts& body, const Sweep&);

/// Clear width of a door: between its jambs less the leaf's thickness; an arch or sliding door's whole width.
[[nodiscard]] double clearWidth(const Opening&);

}  // namespace mezzet
