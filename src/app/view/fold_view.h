// The room opened like a box: an overview in which things are picked.
#pragma once

#include "app/view/sheet_view.h"

namespace mezzet {

class FoldView : public SheetView {
  Q_OBJECT

 public:
  using SheetView::SheetView;

 protected:
  [[nodiscard]] Drawing composeStill(double scale, const PlacementIds& without) const override;
  [[nodiscard]] Drawing composeMoving(double scale) const override;
  [[nodiscard]] PlacementId pieceAt(Vec2 model) const override;
  [[nodiscard]] Place movedBy(const Place& from, Vec2) const override { return from; }
  [[nodiscard]] ItemId tapeTowards(Vec2) const override { return {}; }
  [[nodiscard]] bool canDrag() const override { return false; }
  [[nodiscard]] bool takes(const Piece&) const override { return false; }
  [[nodiscard]] QString emptyHint() const override;
  void clickedPlace(Vec2 model) override;
};

}  // namespace mezzet
