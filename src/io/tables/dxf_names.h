// Names of layers in drawings, in whatever letters they were written.
#pragma once

#include <string>
#include <string_view>

namespace mezzet {

inline constexpr int kUsualCodePage = 1252;
inline constexpr std::size_t kLongestName = 255;

/// "ANSI_1252" is 1252; without a number that of western Europe.
[[nodiscard]] int codePageNamed(std::string_view name);
/// A name as it is shown and asked for: UTF-8, where it is, else from the drawing's code page; letters that were
/// written by their numbers (\U+00E9) as themselves; no control characters, and not longer than a name is.
[[nodiscard]] std::string shownName(std::string_view raw, int codePage);

}  // namespace mezzet
