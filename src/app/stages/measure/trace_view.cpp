#include "app/stages/measure/trace_view.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "render/palette.h"

namespace mezzet {
namespace {

constexpr double kReach = 9;  // screen pixels within which a click takes hold or comes in line
constexpr double kMostZoom = 12, kLeastZoom = 0.02;
constexpr int kSmallestLevel = 1024;  // pixels on the long side

void drawHandle(QPainter& p, QPointF at, bool strong) {
  p.setPen(QPen(desk::kInk, 2));
  p.setBrush(strong ? desk::kTape : desk::kPaper);
  p.drawEllipse(at, 5, 5);
}

/// Lettering on a ground, so that it can be read on any picture.
void drawLabel(QPainter& p, QPointF at, const QString& text) {
  const QRectF box = p.fontMetrics().boundingRect(text).adjusted(-5, -2, 5, 2);
  const QRectF there = box.translated(at - box.center());
  p.fillRect(there, desk::kPaper);
  p.setPen(desk::kInk);
  p.drawText(there, Qt::AlignCenter, text);
}

}  // namespace

TraceView::TraceView(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("traceView"));
  setAccessibleName(tr("Plan picture"));
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setCursor(Qt::CrossCursor);
  connect(&workspace_, &Workspace::jobChanged, this, [this](const JobChange& what) {
    if (what.rooms || what.house) reload();
  });
  connect(&workspace_, &Workspace::viewChanged, this, &TraceView::reload);
  reload();
}

const Underlay* TraceView::underlay() const {
  const Room* room = workspace_.room();
  return room != nullptr && room->underlay ? &*room->underlay : nullptr;
}

void TraceView::reload() {
  const Underlay* u = underlay();
  const QString name = u != nullptr ? QString::fromStdString(u->image) : QString();
  if (name != shown_) {
    shown_ = name;
    const QImage* image = u != nullptr ? workspace_.images().find(u->image) : nullptr;
    picture_ = image != nullptr ? QPixmap::fromImage(*image) : QPixmap();
    scaled_ = {};
    smaller_.clear();
    for (QPixmap level = picture_; std::max(level.width(), level.height()) > kSmallestLevel;) {
      level = level.scaled(level.size() / 2, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
      smaller_.push_back(level);
    }
    points_.clear();
    cross_.reset();
    fit();
  }
  update();
}

void TraceView::setHand(TraceHand hand) {
  hand_ = hand;
  points_.clear();
  update();
  emit pointsChanged();
}

void TraceView::clearPoints() {
  points_.clear();
  update();
  emit pointsChanged();
}

void TraceView::fit() {
  fitted_ = true;
  if (picture_.isNull() || width() < 10) return;
  zoom_ = std::min((width() - 24.0) / picture_.width(), (height() - 24.0) / picture_.height());
  origin_ = QPointF((width() - picture_.width() * zoom_) / 2, (height() - picture_.height() * zoom_) / 2);
  update();
}

void TraceView::zoomAt(double factor, QPointF at) {
  const Vec2 under = onPicture(at);
  zoom_ = std::clamp(zoom_ * factor, kLeastZoom, kMostZoom);
  origin_ = at - QPointF(under.x * zoom_, under.y * zoom_);
  fitted_ = false;
  update();
}

void TraceView::resizeEvent(QResizeEvent*) {
  if (fitted_) fit();
}

void TraceView::paintPicture(QPainter& p) {
  const double ratio = devicePixelRatioF();
  if (zoom_ * ratio < 1) {
    // Smaller than life: scaled once for this zoom, then only copied.
    if (scaled_.isNull() || scaledZoom_ != zoom_ * ratio) {
      const QSize size(std::max(1, int(std::lround(picture_.width() * zoom_ * ratio))),
                       std::max(1, int(std::lround(picture_.height() * zoom_ * ratio))));
      const QPixmap* from = &picture_;
      for (const QPixmap& level : smaller_)
        if (level.width() >= size.width()) from = &level;
      scaled_ = from->scaled(size, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
      scaled_.setDevicePixelRatio(ratio);
      scaledZoom_ = zoom_ * ratio;
    }
    p.drawPixmap(origin_, scaled_);
  } else {
    const QRectF seen = QRectF(-origin_ / zoom_, QSizeF(size()) / zoom_).intersected(QRectF(picture_.rect()));
    p.drawPixmap(QRectF(origin_ + seen.topLeft() * zoom_, seen.size() * zoom_), picture_, seen);
  }
}

void TraceView::paintLengths(QPainter& p, const Underlay& u, const std::vector<Vec2>& trace) {
  const auto scale = scaleOf(u);
  if (!scale) return;
  for (std::size_t i = 0; i < trace.size() && trace.size() > 1; ++i) {
    const Vec2 a = trace[i], b = trace[(i + 1) % trace.size()];
    if (i + 1 == trace.size() && trace.size() < 3) break;
    const double length = distance(mapped(scale->toPlan, a), mapped(scale->toPlan, b));
    const QPointF along = onScreen(b) - onScreen(a);
    const double shown = std::hypot(along.x(), along.y());
    if (shown < 70) continue;
    // Inside the room: to the left of the walk on paper, which is to the right of it in pixels, or the other way
    // round.
    const QString text = workspace_.write(length);
    const QPointF in = QPointF(-along.y(), along.x()) / shown * (signedArea(trace) > 0 ? 1 : -1);
    const double off = std::abs(in.x()) > std::abs(in.y()) ? p.fontMetrics().horizontalAdvance(text) / 2.0 + 14 : 20;
    drawLabel(p, (onScreen(a) + onScreen(b)) / 2 + in * off, text);
  }
}

void TraceView::paintTrace(QPainter& p, const Underlay& u) {
  // Known lengths, the frame, the trace, and what is being set.
  const auto line = [&](Vec2 a, Vec2 b, const QColor& colour, double width, Qt::PenStyle style) {
    p.setPen(QPen(desk::kSheet, width + 3));
    p.drawLine(onScreen(a), onScreen(b));
    p.setPen(QPen(colour, width, style));
    p.drawLine(onScreen(a), onScreen(b));
  };
  const QColor ink = desk::kInk, green = desk::kHolds;
  for (std::size_t i = 0; i < u.known.size(); ++i) {
    const KnownLength& k = u.known[i];
    line(k.a, k.b, ink, 1.6, Qt::DashLine);
    drawLabel(p, onScreen(k.a) * 0.72 + onScreen(k.b) * 0.28,
              workspace_.write(k.length));  // off the middle, where the sheet's own figure stands
  }
  if (u.frame)
    for (std::size_t i = 0; i < 4; ++i) line(u.frame->corners[i], u.frame->corners[(i + 1) % 4], ink, 1.2, Qt::DotLine);
  std::vector<Vec2> trace = u.trace;
  if (held_ && *held_ < trace.size()) trace[*held_] = heldAt_;
  for (std::size_t i = 0; i < trace.size(); ++i) {
    const bool last = i + 1 == trace.size();
    if (last && trace.size() < 3) break;
    line(trace[i], trace[(i + 1) % trace.size()], green, 2.2, last ? Qt::DashLine : Qt::SolidLine);
  }
  paintLengths(p, u, trace);
  for (std::size_t i = 0; i < trace.size(); ++i) drawHandle(p, onScreen(trace[i]), i == 0);
  for (std::size_t i = 0; i < points_.size(); ++i) {
    if (i > 0) line(points_[i - 1], points_[i], ink, 1.2, Qt::DotLine);
    drawHandle(p, onScreen(points_[i]), true);
  }
  if (hand_ == TraceHand::Trace && !trace.empty() && !held_ && underMouse()) {
    const TraceSnap snap = snapped(trace, hover_, kReach / zoom_);
    line(trace.back(), snap.at, green, 1.4, Qt::DashLine);
  }
}

void TraceView::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.fillRect(rect(), QColor("#e9e4d6"));
  p.setRenderHint(QPainter::Antialiasing);
  QFont font(QStringLiteral("Routed Gothic"));
  font.setPixelSize(17);
  p.setFont(font);
  const Underlay* u = underlay();
  if (u == nullptr || picture_.isNull()) {
    p.setPen(desk::kInk);
    p.drawText(rect().adjusted(40, 0, -40, 0), Qt::AlignCenter | Qt::TextWordWrap,
               u == nullptr ? tr("Take in a picture or a PDF page of a plan; it lies here while you trace it.")
                            : tr("The picture of this plan is not in the file."));
    return;
  }
  paintPicture(p);
  paintTrace(p, *u);
  if (cross_ && hasFocus()) {
    const QPointF at = onScreen(*cross_);
    for (const auto& [width_, colour] : {std::pair(4.0, desk::kInk), std::pair(2.0, desk::kTape)}) {
      p.setPen(QPen(colour, width_));
      p.drawLine(at - QPointF(14, 0), at + QPointF(14, 0));
      p.drawLine(at - QPointF(0, 14), at + QPointF(0, 14));
    }
  }
  if (hasFocus()) {
    p.setPen(QPen(desk::kTape, 3));
    p.setBrush(Qt::NoBrush);
    p.drawRect(rect().adjusted(1, 1, -2, -2));
  }
}

void TraceView::setPoint(Vec2 pixel, bool free) {
  const Underlay* u = underlay();
  if (u == nullptr || workspace_.document().readOnly()) return;
  pixel = {std::clamp(pixel.x, 0.0, u->width), std::clamp(pixel.y, 0.0, u->height)};
  if (hand_ != TraceHand::Trace) {
    const std::size_t most = hand_ == TraceHand::KnownLength ? 2 : 4;
    if (points_.size() >= most) points_.clear();
    points_.push_back(pixel);
    update();
    emit pointsChanged();
    return;
  }
  const TraceSnap snap = free ? TraceSnap{pixel} : snapped(u->trace, pixel, kReach / zoom_);
  if (snap.to == TraceSnap::To::FirstCorner) {
    emit closed();
    return;
  }
  std::vector<Vec2> trace = u->trace;
  trace.push_back(snap.at);
  emit traced(trace);
}

void TraceView::mousePressEvent(QMouseEvent* event) {
  setFocus();
  if (event->button() == Qt::MiddleButton || event->button() == Qt::RightButton) {
    panFrom_ = event->position();
    return;
  }
  if (event->button() != Qt::LeftButton || underlay() == nullptr) return;
  if (hand_ == TraceHand::Trace) {
    // A corner that is there is taken hold of; the first one closes the trace.
    const auto& trace = underlay()->trace;
    for (std::size_t i = 0; i < trace.size(); ++i)
      if (const QPointF off = onScreen(trace[i]) - event->position(); std::hypot(off.x(), off.y()) <= kReach) {
        held_ = i;
        heldAt_ = trace[i];
        return;
      }
  }
  setPoint(onPicture(event->position()), event->modifiers() & Qt::AltModifier);
}

void TraceView::mouseMoveEvent(QMouseEvent* event) {
  hover_ = onPicture(event->position());
  if (panFrom_) {
    origin_ += event->position() - *panFrom_;
    panFrom_ = event->position();
    fitted_ = false;
  } else if (held_) {
    heldAt_ = hover_;
  }
  update();
}

void TraceView::mouseReleaseEvent(QMouseEvent*) {
  panFrom_.reset();
  if (!held_ || underlay() == nullptr) return;
  const std::size_t corner = *held_;
  held_.reset();
  std::vector<Vec2> trace = underlay()->trace;
  if (corner >= trace.size()) return;
  const bool moved = distance(trace[corner], heldAt_) * zoom_ > 3;
  if (!moved) {
    if (corner == 0 && trace.size() >= 3) emit closed();
    update();
    return;
  }
  trace[corner] = heldAt_;
  emit traced(trace);
}

void TraceView::wheelEvent(QWheelEvent* event) { zoomAt(std::pow(1.0015, event->angleDelta().y()), event->position()); }

void TraceView::moveCross(QPointF by) {
  if (!cross_) cross_ = onPicture(QPointF(rect().center()));
  else *cross_ += Vec2{by.x() / zoom_, by.y() / zoom_};
  hover_ = *cross_;
  update();
}

void TraceView::keyPressEvent(QKeyEvent* event) {
  const double step = event->modifiers() & Qt::ShiftModifier ? 1 : 12;
  switch (event->key()) {
    case Qt::Key_Left: return moveCross({-step, 0});
    case Qt::Key_Right: return moveCross({step, 0});
    case Qt::Key_Up: return moveCross({0, -step});
    case Qt::Key_Down: return moveCross({0, step});
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_Space:
      if (cross_) setPoint(*cross_, event->modifiers() & Qt::AltModifier);
      return;
    case Qt::Key_Backspace:
      if (hand_ != TraceHand::Trace) {
        if (!points_.empty()) points_.pop_back();
        update();
        emit pointsChanged();
      } else if (underlay() != nullptr && !underlay()->trace.empty()) {
        std::vector<Vec2> trace = underlay()->trace;
        trace.pop_back();
        emit traced(trace);
      }
      return;
    default: QWidget::keyPressEvent(event);
  }
}

}  // namespace mezzet
