#include "app/view/still_picture.h"

#include <QPainter>
#include <algorithm>

#include "core/drawing/labels/labels.h"
#include "core/drawing/plan/plan.h"
#include "core/drawing/wall/elevation.h"
#include "render/photograph.h"

namespace mezzet {
namespace {

struct Fitted {
  Drawing drawing;
  Projection projection;
};
/// The scale at which margins on paper and the room together fill the picture settles in a few rounds.
template <class Compose>
Fitted fitted(QSize size, Compose compose) {
  Fitted out;
  Drawing& d = out.drawing;
  for (int round = 0; round < 4; ++round) {
    d = compose(96 / 25.4 / out.projection.perMm * 0.9);
    if (!(d.high.x > d.low.x && d.high.y > d.low.y)) return out;
    out.projection.perMm = std::min(size.width() / (d.high.x - d.low.x), size.height() / (d.high.y - d.low.y));
  }
  const Vec2 middle = midpoint(d.low, d.high);
  out.projection.origin = QPointF(size.width() / 2.0 - middle.x * out.projection.perMm,
                                  size.height() / 2.0 + middle.y * out.projection.perMm);
  return out;
}
QPixmap painted(const Workspace& workspace, QSize size, double ratio, Fitted fitted) {
  QPixmap pixels(size * ratio);
  pixels.setDevicePixelRatio(ratio);
  pixels.fill(desk::kPaper);
  settle(fitted.drawing);
  QPainter painter(&pixels);
  paintDrawing(painter, fitted.drawing, fitted.projection, {Palette::screen(), &workspace.images(), 1});
  return pixels;
}

Fitted fittedPlan(const Workspace& workspace, const Job& job, const Scheme& scheme, QSize size, bool bare) {
  const Room& room = roomOf(job, scheme);
  return fitted(size, [&](double scale) {
    PlanOptions options;
    options.scale = scale;
    options.format = workspace.format();
    options.titles = false;
    options.grid = false;
    options.bare = bare;
    return composePlan(job, room, &scheme, options);
  });
}

}  // namespace

StillView::StillView(QWidget* parent) : QLabel(parent) {
  setAlignment(Qt::AlignCenter);
  setMinimumSize(260, 180);
  setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Ignored);
  setStyleSheet(QStringLiteral("background: #f8f4ea; border: 1px solid #39464f;"));
}

void StillView::show(Draws draws) {
  draws_ = std::move(draws);
  draw();
}

void StillView::showNothing() {
  draws_ = nullptr;
  clear();
}

void StillView::draw() {
  constexpr QSize kLeast(20, 20);
  const QSize size = pictureSize();
  if (draws_ && size.width() > kLeast.width() && size.height() > kLeast.height())
    setPixmap(draws_(size, devicePixelRatioF()));
}

void StillView::resizeEvent(QResizeEvent* event) {
  QLabel::resizeEvent(event);
  draw();
}

QPixmap drawingPicture(const Workspace& workspace, QSize size, double pixelRatio,
                       const std::function<Drawing(double scale)>& compose) {
  return painted(workspace, size, pixelRatio, fitted(size, compose));
}

QPixmap planPicture(const Workspace& workspace, const Job& job, const SchemeId& id, QSize size, double ratio,
                    bool bare) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr || size.isEmpty()) return {};
  return painted(workspace, size, ratio, fittedPlan(workspace, job, *scheme, size, bare));
}

Projection planProjection(const Workspace& workspace, const Job& job, const SchemeId& id, QSize size) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr || size.isEmpty()) return {};
  return fittedPlan(workspace, job, *scheme, size, false).projection;
}

QPixmap wallPicture(const Workspace& workspace, const Job& job, const SchemeId& id, const CornerId& wall, QSize size,
                    double ratio) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr || size.isEmpty()) return {};
  const Room& room = roomOf(job, *scheme);
  const auto compose = [&](double scale) {
    ElevationOptions options;
    options.scale = scale;
    options.format = workspace.format();
    options.titles = false;
    options.grid = false;
    options.strip = false;
    return composeElevation(job, room, scheme, wall, options);
  };
  return painted(workspace, size, ratio, fitted(size, compose));
}

QPixmap pictureOf(const Workspace& workspace, const Job& job, const SchemeId& id, const PlacementId& placement,
                  QSize size, double ratio) {
  const Scheme* scheme = findScheme(job, id);
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, placement) : nullptr;
  if (p == nullptr) return {};
  if (const auto* on = onWall(p->on)) return wallPicture(workspace, job, id, on->wall, size, ratio);
  if (const auto* leans = leaning(p->on)) return wallPicture(workspace, job, id, leans->wall, size, ratio);
  return planPicture(workspace, job, id, size, ratio);
}

std::vector<const Photograph*> photographsBehind(const Room& room, const Placement& placement) {
  std::vector<const Photograph*> out;
  const auto* on = onWall(placement.on);
  for (const Photograph& p : room.photographs)
    if (on != nullptr && p.calibration && p.wall == on->wall) out.push_back(&p);
  return out;
}

QPixmap photographPicture(const Workspace& workspace, const Job& job, const SchemeId& id,
                          const PhotographId& photograph, QSize size, double ratio) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr || size.isEmpty()) return {};
  for (const Photograph& p : roomOf(job, *scheme).photographs) {
    const QImage* image = p.id == photograph ? workspace.images().find(p.image) : nullptr;
    if (image == nullptr || image->isNull()) continue;
    const QSize whole = size * ratio;
    const double scale = std::min({1.0, whole.width() / static_cast<double>(image->width()),
                                   whole.height() / static_cast<double>(image->height())});
    const QImage small = image->scaled(image->size() * scale, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
    QPixmap out = QPixmap::fromImage(photographOf(small, scale, p, job, *scheme, workspace.images(), {}));
    out.setDevicePixelRatio(ratio);
    return out;
  }
  return {};
}

}  // namespace mezzet
