// Chairs belong to tables: a layout in which they stand about is none.
#pragma once

#include "core/search/ground.h"

namespace mezzet {

/// Where chairs go inside the room: at desks first, then round dining tables, as many as each has places. Empty when
/// nothing is sat at.
[[nodiscard]] std::vector<FloorPlace> chairPlaces(const Ground&, const Layout&);
/// Whether as many chairs stand at a place as there are places for, one at each desk.
[[nodiscard]] bool chairsStandAtTables(const Ground&, const Layout&);
/// The chairs that stand at one table or desk.
[[nodiscard]] std::vector<std::size_t> chairsAt(const Ground&, const Layout&, std::size_t table);
/// One of the places that no other chair has; where the chair is when there is none, or when a desk would be left
/// without.
[[nodiscard]] FloorPlace freeChairPlace(const Ground&, const Layout&, std::size_t chair, Chance&);

/// Before a desk's front, set a little under it.
[[nodiscard]] FloorPlace atDesk(const Piece& desk, const FloorPlace&, const Piece& chair);

}  // namespace mezzet
