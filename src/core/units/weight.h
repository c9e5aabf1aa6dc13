// Weights as people read them: pounds with inches, kilograms with metres.
#pragma once

#include <cmath>
#include <string>

#include "core/units/length.h"

namespace mezzet {

inline constexpr double kPound = 0.45359237;  ///< kg, exact

/// "14 lb", "6.4 kg": whole pounds, tenths of a kilogram below ten.
[[nodiscard]] inline std::string writeWeight(double kg, Unit unit) {
  if (unit == Unit::Inch) return std::to_string(std::lround(kg / kPound)) + " lb";
  const long tenths = std::lround(kg * 10);
  if (tenths >= 100 || tenths % 10 == 0) return std::to_string(std::lround(kg)) + " kg";
  return std::to_string(tenths / 10) + "." + std::to_string(tenths % 10) + " kg";
}

}  // namespace mezzet
