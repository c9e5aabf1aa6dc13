// A room of the job file.
#pragma once

#include <string>

#include "io/json/job_json.h"

namespace mezzet {

/// Throws JsonFault that names the place.
[[nodiscard]] Room readRoom(const Json&, const std::string& place);

}  // namespace mezzet
