// One wall in elevation, with a strip of the floor below it in line.
#pragma once

#include "app/view/sheet_view.h"

namespace mezzet {

class WallView : public SheetView {
  Q_OBJECT

 public:
  using SheetView::SheetView;

 protected:
  [[nodiscard]] Drawing composeStill(double scale, const PlacementIds& without) const override;
  [[nodiscard]] Drawing composeMoving(double scale) const override;
  [[nodiscard]] PlacementId pieceAt(Vec2 model) const override;
  [[nodiscard]] Place movedBy(const Place&, Vec2 by) const override;
  [[nodiscard]] ItemId tapeTowards(Vec2 direction) const override;
  [[nodiscard]] bool takes(const Piece&) const override;
  [[nodiscard]] QString emptyHint() const override;
  [[nodiscard]] bool canDrag() const override { return rowOf(workspace_.stage()).accepts == Accepts::Wall; }
  void clickedPlace(Vec2 model) override;
};

}  // namespace mezzet
