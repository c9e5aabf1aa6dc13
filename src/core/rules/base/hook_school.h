// Whether the house hangs frames on one hook or on two.
#pragma once

#include "core/hang/hooks.h"
#include "core/rules/base/rulebook.h"

namespace mezzet {

inline constexpr std::string_view kHookCount = "hook-count";

/// By the job's school of that rule; two where none is chosen.
[[nodiscard]] inline HookSchool hookSchool(const Job& job, const Rulebook& book) {
  const Rule* rule = findRule(book, std::string(kHookCount));
  return rule != nullptr && askedOf(*rule, job).school == "a" ? HookSchool::One : HookSchool::Two;
}

}  // namespace mezzet
