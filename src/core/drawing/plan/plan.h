// The plan of a room, composed once for screen and paper.
#pragma once

#include "core/space/snapping.h"
#include "core/space/tapes.h"
#include "core/drawing/base/drawing.h"
#include "core/model/job.h"
#include "core/decide/bands.h"
#include "core/rules/base/finding.h"

namespace mezzet {

struct PlanOptions {
  double scale = 48;
  LengthFormat format;
  PlacementIds without;    ///< left out: what is in the hand
  bool grid = true;        ///< squared paper: 1 ft or 500 mm
  Vec2 gridLow, gridHigh;  ///< where it reaches beyond the drawing, as on a screen larger than it
  bool titles = true;      ///< name of the room, north, scale bar (a sheet brings its own)
  /// For who looks at the room, not for who works in it: the room and its openings are named, and sills, sockets and
  /// the like are left out.
  bool named = false;
  bool bare = false;  ///< shapes alone: for a picture too small for words and dimensions
};

/// Room, openings, features and, if there is one, the scheme's floor pieces, with dimensions and wall tags.
[[nodiscard]] Drawing composePlan(const Job&, const Room&, const Scheme*, const PlanOptions&);

/// One floor piece at a place, as it is drawn in the plan.
void addPiece(Drawing&, const Piece&, const FloorPlace&, const ItemId& id, const std::string& label, LengthFormat,
              Layer layer = Layer::Furniture);

/// What is drawn over the plan while working: never printed.
struct PlanWork {
  const Scheme* scheme = nullptr;
  PlacementId selected;
  PlacementIds selection;  ///< with the selected one; those beside it get a thinner edge
  PlacementIds inHand;     ///< drawn here instead of in the plan
  std::vector<Tape> tapes;
  std::vector<Band> bands;
  std::vector<Guide> guides;
  std::vector<Finding> findings;  ///< those to show on the drawing
  ItemId typedInto;               ///< id of the tape being typed into: its label is left to the editor
  const Job* ghost = nullptr;     ///< what of it stands elsewhere is drawn in outline
  bool handle = false;            ///< the selected one can be turned by its handle
};
/// The id of the handle by which a piece is turned freely: it stands off one of the corners, and labels keep clear of
/// it.
inline constexpr const char* kTurnHandle = "turn-handle";
[[nodiscard]] Drawing composePlanWork(const Job&, const Room&, const PlanWork&, double scale, LengthFormat format);

/// Bands of one view with the zone common to all of them drawn stronger (elevations), labels included.
void addBands(Drawing&, const std::vector<Band>&, const View&);

/// A walk of runs that is being typed: a dashed outline with the runs' lengths, and the gap where it does not close.
[[nodiscard]] Drawing composeDraft(const Polygon& corners, Vec2 end, const std::vector<std::string>& lengths,
                                   std::size_t current, double scale, LengthFormat format);

}  // namespace mezzet
