// Commands about what could be otherwise: apply takes a way out, size says what to buy.
#pragma once

#include "cli/common.h"

namespace mezzet::cli {

[[nodiscard]] int runApply(const Options&);
[[nodiscard]] int runSize(const Options&);

}  // namespace mezzet::cli
