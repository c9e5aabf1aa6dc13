// Rugs under the furniture and along the walls.
#pragma once

#include "core/rules/base/row.h"

namespace mezzet {

[[nodiscard]] RuleRows rugRules();
[[nodiscard]] RuleRows rugWayRules();  ///< where people walk

}  // namespace mezzet
