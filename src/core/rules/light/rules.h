// Lights: heights, sizes, places.
#pragma once

#include "core/rules/base/row.h"

namespace mezzet {

/// What a cord is cut by, and what sets the height of a wall light.
inline constexpr std::string_view kPendantDrop = "pendant-drop", kHeadRoom = "head-room", kSconceArt = "sconce-art",
                                  kSconceHeight = "sconce-height";

[[nodiscard]] RuleRows pendantRules();
[[nodiscard]] RuleRows sconceRules();
[[nodiscard]] RuleRows downlightRules();
[[nodiscard]] RuleRows lampRules();

}  // namespace mezzet
