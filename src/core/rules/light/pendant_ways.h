// Ways out of what is wrong with a pendant.
#pragma once

#include "core/rules/base/row.h"

namespace mezzet {

/// Cords: the least change that satisfies the rule.
void pullCord(Proposals&);
/// The light over the top's middle, or the top under the light.
void centreOverTop(Proposals&);
/// Equal spaces and ends.
void spreadRow(Proposals&);
/// Another diameter.
void otherDiameter(Proposals&);

}  // namespace mezzet
