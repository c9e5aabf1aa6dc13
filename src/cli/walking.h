// Commands about ways through a room: route, reach, turning.
#pragma once

#include "cli/common.h"

namespace mezzet::cli {

int runRoute(const Options&);
int runReach(const Options&);
int runTurning(const Options&);

}  // namespace mezzet::cli
