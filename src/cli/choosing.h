// The commands about choosing: ties, budget, search.
#pragma once

#include "cli/commands.h"

namespace mezzet::cli {

void addChoosingCommands(CLI::App&, Options&, Runs&);

}  // namespace mezzet::cli
