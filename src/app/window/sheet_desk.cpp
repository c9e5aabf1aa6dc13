#include "app/window/sheet_desk.h"

#include <algorithm>

namespace mezzet {
namespace {

constexpr int kOff = 5;  // px from the sheet's edges

}  // namespace

void SheetDesk::setEdge(QWidget* edge) {
  edge_ = edge;
  edge_->setParent(this);
  connect(this, &QStackedWidget::currentChanged, this, &SheetDesk::placeEdge);
  placeEdge();
}

void SheetDesk::setCorner(QWidget* corner) {
  corner_ = corner;
  corner_->setParent(this);
  placeEdge();
}

void SheetDesk::placeEdge() {
  const QSize size = edge_->sizeHint();
  edge_->setGeometry(kOff, height() - size.height() - kOff, std::min(size.width(), width() - 2 * kOff), size.height());
  edge_->raise();
  if (corner_ == nullptr) return;
  corner_->move(width() - corner_->width() - kOff, height() - corner_->height() - kOff);
  corner_->raise();
}

void SheetDesk::resizeEvent(QResizeEvent* event) {
  QStackedWidget::resizeEvent(event);
  if (edge_ != nullptr) placeEdge();
}

}  // namespace mezzet
