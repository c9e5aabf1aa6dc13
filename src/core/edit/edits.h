// Edits: each takes a Job and returns a new one. What can be refused returns a Result, and then nothing has changed.
// Only the room, scheme or piece that is edited is copied.
#pragma once

#include "core/model/job.h"
#include "core/base/result.h"

namespace mezzet {

// ---- measuring
/// Adds the room, or replaces the one with its id. Refused when the room is faulty, or when a picture hangs on a wall
/// that would go.
[[nodiscard]] Result<Job> withRoom(const Job&, Room);
/// A room still to be added: its id, "Room" or "Room 2" for a name, and a ceiling at kUsualCeiling.
[[nodiscard]] Room freshRoom(const Job&, IdSource&);
/// Height of a room until its ceiling is measured [D].
inline constexpr double kUsualCeiling = 96 * kInch;
/// Adds such a room and a first scheme A in it; refused as withRoom is.
[[nodiscard]] Result<Job> withFreshRoom(const Job&, Room, IdSource&);
/// New corners for a room; its openings must still fit. A wall that keeps its letter keeps its thickness.
[[nodiscard]] Result<Job> withOutline(const Job&, const RoomId&, std::vector<Corner>);
[[nodiscard]] Result<Job> withCeiling(const Job&, const RoomId&, double height);
/// Adds the opening, or replaces the one with its id.
[[nodiscard]] Result<Job> withOpening(const Job&, const RoomId&, Opening);
[[nodiscard]] Job withoutOpening(const Job&, const RoomId&, const OpeningId&);
/// Adds the fixed thing, or replaces the one with its id.
[[nodiscard]] Result<Job> withFeature(const Job&, const RoomId&, Feature);
[[nodiscard]] Job withoutFeature(const Job&, const RoomId&, const FeatureId&);
/// Of the wall that starts at a corner; without one it is drawn kUsualWall thick.
[[nodiscard]] Result<Job> withWallThickness(const Job&, const RoomId&, const CornerId&,
                                            std::optional<double> thickness);

// ---- pieces and schemes
/// Adds the piece, or replaces the one with its id.
[[nodiscard]] Result<Job> withPiece(const Job&, Piece);
[[nodiscard]] Job withScheme(const Job&, Scheme);

/// Takes a piece out of the job; left as it is while some scheme places it or thinks of it, or
/// a variant or an order names it.
[[nodiscard]] Job withoutPiece(const Job&, const PieceId&);
/// Takes a scheme out; a room keeps its last one.
[[nodiscard]] Job withoutScheme(const Job&, const SchemeId&);
/// A copy of a scheme under a new id and name, with new placement ids, its kept findings carried over.
[[nodiscard]] Job withSchemeCopied(const Job&, const SchemeId&, const std::string& name, IdSource&, SchemeId& copy);

/// Another scheme of a room, named by its number: A, B, C. A copy of `copyOf` if that is a scheme, else empty.
[[nodiscard]] Job withNextScheme(const Job&, const RoomId&, const SchemeId& copyOf, IdSource&, SchemeId& fresh);

// ---- placing; an unknown scheme or placement leaves the job as it is
[[nodiscard]] Job withPlacement(const Job&, const SchemeId&, Placement);
[[nodiscard]] Job withoutPlacement(const Job&, const SchemeId&, const PlacementId&);
/// Puts a placement somewhere else; a floor turn is brought to 0 <= turn < 360.
[[nodiscard]] Job placed(const Job&, const SchemeId&, const PlacementId&, Place);
/// Places once more what is placed, `aside` from it and in no group; the piece exists once more unless one was left
/// over.
[[nodiscard]] Job withOneMore(const Job&, const SchemeId&, const PlacementId&, double aside, IdSource&,
                              PlacementId& copy);
/// Points a placement at another piece (a variant).
[[nodiscard]] Job repointed(const Job&, const SchemeId&, const PlacementId&, const PieceId&);

/// The two walls that a floor placement is set out from; none: the nearest again. Refused when they are not two of the
/// room's, or in line.
[[nodiscard]] Result<Job> withSetOut(const Job&, const SchemeId&, const PlacementId&, std::vector<CornerId> walls);
/// Locks or unlocks; a locked placement stays where it is.
[[nodiscard]] Job withLock(const Job&, const SchemeId&, const PlacementId&, bool locked);
/// Marks a floor placement as in use on every day, or not.
[[nodiscard]] Job withInUse(const Job&, const SchemeId&, const PlacementId&, bool inUse);
/// Marks a rug as taped down at its edges, or not.
[[nodiscard]] Job withTaped(const Job&, const SchemeId&, const PlacementId&, bool taped);
/// Marks a placement as one that may be left out, or not.
[[nodiscard]] Job withOptional(const Job&, const SchemeId&, const PlacementId&, bool optional);
/// How broadloom is cut for the scheme's floor; none: it is not. Refused when a length is none.
[[nodiscard]] Result<Job> withCarpet(const Job&, const SchemeId&, std::optional<Broadloom>);
/// The user's list of rolls and edge prices. Refused when a width or a price is none.
[[nodiscard]] Result<Job> withCarpetList(const Job&, CarpetList);
/// Where a floor placement stands when there is company; nothing: where it always stands.
[[nodiscard]] Job withUsedAt(const Job&, const SchemeId&, const PlacementId&, std::optional<FloorPlace>);
/// The opening one comes in by; empty: the first door. Refused when it is none of the room's, or a window.
[[nodiscard]] Result<Job> withEntry(const Job&, const RoomId&, const OpeningId&);
/// Bends a finding on purpose, or with an empty reason judges it again. One entry a finding.
[[nodiscard]] Job withKept(const Job&, const SchemeId&, Kept);
[[nodiscard]] Job withoutKept(const Job&, const SchemeId&, const std::string& finding);
/// Adds to what was decided, thought of and turned down.
[[nodiscard]] Job withLogEntry(const Job&, const SchemeId&, LogEntry);

// ---- house rules and the job itself
[[nodiscard]] Job withSchool(const Job&, const std::string& rule, const std::string& school);
/// The job's own range of a rule; without one the school decides again.
[[nodiscard]] Job withRange(const Job&, const std::string& rule, std::optional<Range>);
/// What one piece asks of its own; nothing: as the house asks. Refused when the range is none.
[[nodiscard]] Result<Job> withOwnRule(const Job&, const PieceId&, const std::string& rule, std::optional<OwnRule>);
/// Which rulebook the job has been looked at with.
[[nodiscard]] Job withRulebook(const Job&, int version);
[[nodiscard]] Job withBrief(const Job&, Brief);
[[nodiscard]] Job withUnits(const Job&, Unit);

}  // namespace mezzet
