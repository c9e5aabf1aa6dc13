// The plan on the sheet: in Measure the room alone, on the Floor with its furniture.
#pragma once

#include "app/view/sheet_view.h"
#include "core/survey/runs.h"

namespace mezzet {

class PlanView : public SheetView {
  Q_OBJECT

 public:
  using SheetView::SheetView;
  /// The walk that is being typed; shown instead of the room while it differs from it.
  void showDraft(std::optional<std::vector<Run>> runs, std::size_t current);

 signals:
  void wallChosen(const CornerId& wall);

 protected:
  [[nodiscard]] Drawing composeStill(double scale, const PlacementIds& without) const override;
  [[nodiscard]] Drawing composeMoving(double scale) const override;
  [[nodiscard]] PlacementId pieceAt(Vec2 model) const override;
  [[nodiscard]] Place movedBy(const Place&, Vec2 by) const override;
  [[nodiscard]] ItemId tapeTowards(Vec2 direction) const override;
  [[nodiscard]] bool canDrag() const override { return rowOf(workspace_.stage()).accepts == Accepts::Floor; }
  [[nodiscard]] bool takes(const Piece&) const override;
  [[nodiscard]] QString emptyHint() const override;
  void clickedItem(const ItemId& id) override;
  void clickedPlace(Vec2 model) override;

 private:
  std::optional<std::vector<Run>> draft_;
  std::size_t current_ = 0;
};

}  // namespace mezzet
