// Things arranged along a flight: climbing with it, or filling the wall over it.
#pragma once

#include "core/decide/hang_place.h"
#include "core/hang/arrangement.h"

namespace mezzet {

/// `stair`: as many treads apart as are asked, between the flight's foot and head, openings and the ceiling, or within
/// what is asked. `salon`: fills the wall over the flight where nothing else is asked. `mirrored`: in the largest
/// rectangle there. None where no flight runs along the wall, or another way is asked.
[[nodiscard]] std::optional<HangPlan> stairPlan(const Job&, const Rulebook&, const Scheme&, const Wall&,
                                                const ArrangementAsk&, const HangRequest&, IdSource&, LengthFormat,
                                                const std::stop_token&);

}  // namespace mezzet
