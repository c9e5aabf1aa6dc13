#include "render/painter.h"

#include <QPaintDevice>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <vector>

#include "render/decode.h"
#include "render/fonts.h"

namespace mezzet {
namespace {

QColor colourOf(const Srgb& own) { return QColor::fromRgbF(float(own[0]), float(own[1]), float(own[2])); }

class ItemPainter {
 public:
  ItemPainter(QPainter& painter, const Drawing& drawing, const Projection& projection, const PaintStyle& style)
      : painter_(painter),
        projection_(projection),
        style_(style),
        paper_(projection.perMm * drawing.scale),
        dpi_(painter.device()->logicalDpiY()) {}

  void operator()(const PathItem& path) {
    usePen(path.stroke);
    const QColor fill = path.tint ? colourOf(*path.tint) : style_.palette(path.fill);
    painter_.setBrush(fill.isValid() ? QBrush(fill) : QBrush(Qt::NoBrush));
    points_.clear();
    for (const Vec2 p : path.points) points_.push_back(projection_.map(p));
    const int n = static_cast<int>(points_.size());
    if (!path.closed) painter_.drawPolyline(points_.data(), n);
    else if (painter_.pen().style() != Qt::NoPen || fill.isValid())
      painter_.drawPolygon(points_.data(), n, Qt::OddEvenFill);
  }

  void operator()(const ArcItem& arc) {
    usePen(arc.stroke);
    const QColor fill = arc.tint ? colourOf(*arc.tint) : style_.palette(arc.fill);
    painter_.setBrush(fill.isValid() ? QBrush(fill) : QBrush(Qt::NoBrush));
    const double r = arc.radius * projection_.perMm;
    const QPointF c = projection_.map(arc.centre);
    const QRectF box(c.x() - r, c.y() - r, 2 * r, 2 * r);
    if (arc.span >= 360) painter_.drawEllipse(box);
    else
      painter_.drawArc(box, static_cast<int>(std::lround(arc.start * 16)),
                       static_cast<int>(std::lround(arc.span * 16)));
  }

  void operator()(const TextItem& text) {
    const double capital = text.height * paper_;
    const double width = letteringWidth(text.text, text.height) * paper_;
    const double left = text.align == Align::Left ? 0 : text.align == Align::Centre ? -width / 2 : -width;
    painter_.save();
    painter_.translate(projection_.map(text.at));
    painter_.rotate(-text.turn);
    if (const QColor ground = style_.palette(text.ground); ground.isValid()) {
      const double side = capital * 0.5, upright = capital * 0.45;
      const QRectF box(left - side, -capital / 2 - upright, width + 2 * side, capital + 2 * upright);
      // The accent always has an ink edge on paper.
      painter_.setPen(text.ground == Ink::Accent
                          ? QPen(style_.palette(Ink::Ink), std::max(1.0, kDimensionLine * paper_))
                          : QPen(Qt::NoPen));
      painter_.setBrush(ground);
      painter_.drawRoundedRect(box, capital * 0.18, capital * 0.18);
    }
    painter_.setFont(letteringFont(capital, dpi_));
    painter_.setPen(style_.palette(text.ink));
    if (style_.letteringAsPaths) {
      QPainterPath letters;
      letters.addText(QPointF(left, capital / 2), painter_.font(), QString::fromStdString(text.text));
      painter_.fillPath(letters, style_.palette(text.ink));
    } else {
      painter_.drawText(QPointF(left, capital / 2), QString::fromStdString(text.text));
    }
    painter_.restore();
  }

  void operator()(const ImageItem& image) {
    const QImage* pixels = style_.images != nullptr ? style_.images->find(image.image) : nullptr;
    if (pixels == nullptr) return;
    const QRectF target(projection_.map({image.low.x, image.high.y}), projection_.map({image.high.x, image.low.y}));
    // Fill the mount without stretching: cut what is too long.
    QSizeF size = QSizeF(target.size()).scaled(pixels->size(), Qt::KeepAspectRatio);
    const QRectF part((pixels->width() - size.width()) / 2, (pixels->height() - size.height()) / 2, size.width(),
                      size.height());
    painter_.setRenderHint(QPainter::SmoothPixmapTransform);
    painter_.save();
    painter_.translate(target.center());
    painter_.rotate(-image.turn);  // the painter's y runs down
    painter_.translate(-target.center());
    painter_.drawImage(target, *pixels, part);
    painter_.restore();
  }

 private:
  void usePen(const Stroke& stroke) {
    const QColor colour = style_.palette(stroke.ink);
    if (!colour.isValid()) {
      painter_.setPen(Qt::NoPen);
      return;
    }
    const double width = std::max(style_.thinnest, stroke.width * paper_);
    QPen pen(colour, width, Qt::SolidLine, Qt::FlatCap, Qt::MiterJoin);
    if (stroke.dash != Dash::Solid) {
      const double unit = 1 / width;  // dash lengths are given in line widths
      pen.setDashPattern(stroke.dash == Dash::Dashed ? QList<qreal>{2.0 * paper_ * unit, 1.2 * paper_ * unit}
                                                     : QList<qreal>{0.4 * paper_ * unit, 1.0 * paper_ * unit});
    }
    painter_.setPen(pen);
  }

  QPainter& painter_;
  const Projection& projection_;
  const PaintStyle& style_;
  double paper_;  // device pixels per mm of paper
  int dpi_;
  std::vector<QPointF> points_;
};

}  // namespace

void ImageStore::add(const std::string& name, const std::string& bytes) {
  if (images_.contains(name) || waiting_.contains(name)) return;
  waiting_[name] = bytes;
}

const QImage* ImageStore::find(const std::string& name) const {
  if (const auto bytes = waiting_.find(name); bytes != waiting_.end()) {
    images_[name] = decodedPicture(bytes->second, false).image;
    waiting_.erase(bytes);
  }
  const auto at = images_.find(name);
  return at == images_.end() || at->second.isNull() ? nullptr : &at->second;
}

void paintDrawing(QPainter& painter, const Drawing& drawing, const Projection& projection, const PaintStyle& style) {
  std::vector<const Item*> order;
  order.reserve(drawing.items.size());
  for (const Item& item : drawing.items)
    if (item.layer >= style.first && item.layer <= style.last) order.push_back(&item);
  std::stable_sort(order.begin(), order.end(), [](const Item* a, const Item* b) { return a->layer < b->layer; });
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setRenderHint(QPainter::TextAntialiasing);
  ItemPainter paint(painter, drawing, projection, style);
  for (const Item* item : order) std::visit(paint, item->shape);
  painter.restore();
}

}  // namespace mezzet
