#include "render/photograph.h"

#include <QPainter>
#include <QPainterPath>
#include <QTransform>

#include "render/fonts.h"

namespace mezzet {
namespace {

const QColor kFrame(0x2f, 0x2a, 0x24), kMount(0xf4, 0xef, 0xe4), kGlass(0xd5, 0xde, 0xe2), kScreen(0x16, 0x18, 0x1b);
const QColor kMark(0x1d, 0x27, 0x30), kMarkWords(0xf8, 0xf4, 0xea);
constexpr double kMarkShare = 0.045;  // of the picture's height: the strip at its foot
constexpr int kBetween = 12;          // px between two

QPolygonF polygonOf(const std::vector<Vec2>& corners) {
  QPolygonF out;
  for (const Vec2 p : corners) out << QPointF(p.x, p.y);
  return out;
}

QPainterPath closed(const QPolygonF& polygon) {
  QPainterPath path;
  path.addPolygon(polygon);
  path.closeSubpath();
  return path;
}

void paintPiece(QPainter& painter, const PhotographPiece& piece, const ImageStore& images) {
  const QPolygonF outer = polygonOf(piece.outer), face = polygonOf(piece.faceOutline);
  // A little shadow under it, so that it hangs and does not float.
  const double off = 0.012 * outer.boundingRect().height();
  painter.setPen(Qt::NoPen);
  painter.setBrush(QColor(0, 0, 0, 70));
  painter.drawPath(closed(outer.translated(off, 1.6 * off)));
  painter.setBrush(kFrame);
  painter.drawPath(closed(outer));
  painter.setBrush(piece.mirror ? kGlass : piece.screen ? kScreen : kMount);
  painter.drawPath(closed(face));
  const QImage* image = piece.image.empty() ? nullptr : images.find(piece.image);
  if (image == nullptr) return;
  // From the image's corners, y down, to where they lie on the wall.
  const double w = image->width(), h = image->height();
  QTransform map;
  QPolygonF to;
  for (const Vec2 p : piece.face) to << QPointF(p.x, p.y);
  if (!QTransform::quadToQuad(QPolygonF({{0, h}, {w, h}, {w, 0}, {0, 0}}), to, map)) return;
  painter.save();
  painter.setClipPath(closed(face), Qt::IntersectClip);
  painter.setTransform(map, true);
  painter.drawImage(QPointF(0, 0), *image);
  painter.restore();
}

}  // namespace

QImage photographWith(const QImage& photograph, const std::vector<PhotographPiece>& pieces,
                      const std::vector<std::vector<Vec2>>& before, const ImageStore& images, const QString& words) {
  QImage out = photograph.convertToFormat(QImage::Format_RGB32);
  QPainter painter(&out);
  painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  QPainterPath open;
  open.addRect(out.rect());
  for (const auto& outline : before) open = open.subtracted(closed(polygonOf(outline)));
  painter.setClipPath(open);
  for (const PhotographPiece& piece : pieces) paintPiece(painter, piece, images);
  painter.setClipping(false);
  const int strip = std::max(18, static_cast<int>(kMarkShare * out.height()));
  const QRect foot(0, out.height() - strip, out.width(), strip);
  painter.fillRect(foot, kMark);
  painter.setFont(interfaceFont(std::max(11, strip * 5 / 9)));
  painter.setPen(kMarkWords);
  QString text = QStringLiteral("planned, not hung");
  if (!words.isEmpty()) text += QStringLiteral("   \u00b7   ") + words;
  painter.drawText(foot.adjusted(strip / 2, 0, -strip / 2, 0), Qt::AlignVCenter | Qt::AlignLeft,
                   painter.fontMetrics().elidedText(text, Qt::ElideRight, foot.width() - strip));
  return out;
}

QImage photographOf(const QImage& image, double scale, Photograph photograph, const Job& job, const Scheme& scheme,
                    const ImageStore& images, const QString& words) {
  if (!photograph.calibration || photograph.calibration->width <= 0 || photograph.calibration->height <= 0)
    return image;
  for (Vec2& corner : photograph.calibration->corners) corner = corner * scale;
  for (auto& outline : photograph.before)
    for (Vec2& corner : outline) corner = corner * scale;
  const auto map = wallToPhotograph(*photograph.calibration);
  if (!map) return image;
  return photographWith(image, piecesIn(job, scheme, photograph, *map), photograph.before, images, words);
}

QImage besideEachOther(const QImage& left, const QImage& right) {
  const QImage other =
      right.height() == left.height() ? right : right.scaledToHeight(left.height(), Qt::SmoothTransformation);
  QImage out(left.width() + kBetween + other.width(), left.height(), QImage::Format_RGB32);
  out.fill(kMarkWords);
  QPainter painter(&out);
  painter.drawImage(0, 0, left);
  painter.drawImage(left.width() + kBetween, 0, other);
  return out;
}

}  // namespace mezzet
