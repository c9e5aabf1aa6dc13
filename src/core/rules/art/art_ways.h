// Ways out of the rules about how high a picture hangs.
#pragma once

#include "core/rules/base/proposals.h"

namespace mezzet {

/// The height that both rules take, else another school, a second picture, another frame, or half way between.
void waysOutOfArt(Proposals&);
/// One of the two that hang too near or too far moved to the wished gap.
void waysOutOfGallery(Proposals&);
/// Raised or lowered by the least step that clears it.
void waysOutOfMirror(Proposals&);
void waysOutOfScreen(Proposals&);
void waysOutOfShelf(Proposals&);

}  // namespace mezzet
