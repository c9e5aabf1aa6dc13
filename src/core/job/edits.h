// Edits: each takes a Job and returns a new one. What can be refused returns a Result, and then nothing has changed.
// Only the room, scheme or piece that is edited is copied.
#pragma once

#include "core/job/job.h"
#include "core/result.h"

namespace mezzet {

// ---- measuring
/// Adds the room, or replaces the one with its id. Refused when the room is faulty, or when a picture hangs on a wall
/// that would go.
[[nodiscard]] Result<Job> withRoom(const Job&, Room);
/// New corners for a room; its openings must still fit.
[[nodiscard]] Result<Job> withOutline(const Job&, const RoomId&, std::vector<Corner>);
[[nodiscard]] Result<Job> withCeiling(const Job&, const RoomId&, double height);
/// Adds the opening, or replaces the one with its id.
[[nodiscard]] Result<Job> withOpening(const Job&, const RoomId&, Opening);
[[nodiscard]] Job withoutOpening(const Job&, const RoomId&, const OpeningId&);

// ---- pieces and schemes
/// Adds the piece, or replaces the one with its id.
[[nodiscard]] Result<Job> withPiece(const Job&, Piece);
[[nodiscard]] Job withScheme(const Job&, Scheme);

// ---- placing; an unknown scheme or placement leaves the job as it is
[[nodiscard]] Job withPlacement(const Job&, const SchemeId&, Placement);
[[nodiscard]] Job withoutPlacement(const Job&, const SchemeId&, const PlacementId&);
/// Puts a placement somewhere else; a floor turn is brought to 0 <= turn < 360.
[[nodiscard]] Job placed(const Job&, const SchemeId&, const PlacementId&, Place);
/// Points a placement at another piece (a variant).
[[nodiscard]] Job repointed(const Job&, const SchemeId&, const PlacementId&, const PieceId&);

// ---- house rules and the job itself
[[nodiscard]] Job withSchool(const Job&, const std::string& rule, const std::string& school);
[[nodiscard]] Job withUnits(const Job&, Unit);

/// The name of corner i: A to Z, then AA, AB ...
[[nodiscard]] CornerId cornerName(std::size_t index);

}  // namespace mezzet
