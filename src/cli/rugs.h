// Commands about rugs and carpet: rugs says which rug takes a group, carpet how broadloom is cut.
#pragma once

#include "cli/common.h"

namespace mezzet::cli {

void addRugCommands(CLI::App&, Options&, Runs&);

}  // namespace mezzet::cli
