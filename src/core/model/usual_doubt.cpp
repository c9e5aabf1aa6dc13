#include "core/model/usual_doubt.h"

#include <algorithm>

#include "core/units/length.h"

namespace mezzet {

double tapeU95(double length) { return kInch / 8 + kInch / 32 * length / (10 * kFoot); }

double usualU95(Instrument instrument, double length) {
  switch (instrument) {
    case Instrument::Tape: return tapeU95(length);
    case Instrument::Laser: return 3;
    case Instrument::Plan: return 10;
    case Instrument::Photograph: return std::max(10.0, 0.02 * length);
  }
  return tapeU95(length);
}

}  // namespace mezzet
