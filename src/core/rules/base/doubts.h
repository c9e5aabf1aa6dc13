// How far a piece's own dimensions may be off.
#pragma once

#include <string>

#include "core/model/job.h"

namespace mezzet {

[[nodiscard]] double doubtOf(const Piece&, const std::string& dimension);  ///< u95, mm; 0 when none was entered
/// Of its extent along a direction of the plan.
[[nodiscard]] double doubtAlong(const Piece&, const FloorPlace&, Vec2 direction);
[[nodiscard]] double doubtOfTop(const Piece&);  ///< of the height that something hangs above

}  // namespace mezzet
