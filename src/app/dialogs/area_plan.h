// The plan of a scheme in which an area is drawn, from one corner to the other.
#pragma once

#include "app/view/still_picture.h"

namespace mezzet {

class AreaPlan : public StillView {
  Q_OBJECT

 public:
  explicit AreaPlan(Workspace& workspace, QWidget* parent = nullptr);
  /// Where a place of the plan is seen; for tests.
  [[nodiscard]] QPointF onScreen(Vec2) const;

 signals:
  void drawn(Vec2 from, Vec2 to);

 protected:
  void mousePressEvent(QMouseEvent*) override;
  void mouseMoveEvent(QMouseEvent*) override;
  void mouseReleaseEvent(QMouseEvent*) override;
  void paintEvent(QPaintEvent*) override;

 private:
  [[nodiscard]] Vec2 inPlan(QPointF) const;
  [[nodiscard]] Projection projection() const;

  Workspace& workspace_;
  std::optional<QPointF> from_;
  QPointF to_;
};

}  // namespace mezzet
