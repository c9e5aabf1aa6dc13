// Commands about rugs and carpet: rugs says which rug takes a group, carpet how broadloom is cut.
#pragma once

#include "cli/commands.h"

namespace mezzet::cli {

/// Main routes as they are drawn; none without a scheme. May take long, and then is refused.
[[nodiscard]] std::vector<std::vector<Vec2>> routesOf(const Job&, const Scheme*, const Options&);
void addRugCommands(CLI::App&, Options&, Runs&);

}  // namespace mezzet::cli
