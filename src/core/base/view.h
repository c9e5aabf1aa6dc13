// Which drawing of a room a thing is seen in.
#pragma once

#include <string>

#include "core/base/ids.h"

namespace mezzet {

/// The plan, the elevation of one wall, the ceiling as seen from above, or one carrier with its things.
struct View {
  CornerId wall = {};        ///< empty: none of a wall
  bool ceiling = false;      ///< never with a wall
  std::string display = {};  ///< the carrier whose things are seen, from its front; never with a wall
  [[nodiscard]] bool isPlan() const { return wall.empty() && !ceiling && display.empty(); }
  [[nodiscard]] bool isDisplay() const { return !display.empty(); }
  [[nodiscard]] bool isWall() const { return !wall.empty(); }
  bool operator==(const View&) const = default;
};
inline const View kCeilingView{{}, true, {}};
[[nodiscard]] inline View displayView(std::string carrier) { return {{}, false, std::move(carrier)}; }

/// As reports name it: "plan", "wall:A", "ceiling", "display:p5".
[[nodiscard]] inline std::string viewKey(const View& view) {
  return view.isWall()      ? "wall:" + view.wall.value
         : view.isDisplay() ? "display:" + view.display
         : view.ceiling     ? "ceiling"
                            : "plan";
}

}  // namespace mezzet
