// Items of the working layer that plan and elevation share: tapes, marks of findings.
#pragma once

#include "core/clearance/tapes.h"
#include "core/drawing/drawing.h"
#include "core/rules/finding.h"

namespace mezzet {

[[nodiscard]] std::string tapeKey(Side);  ///< "tape:front": the id of a tape's items

/// A tape with its label on the accent; the label is what is clicked and typed into.
void addTape(Drawing&, const Tape&, LengthFormat, bool labelled);

/// A broken finding between its witness points, with a cross and its measure.
void addFindingMark(Drawing&, const Finding&, LengthFormat);

}  // namespace mezzet
