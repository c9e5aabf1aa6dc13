// Made groups hung again when what is in them changes.
#pragma once

#include "core/decide/hang_place.h"

namespace mezzet {

/// A made group arranged again as it was made, about the middle it has: after a frame changed, joined or left. The job
/// as it is where the group was not made, or it no longer fits.
[[nodiscard]] Job hungAgain(const Job&, const Rulebook&, const SchemeId&, const std::string& group, LengthFormat);

/// The same for every group of `after` of which a frame changed, joined or left since `before`.
[[nodiscard]] Job hangsSettled(const Job& before, Job after, const Rulebook&, LengthFormat);

}  // namespace mezzet
