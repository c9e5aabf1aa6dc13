// What the command line answers about walls: the free wall, an arrangement, a mirror.
#pragma once

#include "core/decide/hang_place.h"
#include "core/hang/free_wall.h"
#include "core/rules/art/mirror_views.h"

namespace mezzet {

[[nodiscard]] std::string freeWallJson(const Scheme&, const std::vector<WallRect>& free,
                                       const std::vector<FreeAbove>& above);
[[nodiscard]] std::string arrangeJson(const Scheme&, const HangPlan&);
[[nodiscard]] std::string mirrorJson(const Scheme&, const MirrorViews&);

}  // namespace mezzet
