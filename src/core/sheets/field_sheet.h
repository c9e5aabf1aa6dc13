// The sheet to take along when measuring: the sketch with its letters, what was read, blanks for what is missing.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/model/job.h"

namespace mezzet {

/// The bare room; walls that were not read have a blank instead of a length. Below it a line for each reading with room
/// to take it again, the corner-to-corner length worth most, and the checks to take.
[[nodiscard]] Drawing composeFieldSheet(const Job&, const Room&, double scale, LengthFormat);

}  // namespace mezzet
