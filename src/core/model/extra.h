// Free values that a file may carry and Mezzet hands on.
#pragma once

#include <string>

namespace mezzet {

/// Free JSON text kept as it was read (the key "x" in the file); "" when there is none.
using Extra = std::string;

}  // namespace mezzet
