// Job values to and from JSON; inside io only (nlohmann's header is dear to compile).
#pragma once

#include <nlohmann/json.hpp>

#include "io/job_file.h"

namespace mezzet {

using Json = nlohmann::ordered_json;

[[nodiscard]] Json toJson(const Room&);
[[nodiscard]] Json toJson(const Piece&);
[[nodiscard]] Json toJson(const Scheme&);
[[nodiscard]] Json toJson(const Brief&);
[[nodiscard]] Json toJson(const HouseRules&);
[[nodiscard]] Json toJson(const Job&, long long nextId);

/// Strict: unknown keys, wrong types and missing fields are errors that name the place.
[[nodiscard]] Result<JobFile> jobFromJson(const Json&, const std::string& name);

}  // namespace mezzet
