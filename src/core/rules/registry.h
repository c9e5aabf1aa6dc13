// The one list of the families of rules.
#pragma once

#include <string_view>

#include "core/rules/base/row.h"

namespace mezzet {

/// In the order in which findings are told.
[[nodiscard]] std::span<const RuleRows> ruleFamilies();
/// The row of a rule; null when the program knows none.
[[nodiscard]] const RuleRow* rowOf(std::string_view rule);
/// Whether all of this is shown of a rule's findings.
[[nodiscard]] bool showsOf(std::string_view rule, unsigned what);

}  // namespace mezzet
