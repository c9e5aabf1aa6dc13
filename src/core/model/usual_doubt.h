// How far a reading may be off where nobody said.
#pragma once

#include "core/model/site.h"

namespace mezzet {

/// The usual ± of an instrument for a length, mm [D]: tape 1/8 in plus 1/32 in for each 10 ft, laser 3 mm, plan 10 mm,
/// photograph 2 % and at least 10 mm.
[[nodiscard]] double usualU95(Instrument, double length);
[[nodiscard]] double tapeU95(double length);
/// The ± of a reading: as entered, else the instrument's usual one.
[[nodiscard]] inline double u95Of(const Taken& t) { return t.u95.value_or(usualU95(t.instrument, t.value)); }

}  // namespace mezzet
