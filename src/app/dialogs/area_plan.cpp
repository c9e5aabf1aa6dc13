#include "app/dialogs/area_plan.h"

#include <QMouseEvent>
#include <QPainter>

namespace mezzet {
namespace {

constexpr double kAClick = 6;  // px: a shorter drag draws nothing

}  // namespace

AreaPlan::AreaPlan(Workspace& workspace, QWidget* parent) : StillView(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("areaPlan"));
  setAccessibleName(tr("Plan with its areas"));
  setToolTip(tr("Drag from corner to corner to draw an area"));
  setCursor(Qt::CrossCursor);
}

Projection AreaPlan::projection() const {
  Projection out = planProjection(workspace_, workspace_.job(), workspace_.schemeId(), pictureSize());
  out.origin += QPointF(kEdge, kEdge);
  return out;
}
QPointF AreaPlan::onScreen(Vec2 p) const { return projection().map(p); }
Vec2 AreaPlan::inPlan(QPointF p) const { return projection().unmap(p); }

void AreaPlan::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton || workspace_.document().readOnly()) return;
  from_ = to_ = event->position();
}
void AreaPlan::mouseMoveEvent(QMouseEvent* event) {
  if (!from_) return;
  to_ = event->position();
  update();
}
void AreaPlan::mouseReleaseEvent(QMouseEvent* event) {
  if (!from_) return;
  const QPointF from = *from_, to = event->position();
  from_.reset();
  update();
  if ((to - from).manhattanLength() > kAClick) emit drawn(inPlan(from), inPlan(to));
}

void AreaPlan::paintEvent(QPaintEvent* event) {
  StillView::paintEvent(event);
  if (!from_) return;
  QPainter painter(this);
  painter.setPen(QPen(desk::kInk, 1.4, Qt::DashLine));
  painter.setBrush(QColor(0xf4, 0xc4, 0x30, 60));
  painter.drawRect(QRectF(*from_, to_).normalized());
}

}  // namespace mezzet
