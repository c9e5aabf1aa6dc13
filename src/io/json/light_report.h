// What mezzet-cli answers about light; the shapes are fixed in docs/cli.md.
#pragma once

#include <string>
#include <vector>

#include "core/light/downlights.h"
#include "core/light/estimate.h"

namespace mezzet {

[[nodiscard]] std::string lightJson(const Job&, const Scheme&, const std::set<CircuitId>& on, const LightEstimate&);
[[nodiscard]] std::string downlightsJson(const RoomId&, const SchemeId&, const Downlights&);
[[nodiscard]] std::string photometryJson(const Photometry&);

}  // namespace mezzet
