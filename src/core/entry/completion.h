// What Tab would add to a typed line.
#pragma once

#include "core/model/piece.h"

namespace mezzet {

/// The rest of the kind that is being typed: "si" -> "de table".
[[nodiscard]] std::string kindCompletion(std::string_view text);
/// A kind's usual sizes as one types them: "84 x 36 x 33 seat 18"; "" where there are none.
[[nodiscard]] std::string usualSizes(const Piece&, Unit bare);

}  // namespace mezzet
