// Readings of a room and what the survey says of them, as JSON: what `mezzet-cli survey` reads and writes.
#pragma once

#include <string_view>

#include "core/survey/report.h"

namespace mezzet {

/// A network with the corners' own names.
struct NamedNetwork {
  Network network;
  std::vector<std::string> corners;
};

/// Untrusted. {"corners":["A",..],"turns":["L",..],"readings":[{"id","kind","from","to"|"at","mm"|"degrees","u95"}]}
[[nodiscard]] Result<NamedNetwork> readNetwork(std::string_view text, const std::string& name);

[[nodiscard]] std::string surveyText(const NamedNetwork&, const SurveyReport&);

}  // namespace mezzet
