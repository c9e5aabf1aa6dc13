// What to measure next: the corner-to-corner length that would make the worst-known length of the room best known.
#pragma once

#include "core/model/usual_doubt.h"
#include "core/survey/adjust.h"

namespace mezzet {

struct NextReading {
  std::size_t from = 0, to = 0;
  double worstBefore = 0, worstAfter = 0;  ///< largest u95 of any corner-to-corner length, mm
};

/// Among the corner pairs not measured yet; nothing when there is none, or none would help by a tenth of a millimetre.
/// With very many corners only pairs whose length is badly known are weighed.
[[nodiscard]] std::optional<NextReading> nextReading(const Network&, const Adjustment&);

}  // namespace mezzet
