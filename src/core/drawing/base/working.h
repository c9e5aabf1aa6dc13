// Items of the working layer that plan and elevation share: tapes, marks of findings.
#pragma once

#include "core/space/snapping.h"
#include "core/space/tapes.h"
#include "core/drawing/base/drawing.h"
#include "core/rules/base/finding.h"

namespace mezzet {

[[nodiscard]] ItemId tapeItem(Side);  ///< the id of a tape's items

/// A tape with its label on the accent; the label is what is clicked and typed into.
void addTape(Drawing&, const Tape&, LengthFormat, bool labelled, const ItemId& id);
inline void addTape(Drawing& d, const Tape& tape, LengthFormat format, bool labelled) {
  addTape(d, tape, format, labelled, tapeItem(tape.side));
}

/// What the thing in the hand lines up with: a dashed line through both, with its words.
void addGuides(Drawing&, const std::vector<Guide>&);

/// A broken finding between its witness points, with a cross and its measure.
void addFindingMark(Drawing&, const Finding&, LengthFormat);

}  // namespace mezzet
