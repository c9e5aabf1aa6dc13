// Readings of a room and its sketch. Each edit keeps what was read, whatever the outline does.
#pragma once

#include "core/edit/edits.h"
#include "core/survey/room_survey.h"

namespace mezzet {

/// Adds a reading; one of the same kind between the same corners that was in use is superseded, and stays; what was
/// scaled off a plan or a photograph and what was taken on site do not supersede each other. So is `again`: of several
/// openings of one wall, the one that was measured again.
[[nodiscard]] Result<Job> withReading(const Job&, const RoomId&, Reading, const ReadingId& again = {});
/// Takes a reading out; the one it superseded last is in use again.
[[nodiscard]] Result<Job> withoutReading(const Job&, const RoomId&, const ReadingId&);
/// Another sketch: as many walls as there are runs. Readings that still say the same stay; the others are replaced by
/// the runs, and those that no longer have their corners go. Refused, and then nothing has changed, where no outline
/// follows.
[[nodiscard]] Result<Job> withSketch(const Job&, const RoomId&, const std::vector<WalkedRun>&, IdSource&);
/// Whether a corner is taken as square.
[[nodiscard]] Result<Job> withSquare(const Job&, const RoomId&, const CornerId&, bool square);

}  // namespace mezzet
