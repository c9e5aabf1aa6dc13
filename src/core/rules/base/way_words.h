// What the rules about ways share.
#pragma once

#include "core/rules/base/facts.h"
#include "core/rugs/door_routes.h"

namespace mezzet {

/// What was worked out along the drawn route; null until it was.
[[nodiscard]] const RouteFacts::One* routeOf(const Situation&, const RoomWay&);
/// What main rules judge: every other opening, and of the main group the seat that is reached best.
[[nodiscard]] std::vector<const RoomWay*> mainWays(const Situation&);
/// The main ways with their doors, and their lines where they were drawn.
[[nodiscard]] std::vector<DoorRoute> doorRoutes(const Situation&);
/// A finding on a way's width, with its pinch as witness; not decided yet.
[[nodiscard]] Finding wayFinding(const Situation&, const Rule&, const RoomWay&);
/// "From door d1 to the sofa it is 27 in between the armchair and the hearth", without a full stop.
[[nodiscard]] std::string wayWords(const Situation&, const RoomWay&);
/// How a sentence about something that should be larger ends: ", 2 in short." or ".".
[[nodiscard]] std::string shortWords(const Situation&, const Finding&);

/// How wide the way is from one thing that one goes to, to another, as a sentence of its own, or why there is none.
[[nodiscard]] std::string wayBetween(const Job&, const Scheme&, UseState, const PlacementId& from,
                                     const PlacementId& to, LengthFormat);

}  // namespace mezzet
