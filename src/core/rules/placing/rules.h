// What no scheme can have, and what doors and windows need.
#pragma once

#include "core/rules/base/row.h"

namespace mezzet {

/// What leaves ask of a rug.
inline constexpr std::string_view kDoorRug = "door-rug";

[[nodiscard]] RuleRows openingRules();
[[nodiscard]] RuleRows placingRules();

}  // namespace mezzet
