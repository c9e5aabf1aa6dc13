// Ways out of the rules about how high a picture hangs.
#pragma once

#include "core/rules/base/proposals.h"

namespace mezzet {

/// The height that both rules take, else another school, a second picture, another frame, or half way between.
void waysOutOfArt(Proposals&);

}  // namespace mezzet
