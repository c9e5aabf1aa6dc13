#include "app/view/viewport.h"

#include <algorithm>
#include <cmath>

namespace mezzet {
namespace {

constexpr double kPixelsPerPaperMm = 96 / 25.4;      // lettering of 2.5 mm is then above 12 px
constexpr double kNearest = 2.5, kFurthest = 0.004;  // device pixels per mm of the room

}  // namespace

double Viewport::scale() const { return kPixelsPerPaperMm / projection_.perMm; }

void Viewport::fit(QSizeF size, const std::function<Drawing(double)>& compose) {
  // Margins are in mm of paper and the scale depends on them: a few rounds settle it.
  constexpr int kMostRounds = 12;
  constexpr double kSameScale = 1e-5, kSamePlace = 0.1;  // px
  const Projection shown = projection_;
  for (int round = 0; round < kMostRounds; ++round) {
    const double before = projection_.perMm;
    const Drawing d = compose(scale());
    const double w = std::max(1.0, d.high.x - d.low.x), h = std::max(1.0, d.high.y - d.low.y);
    projection_.perMm = std::clamp(std::min(size.width() / w, size.height() / h), kFurthest, kNearest);
    const Vec2 middle = midpoint(d.low, d.high);
    projection_.origin =
        QPointF(size.width() / 2 - middle.x * projection_.perMm, size.height() / 2 + middle.y * projection_.perMm);
    if (std::abs(projection_.perMm - before) < kSameScale * before) break;
  }
  // What would shift by less than the eye sees stays where it is, with all that was painted for it.
  const double grown = std::abs(projection_.perMm / shown.perMm - 1) * std::max(size.width(), size.height());
  const QPointF moved = projection_.origin - shown.origin;
  if (grown < kSamePlace && std::abs(moved.x()) < kSamePlace && std::abs(moved.y()) < kSamePlace) projection_ = shown;
  fitted_ = true;
}

void Viewport::zoomAt(double factor, QPointF at) {
  const Vec2 fixed = projection_.unmap(at);
  projection_.perMm = std::clamp(projection_.perMm * factor, kFurthest, kNearest);
  projection_.origin = QPointF(at.x() - fixed.x * projection_.perMm, at.y() + fixed.y * projection_.perMm);
  fitted_ = false;
}

void Viewport::pan(QPointF by) {
  projection_.origin += by;
  fitted_ = false;
}

}  // namespace mezzet
