// Which drawing of a room a thing is seen in.
#pragma once

#include <string>

#include "core/base/ids.h"

namespace mezzet {

/// The plan, or the elevation of one wall.
struct View {
  CornerId wall = {};  ///< empty: the plan
  [[nodiscard]] bool isPlan() const { return wall.empty(); }
  bool operator==(const View&) const = default;
};

/// As reports name it: "plan", "wall:A".
[[nodiscard]] inline std::string viewKey(const View& view) {
  return view.isPlan() ? "plan" : "wall:" + view.wall.value;
}

}  // namespace mezzet
