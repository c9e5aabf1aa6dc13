// Which part of a drawing a widget shows, and how large.
#pragma once

#include <QPointF>
#include <QSizeF>
#include <functional>

#include "render/painter.h"

namespace mezzet {

class Viewport {
 public:
  /// Fits a drawing, which is composed for a scale, into a size.
  void fit(QSizeF size, const std::function<Drawing(double scale)>& compose);
  /// Nearer or further, with the point under the hand staying where it is.
  void zoomAt(double factor, QPointF at);
  void pan(QPointF by);

  [[nodiscard]] const Projection& projection() const { return projection_; }
  /// mm of the room per mm of paper.
  [[nodiscard]] double scale() const;
  /// The size follows the window until it was zoomed or panned.
  [[nodiscard]] bool fitted() const { return fitted_; }
  void followWindow() { fitted_ = true; }

 private:
  Projection projection_;
  bool fitted_ = true;
};

}  // namespace mezzet
