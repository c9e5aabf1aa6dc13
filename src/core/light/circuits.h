// What is switched together, in words.
#pragma once

#include <string>

#include "core/model/job.h"

namespace mezzet {

/// "switch on wall A, 104 in from its start"; "no switch yet".
[[nodiscard]] std::string switchWords(const Room&, const Circuit&);
[[nodiscard]] std::string switchWords(const Room&, const Circuit&, LengthFormat);  ///< with how far along its wall

}  // namespace mezzet
