// A key plan: the room small, a letter at each wall that is long enough for one, the one that is seen marked.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/model/job.h"

namespace mezzet {

/// As large as fits a paper of these sides (mm), letters included.
[[nodiscard]] Drawing composeKeyPlan(const Room&, const CornerId& seen, double paperWidth, double paperHeight);

/// The wall whose face is nearest to a point of the plan; none of a room without walls.
[[nodiscard]] std::optional<CornerId> nearestWall(const Room&, Vec2);

}  // namespace mezzet
