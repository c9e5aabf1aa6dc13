// Rows of the table of fields for what hangs: the frame, the mirror, the screen.
#pragma once

#include <vector>

#include "core/model/piece_fields.h"

namespace mezzet {

[[nodiscard]] std::vector<PieceField> wallFields();

}  // namespace mezzet
