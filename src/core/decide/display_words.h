// What is told of a thing of a display, and of the whole.
#pragma once

#include <string>
#include <vector>

#include "core/display/display.h"

namespace mezzet {

/// What of it is seen, what is free beside it, how far its colour strays.
[[nodiscard]] std::vector<std::string> toldOfThing(const Display&, const DisplayedThing&, LengthFormat);
/// Where it is put back, after cleaning: "Blue vase: shelf b2, 3 1/2 in from the left, 1/2 in behind the edge".
[[nodiscard]] std::string putBackWords(const Display&, const DisplayedThing&, LengthFormat);

}  // namespace mezzet
