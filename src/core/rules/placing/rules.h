// What no scheme can have, and what doors and windows need.
#pragma once

#include "core/rules/base/row.h"

namespace mezzet {

[[nodiscard]] RuleRows openingRules();
[[nodiscard]] RuleRows placingRules();

}  // namespace mezzet
