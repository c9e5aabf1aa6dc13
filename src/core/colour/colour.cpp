#include "core/colour/colour.h"

#include <charconv>
#include <cmath>

namespace mezzet {

std::optional<Srgb> readColour(std::string_view text) {
  if (text.size() != 7 || text[0] != '#') return std::nullopt;
  Srgb out{};
  for (std::size_t i = 0; i < 3; ++i) {
    const char* from = text.data() + 1 + 2 * i;
    unsigned value = 0;
    const auto [end, fault] = std::from_chars(from, from + 2, value, 16);
    if (fault != std::errc() || end != from + 2) return std::nullopt;
    out[i] = value / 255.0;
  }
  return out;
}

double lightnessOf(const Srgb& colour) {
  constexpr double kRed = 0.2126, kGreen = 0.7152, kBlue = 0.0722;  // shares of luminance
  const auto linear = [](double c) { return c <= 0.04045 ? c / 12.92 : std::pow((c + 0.055) / 1.055, 2.4); };
  const double y = kRed * linear(colour[0]) + kGreen * linear(colour[1]) + kBlue * linear(colour[2]);
  constexpr double kSmall = 216.0 / 24389, kSlope = 24389.0 / 27;
  return y <= kSmall ? kSlope * y : 116 * std::cbrt(y) - 16;
}

}  // namespace mezzet
