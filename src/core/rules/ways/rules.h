// Ways through the room, and what must be kept clear.
#pragma once

#include "core/rules/base/row.h"

namespace mezzet {

[[nodiscard]] RuleRows wayRules();
[[nodiscard]] RuleRows clearanceRules();

}  // namespace mezzet
