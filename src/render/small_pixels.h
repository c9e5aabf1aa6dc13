// A picture made small, for its main colours.
#pragma once

#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/colour/colour.h"

namespace mezzet {

/// At most kPaletteSide pixels each way, averaged. PNG and JPEG; anything else, too large, broken: an error that says
/// so.
[[nodiscard]] Result<std::vector<Srgb>> smallPixels(std::string_view bytes, const std::string& name);

}  // namespace mezzet
