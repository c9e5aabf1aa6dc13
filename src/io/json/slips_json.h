// The usual slips of a tape as data: read from data/survey/slips.json.
#pragma once

#include <string_view>

#include "core/survey/slips.h"

namespace mezzet {

[[nodiscard]] Result<std::vector<Slip>> readSlips(std::string_view text, const std::string& name);

/// The table that ships with the program.
[[nodiscard]] const std::vector<Slip>& builtInSlips();

}  // namespace mezzet
