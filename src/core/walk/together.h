// Rooms walked through as one.
#pragma once

#include "core/site/house.h"

namespace mezzet {

/// The rooms as one room: one outline, with each shared door as a neck as long as the wall is thick. Openings that lead
/// out of them stay, features come along. Refused for rooms that no door joins, and for a ring of rooms.
[[nodiscard]] Result<Room> walkedTogether(const Job&, const std::vector<RoomId>&);

}  // namespace mezzet
