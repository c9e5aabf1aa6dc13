// In which order ledges and media walls are built, as data: read from data/displays/building.json.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/display/ledge.h"

namespace mezzet {

[[nodiscard]] Result<std::vector<BuildOrder>> readBuildOrders(std::string_view text, const std::string& name);

}  // namespace mezzet
