#include "app/dialogs/photograph_view.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace mezzet {
namespace {

constexpr double kReach = 12;  // px of the screen: a corner so near is taken hold of
const QColor kMark(0xf4, 0xc4, 0x30), kEdge(0x1d, 0x27, 0x30);

}  // namespace

PhotographView::PhotographView(QWidget* parent) : QWidget(parent) {
  setObjectName(QStringLiteral("photographView"));
  setAccessibleName(tr("Photograph of the wall"));
  setMinimumSize(480, 360);
  setFocusPolicy(Qt::StrongFocus);
  setCursor(Qt::CrossCursor);
}

void PhotographView::show(const QImage& painted, double scale, const std::vector<Vec2>& corners,
                          const std::vector<Vec2>& outline, bool outlining) {
  image_ = painted;
  scale_ = scale;
  if (!outlining) cross_.reset();
  else if (!cross_) cross_ = Vec2{image_.width() / 2.0 / scale_, image_.height() / 2.0 / scale_};
  corners_ = corners;
  outline_ = outline;
  chosen_ = corners_.empty() ? 0 : std::min(chosen_, corners_.size() - 1);
  update();
}

double PhotographView::zoom() const {
  if (image_.isNull()) return 1;
  return scale_ *
         std::min(width() / static_cast<double>(image_.width()), height() / static_cast<double>(image_.height()));
}

QPointF PhotographView::onScreen(Vec2 pixel) const { return {pixel.x * zoom(), pixel.y * zoom()}; }
Vec2 PhotographView::onPicture(QPointF p) const { return {p.x() / zoom(), p.y() / zoom()}; }

std::optional<std::size_t> PhotographView::cornerAt(QPointF p) const {
  for (std::size_t i = 0; i < corners_.size(); ++i)
    if (const QPointF off = onScreen(corners_[i]) - p; std::hypot(off.x(), off.y()) <= kReach) return i;
  return std::nullopt;
}

void PhotographView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  if (image_.isNull()) return;
  painter.drawImage(QRectF(0, 0, image_.width() * zoom() / scale_, image_.height() * zoom() / scale_), image_);
  const auto chain = [&](const std::vector<Vec2>& points, bool closed) {
    QPolygonF line;
    for (const Vec2 p : points) line << onScreen(p);
    for (const QPen& pen : {QPen(kEdge, 3.4), QPen(kMark, 1.8)}) {
      painter.setPen(pen);
      closed ? painter.drawPolygon(line) : painter.drawPolyline(line);
    }
  };
  painter.setBrush(Qt::NoBrush);
  chain(corners_, corners_.size() == 4);
  chain(outline_, false);
  if (cross_ && hasFocus())
    for (const QPen& pen : {QPen(kEdge, 3.4), QPen(kMark, 1.8)}) {
      const QPointF at = onScreen(*cross_);
      painter.setPen(pen);
      painter.drawLine(at - QPointF(kReach, 0), at + QPointF(kReach, 0));
      painter.drawLine(at - QPointF(0, kReach), at + QPointF(0, kReach));
    }
  for (std::size_t i = 0; i < corners_.size(); ++i) {
    const QPointF at = onScreen(corners_[i]);
    painter.setPen(QPen(kEdge, 1.4));
    painter.setBrush(kMark);
    if (i == chosen_ && hasFocus()) painter.drawRect(QRectF(at.x() - 6, at.y() - 6, 12, 12));
    else painter.drawEllipse(at, 5, 5);
    painter.setPen(kEdge);
    painter.setBrush(Qt::white);
    const QRectF tag(at.x() + 7, at.y() - 20, 17, 17);
    painter.drawRect(tag);
    painter.drawText(tag, Qt::AlignCenter, QString::number(i + 1));
  }
}

void PhotographView::mousePressEvent(QMouseEvent* event) {
  if (image_.isNull()) return;
  held_ = cornerAt(event->position());
  if (held_) {
    chosen_ = *held_;
    update();
  } else {
    emit clicked(onPicture(event->position()));
  }
}
void PhotographView::mouseMoveEvent(QMouseEvent* event) {
  if (held_) emit moved(*held_, onPicture(event->position()));
}
void PhotographView::mouseReleaseEvent(QMouseEvent*) {
  if (held_) emit dropped();
  held_.reset();
}

void PhotographView::keyPressEvent(QKeyEvent* event) {
  const double step = event->modifiers() & Qt::ShiftModifier ? 10 : 1;
  Vec2 by;
  switch (event->key()) {
    case Qt::Key_Left: by = {-step, 0}; break;
    case Qt::Key_Right: by = {step, 0}; break;
    case Qt::Key_Up: by = {0, -step}; break;
    case Qt::Key_Down: by = {0, step}; break;
    case Qt::Key_Space:
      if (!corners_.empty()) chosen_ = (chosen_ + 1) % corners_.size();
      return update();
    case Qt::Key_Return:
    case Qt::Key_Enter:
      if (cross_) return emit clicked(*cross_);
      // Corners without a mouse: the next is set in the middle, and moved from there.
      return emit clicked({image_.width() / 2.0 / scale_, image_.height() / 2.0 / scale_});
    default: return QWidget::keyPressEvent(event);
  }
  if (cross_) {
    constexpr double kFaster = 10;  // px: an outline is drawn in large steps
    *cross_ += by * (event->modifiers() & Qt::ShiftModifier ? 1 / kFaster : kFaster);
    return update();
  }
  if (chosen_ >= corners_.size()) return;
  emit moved(chosen_, corners_[chosen_] + by);
  emit dropped();
}

}  // namespace mezzet
