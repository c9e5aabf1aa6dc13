// Ranges and measured values in the words of their quantity.
#pragma once

#include <string>

#include "core/rules/base/finding.h"

namespace mezzet {

[[nodiscard]] std::string rangeWords(const Range&, LengthFormat);  ///< "12 to 18 in", "at least 36 in"
/// In the words of the quantity: "12 to 18 in", "60 to 75 %", "at least 2".
[[nodiscard]] std::string rangeWords(const Range&, Quantity, LengthFormat);
[[nodiscard]] std::string measureWords(double value, Quantity, LengthFormat);  ///< "16 in", "62 %"

/// By how much something is missed, "2 1/2 in": never nothing, but "less than 1/16 in".
[[nodiscard]] std::string missedBy(double by, LengthFormat);
/// ", 2 1/2 in too low", or nothing when it holds.
[[nodiscard]] std::string missWords(const Finding&, LengthFormat, const char* under = "too low",
                                    const char* over = "too high");
/// What looks right, after a proportion: ", which looks right", "; 60 to 72 % would look better", "; 60 to 72 % looks
/// right".
[[nodiscard]] std::string idealWords(const Finding&, LengthFormat);

}  // namespace mezzet
