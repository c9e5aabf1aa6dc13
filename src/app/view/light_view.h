// The ceiling over the plan, with the section below it.
#pragma once

#include "app/view/sheet_view.h"
#include "core/drawing/base/working.h"
#include "core/drawing/ceiling/ceiling.h"

namespace mezzet {

class LightView : public SheetView {
  Q_OBJECT

 public:
  explicit LightView(Workspace& workspace, QWidget* parent = nullptr);
  /// Opens the tape of the selected light's cord; false where it has none.
  bool typeDrop() { return editTape(tapeItem(Side::Up)); }
  /// Where a point of the section lies on the widget; for tests.
  [[nodiscard]] QPointF sectionPoint(double x, double heightAboveFloor) const;

 protected:
  [[nodiscard]] Drawing composeStill(double scale, const PlacementIds& without) const override;
  [[nodiscard]] Drawing composeMoving(double scale) const override;
  [[nodiscard]] PlacementId pieceAt(Vec2 model) const override;
  [[nodiscard]] Place movedBy(const Place&, Vec2 by) const override;
  [[nodiscard]] ItemId tapeTowards(Vec2 direction) const override;
  [[nodiscard]] bool canDrag() const override;
  [[nodiscard]] bool takes(const Piece&) const override;
  [[nodiscard]] QString emptyHint() const override;
  void mousePressEvent(QMouseEvent*) override;

 private:
  [[nodiscard]] CeilingOptions options(double scale) const;
  [[nodiscard]] SectionFrame frame(double scale) const;
  bool byItsCord_ = false;  ///< taken hold of in the section: the hand pulls the cord
};

}  // namespace mezzet
