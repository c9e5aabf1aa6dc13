#include "core/base/range.h"

#include <algorithm>
#include <limits>

namespace mezzet {

double marginIn(const Range& range, double value) {
  double margin = std::numeric_limits<double>::infinity();
  if (range.low) margin = std::min(margin, value - *range.low);
  if (range.high) margin = std::min(margin, *range.high - value);
  return margin;
}

}  // namespace mezzet
