// Commands about walls: the free wall, arrangements, mirrors, nails.
#pragma once

#include "cli/commands.h"
#include "core/hang/nails.h"

namespace mezzet::cli {

/// "left" or "right", left where nothing is said.
[[nodiscard]] WallEnd wallEndNamed(const std::string&);
/// --end and --line, of whatever shows nails.
void addNailOptions(CLI::App*, Options&);

void addWallCommands(CLI::App&, Options&, Runs&);

}  // namespace mezzet::cli
