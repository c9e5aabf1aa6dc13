// Packs the demo job with pictures of its own: bands of a river in the evening, drawn from sine waves, and reeds in the
// morning, drawn from leaning strokes.
// Usage: make_demo ferry-house.json ferry-house.mezzet
#include <QBuffer>
#include <QDir>
#include <QFileInfo>
#include <QImage>
#include <QPainter>
#include <QPainterPath>
#include <cmath>
#include <cstdio>

#include "core/job/edits.h"
#include "io/file_system.h"
#include "io/job_file.h"

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
    const double foot = w * (0.03 + 0.021 * i), lean = 38 * std::sin(1.3 * i) + 22, top = h * (0.16 + 0.22 * std::abs(std::sin(0.9 * i + 0.4)));
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

}  // namespace

int main(int argc, char** argv) {
  using namespace mezzet;
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
  const auto bytes = writeJobBytes(out);
  if (!bytes) return std::fprintf(stderr, "%s\n", bytes.error().text().c_str()), 1;
  QDir().mkpath(QFileInfo(QString::fromLocal8Bit(argv[2])).absolutePath());
  FileSystem files;
  if (const auto fault = saveAtomically(files, argv[2], *bytes)) return std::fprintf(stderr, "%s\n", fault->text().c_str()), 1;
  return 0;
}
