// Edits of displays: shelves of a piece, what was decided about what stands on a carrier.
#pragma once

#include <map>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/model/job.h"
#include "core/units/length.h"

namespace mezzet {

/// Boards are so thick until entered [D].
inline constexpr double kUsualBoard = 0.75 * kInch;
/// Equal bays b1, b2 ... from the bottom, with boards of the usual thickness round and between them [D]; none where
/// they would have no height.
[[nodiscard]] Piece withEqualBays(Piece, int shelves);

/// Adds what was decided about a carrier, or replaces it; with nothing decided it is taken out.
[[nodiscard]] Job withDisplay(const Job&, const SchemeId&, DisplaySet);
/// The surfaces of a piece. Refused when one is none, or when something stands on one that goes.
[[nodiscard]] Result<Job> withSurfaces(const Job&, const PieceId&, std::vector<Surface>);
/// Ties a placement to the wall, or unties it.
[[nodiscard]] Job withRestrained(const Job&, const SchemeId&, const PlacementId&, bool restrained);
/// Everything that is not locked taken off a carrier, with a note in the log of what went and what stayed.
[[nodiscard]] Job withDisplayCleared(const Job&, const SchemeId&, const std::string& carrier, const std::string& date);
/// The colours that displays start from. Refused when one is none.
[[nodiscard]] Result<Job> withPalette(const Job&, ColourPalette);

/// Without things whose carrier is gone, level by level, and without what was decided about such a carrier.
[[nodiscard]] Scheme withoutLostDisplays(Scheme, const Room&);
[[nodiscard]] Job withoutLostDisplays(Job, const RoomId&);
/// Carriers named anew.
void renameDisplays(Scheme&, const std::map<std::string, std::string>& renamed);

}  // namespace mezzet
