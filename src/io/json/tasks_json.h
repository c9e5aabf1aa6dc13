// What a job is made of, as data: read from data/plan/tasks.json.
#pragma once

#include <string>
#include <string_view>

#include "core/base/result.h"
#include "core/base/tasks.h"

namespace mezzet {

[[nodiscard]] Result<TaskList> readTasks(std::string_view text, const std::string& name);

}  // namespace mezzet
