// What is worked out of rugs and carpet as JSON: docs/cli.md.
#pragma once

#include <string>

#include "core/decide/which_rug.h"
#include "core/rugs/broadloom.h"
#include "core/rugs/carpet_words.h"
#include "core/rugs/stop_lines.h"

namespace mezzet {

[[nodiscard]] std::string rugsJson(const RoomId&, const SchemeId&, const WhichRug&, const std::vector<StopLine>&);
/// The empty scheme is null.
[[nodiscard]] std::string carpetJson(const Room&, const SchemeId&, const CarpetCut&, const CarpetList&,
                                     const RugTrade&);

}  // namespace mezzet
