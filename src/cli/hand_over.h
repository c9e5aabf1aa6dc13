// Commands of mezzet-cli that hand over: delivery, dates, changes, issue, pack.
#pragma once

#include "cli/commands.h"

namespace mezzet::cli {

void addHandOverCommands(CLI::App&, Options&, Runs&, int& argc, char** argv);

}  // namespace mezzet::cli
