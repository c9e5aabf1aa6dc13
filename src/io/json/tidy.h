// Numbers as the command line answers them.
#pragma once

#include <cmath>
#include <optional>

#include "core/geometry/vec.h"
#include "io/json/job_json.h"

namespace mezzet {

/// Ten thousandths of a millimetre are far below any reading and keep the output free of 16-digit noise.
inline double tidy(double value) {
  const double rounded = std::round(value * 1e4) / 1e4;
  return rounded == 0 ? 0 : rounded;
}
/// Unknown is null.
inline Json maybe(const std::optional<double>& value) { return value ? Json(tidy(*value)) : Json(nullptr); }
inline Json pointJson(Vec2 p) { return Json::array({tidy(p.x), tidy(p.y)}); }

}  // namespace mezzet
