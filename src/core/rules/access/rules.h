// The published access rules, where the brief asks for them.
#pragma once

#include "core/rules/base/row.h"

namespace mezzet {

[[nodiscard]] RuleRows accessRules();

}  // namespace mezzet
