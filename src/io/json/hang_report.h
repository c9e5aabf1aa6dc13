// What the command line answers about nails.
#pragma once

#include <string>

#include "core/hang/nails.h"

namespace mezzet {

[[nodiscard]] std::string nailsJson(const Scheme&, const NailAsk&, const NailPlan&);

}  // namespace mezzet
