// Colour, boards, screws and cutting against what is published; the solver's stated rates.
#include <gtest/gtest.h>
#include <lcms2.h>

#include <fstream>
#include <random>

#include "core/colour/lab.h"
#include "core/display/boards.h"
#include "core/display/cuts.h"
#include "core/display/setting.h"

namespace mezzet {
namespace displays_test {

struct Pair {
  Lab one, two;
  double difference;
};
/// Sharma, Wu and Dalal (2005), "The CIEDE2000 color-difference formula", table 1.
std::vector<Pair> sharma() {
  std::vector<Pair> out;
  std::ifstream in(std::string(MEZZET_SOURCE_DIR) + "/tests/data/ciede2000.txt");
  Pair p;
  while (in >> p.one.l >> p.one.a >> p.one.b >> p.two.l >> p.two.a >> p.two.b >> p.difference) out.push_back(p);
  return out;
}

TEST(Ciede2000, AgreesWithAllPublishedPairs) {
  const auto all = sharma();
  ASSERT_EQ(all.size(), 34u);
  for (std::size_t i = 0; i < all.size(); ++i) {
    EXPECT_NEAR(deltaE00(all[i].one, all[i].two), all[i].difference, 1e-4) << "pair " << i + 1;
    EXPECT_NEAR(deltaE00(all[i].two, all[i].one), all[i].difference, 1e-4) << "pair " << i + 1 << " swapped";
  }
}
TEST(Ciede2000, AgreesWithLittleCms) {
  constexpr unsigned long long kSeed = 20261128;
  std::mt19937_64 random(kSeed);
  const auto draw = [&](double low, double high) {
    return low + (high - low) * static_cast<double>(random() >> 11) / static_cast<double>(std::uint64_t{1} << 53);
  };
  for (int i = 0; i < 20000; ++i) {
    const Lab a{draw(0, 100), draw(-100, 100), draw(-100, 100)}, b{draw(0, 100), draw(-100, 100), draw(-100, 100)};
    const cmsCIELab one{a.l, a.a, a.b}, two{b.l, b.a, b.b};
    ASSERT_NEAR(deltaE00(a, b), cmsCIE2000DeltaE(&one, &two, 1, 1, 1), 1e-4) << "seed " << kSeed << ", pair " << i;
  }
}
/// sRGB through the ICC engine to Lab under D50 differs by the adaptation; XYZ under D65 to Lab does not.
TEST(LabOfSrgb, AgreesWithLittleCms) {
  const cmsCIEXYZ white{0.95047, 1.0, 1.08883};  // CIE 15, D65
  const auto linear = [](double c) { return c <= 0.04045 ? c / 12.92 : std::pow((c + 0.055) / 1.055, 2.4); };
  for (int r = 0; r < 256; r += 15)
    for (int g = 0; g < 256; g += 15)
      for (int b = 0; b < 256; b += 15) {
        const double R = linear(r / 255.0), G = linear(g / 255.0), B = linear(b / 255.0);
        // IEC 61966-2-1, its matrix as printed.
        const cmsCIEXYZ xyz{0.4124 * R + 0.3576 * G + 0.1805 * B, 0.2126 * R + 0.7152 * G + 0.0722 * B,
                            0.0193 * R + 0.1192 * G + 0.9505 * B};
        cmsCIELab lab;
        cmsXYZ2Lab(&white, &lab, &xyz);
        const Lab ours = labOf({r / 255.0, g / 255.0, b / 255.0});
        ASSERT_NEAR(ours.l, lab.L, 1e-6);
        ASSERT_NEAR(ours.a, lab.a, 1e-6);
        ASSERT_NEAR(ours.b, lab.b, 1e-6);
      }
}
/// Values that other open libraries' tests hold for sRGB under D65.
TEST(LabOfSrgb, AgreesWithPublishedValues) {
  const struct {
    const char* srgb;
    Lab lab;
  } all[] = {{"#ff0000", {53.233, 80.109, 67.220}},
             {"#008000", {46.229, -51.7, 49.898}},
             {"#0000ff", {32.303, 79.197, -107.864}},
             {"#ffffff", {100, 0.005, -0.010}}};
  for (const auto& one : all) {
    const Lab lab = *readLab(one.srgb);
    EXPECT_NEAR(lab.l, one.lab.l, 0.01) << one.srgb;
    EXPECT_NEAR(lab.a, one.lab.a, 0.02) << one.srgb;
    EXPECT_NEAR(lab.b, one.lab.b, 0.02) << one.srgb;
  }
}

/// FPL Wood Handbook, table 5-3: red oak 12.5 GPa; the beam by statics. 250 x 19 mm, 0.9 m, 30 kg in all.
TEST(Shelf, SagsByTheHandbook) {
  EXPECT_NEAR(sagOf(30 * kGravity / 900, 900, 12.5, 250, 19, false), 1.5634, 5e-4);
  const auto gigapascal = [](Board b) { return boardKind(b).gigapascal; };
  EXPECT_EQ(gigapascal(Board::RedOak), 12.5);
  EXPECT_EQ(gigapascal(Board::DouglasFir), 13.4);
  EXPECT_EQ(gigapascal(Board::Maple), 12.6);
  EXPECT_EQ(gigapascal(Board::Walnut), 11.6);
  EXPECT_EQ(gigapascal(Board::Cherry), 10.3);
  EXPECT_EQ(gigapascal(Board::Poplar), 10.9);
  EXPECT_EQ(gigapascal(Board::WhitePine), 8.5);
}
/// NDS 2018, table 12.2B: reference withdrawal of wood screws, lb per inch of thread.
TEST(Screw, WithdrawsByTheTable) {
  const auto pounds = [](double gravity, double diameter) {
    return withdrawalPerMm(gravity, diameter * kInch) / (kPound * kGravity) * kInch;
  };
  const struct {
    double gravity, diameter, lb;
  } all[] = {{0.50, 0.138, 98}, {0.50, 0.164, 117}, {0.50, 0.190, 135}, {0.50, 0.216, 154},
             {0.42, 0.138, 69}, {0.42, 0.164, 82},  {0.42, 0.190, 96},  {0.42, 0.216, 109}};
  for (const auto& one : all) EXPECT_NEAR(pounds(one.gravity, one.diameter), one.lb, 0.6);
}
/// The paper-cutting example of thirteen widths on rolls of 5600 mm: 73 rolls are the least there can be.
TEST(CuttingStock, BoundsThePublishedExample) {
  const std::pair<double, int> widths[] = {{1380, 22}, {1520, 25}, {1560, 12}, {1710, 14}, {1820, 18},
                                           {1880, 18}, {1930, 20}, {2000, 10}, {2050, 12}, {2100, 14},
                                           {2140, 16}, {2150, 18}, {2200, 20}};
  std::vector<Cut> cuts;
  for (const auto& [width, count] : widths)
    for (int i = 0; i < count; ++i) cuts.push_back({"roll", width});
  const auto list = cutFrom(cuts, {5600}, 0);
  ASSERT_TRUE(list);
  EXPECT_EQ(list->bound, 73);
  EXPECT_GE(list->bars.size(), 73u);
  EXPECT_LE(list->bars.size(), 76u);
  std::size_t cut = 0;
  for (const CutBar& bar : list->bars) {
    double used = 0;
    for (const std::size_t i : bar.cuts) used += list->cuts[i].length;
    EXPECT_LE(used, 5600 + 1e-6);
    cut += bar.cuts.size();
  }
  EXPECT_EQ(cut, cuts.size());
  std::cout << "thirteen widths: " << list->bars.size() << " bars, bound " << list->bound << "\n";
}

/// The stated rates: of 50 seeded sets, built at 95 % of each bay's width, 48 without a broken rule, and 45 better than
/// tallest first.
TEST(SettingRates, AreAsStated) {
  constexpr unsigned long long kSeed = 20261128;
  int sound = 0, better = 0;
  for (unsigned long long n = 0; n < 50; ++n) {
    std::mt19937_64 random(kSeed + n);
    const auto draw = [&](double low, double high) {
      return low + (high - low) * static_cast<double>(random() >> 11) / static_cast<double>(std::uint64_t{1} << 53);
    };
    SetProblem p;
    const int bays = 4 + static_cast<int>(random() % 3);
    double bottom = 20;
    for (int b = 0; b < bays; ++b) {
      SetBay bay{draw(700, 950), draw(260, 420), 290, 19, bottom, false};
      bay.aboveEye = bottom > 1564;
      bottom += bay.height + 19;
      p.width = std::max(p.width, bay.width + 38);
      // Things that fill 95 % of its width, one of them tall enough for it.
      double left = 0.95 * bay.width;
      for (bool first = true; left > 1; first = false) {
        double wide = std::min(left, draw(90, 320));
        if (left - wide < 90) wide = left;
        SetThing t{wide,
                   draw(150, 280),
                   bay.height * (first ? draw(0.65, 0.88) : draw(0.4, 0.88)),
                   {},
                   random() % 2 == 0,
                   false,
                   "t" + std::to_string(p.things.size()),
                   "",
                   draw(0.5, 8)};
        const Srgb colours[] = {{0.14, 0.13, 0.12}, {0.92, 0.87, 0.78}, {0.68, 0.55, 0.25}};
        t.colour = labOf(colours[random() % 3]);
        p.things.push_back(t);
        left -= wide;
      }
      p.bays.push_back(bay);
    }
    const auto settings = settingsOf(p, n + 1, 1, {});
    ASSERT_FALSE(settings.empty());
    // No rule broken: everything is set, inside its bay, and nothing runs into anything.
    bool fits = settings.front().leftOut().empty();
    for (std::size_t i = 0; fits && i < p.things.size(); ++i) {
      const SetAt& at = settings.front().at[i];
      const SetBay& bay = p.bays[*at.bay];
      fits = at.left > -0.5 && at.left + p.things[i].width < bay.width + 0.5 && p.things[i].height < bay.height + 0.5;
      for (std::size_t j = 0; fits && j < i; ++j)
        if (settings.front().at[j].bay == at.bay)
          fits = at.left + p.things[i].width < settings.front().at[j].left + 0.5 ||
                 settings.front().at[j].left + p.things[j].width < at.left + 0.5;
    }
    sound += fits;
    better += settings.front().score < tallestFirst(p).score;
  }
  std::cout << "settings (seed " << kSeed << "): " << sound << " of 50 without a broken rule, " << better
            << " better than tallest first\n";
  EXPECT_GE(sound, 48);
  EXPECT_GE(better, 45);
}

}  // namespace displays_test
}  // namespace mezzet
