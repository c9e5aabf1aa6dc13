// Lights: heights, sizes, places.
#pragma once

#include "core/rules/base/row.h"

namespace mezzet {

/// What a cord is cut by, and a light is centred by.
inline constexpr std::string_view kPendantDrop = "pendant-drop", kHeadRoom = "head-room";

[[nodiscard]] RuleRows pendantRules();
[[nodiscard]] RuleRows sconceRules();
[[nodiscard]] RuleRows downlightRules();
[[nodiscard]] RuleRows lampRules();

}  // namespace mezzet
