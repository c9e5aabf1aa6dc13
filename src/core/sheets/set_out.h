// What an installer sets out: distances from walls, heights from the floor.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/model/job.h"
#include "core/space/tapes.h"

namespace mezzet {

/// The two ways square to a piece's sides to the walls it is set out from, or the two nearest, as if nothing else stood
/// in the room; fewer where no wall is met.
[[nodiscard]] std::vector<Tape> setOutTapes(const Job&, const Scheme&, const Placement&);
/// Numbers the pieces and lists below the plan, for each, the two shortest ways square to its sides to a wall.
void addPlanSetOut(Drawing&, const Job&, const Scheme&, LengthFormat);
/// For the client: the frames of a wall by number, their sizes, and the gaps between those that hang as one.
void addWallList(Drawing&, const Job&, const Room&, const Scheme&, const CornerId& wall, LengthFormat);
/// Outside the wall, from its floor and from its left end as it is seen: heights of the centres and of the feet, and
/// distances of the centres, of what hangs; widths and what is between them; under each its size. Of more than three
/// the numbers only, with all that in a list below.
void addWallSetOut(Drawing&, const Job&, const Room&, const Scheme&, const CornerId& wall, LengthFormat);

}  // namespace mezzet
