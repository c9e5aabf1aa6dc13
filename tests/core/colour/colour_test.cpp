#include "core/colour/colour.h"

#include <gtest/gtest.h>

namespace mezzet {
namespace colour_test {

TEST(Colour, IsReadAsSixDigits) {
  const auto red = readColour("#Ff8000");
  ASSERT_TRUE(red);
  EXPECT_DOUBLE_EQ((*red)[0], 1);
  EXPECT_DOUBLE_EQ((*red)[1], 128 / 255.0);
  EXPECT_DOUBLE_EQ((*red)[2], 0);
}
TEST(Colour, NothingElseIsOne) {
  for (const char* text : {"", "#", "#fff", "ff8000", "#ff800", "#ff80000", "#ff80g0", "#-18000", "# f8000", "#+f8000"})
    EXPECT_FALSE(readColour(text)) << text;
}
TEST(Lightness, RunsFromBlackToWhite) {
  EXPECT_NEAR(lightnessOf({0, 0, 0}), 0, 1e-12);
  EXPECT_NEAR(lightnessOf({1, 1, 1}), 100, 1e-9);
}
TEST(Lightness, OfAGreyIsHalfWhereItsLuminanceIsAbove18Percent) {
  // Y = ((50 + 16) / 116)^3 = 0.18418..., the inverse of the definition.
  const double y = std::pow(66.0 / 116, 3), grey = 1.055 * std::pow(y, 1 / 2.4) - 0.055;
  EXPECT_NEAR(lightnessOf({grey, grey, grey}), 50, 1e-9);
}
TEST(Lightness, IsLinearNearBlack) { EXPECT_NEAR(lightnessOf({0.01, 0.01, 0.01}), 0.01 / 12.92 * 24389 / 27, 1e-9); }

}  // namespace colour_test
}  // namespace mezzet
