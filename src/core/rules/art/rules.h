// How high and how wide pictures hang.
#pragma once

#include "core/rules/base/row.h"
#include "core/rules/art/rules.h"

namespace mezzet {

/// The two rules whose bands for a picture may not meet.
inline constexpr std::string_view kArtCentre = "art-centre", kArtGap = "art-gap";

[[nodiscard]] RuleRows artRules();
[[nodiscard]] RuleRows proportionRules();
[[nodiscard]] RuleRows galleryRules();
[[nodiscard]] RuleRows mirrorRules();
[[nodiscard]] RuleRows screenRules();
[[nodiscard]] RuleRows hookRules();
[[nodiscard]] RuleRows stairHangRules();
[[nodiscard]] RuleRows leaningRules();

}  // namespace mezzet
