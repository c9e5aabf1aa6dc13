// A range with open ends.
#pragma once

#include <optional>

namespace mezzet {

/// Its ends belong to it.
struct Range {
  std::optional<double> low, high;
  bool operator==(const Range&) const = default;
};

/// How far `value` is inside the range: the least over the ends that exist; negative when outside.
[[nodiscard]] double marginIn(const Range&, double value);

}  // namespace mezzet
