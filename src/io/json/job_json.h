// Job values to and from JSON; inside io only (nlohmann's header is dear to compile).
#pragma once

#include <nlohmann/json.hpp>

#include "io/files/job_file.h"

namespace mezzet {

using Json = nlohmann::ordered_json;

[[nodiscard]] Json toJson(const Room&);
[[nodiscard]] Json toJson(const Piece&);
[[nodiscard]] Json toJson(const Scheme&);
[[nodiscard]] Json toJson(const Brief&);
[[nodiscard]] Json toJson(const HouseRules&);
[[nodiscard]] Json toJson(const CarpetList&);
[[nodiscard]] Json toJson(const Job&, long long nextId);

/// Parses JSON text that nests at most kDeepest levels (deeper text would exhaust the stack of whoever walks it), has
/// no object of more keys than can be read in time, and no zeros, at which the parser would end. Throws
/// nlohmann::json::exception when it is not valid.
inline constexpr int kDeepest = 100;
[[nodiscard]] Json parseJson(std::string_view text);
/// What parseJson threw of this text, in words with line and column; `hint` for text that is no JSON at all.
[[nodiscard]] Error notJson(const nlohmann::json::parse_error&, std::string_view text, const std::string& name,
                            const std::string& hint = "The file may be cut short or damaged; open a copy");

/// Throws JsonFault; the piece is not checked.
[[nodiscard]] Piece pieceFromJson(const Json&, const std::string& place);
/// Likewise.
[[nodiscard]] Scheme schemeFromJson(const Json&, const std::string& place);
/// Strict: unknown keys, wrong types and missing fields are errors that name the place.
[[nodiscard]] Result<JobFile> jobFromJson(const Json&, const std::string& name);

}  // namespace mezzet
