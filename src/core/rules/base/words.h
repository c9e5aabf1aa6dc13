// Ranges and measured values in the words of their quantity.
#pragma once

#include <string>

#include "core/rules/base/finding.h"

namespace mezzet {

[[nodiscard]] std::string rangeWords(const Range&, LengthFormat);  ///< "12 to 18 in", "at least 36 in"
/// In the words of the quantity: "12 to 18 in", "60 to 75 %", "at least 2".
[[nodiscard]] std::string rangeWords(const Range&, Quantity, LengthFormat);
[[nodiscard]] std::string measureWords(double value, Quantity, LengthFormat);  ///< "16 in", "62 %"
[[nodiscard]] std::string schoolLetter(const std::string& id);                 ///< "B"

}  // namespace mezzet
