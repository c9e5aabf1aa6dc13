// One carrier with what stands on it: its elevation, its section beside it or its top below it, the shares of its
// colours below.
#pragma once

#include "core/display/display.h"
#include "core/drawing/base/drawing.h"
#include "core/rules/base/finding.h"
#include "core/space/arrange.h"

namespace mezzet {

struct DisplayOptions {
  double scale = 12;
  LengthFormat format;
  PlacementIds without;  ///< left out: in the hand
  PlacementId chosen;    ///< the section is cut through its bay; none: through the first filled one
  bool evening = false;  ///< bays that no light reaches go dark
  bool names = true;     ///< of the things
  bool figures = true;   ///< heights of the bays and the outside
  bool palette = true;
  bool eye = true;  ///< its line, and what a shelf above it hides
};
/// Elevation from x = 0 to the carrier's width, heights above its foot; the section begins `sectionLeft` further right.
[[nodiscard]] Drawing composeDisplay(const Display&, const DisplayOptions&);
/// Where the section's front edge lies in the drawing.
[[nodiscard]] double sectionLeft(const Display&, double scale);
/// A top with nothing over it is seen from above, below its elevation; its front edge lies so low.
[[nodiscard]] bool isSeenFromAbove(const Display&);
[[nodiscard]] double topViewBase(const Display&, double scale);

struct DisplayWork {
  PlacementId selected;
  std::vector<PlacementId> selection;
  std::vector<Finding> findings;  ///< those about this display are marked
  ItemId typedInto;
  std::vector<PlacementId> inHand = {};
  const Display* ghost = nullptr;  ///< as it would be: what stands otherwise is drawn thin
};
/// What moves over it: the selected thing with its tapes, marks of findings, tapes of the shelves.
[[nodiscard]] Drawing composeDisplayWork(const Display&, const DisplayWork&, const DisplayOptions&);

/// Tapes of the working layer: of a thing by its side, of a shelf by its id.
[[nodiscard]] ItemId shelfTape(const std::string& surface);
/// The surface a shelf's tape moves; "" of another item.
[[nodiscard]] std::string shelfOfTape(const ItemId&);
/// Which bays a light reaches: lit ones stand in them, or a battery candle does.
[[nodiscard]] std::vector<bool> litBays(const Display&);

}  // namespace mezzet
