// Areas as the trade says them.
#pragma once

#include "core/units/length.h"

namespace mezzet {

inline constexpr double kSquareFoot = 304.8 * 304.8;  ///< mm2

/// Whether lengths in this format are inches or metric.
[[nodiscard]] inline Unit unitOf(LengthFormat format) {
  return format.style == LengthStyle::Inches || format.style == LengthStyle::FeetInches ? Unit::Inch : Unit::Millimetre;
}
/// Square feet or square metres in tenths: "214.5 sq ft".
[[nodiscard]] std::string writeArea(double mm2, Unit);

}  // namespace mezzet
