#include "core/units/area.h"

#include <cmath>

namespace mezzet {

std::string writeArea(double mm2, Unit unit) {
  const long tenths = std::lround(mm2 / (unit == Unit::Inch ? kSquareFoot : 1e6) * 10);
  return std::to_string(tenths / 10) + "." + std::to_string(tenths % 10) + (unit == Unit::Inch ? " sq ft" : " m\u00b2");
}

}  // namespace mezzet
