// A photograph in which corners and outlines are set and moved.
#pragma once

#include <QImage>
#include <QWidget>
#include <optional>
#include <vector>

#include "core/geometry/vec.h"

namespace mezzet {

/// The photograph, as large as there is room; corners and outlines are set and moved in it by mouse and keyboard.
class PhotographView : public QWidget {
  Q_OBJECT

 public:
  explicit PhotographView(QWidget* parent = nullptr);
  /// `painted` is the photograph made smaller by `scale`; points are pixels of the photograph itself.
  /// While an outline is drawn arrow keys move a cross, and Enter sets a point there.
  void show(const QImage& painted, double scale, const std::vector<Vec2>& corners, const std::vector<Vec2>& outline,
            bool outlining);
  /// Where a point of the photograph is seen; for tests.
  [[nodiscard]] QPointF onScreen(Vec2 pixel) const;

 signals:
  void clicked(Vec2 pixel);
  void moved(std::size_t corner, Vec2 pixel);
  void dropped();  ///< the corner in the hand was let go, or nudged

 protected:
  void paintEvent(QPaintEvent*) override;
  void mousePressEvent(QMouseEvent*) override;
  void mouseMoveEvent(QMouseEvent*) override;
  void mouseReleaseEvent(QMouseEvent*) override;
  void keyPressEvent(QKeyEvent*) override;

 private:
  [[nodiscard]] double zoom() const;
  [[nodiscard]] Vec2 onPicture(QPointF) const;
  [[nodiscard]] std::optional<std::size_t> cornerAt(QPointF) const;

  QImage image_;
  double scale_ = 1;
  std::vector<Vec2> corners_, outline_;
  std::optional<std::size_t> held_;
  std::optional<Vec2> cross_;  ///< while an outline is drawn
  std::size_t chosen_ = 0;     ///< the corner that arrow keys move
};

}  // namespace mezzet
