// Small help with typed words.
#pragma once

#include <cstddef>
#include <string>
#include <string_view>

namespace mezzet {

/// Why a typed line cannot be read, and from which byte on; thrown within its reader only.
struct Refusal {
  std::size_t at;
  std::string sentence;
};

inline bool isLetter(char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z'); }

/// Without blanks at either end.
[[nodiscard]] inline std::string trimmed(std::string_view text) {
  const auto blank = [](char c) { return c == ' ' || c == '\t' || c == '\r' || c == '\n'; };
  while (!text.empty() && blank(text.front())) text.remove_prefix(1);
  while (!text.empty() && blank(text.back())) text.remove_suffix(1);
  return std::string(text);
}

/// A to Z in small letters; the locale has no say.
[[nodiscard]] inline std::string lower(std::string_view text) {
  std::string out(text);
  for (char& c : out)
    if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
  return out;
}

}  // namespace mezzet
