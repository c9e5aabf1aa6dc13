// What the command line answers about nails and photographs.
#pragma once

#include <string>

#include "core/hang/nails.h"
#include "core/sight/wall_photograph.h"

namespace mezzet {

[[nodiscard]] std::string nailsJson(const Scheme&, const NailAsk&, const NailPlan&);
/// The homography is given as it is, unrounded: wall mm to pixels.
[[nodiscard]] std::string photographJson(const Scheme&, const Homography&, const std::vector<PhotographPiece>&);

}  // namespace mezzet
