// Local changes of a layout: what annealing tries.
#pragma once

#include "core/search/ground.h"

namespace mezzet {

/// A layout a step away: one thing or a group slid, turned, brought back to a wall, two exchanged, another size taken.
/// `heat` from 1, large steps, to 0, small ones.
[[nodiscard]] Layout stepFrom(const Ground&, const Layout&, double heat, Chance&);

/// What moves as one with a movable: chairs with their table, a rug and the low table with the seats round it.
[[nodiscard]] std::vector<std::size_t> groupOf(const Ground&, const Layout&, std::size_t movable);

}  // namespace mezzet
