// The room small in the corner of a wall's sheet: which wall is seen, and a click on another shows that.
#pragma once

#include <QWidget>

#include "app/document/workspace.h"
#include "core/drawing/base/drawing.h"
#include "render/painter.h"

namespace mezzet {

class WallPicker : public QWidget {
  Q_OBJECT

 public:
  explicit WallPicker(Workspace& workspace, QWidget* parent = nullptr);
  /// Where a wall is clicked: the middle of its face.
  [[nodiscard]] QPointF placeOf(const CornerId&) const;

 protected:
  void paintEvent(QPaintEvent*) override;
  void mousePressEvent(QMouseEvent*) override;
  void keyPressEvent(QKeyEvent*) override;
  bool event(QEvent*) override;
  void focusInEvent(QFocusEvent*) override { update(); }
  void focusOutEvent(QFocusEvent*) override { update(); }

 private:
  void follow();
  [[nodiscard]] std::optional<CornerId> wallAt(QPointF) const;
  [[nodiscard]] std::optional<CornerId> lettered(const QKeyEvent&) const;

  Workspace& workspace_;
  Drawing drawing_;
  Projection projection_;
};

}  // namespace mezzet
