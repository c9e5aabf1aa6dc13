#include <QBuffer>
#include <QGuiApplication>
#include <QPainter>

#include "core/drawing/base/drafting.h"
#include "render/fonts.h"
#include "render/painter.h"

namespace mezzet {
namespace painter_test {

std::string png(int width, int height, QColor colour) {
  QImage image(width, height, QImage::Format_RGB32);
  image.fill(colour);
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  image.save(&buffer, "PNG");
  return bytes.toStdString();
}
QImage painted(const Drawing& d, const ImageStore* images = nullptr) {
  QImage image(200, 200, QImage::Format_RGB32);
  image.fill(Qt::white);
  QPainter painter(&image);
  paintDrawing(painter, d, {1, {0, 200}}, {Palette::screen(), images, 1});
  return image;
}

TEST(Projection, GoesThereAndBack) {
  const Projection p{0.37, {12, 480}};
  const Vec2 back = p.unmap(p.map({1234.5, -67.8}));
  EXPECT_NEAR(back.x, 1234.5, 1e-9);
  EXPECT_NEAR(back.y, -67.8, 1e-9);
}
TEST(Projection, TurnsTheModelsYUpwards) { EXPECT_LT(Projection({1, {0, 0}}).map({0, 10}).y(), 0); }

TEST(Painter, FillsWhatIsFilled) {
  Drawing d;
  d.scale = 1;
  d.add(Layer::Furniture, "a", rectangle({50, 50}, {150, 150}, Ink::CutWall, {}));
  const QImage image = painted(d);
  EXPECT_EQ(image.pixelColor(100, 100), Palette::screen()(Ink::CutWall));
  EXPECT_EQ(image.pixelColor(10, 10), QColor(Qt::white));
}
TEST(Painter, KeepsTheOrderOfLayersWhateverTheOrderOfItems) {
  Drawing d;
  d.scale = 1;
  d.add(Layer::Furniture, "chair", rectangle({50, 50}, {150, 150}, Ink::CutWall, {}));
  d.add(Layer::Rug, "rug", rectangle({40, 40}, {160, 160}, Ink::Rug, {}));
  EXPECT_EQ(painted(d).pixelColor(100, 100), Palette::screen()(Ink::CutWall));
}
TEST(Painter, OverlappingBandsAreStronger) {
  Drawing d;
  d.scale = 1;
  d.add(Layer::Working, "band", rectangle({20, 20}, {120, 120}, Ink::Band, {}));
  d.add(Layer::Working, "band", rectangle({80, 80}, {180, 180}, Ink::Band, {}));
  const QImage image = painted(d);
  EXPECT_LT(image.pixelColor(100, 100).lightness(), image.pixelColor(50, 150).lightness());
}
TEST(Painter, WritesWhereTheTableSays) {
  // The ink of a centred text lies within the width that the core reckons with.
  Drawing d;
  d.scale = 1;
  const TextItem text{{100, 100}, "222 in", 12, Align::Centre, 0, Ink::Ink, Ink::None};
  d.add(Layer::Label, "", text);
  const QImage image = painted(d);
  int left = 200, right = 0;
  for (int x = 0; x < 200; ++x)
    for (int y = 0; y < 200; ++y)
      if (image.pixelColor(x, y).lightness() < 128) {
        left = std::min(left, x);
        right = std::max(right, x);
      }
  const double half = letteringWidth(text.text, text.height) / 2;
  EXPECT_GE(left, 100 - half - 1);
  EXPECT_LE(right, 100 + half + 1);
  EXPECT_GT(right - left, half);  // and fills most of it
}

TEST(Images, ArePaintedInTheirMount) {
  ImageStore store;
  store.add("a", png(40, 40, Qt::red));
  Drawing d;
  d.scale = 1;
  d.add(Layer::Picture, "p", ImageItem{{50, 50}, {150, 150}, "a"});
  EXPECT_EQ(painted(d, &store).pixelColor(100, 100), QColor(Qt::red));
}
TEST(Images, TooLargeAreKeptSmaller) {
  ImageStore store;
  store.add("wide", png(6000, 20, Qt::blue));
  ASSERT_NE(store.find("wide"), nullptr);
  EXPECT_LE(store.find("wide")->width(), 4096);
}
TEST(Images, ThatCannotBeDecodedAreLeftOut) {
  ImageStore store;
  store.add("bad", "this is no picture");
  store.add("cut", png(100, 100, Qt::red).substr(0, 40));
  EXPECT_EQ(store.find("bad"), nullptr);
  EXPECT_EQ(store.find("cut"), nullptr);
  Drawing d;
  d.scale = 1;
  d.add(Layer::Picture, "p", ImageItem{{50, 50}, {150, 150}, "bad"});
  EXPECT_EQ(painted(d, &store).pixelColor(100, 100), QColor(Qt::white));
}
TEST(Fonts, AreTheOnesThatShip) {
  EXPECT_EQ(QFontInfo(letteringFont(10, 96)).family(), QStringLiteral("Routed Gothic"));
  EXPECT_EQ(QFontInfo(interfaceFont(13)).family(), QStringLiteral("B612"));
}

}  // namespace painter_test
}  // namespace mezzet

int main(int argc, char** argv) {
  testing::InitGoogleTest(&argc, argv);
  qputenv("QT_QPA_PLATFORM", "offscreen");
  mezzet::prepareEnvironment();
  QGuiApplication app(argc, argv);
  if (!mezzet::loadFonts()) return 3;
  return RUN_ALL_TESTS();
}
