// Edits of a room's heights.
#pragma once

#include "core/edit/edits.h"

namespace mezzet {

// ---- edits: the room's ceiling height follows its readings
[[nodiscard]] Result<Job> withHeight(const Job&, const RoomId&, HeightReading);
[[nodiscard]] Result<Job> withoutHeight(const Job&, const RoomId&, const ReadingId&);
[[nodiscard]] Result<Job> withCeilingShape(const Job&, const RoomId&, CeilingShape);
[[nodiscard]] Result<Job> withCeilingArea(const Job&, const RoomId&, CeilingArea);
[[nodiscard]] Result<Job> withoutCeilingArea(const Job&, const RoomId&, const CeilingId&);

}  // namespace mezzet
