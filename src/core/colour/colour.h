// Colours as they are written, "#rrggbb" in sRGB, and how light they look.
#pragma once

#include <array>
#include <optional>
#include <string_view>

namespace mezzet {

/// Red, green and blue as written, each 0 to 1.
using Srgb = std::array<double, 3>;
/// "#rrggbb", in capitals or not; nothing else is one.
[[nodiscard]] std::optional<Srgb> readColour(std::string_view);

/// CIE lightness L*, 0 black to 100 white, under the white of sRGB (IEC 61966-2-1; CIE 15).
[[nodiscard]] double lightnessOf(const Srgb&);

}  // namespace mezzet
