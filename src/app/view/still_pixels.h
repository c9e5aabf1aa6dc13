// What stands still on a sheet, painted once and shown again until it changes.
#pragma once

#include <QPixmap>

#include "render/painter.h"

namespace mezzet {

class StillPixels {
 public:
  /// What was painted no longer shows what is there.
  void outdate() { stale_ = true; }
  /// Nothing is painted for a widget of this size, in widget pixels, and this many device pixels to each.
  [[nodiscard]] bool stale(QSize size, double ratio) const { return stale_ || pixels_.size() != size * ratio; }
  /// Paints a drawing. The squares of the paper, dear to paint, are painted anew only where they moved.
  void paint(const Drawing&, const Projection&, const ImageStore&, QSize size, double ratio);
  /// With its words, painted anew when their edition or the rest has changed.
  [[nodiscard]] const QPixmap& pixels(const Drawing& words, int edition, const Projection&);

 private:
  void paintSquares(const Drawing&, const Projection&, QSize size, double ratio);

  bool stale_ = true;
  QPixmap pixels_, worded_;
  int edition_ = -1;  ///< of the words in `worded_`
  QPixmap squares_;   ///< the paper with its squares, and what it was painted from:
  std::vector<Item> squaresItems_;
  Projection squaresAt_;
  double squaresScale_ = 0;
};

}  // namespace mezzet
