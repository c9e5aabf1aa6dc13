// Commands about walls: the free wall, arrangements, mirrors.
#pragma once

#include "cli/commands.h"

namespace mezzet::cli {

void addWallCommands(CLI::App&, Options&, Runs&);

}  // namespace mezzet::cli
