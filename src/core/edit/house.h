// Doors that two rooms share, and storeys.
#pragma once

#include "core/edit/edits.h"

namespace mezzet {

/// The two openings are two sides of one door; what either led to before is let go. Both walls get the thickness, if
/// one is given.
[[nodiscard]] Result<Job> withDoorJoined(const Job&, const RoomId&, const OpeningId&, const LeadsTo&,
                                         std::optional<double> thickness = std::nullopt);
[[nodiscard]] Job withDoorParted(const Job&, const RoomId&, const OpeningId&);
/// Adds the storey, or replaces the one with its id.
[[nodiscard]] Job withStorey(const Job&, Storey);
/// Rooms on it are on none then.
[[nodiscard]] Job withoutStorey(const Job&, const StoreyId&);
[[nodiscard]] Result<Job> withRoomOnStorey(const Job&, const RoomId&, const StoreyId&);

}  // namespace mezzet
