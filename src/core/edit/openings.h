// Openings as they are read: each edit closes the wall anew.
#pragma once

#include "core/edit/edits.h"

namespace mezzet {

/// A reading of a part that was read before supersedes that one.
[[nodiscard]] Result<Job> withOpeningReading(const Job&, const RoomId&, const OpeningId&, OpeningReading);
[[nodiscard]] Result<Job> withoutOpeningReading(const Job&, const RoomId&, const OpeningId&, const ReadingId&);

}  // namespace mezzet
