// Packs the demo job with pictures of its own: bands of a river in the evening, drawn from sine waves, and reeds in the
// morning, drawn from leaning strokes.
// Usage: make_demo ferry-house.json ferry-house.mezzet
#include <QBuffer>
#include <QDir>
#include <QFileInfo>
#include <QGuiApplication>
#include <QImage>
#include <QPainter>
#include <QPainterPath>
#include <cmath>
#include <cstdio>

#include "core/edit/edits.h"
#include "core/edit/records.h"
#include "core/model/kinds.h"
#include "core/sight/wall_photograph.h"
#include "io/files/file_system.h"
#include "io/files/issue.h"
#include "io/files/job_file.h"
#include "io/json/rulebook_json.h"
#include "render/fonts.h"

namespace {

QByteArray asPng(const QImage& image) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  image.save(&buffer, "PNG");
  return bytes;
}

QByteArray reedsPrint() {
  const int w = 720, h = 560;
  QImage image(w, h, QImage::Format_RGB32);
  image.fill(QColor(0xe9, 0xe6, 0xd6));
  QPainter p(&image);
  p.setRenderHint(QPainter::Antialiasing);
  p.fillRect(QRectF(0, h * 0.62, w, h * 0.38), QColor(0xc7, 0xd0, 0xc6));
  const QColor greens[] = {QColor(0x6d, 0x84, 0x6a), QColor(0x4d, 0x68, 0x58), QColor(0x8d, 0x95, 0x5f)};
  for (int i = 0; i < 46; ++i) {
    const double foot = w * (0.03 + 0.021 * i), lean = 38 * std::sin(1.3 * i) + 22,
                 top = h * (0.16 + 0.22 * std::abs(std::sin(0.9 * i + 0.4)));
    QPainterPath reed(QPointF(foot, h));
    reed.quadTo(foot + lean * 0.2, h * 0.6, foot + lean, top);
    p.setPen(QPen(greens[i % 3], 4 + i % 3, Qt::SolidLine, Qt::RoundCap));
    p.drawPath(reed);
    if (i % 4 == 1) {
      p.setPen(QPen(QColor(0x6b, 0x4b, 0x34), 13, Qt::SolidLine, Qt::RoundCap));
      p.drawLine(QPointF(foot + lean, top), QPointF(foot + lean * 0.82, top + 44));
    }
  }
  p.end();
  return asPng(image);
}

QByteArray riverPrint() {
  const int w = 1120, h = 440;
  QImage image(w, h, QImage::Format_RGB32);
  QPainter p(&image);
  p.setRenderHint(QPainter::Antialiasing);
  QLinearGradient sky(0, 0, 0, h);
  sky.setColorAt(0, QColor(0xf0, 0xdf, 0xc0));
  sky.setColorAt(0.55, QColor(0xe6, 0xc9, 0xa4));
  p.fillRect(image.rect(), sky);
  p.setPen(Qt::NoPen);
  p.setBrush(QColor(0xd8, 0x8c, 0x5a));
  p.drawEllipse(QPointF(w * 0.72, h * 0.3), 46, 46);
  const QColor bands[] = {QColor(0xb7, 0xbf, 0xb4), QColor(0x93, 0xa8, 0xa4), QColor(0x6f, 0x8f, 0x91),
                          QColor(0x50, 0x76, 0x7c), QColor(0x39, 0x5b, 0x64), QColor(0x27, 0x43, 0x4d)};
  for (int i = 0; i < 6; ++i) {
    QPainterPath path(QPointF(0, h));
    const double base = h * (0.36 + 0.11 * i);
    for (int x = 0; x <= w; x += 4) {
      const double t = static_cast<double>(x) / w;
      path.lineTo(x, base + 16 * std::sin(6.2 * t * (1 + 0.35 * i) + 1.7 * i) + 9 * std::sin(15 * t + 2.4 * i));
    }
    path.lineTo(w, h);
    p.setBrush(bands[i]);
    p.drawPath(path);
  }
  p.end();
  return asPng(image);
}

/// A study in the colours of the marsh: layers of water whose shape follows the name.
QByteArray study(const std::string& name, double width, double height) {
  const int w = 360, h = std::max(60, static_cast<int>(std::lround(w * height / width)));
  unsigned seed = 7;
  for (const char c : name) seed = seed * 31 + static_cast<unsigned char>(c);
  const auto at = [&](unsigned k) { return static_cast<double>((seed >> k) % 97) / 97; };
  QImage image(w, h, QImage::Format_RGB32);
  image.fill(QColor::fromHslF(0.10F + 0.05F * static_cast<float>(at(3)), 0.35F, 0.88F));
  QPainter p(&image);
  p.setRenderHint(QPainter::Antialiasing);
  p.setPen(Qt::NoPen);
  p.setBrush(QColor::fromHslF(0.06F, 0.5F, 0.66F));
  p.drawEllipse(QPointF(w * (0.25 + 0.5 * at(5)), h * 0.32), 0.11 * w, 0.11 * w);
  for (int i = 0; i < 5; ++i) {
    QPainterPath path(QPointF(0, h));
    for (int x = 0; x <= w; x += 3) {
      const double t = static_cast<double>(x) / w;
      path.lineTo(x, h * (0.42 + 0.12 * i) + 0.03 * h * std::sin(6 * t * (1 + at(7)) + 2.1 * i + 6 * at(9)));
    }
    path.lineTo(w, h);
    p.setBrush(
        QColor::fromHslF(0.48F + 0.06F * static_cast<float>(at(2)), 0.22F, 0.66F - 0.09F * static_cast<float>(i)));
    p.drawPath(path);
  }
  p.end();
  return asPng(image);
}

/// A sheet of an old plan: the walls of one room along its trace, with the two lengths that are written on it.
QByteArray planSheet(const mezzet::Underlay& u) {
  QImage image(static_cast<int>(u.width), static_cast<int>(u.height), QImage::Format_RGB32);
  image.fill(QColor(0xe8, 0xde, 0xc4));
  QPainter p(&image);
  p.setRenderHint(QPainter::Antialiasing);
  // Stains and folds of a sheet that lay in a drawer.
  p.setPen(QPen(QColor(0xd6, 0xc7, 0xa4), 3));
  p.drawLine(QPointF(u.width / 2, 0), QPointF(u.width / 2 + 8, u.height));
  p.drawLine(QPointF(0, u.height * 0.48), QPointF(u.width, u.height * 0.485));
  p.setPen(Qt::NoPen);
  p.setBrush(QColor(0xdd, 0xcf, 0xae));
  p.drawEllipse(QPointF(u.width * 0.86, u.height * 0.13), 70, 58);
  const auto at = [](mezzet::Vec2 v) { return QPointF(v.x, v.y); };
  QPolygonF room;
  for (const mezzet::Vec2 v : u.trace) room << at(v);
  // Poched walls: a broad stroke behind the room's own floor.
  QPainterPath outline;
  outline.addPolygon(room);
  outline.closeSubpath();
  QPen wall(QColor(0x3b, 0x35, 0x2c), 84);
  wall.setJoinStyle(Qt::MiterJoin);
  p.strokePath(outline, wall);
  p.fillPath(outline, QColor(0xee, 0xe6, 0xd0));
  const QPen ink(QColor(0x3b, 0x35, 0x2c), 3);
  p.setPen(ink);
  p.setBrush(Qt::NoBrush);
  p.drawPath(outline);
  QFont font(QStringLiteral("Routed Gothic"));
  font.setPixelSize(34);
  p.setFont(font);
  for (const mezzet::KnownLength& k : u.known) {
    const QPointF a = at(k.a), b = at(k.b), along = (b - a) / std::hypot((b - a).x(), (b - a).y()),
                  side(-along.y(), along.x());
    p.drawLine(a, b);
    for (const QPointF end : {a, b}) p.drawLine(end - side * 18 - along * 10, end + side * 18 + along * 10);
    p.save();
    p.translate((a + b) / 2);
    p.rotate(std::abs(along.x()) > std::abs(along.y()) ? 0 : -90);
    p.drawText(QRectF(-200, -54, 400, 44), Qt::AlignCenter,
               QString::number(k.length / 1000, 'f', 3) + QStringLiteral(" m"));
    p.restore();
  }
  p.drawText(QRectF(0, 30, u.width, 50), Qt::AlignCenter,
             QStringLiteral("THE FERRY HOUSE, GROUND FLOOR, BREAKFAST ROOM"));
  p.end();
  return asPng(image);
}

/// What a camera might have seen: a hearth with its shelf, and the casing of a door.
QByteArray hearthPhotograph() {
  const int w = 960, h = 720;
  QImage image(w, h, QImage::Format_RGB32);
  QPainter p(&image);
  p.setRenderHint(QPainter::Antialiasing);
  QLinearGradient light(0, 0, w, h);
  light.setColorAt(0, QColor(0xd9, 0xd2, 0xc0));
  light.setColorAt(1, QColor(0xb3, 0xa9, 0x95));
  p.fillRect(image.rect(), light);
  p.fillRect(QRectF(0, h * 0.86, w, h * 0.14), QColor(0x7c, 0x5d, 0x40));
  p.fillRect(QRectF(w * 0.2, h * 0.34, w * 0.6, h * 0.52), QColor(0x8e, 0x6b, 0x58));
  for (int row = 0; row < 12; ++row)
    for (int i = -1; i < 11; ++i) {
      const QRectF brick(w * 0.2 + (i + (row % 2) * 0.5) * 58, h * 0.34 + row * 31.0, 54, 27);
      p.fillRect(brick.intersected(QRectF(w * 0.2, h * 0.34, w * 0.6, h * 0.52)),
                 QColor(0x97 + (row * 7 + i * 5) % 22, 0x66 + (i * 3 + 9) % 14, 0x50));
    }
  p.fillRect(QRectF(w * 0.36, h * 0.5, w * 0.28, h * 0.36), QColor(0x1f, 0x1a, 0x18));
  p.save();
  p.translate(w * 0.5, h * 0.32);
  p.rotate(-0.8);
  p.fillRect(QRectF(-w * 0.34, -20, w * 0.68, 36), QColor(0x5a, 0x3f, 0x2a));
  p.restore();
  p.end();
  return asPng(image);
}
QByteArray casingPhotograph() {
  const int w = 720, h = 960;
  QImage image(w, h, QImage::Format_RGB32);
  image.fill(QColor(0xc9, 0xcf, 0xc6));
  QPainter p(&image);
  p.setRenderHint(QPainter::Antialiasing);
  p.fillRect(QRectF(w * 0.42, 0, w * 0.58, h), QColor(0x6e, 0x7d, 0x72));
  p.fillRect(QRectF(w * 0.26, 0, w * 0.18, h), QColor(0xf0, 0xec, 0xdf));
  p.setPen(QPen(QColor(0xd2, 0xca, 0xb6), 5));
  for (const double x : {0.29, 0.33, 0.41}) p.drawLine(QPointF(w * x, 0), QPointF(w * x, h));
  p.setPen(Qt::NoPen);
  p.setBrush(QColor(0x9a, 0x7b, 0x57));
  p.drawPolygon(QPolygonF() << QPointF(w * 0.26, h * 0.58) << QPointF(w * 0.315, h * 0.6) << QPointF(w * 0.3, h * 0.66)
                            << QPointF(w * 0.26, h * 0.68));
  p.end();
  return asPng(image);
}

/// The same of a wall that is put in scale: painted by that very scale, with what stands before it.
QByteArray wallPhotograph(const mezzet::Room& room, const mezzet::Photograph& photograph) {
  using namespace mezzet;
  const int w = 1600, h = 1200;
  QImage image(w, h, QImage::Format_RGB32);
  QPainter p(&image);
  p.setRenderHint(QPainter::Antialiasing);
  QLinearGradient floor(0, h * 0.6, 0, h);
  floor.setColorAt(0, QColor(0x8a, 0x6c, 0x4c));
  floor.setColorAt(1, QColor(0x6d, 0x52, 0x38));
  p.fillRect(image.rect(), floor);
  const Calibration& c = *photograph.calibration;
  const Homography map = *wallToPhotograph(c);
  const auto at = [&](double u, double v) {
    const Vec2 q = mapped(map, {u, v});
    return QPointF(q.x, q.y);
  };
  const double length = findWall(room, photograph.wall)->length(), ceiling = room.ceilingHeight;
  const auto area = [&](double left, double right, double low, double high, const QBrush& brush) {
    p.setPen(Qt::NoPen);
    p.setBrush(brush);
    p.drawPolygon(QPolygonF() << at(left, low) << at(right, low) << at(right, high) << at(left, high));
  };
  QLinearGradient light(0, 0, w, h * 0.3);
  light.setColorAt(0, QColor(0xdd, 0xd8, 0xc8));
  light.setColorAt(1, QColor(0xc4, 0xbd, 0xaa));
  // The ceiling, and the walls at both ends that come towards the camera.
  const auto onLine = [&](double v, double x) {
    const QPointF a = at(0, v), b = at(length, v);
    return QPointF(x, a.y() + (b.y() - a.y()) * (x - a.x()) / (b.x() - a.x()));
  };
  p.setPen(Qt::NoPen);
  p.setBrush(QColor(0xee, 0xec, 0xe4));
  p.drawPolygon(QPolygonF() << onLine(ceiling, 0) << at(length, ceiling)
                            << QPointF(w + 10, at(length, ceiling).y() - 160) << QPointF(w + 10, -400)
                            << QPointF(0, -400));
  p.setBrush(QColor(0xb0, 0xa8, 0x96));
  p.drawPolygon(QPolygonF() << at(length, 0) << at(length, ceiling) << QPointF(w + 10, at(length, ceiling).y() - 160)
                            << QPointF(w + 10, at(length, 0).y() + 190));
  area(-60, length, 0, ceiling, light);
  area(0, length, 0, 120, QColor(0xf1, 0xee, 0xe6));
  area(0, length, 116, 122, QColor(0xa8, 0xa0, 0x8e));
  // Painter's tape round the rectangle that was measured.
  const QColor tape(0x5f, 0x92, 0xb4);
  area(c.u - 24, c.u + c.width + 24, c.v - 24, c.v, tape);
  area(c.u - 24, c.u + c.width + 24, c.v + c.height, c.v + c.height + 24, tape);
  area(c.u - 24, c.u, c.v - 24, c.v + c.height + 24, tape);
  area(c.u + c.width, c.u + c.width + 24, c.v - 24, c.v + c.height + 24, tape);
  const QColor things[] = {QColor(0x8f, 0x9a, 0x8c), QColor(0xe6, 0xdc, 0xc2)};
  for (std::size_t i = 0; i < photograph.before.size(); ++i) {
    QPolygonF outline;
    for (const Vec2 q : photograph.before[i]) outline << QPointF(q.x, q.y);
    p.setBrush(things[i % 2]);
    p.setPen(QPen(things[i % 2].darker(140), 2));
    p.drawPolygon(outline);
  }
  p.end();
  return asPng(image);
}

/// The owner's drawings went out, and then the low table came otherwise than it was ordered: longer and less deep.
mezzet::Job handedOver(mezzet::Job job) {
  using namespace mezzet;
  const PieceId table("table");
  if (job.records->orders.empty() || findPiece(job, table) == nullptr) return job;
  job = issued(job, builtInRulebook(), {}, "owner", "2026-11-20").value();
  return withDelivered(job, table, {52.75 * kInch, 23.5 * kInch, 0}, "2026-11-24").value();
}

}  // namespace

int main(int argc, char** argv) {
  using namespace mezzet;
  prepareEnvironment();
  QGuiApplication app(argc, argv);  // for the lettering on the plan
  loadFonts();
  if (argc != 3) return 2;
  const auto text = readFile(argv[1], kMostJobBytes);
  if (!text) return std::fprintf(stderr, "%s\n", text.error().text().c_str()), 1;
  auto file = readJobBytes(*text, argv[1]);
  if (!file) return std::fprintf(stderr, "%s\n", file.error().text().c_str()), 1;
  JobFile out = std::move(file).value();
  for (const auto& [piece, draw] : {std::pair{"river", &riverPrint}, std::pair{"reeds", &reedsPrint}}) {
    const Piece* known = findPiece(out.job, PieceId(piece));
    if (known == nullptr) continue;
    const std::string picture = draw().toStdString();
    Piece pictured = *known;
    pictured.image = sha256(picture) + ".png";
    out.images[pictured.image] = std::make_shared<const Bytes>(picture);
    out.job = withPiece(out.job, pictured).value();
  }
  const auto keep = [&out](const QByteArray& picture) {
    const std::string content = picture.toStdString(), name = sha256(content) + ".png";
    out.images[name] = std::make_shared<const Bytes>(content);
    return name;
  };
  for (const auto& known : std::vector(out.job.pieces))
    if (known->kind == kPicture && known->image.empty() && known->height) {
      Piece pictured = *known;
      pictured.image = keep(study(known->name, known->width, *known->height));
      out.job = withPiece(out.job, std::move(pictured)).value();
    }
  for (const auto& known : std::vector(out.job.rooms)) {
    Room room = *known;
    if (room.underlay && room.underlay->image.empty()) room.underlay->image = keep(planSheet(*room.underlay));
    for (std::size_t i = 0; i < room.photographs.size(); ++i)
      if (Photograph& photograph = room.photographs[i]; photograph.image.empty())
        photograph.image = keep(photograph.calibration ? wallPhotograph(room, photograph)
                                : i % 2 == 0           ? hearthPhotograph()
                                                       : casingPhotograph());
    out.job = withRoom(out.job, std::move(room)).value();
  }
  out.job = handedOver(std::move(out.job));
  const auto bytes = writeJobBytes(out);
  if (!bytes) return std::fprintf(stderr, "%s\n", bytes.error().text().c_str()), 1;
  QDir().mkpath(QFileInfo(QString::fromLocal8Bit(argv[2])).absolutePath());
  FileSystem files;
  if (const auto fault = saveAtomically(files, argv[2], *bytes))
    return std::fprintf(stderr, "%s\n", fault->text().c_str()), 1;
  return 0;
}
