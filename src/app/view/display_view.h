// One carrier in elevation with its section: things are thrown into bays, dragged, and moved by their tapes.
#pragma once

#include "app/view/sheet_view.h"
#include "core/drawing/base/working.h"
#include "core/drawing/display/display_drawing.h"

namespace mezzet {

class DisplayView : public SheetView {
  Q_OBJECT

 public:
  using SheetView::SheetView;
  /// Opens the tape of the selected thing's depth; false where it has none.
  bool typeDepth() { return editTape(tapeItem(Side::Front)); }

 protected:
  [[nodiscard]] Drawing composeStill(double scale, const PlacementIds& without) const override;
  [[nodiscard]] Drawing composeMoving(double scale) const override;
  [[nodiscard]] PlacementId pieceAt(Vec2 model) const override;
  [[nodiscard]] Place movedBy(const Place&, Vec2 by) const override;
  [[nodiscard]] ItemId tapeTowards(Vec2 direction) const override;
  [[nodiscard]] bool takes(const Piece&) const override;
  [[nodiscard]] QString emptyHint() const override;
  [[nodiscard]] bool canDrag() const override;

 private:
  [[nodiscard]] DisplayOptions options(double scale) const;
};

}  // namespace mezzet
