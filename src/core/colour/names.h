// Colours by the words people use for things on shelves.
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace mezzet {

/// What a word stands for, "#rrggbb": "black", "brass"; none of a word that names no colour. Values are defaults of
/// ours: what matters is typed as #rrggbb.
[[nodiscard]] std::optional<std::string> colourNamed(std::string_view word);
/// The nearest of these words, for sentences: "near black" is told as "black".
[[nodiscard]] std::string nameOfColour(std::string_view srgb);

}  // namespace mezzet
