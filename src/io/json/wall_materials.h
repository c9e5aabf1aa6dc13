// Words of what walls are made of, in job files and data.
#pragma once

#include <utility>

#include "core/model/site.h"

namespace mezzet {

inline constexpr std::pair<const char*, WallMaterial> kWallMaterials[] = {
    {"unknown", WallMaterial::Unknown},
    {"board-on-studs", WallMaterial::BoardOnStuds},
    {"lath-and-plaster", WallMaterial::LathAndPlaster},
    {"brick", WallMaterial::Brick},
    {"block", WallMaterial::Block},
    {"concrete", WallMaterial::Concrete},
    {"stone", WallMaterial::Stone},
    {"timber", WallMaterial::Timber}};

}  // namespace mezzet
