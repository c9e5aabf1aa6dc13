// Colours read, named, written, and the main colours of a picture.
#include "core/colour/lab.h"

#include <gtest/gtest.h>

#include <random>

#include "core/colour/names.h"
#include "core/colour/palette.h"

namespace mezzet {
namespace lab_test {

TEST(Lab, IsReadAsWritten) {
  EXPECT_EQ(*readLab("50,2.5,-3"), (Lab{50, 2.5, -3}));
  EXPECT_EQ(*readLab("50, 2.5, -3"), (Lab{50, 2.5, -3}));
  for (const char* bad : {"", "50", "50,1", "50,1,2,3", "#12345", "101,0,0", "50,x,2", "nan,0,0", "50,1,2 "})
    EXPECT_FALSE(readLab(bad)) << bad;
}
TEST(Lab, GoesToColoursAndBack) {
  for (int r = 0; r < 256; r += 17)
    for (int g = 0; g < 256; g += 51)
      for (int b = 0; b < 256; b += 51) {
        const Srgb colour{r / 255.0, g / 255.0, b / 255.0};
        EXPECT_EQ(writeColour(srgbOf(labOf(colour))), writeColour(colour));
      }
}
TEST(ColourWords, NameThemselves) {
  for (const char* word : {"black", "cream", "brass", "teal"}) EXPECT_EQ(nameOfColour(*colourNamed(word)), word);
  EXPECT_EQ(nameOfColour("#201e1c"), "black");
  EXPECT_FALSE(colourNamed("walnutty"));
}
TEST(PaletteOfAPicture, FindsItsColoursByShare) {
  std::vector<Srgb> pixels;
  for (int i = 0; i < 700; ++i) pixels.push_back({0.1, 0.1, 0.1});
  for (int i = 0; i < 200; ++i) pixels.push_back({0.9, 0.85, 0.75});
  for (int i = 0; i < 100; ++i) pixels.push_back({0.7, 0.55, 0.25});
  const auto all = paletteOf(pixels, 6, 1);
  ASSERT_EQ(all.size(), 3u);
  EXPECT_NEAR(all[0].share, 0.7, 1e-9);
  EXPECT_NEAR(all[1].share, 0.2, 1e-9);
  EXPECT_NEAR(all[2].share, 0.1, 1e-9);
  EXPECT_LT(deltaE00(all[2].lab, labOf({0.7, 0.55, 0.25})), 0.5);
}
TEST(PaletteOfAPicture, IsTheSameForTheSameSeed) {
  std::mt19937_64 random(4);
  std::vector<Srgb> pixels;
  for (int i = 0; i < 4096; ++i)
    pixels.push_back({static_cast<double>(random() % 256) / 255, static_cast<double>(random() % 256) / 255,
                      static_cast<double>(random() % 256) / 255});
  const auto one = paletteOf(pixels, 6, 7), two = paletteOf(pixels, 6, 7);
  ASSERT_EQ(one.size(), two.size());
  double sum = 0;
  for (std::size_t i = 0; i < one.size(); ++i) {
    EXPECT_EQ(one[i].srgb, two[i].srgb);
    sum += one[i].share;
  }
  EXPECT_NEAR(sum, 1, 1e-9);
  EXPECT_TRUE(paletteOf({}, 6, 1).empty());
}

}  // namespace lab_test
}  // namespace mezzet
