// The kinds of piece that rules ask about. Any other word is allowed: such a piece is drawn and measured, and no
// furniture rule judges it.
#pragma once

#include <string_view>
#include <vector>

#include "core/job/job.h"

namespace mezzet {

[[nodiscard]] bool isKnownKind(std::string_view kind);
[[nodiscard]] bool isSeat(std::string_view kind);      ///< people sit on it by a low table
[[nodiscard]] bool isLowTable(std::string_view kind);  ///< serves the seats round it
[[nodiscard]] bool isRug(std::string_view kind);       ///< lies flat: no obstacle, nothing stands "in" it
[[nodiscard]] bool isArt(std::string_view kind);       ///< hangs on a wall
/// Sofas and tables: what a picture's gap is measured from. Beds, mantels and consoles have rules of their own.
[[nodiscard]] bool carriesArtAbove(std::string_view kind);
/// How the kind is called in a sentence: "low table".
[[nodiscard]] std::string_view kindWords(std::string_view kind);
/// Kinds that can be added by name, in the order in which a room is furnished.
[[nodiscard]] const std::vector<std::string_view>& offeredKinds();
/// A piece of a kind with usual sizes to start from [D]: without id; marked as defaults wherever they are shown.
[[nodiscard]] Piece usualPiece(std::string_view kind);

}  // namespace mezzet
