// One storey of the house: all its rooms put together.
#pragma once

#include "app/view/sheet_view.h"

namespace mezzet {

class HouseView : public SheetView {
  Q_OBJECT

 public:
  using SheetView::SheetView;

 protected:
  [[nodiscard]] Drawing composeStill(double scale, const PlacementIds& without) const override;
  [[nodiscard]] Drawing composeMoving(double scale) const override { return Drawing{scale, {}, {}, {}}; }
  [[nodiscard]] PlacementId pieceAt(Vec2) const override { return {}; }
  [[nodiscard]] Place movedBy(const Place& from, Vec2) const override { return from; }
  [[nodiscard]] ItemId tapeTowards(Vec2) const override { return {}; }
  [[nodiscard]] bool canDrag() const override { return false; }
  [[nodiscard]] bool takes(const Piece&) const override { return false; }
  [[nodiscard]] QString emptyHint() const override;
  void clickedItem(const ItemId& id) override;
};

}  // namespace mezzet
