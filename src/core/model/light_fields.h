// The rows of a light's fields.
#pragma once

#include <vector>

#include "core/model/piece_fields.h"

namespace mezzet {

[[nodiscard]] std::vector<PieceField> lightFields();

}  // namespace mezzet
