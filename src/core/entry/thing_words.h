// Words of the typed line that are about displays: colours, shelves.
#pragma once

#include <optional>
#include <string_view>

#include "core/entry/line_words.h"
#include "core/model/piece.h"

namespace mezzet {

/// "#2b2b2b" or the word of a colour at a place of the line, added to the thing's colours in equal shares; "5 shelves"
/// of a case, which gets so many surfaces that are still to be laid out. How long it is; 0 where there is none, or the
/// piece has nothing of it. Throws Refusal on a colour that is none.
[[nodiscard]] std::size_t readThingWord(std::string_view text, std::string_view low, std::size_t at, Piece&);
/// Throws Refusal where so many cannot be added at once; books are counted as volumes of one run.
void checkCount(int count, std::string_view kind);

}  // namespace mezzet
