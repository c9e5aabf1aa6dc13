#include "app/view/still_picture.h"

#include <QPainter>
#include <algorithm>

#include "core/drawing/labels/labels.h"
#include "core/drawing/plan/plan.h"
#include "core/drawing/wall/elevation.h"

namespace mezzet {
namespace {

/// The scale at which margins on paper and the room together fill the picture settles in a few rounds.
template <class Compose>
QPixmap painted(const Workspace& workspace, QSize size, double ratio, Compose compose) {
  QPixmap pixels(size * ratio);
  pixels.setDevicePixelRatio(ratio);
  pixels.fill(desk::kPaper);
  Projection projection;
  Drawing d;
  for (int round = 0; round < 4; ++round) {
    d = compose(96 / 25.4 / projection.perMm * 0.9);
    if (!(d.high.x > d.low.x && d.high.y > d.low.y)) return pixels;
    projection.perMm = std::min(size.width() / (d.high.x - d.low.x), size.height() / (d.high.y - d.low.y));
  }
  const Vec2 middle = midpoint(d.low, d.high);
  projection.origin =
      QPointF(size.width() / 2.0 - middle.x * projection.perMm, size.height() / 2.0 + middle.y * projection.perMm);
  settle(d);
  QPainter painter(&pixels);
  paintDrawing(painter, d, projection, {Palette::screen(), &workspace.images(), 1});
  return pixels;
}

}  // namespace

QPixmap planPicture(const Workspace& workspace, const Job& job, const SchemeId& id, QSize size, double ratio) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr || size.isEmpty()) return {};
  const Room& room = roomOf(job, *scheme);
  return painted(workspace, size, ratio, [&](double scale) {
    PlanOptions options;
    options.scale = scale;
    options.format = workspace.format();
    options.titles = false;
    options.grid = false;
    return composePlan(job, room, scheme, options);
  });
}

QPixmap wallPicture(const Workspace& workspace, const Job& job, const SchemeId& id, const CornerId& wall, QSize size,
                    double ratio) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr || size.isEmpty()) return {};
  const Room& room = roomOf(job, *scheme);
  return painted(workspace, size, ratio, [&](double scale) {
    ElevationOptions options;
    options.scale = scale;
    options.format = workspace.format();
    options.titles = false;
    options.grid = false;
    options.strip = false;
    return composeElevation(job, room, scheme, wall, options);
  });
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

}  // namespace mezzet
