// Text as bytes: whether it is well-formed UTF-8, and from other code pages into it.
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace mezzet {

/// Well-formed UTF-8 without zeros, overlong forms, surrogates and what lies beyond U+10FFFF.
[[nodiscard]] bool isUtf8(std::string_view bytes);

/// From a code page by its number, such as 1252; nothing when it is not known here. What has no meaning there becomes
/// U+FFFD.
[[nodiscard]] std::optional<std::string> fromCodePage(std::string_view bytes, int codePage);

/// As UTF-8; appended.
void appendUtf8(std::string& out, char32_t letter);

}  // namespace mezzet
