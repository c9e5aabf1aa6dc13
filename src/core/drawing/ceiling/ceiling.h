// The ceiling of a room as seen from above, over its plan in thin lines, with a section below: composed once for screen
// and paper.
#pragma once

#include "core/drawing/ceiling/section.h"
#include "core/drawing/plan/plan.h"
#include "core/light/estimate.h"

namespace mezzet {

struct CeilingOptions {
  double scale = 48;
  LengthFormat format;
  PlacementIds without;
  bool grid = true;
  Vec2 gridLow, gridHigh;
  bool titles = true;
  PlacementId section;                      ///< drawn through this light
  bool sectionRoom = true;                  ///< keeps room for the section below the plan
  bool sectionDrawn = false;                ///< and draws it with its figures
  const LightEstimate* estimate = nullptr;  ///< contours over the plan
};
/// Where the section lies in a drawing with these options.
[[nodiscard]] SectionFrame sectionOf(const Job&, const Room&, const Scheme*, const CeilingOptions&);
[[nodiscard]] Drawing composeCeiling(const Job&, const Room&, const Scheme*, const CeilingOptions&);

/// Over it while working: never printed.
struct CeilingWork {
  const Scheme* scheme = nullptr;
  PlacementId selected;
  PlacementIds selection, inHand;
  std::vector<Tape> tapes;
  std::vector<Guide> guides;
  std::vector<Band> bands;  ///< of the section
  std::vector<Finding> findings;
  ItemId typedInto;
  const Job* ghost = nullptr;
};
[[nodiscard]] Drawing composeCeilingWork(const Job&, const Room&, const CeilingWork&, const CeilingOptions&);

/// Lines of equal light over the plan, lx written on them.
void addLightContours(Drawing&, const LightEstimate&);

}  // namespace mezzet
