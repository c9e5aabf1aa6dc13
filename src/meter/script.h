// What the stand-in of a measuring device plays.
#pragma once

#include <string_view>
#include <vector>

#include "core/model/job.h"
#include "core/base/result.h"

namespace mezzet {

struct ScriptStep {
  enum Kind { Reading, Garbage, Burst, Drop } kind = Reading;
  double value = 0;    ///< mm
  double share = 0.9;  ///< confidence of a hit
};

/// One step a line: a figure in mm, a figure and a confidence, or one of garbage, burst, drop; # begins a remark.
[[nodiscard]] Result<std::vector<ScriptStep>> readScript(std::string_view text, const std::string& name);
/// Its walls in order, then corner to corner.
[[nodiscard]] std::vector<ScriptStep> scriptOfRoom(const Room&);
/// The studs of its walls that have any, as the record says; else every 16 in along the first wall.
[[nodiscard]] std::vector<ScriptStep> studsOfRoom(const Room&);

}  // namespace mezzet
