#include "core/colour/colour.h"

#include <charconv>

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

}  // namespace mezzet
