// Which drawing of a room a thing is seen in.
#pragma once

#include <string>

#include "core/base/ids.h"

namespace mezzet {

/// The plan, the elevation of one wall, or the ceiling as seen from above.
struct View {
  CornerId wall = {};    ///< empty: the plan or the ceiling
  bool ceiling = false;  ///< never with a wall
  [[nodiscard]] bool isPlan() const { return wall.empty() && !ceiling; }
  [[nodiscard]] bool isWall() const { return !wall.empty(); }
  bool operator==(const View&) const = default;
};
inline const View kCeilingView{{}, true};

/// As reports name it: "plan", "wall:A", "ceiling".
[[nodiscard]] inline std::string viewKey(const View& view) {
  return view.isWall() ? "wall:" + view.wall.value : view.ceiling ? "ceiling" : "plan";
}

}  // namespace mezzet
