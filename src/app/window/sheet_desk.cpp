#include "app/window/sheet_desk.h"

#include <QEvent>
#include <algorithm>

namespace mezzet {
namespace {

constexpr int kOff = 5;  // px from the sheet's edges

}  // namespace

void SheetDesk::setEdge(QWidget* edge) {
  edge_ = edge;
  edge_->setParent(this);
  edge_->installEventFilter(this);
  connect(this, &QStackedWidget::currentChanged, this, &SheetDesk::place);
  place();
}

void SheetDesk::place() {
  const QSize size = edge_->sizeHint();
  edge_->setGeometry(kOff, height() - size.height() - kOff, std::min(size.width(), width() - 2 * kOff), size.height());
  edge_->raise();
}

void SheetDesk::resizeEvent(QResizeEvent* event) {
  QStackedWidget::resizeEvent(event);
  if (edge_ != nullptr) place();
}

bool SheetDesk::eventFilter(QObject* watched, QEvent* event) {
  // After its own layout has heard of it.
  if (watched == edge_ && event->type() == QEvent::LayoutRequest)
    QMetaObject::invokeMethod(this, &SheetDesk::place, Qt::QueuedConnection);
  return QStackedWidget::eventFilter(watched, event);
}

}  // namespace mezzet
