// What the rug trade sells, as data: read from data/rugs/trade.json.
#pragma once

#include <string>
#include <string_view>

#include "core/base/result.h"
#include "core/rugs/trade.h"

namespace mezzet {

[[nodiscard]] Result<RugTrade> readRugTrade(std::string_view text, const std::string& name);

}  // namespace mezzet
