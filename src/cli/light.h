// Commands about light: light, photometry, downlights; and the list of lights as a CSV file.
#pragma once

#include "cli/commands.h"

namespace mezzet::cli {

void addLightCommands(CLI::App&, Options&, Runs&);
int runFixturesCsv(const Options&, const JobFile&);

}  // namespace mezzet::cli
