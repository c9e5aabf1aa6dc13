// The hand that moves and turns a thing: it takes hold, previews frame by frame, and lets go in one edit. It knows
// points of the drawing and no widget.
#pragma once

#include <functional>
#include <optional>

#include "app/document/workspace.h"
#include "core/space/snapping.h"

namespace mezzet {

class DragTool {
 public:
  /// How a view lets things move: in whole steps, or along its wall.
  using MovedBy = std::function<Place(const Place&, Vec2 by)>;
  DragTool(Workspace& workspace, MovedBy movedBy) : workspace_(workspace), movedBy_(std::move(movedBy)) {}

  /// Takes hold of the selected thing at a point, or of the handle that turns it.
  void press(Vec2 at, bool onHandle);
  /// Moves on, without lining up if `freely`; what is within `reach` (mm) is lined up with. The first move begins the
  /// drag and finds the bands, which depend on the other things and on the turn, not on where the hand is.
  void move(Vec2 to, bool freely, double reach);
  /// Lets go: one edit, if it moved.
  void release();
  void cancel();

  [[nodiscard]] bool holds() const { return held_.has_value(); }
  [[nodiscard]] bool moved() const { return held_ && held_->moved; }
  /// The job with the thing where it is now, else the job itself.
  [[nodiscard]] const Job& shown() const { return held_ ? held_->preview : workspace_.job(); }
  [[nodiscard]] const std::vector<Band>& bands() const { return bands_; }
  [[nodiscard]] const std::vector<Guide>& guides() const { return guides_; }
  /// Of something that is carried over the sheet from outside.
  void showOf(std::vector<Band> bands, std::vector<Guide> guides) {
    bands_ = std::move(bands);
    guides_ = std::move(guides);
  }

 private:
  struct Held {
    Job before;  // at the press
    Place from;
    Vec2 grabbed;  // under the hand
    Job preview;   // one per frame
    bool moved = false;
    bool turning = false;  // by its handle
  };

  Workspace& workspace_;
  MovedBy movedBy_;
  std::optional<Held> held_;
  std::vector<Band> bands_;
  std::vector<Guide> guides_;
};

}  // namespace mezzet
