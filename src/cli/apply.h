// mezzet-cli apply: takes one way out of a broken finding.
#pragma once

#include "cli/common.h"

namespace mezzet::cli {

[[nodiscard]] int runApply(const Options&);

}  // namespace mezzet::cli
