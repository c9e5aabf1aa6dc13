// Room behind those who sit at a dining table, and at it.
#pragma once

#include "core/rules/base/row.h"

namespace mezzet {

[[nodiscard]] RuleRows diningRules();

}  // namespace mezzet
