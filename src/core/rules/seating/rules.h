// Seats and what serves them, and who sits together.
#pragma once

#include "core/rules/base/row.h"

namespace mezzet {

/// Which rule says how far one reaches from a seat to a table.
inline constexpr std::string_view kTableReach = "table-reach";

[[nodiscard]] RuleRows seatingRules();
[[nodiscard]] RuleRows groupRules();

}  // namespace mezzet
