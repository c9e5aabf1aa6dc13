// What is seen from where.
#pragma once

#include "core/rules/base/row.h"

namespace mezzet {

[[nodiscard]] RuleRows sightRules();

}  // namespace mezzet
