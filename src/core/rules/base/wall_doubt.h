// How sure a gap is, as far as that depends on where the walls are.
#pragma once

#include "core/rules/base/facts.h"

namespace mezzet {

/// Adds to each gap of the plan the doubt of the walls between its ends, and decides it again. A placement is set out
/// from the two walls nearest to it that are not in line: when those move, it moves with them. So a gap to its own wall
/// has no doubt of the room's, one to the opposite wall that of the room's width there. A close call says what to
/// measure again. Rooms without readings have none.
void addWallDoubts(const Situation&, std::vector<Finding>&);

}  // namespace mezzet
