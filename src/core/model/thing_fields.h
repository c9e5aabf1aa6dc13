// Rows of the table of fields that are about things in displays.
#pragma once

#include <vector>

#include "core/model/piece_fields.h"

namespace mezzet {

[[nodiscard]] std::vector<PieceField> thingFields();

}  // namespace mezzet
