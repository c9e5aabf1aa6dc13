// What stands on shelves, mantels and tables.
#pragma once

#include "core/rules/base/row.h"

namespace mezzet {

[[nodiscard]] RuleRows shelfRules();          ///< does it fit, is it seen
[[nodiscard]] RuleRows displayColourRules();  ///< one palette, books massed by colour
[[nodiscard]] RuleRows tabletopRules();       ///< groups, cups, boxes
[[nodiscard]] RuleRows boardRules();          ///< loads, sag, tipping, cushions

}  // namespace mezzet
