#include "app/window/sheet_desk.h"

#include <QEvent>
#include <QLayout>
#include <algorithm>

namespace mezzet {
namespace {

constexpr int kOff = 5;  // px from the sheet's edges

}  // namespace

void SheetDesk::setEdge(QWidget* edge) {
  edge_ = edge;
  edge_->setParent(this);
  edge_->installEventFilter(this);
  connect(this, &QStackedWidget::currentChanged, this, &SheetDesk::placeEdge);
  placeEdge();
}

void SheetDesk::placeEdge() {
  // What its parts want may have changed since they were last laid out.
  for (QLayout* layout : edge_->findChildren<QLayout*>()) layout->invalidate();
  const QSize size = edge_->sizeHint();
  edge_->setGeometry(kOff, height() - size.height() - kOff, std::min(size.width(), width() - 2 * kOff), size.height());
  edge_->raise();
}

void SheetDesk::resizeEvent(QResizeEvent* event) {
  QStackedWidget::resizeEvent(event);
  if (edge_ != nullptr) placeEdge();
}

bool SheetDesk::eventFilter(QObject* watched, QEvent* event) {
  // After its own layout has heard of it.
  if (watched == edge_ && event->type() == QEvent::LayoutRequest)
    QMetaObject::invokeMethod(this, &SheetDesk::placeEdge, Qt::QueuedConnection);
  return QStackedWidget::eventFilter(watched, event);
}

}  // namespace mezzet
