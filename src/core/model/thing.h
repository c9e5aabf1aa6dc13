// A thing in a room that a tape can run to.
#pragma once

#include <string>

namespace mezzet {

struct Thing {
  enum class Of : unsigned char { Placement, Fixed, Opening, Wall, WallEnd, Floor, Ceiling };
  Of of = Of::Placement;
  std::string id = {};  ///< of a placement, a fixed thing or a wall
  bool operator==(const Thing&) const = default;
};

}  // namespace mezzet
