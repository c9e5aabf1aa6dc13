// Contrast of what is read. Formula: WCAG 2.x relative luminance and contrast ratio (as remembered); asked here: 4.5.
#include <cmath>

#include "render/palette.h"

namespace mezzet {
namespace palette_test {

double luminance(const QColor& colour) {
  const auto channel = [](double c) { return c <= 0.04045 ? c / 12.92 : std::pow((c + 0.055) / 1.055, 2.4); };
  return 0.2126 * channel(colour.redF()) + 0.7152 * channel(colour.greenF()) + 0.0722 * channel(colour.blueF());
}
double contrast(const QColor& a, const QColor& b) {
  const double x = luminance(a), y = luminance(b);
  return (std::max(x, y) + 0.05) / (std::min(x, y) + 0.05);
}

// Worked values of the formula: #767676 on white 4.5422, #777777 4.4781, black on white 21.
TEST(Contrast, FormulaGivesItsWorkedValues) {
  EXPECT_NEAR(contrast(QColor(0x76, 0x76, 0x76), Qt::white), 4.5422, 1e-3);
  EXPECT_NEAR(contrast(QColor(0x77, 0x77, 0x77), Qt::white), 4.4781, 1e-3);
  EXPECT_NEAR(contrast(Qt::black, Qt::white), 21, 1e-9);
}

class TextInks : public testing::TestWithParam<Ink> {};
TEST_P(TextInks, CanBeReadOnEveryGround) {
  for (const Palette& palette : {Palette::screen(), Palette::print()})
    for (const Ink ground : {Ink::Paper, Ink::Floor, Ink::Cloth, Ink::ClothShade, Ink::Wood, Ink::Rug}) {
      EXPECT_GE(contrast(palette(GetParam()), palette(ground)), 4.5)
          << static_cast<int>(ground) << (palette.onPaper ? " printed" : " on screen");
    }
}
INSTANTIATE_TEST_SUITE_P(Palette, TextInks, testing::Values(Ink::Ink, Ink::Quiet));

TEST(Palette, WritingOnTheAccentIsReadable) { EXPECT_GE(contrast(desk::kInk, desk::kTape), 4.5); }
TEST(Palette, WritingOnTheDeskIsReadable) {
  for (const QColor& ground : {desk::kDesk, desk::kDeskDark, desk::kDeskEdge})
    EXPECT_GE(contrast(desk::kOnDesk, ground), 4.5);
  EXPECT_GE(contrast(desk::kOnDeskQuiet, desk::kDeskEdge), 4.5);
}
TEST(Palette, WaysOutAreReadable) { EXPECT_GE(contrast(desk::kWay, QColor(0xff, 0xf3, 0xcf)), 4.5); }
TEST(Palette, EveryInkButNoneHasAColourOnScreen) {
  EXPECT_FALSE(Palette::screen()(Ink::None).isValid());
  for (int ink = static_cast<int>(Ink::Ink); ink <= static_cast<int>(Ink::Ghost); ++ink)
    EXPECT_TRUE(Palette::screen()(static_cast<Ink>(ink)).isValid()) << ink;
}
TEST(Palette, PrintedTintsStayLightEnoughForInk) {
  for (const Ink fill : {Ink::Cloth, Ink::ClothShade, Ink::Wood, Ink::Rug, Ink::Hearth, Ink::Mount})
    EXPECT_GE(contrast(Palette::print()(Ink::Ink), Palette::print()(fill)), 7);
}

}  // namespace palette_test
}  // namespace mezzet
