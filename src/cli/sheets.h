// Printing from the command line.
#pragma once

#include "cli/commands.h"

namespace mezzet::cli {

void addSheetCommands(CLI::App&, Options&, Runs&, int& argc, char** argv);

}  // namespace mezzet::cli
