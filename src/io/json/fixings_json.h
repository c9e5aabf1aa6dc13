// What hooks and screws go into a wall with, as data: read from data/hanging/fixings.json.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/hang/fixings.h"

namespace mezzet {

[[nodiscard]] Result<std::vector<Fixing>> readFixings(std::string_view text, const std::string& name);

}  // namespace mezzet
