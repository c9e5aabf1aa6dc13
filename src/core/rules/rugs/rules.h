// Rugs under the furniture and along the walls.
#pragma once

#include "core/rules/base/row.h"

namespace mezzet {

/// What a place for a rug is looked for by.
inline constexpr std::string_view kRugCorner = "rug-corner";

[[nodiscard]] RuleRows rugRules();
[[nodiscard]] RuleRows rugWayRules();  ///< where people walk

}  // namespace mezzet
