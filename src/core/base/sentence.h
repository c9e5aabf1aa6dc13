// Small help with sentences.
#pragma once

#include <string>

namespace mezzet {

/// Its first letter large, if it is one of a to z: names and clauses that begin a sentence. The locale has no say.
[[nodiscard]] inline std::string capital(std::string text) {
  if (!text.empty() && text[0] >= 'a' && text[0] <= 'z') text[0] = static_cast<char>(text[0] - 'a' + 'A');
  return text;
}

}  // namespace mezzet
