// What mezzet-cli does with photographs.
#pragma once

#include "cli/commands.h"

namespace mezzet::cli {

void addPhotographCommands(CLI::App&, Options&, Runs&, int& argc, char** argv);

}  // namespace mezzet::cli
