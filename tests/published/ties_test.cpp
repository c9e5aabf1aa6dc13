// Colour ties against an independent library: CIEDE2000 and Lab by Little CMS (lcms2), the bands of 10 and 20 as
// stated.
#include <gtest/gtest.h>
#include <lcms2.h>

#include <cmath>
#include <cstdio>
#include <random>

#include "core/choose/ties.h"
#include "support/rooms.h"

namespace mezzet {
namespace ties_test {
using namespace test;

/// IEC 61966-2-1 to XYZ under D65, its matrix as printed, then to Lab by the library.
cmsCIELab labByLibrary(int r, int g, int b) {
  const cmsCIEXYZ white{0.95047, 1.0, 1.08883};  // CIE 15, D65
  const auto linear = [](int v) {
    const double c = v / 255.0;
    return c <= 0.04045 ? c / 12.92 : std::pow((c + 0.055) / 1.055, 2.4);
  };
  const double R = linear(r), G = linear(g), B = linear(b);
  const cmsCIEXYZ xyz{0.4124 * R + 0.3576 * G + 0.1805 * B, 0.2126 * R + 0.7152 * G + 0.0722 * B,
                      0.0193 * R + 0.1192 * G + 0.9505 * B};
  cmsCIELab lab;
  cmsXYZ2Lab(&white, &lab, &xyz);
  return lab;
}

TEST(ColourTies, AgreeWithLittleCms) {
  constexpr unsigned kSeed = 20261128;
  std::mt19937 random(kSeed);
  struct Drawn {
    std::string srgb;
    cmsCIELab lab;
  };
  const auto draw = [&] {
    const int r = static_cast<int>(random() % 256), g = static_cast<int>(random() % 256),
              b = static_cast<int>(random() % 256);
    char text[8];
    std::snprintf(text, sizeof text, "#%02x%02x%02x", r, g, b);
    return Drawn{text, labByLibrary(r, g, b)};
  };
  int counts[3] = {};
  for (int round = 0; round < 300; ++round) {
    Job job = emptyRoom();
    std::vector<Drawn> here;
    for (const char* id : {"a", "b", "c"}) {
      Piece p = piece(id, "armchair", 30, 32, 34);
      here.push_back(draw());
      p.thing.edit().colours = {{here.back().srgb, 1}};
      job = with(job, p, (std::string("p-") + id).c_str(), 60.0 * static_cast<double>(here.size()), 60);
    }
    Piece print = piece("print", "art", 40, 1, 30);
    const Drawn colour = draw();
    print.thing.edit().colours = {{colour.srgb, 1}};
    job = withPiece(job, print).value();
    const Ties ties = tiesOf(job, scheme(job), PlacementId("a1"), print, {});
    ASSERT_EQ(ties.colours.size(), 1u);
    double least = 1e9;
    std::string nearest;
    for (const Drawn& other : here) {
      const double off = cmsCIE2000DeltaE(&colour.lab, &other.lab, 1, 1, 1);
      if (off < least) {
        least = off;
        nearest = other.srgb;
      }
    }
    const ColourTie& tie = ties.colours.front();
    ASSERT_NEAR(tie.deltaE00, least, 0.01) << "seed " << kSeed << ", round " << round;
    ASSERT_EQ(tie.nearestSrgb, nearest) << "seed " << kSeed << ", round " << round;
    if (std::abs(least - 10) < 0.02 || std::abs(least - 20) < 0.02) continue;  // the matrices' last digits may decide
    ASSERT_EQ(tie.tie, least <= 10 ? Tie::Echoes : least <= 20 ? Tie::Near : Tie::New) << "round " << round;
    ++counts[static_cast<int>(tie.tie)];
  }
  for (const int count : counts) EXPECT_GT(count, 5) << "seed " << kSeed << ": every band was met";
}

}  // namespace ties_test
}  // namespace mezzet
