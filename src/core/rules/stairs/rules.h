// Flights of stairs as they were measured.
#pragma once

#include "core/rules/base/row.h"

namespace mezzet {

[[nodiscard]] RuleRows stairRules();

}  // namespace mezzet
