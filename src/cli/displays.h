// The commands about displays: display, set, cuts, colour, palette, shelf.
#pragma once

#include "cli/commands.h"

namespace mezzet::cli {

void addDisplayCommands(CLI::App&, Options&, Runs&);

}  // namespace mezzet::cli
