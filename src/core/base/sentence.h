// Small help with sentences.
#pragma once

#include <string>

namespace mezzet {

/// Its first letter large, if it is one of a to z: names and clauses that begin a sentence. The locale has no say.
[[nodiscard]] inline std::string capital(std::string text) {
  if (!text.empty() && text[0] >= 'a' && text[0] <= 'z') text[0] = static_cast<char>(text[0] - 'a' + 'A');
  return text;
}

/// A name inside a sentence: "Sofa" is written small, "TV stand" keeps its capitals.
[[nodiscard]] inline std::string midSentence(std::string name) {
  const auto large = [](char c) { return c >= 'A' && c <= 'Z'; };
  const auto small = [](char c) { return c >= 'a' && c <= 'z'; };
  if (name.size() > 1 && large(name[0]) && small(name[1])) name[0] = static_cast<char>(name[0] - 'A' + 'a');
  return name;
}

}  // namespace mezzet
