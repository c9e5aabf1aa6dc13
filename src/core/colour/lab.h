// Colours as they look: CIE L*a*b* under the white of sRGB (D65), and how different two of them look.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "core/colour/colour.h"

namespace mezzet {

struct Lab {
  double l = 0, a = 0, b = 0;
  bool operator==(const Lab&) const = default;
};

/// IEC 61966-2-1 and CIE 15, 2 degrees, white D65 (0.95047, 1, 1.08883).
[[nodiscard]] Lab labOf(const Srgb&);
/// The nearest colour that can be written; what lies outside is brought to the edge of each channel.
[[nodiscard]] Srgb srgbOf(const Lab&);
/// "#2b2b2b", each channel rounded.
[[nodiscard]] std::string writeColour(const Srgb&);
/// "#rrggbb" or "L,a,b"; nothing else.
[[nodiscard]] std::optional<Lab> readLab(std::string_view);
/// CIEDE2000 with kL = kC = kH = 1 (CIE 142; Sharma, Wu and Dalal 2005). About 1 is just seen side by side, 12 is
/// another colour on a shelf.
[[nodiscard]] double deltaE00(const Lab&, const Lab&);

/// Two colours nearer than this are one family on a shelf [D].
inline constexpr double kColourFamily = 12;

}  // namespace mezzet
