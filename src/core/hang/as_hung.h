// What was really done on the wall: where frames hang, which holes were made, where a detector found nothing.
#pragma once

#include <string>
#include <vector>

#include "core/hang/nails.h"

namespace mezzet {

/// A frame of a group may hang this far off its place along or up, another that far [D].
inline constexpr double kOffInGroup = kInch / 8, kOffAlone = kInch / 4;

/// Where a frame hangs when one of its nails landed at a place of the wall: the middle of the frame.
/// `hook` counts its hooks from 1, from the left.
[[nodiscard]] Vec2 hungWhere(const Piece&, const Hooks&, int hook, Vec2 landed);
/// The place of the wall that a tape says: so far from the end, so far above the level line.
[[nodiscard]] Vec2 landedAt(const Wall&, const NailAsk&, double fromEnd, double aboveLine);

struct Deviation {
  PlacementId placement;
  double right = 0, up = 0;  ///< of where it hangs from where it was planned; left and down are less than 0
  double limit = kOffAlone;
  [[nodiscard]] bool over() const;
};
/// Of everything that was recorded as hung, by id.
[[nodiscard]] std::vector<Deviation> deviations(const PieceIndex&, const Scheme&);
/// "as planned", "1/8 in left, 1/4 in low".
[[nodiscard]] std::string deviationWords(const Deviation&, LengthFormat);
/// The job as it really hangs: for judging it.
[[nodiscard]] Job asItHangs(const Job&, const SchemeId&);

// ---- edits; where nothing is to be done the job is as it was
[[nodiscard]] Job withAsHung(const Job&, const SchemeId&, const PlacementId&, const std::optional<AsHung>&);
/// A hole in the room's ledger; one that is there already is left. A diameter of 0 is not known: what leaves no hole is
/// not put in.
[[nodiscard]] Job withHole(const Job&, const RoomId&, NailHole);
/// The hole filled at a date; "" opens it again.
[[nodiscard]] Job withHoleFilled(const Job&, const RoomId&, std::size_t hole, const std::string& date);
/// The spot ticked as detected and clear; a tick that is there goes when the date is "".
[[nodiscard]] Job withClearSpot(const Job&, const RoomId&, ClearSpot);

/// "Wall A: 12 1/4 in from the left, 60 in above the floor, 1/8 in wide, made 2026-04-01, not filled."
[[nodiscard]] std::vector<std::string> holeWords(const Room&, LengthFormat);

}  // namespace mezzet
