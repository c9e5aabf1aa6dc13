// The rates that are stated of the salon hang in docs/walls.md, on seeded sets of frames: how dense it is, how near the
// wished shape, how far the largest is off the middle.
#include <gtest/gtest.h>

#include <algorithm>
#include <array>
#include <cmath>

#include "core/hang/arrangement.h"
#include "support/frames.h"

namespace mezzet {
namespace salon_rates_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};

TEST(Salon, OfTwoHundredSetsIsDenseInShapeAndRoundItsLargest) {
  const std::uint64_t seed = 20261128;
  double fill = 0, least = 1;
  int inRatio = 0, inMiddle = 0;
  const int sets = 200;
  for (int set = 0; set < sets; ++set) {
    Chance chance(seed + static_cast<std::uint64_t>(set));
    ArrangementAsk a = ask(HangAs::Salon, randomSizes(chance, 7 + chance.below(9)));
    a.ratio = std::array{1.0, 1.5, 2.0}[chance.below(3)];
    a.seed = static_cast<std::uint64_t>(set) + 1;
    const Arrangement made = arranged(a, kInches);
    ASSERT_TRUE(made.made);
    const auto r = rects(a, made);
    EXPECT_LT(farthestEdge(a, made), 1e-6);
    std::size_t largest = 0;
    std::vector<std::size_t> open{0};
    std::vector<bool> tied(r.size(), false);
    tied[0] = true;
    for (std::size_t i = 0; i < r.size(); ++i) {
      bool faces = false;
      for (std::size_t j = 0; j < r.size(); ++j) {
        if (i == j) continue;
        ASSERT_GE(gapOf(r[i], r[j]), in(2) - 0.01) << "set " << set;
        const auto facing = facingGap(r[i], r[j]);
        faces = faces || (facing && std::abs(*facing - in(2)) < 0.01);
      }
      EXPECT_TRUE(faces) << "set " << set << " frame " << i;
      const auto area = [&](std::size_t k) { return a.frames[k].width * a.frames[k].height; };
      if (area(i) > area(largest)) largest = i;
    }
    while (!open.empty()) {
      const std::size_t at = open.back();
      open.pop_back();
      for (std::size_t j = 0; j < r.size(); ++j)
        if (const auto facing = facingGap(r[at], r[j]); !tied[j] && facing && std::abs(*facing - in(2)) < 0.01) {
          tied[j] = true;
          open.push_back(j);
        }
    }
    EXPECT_TRUE(std::all_of(tied.begin(), tied.end(), [](bool t) { return t; })) << "set " << set;
    const double filled = fillOf(a.frames, made);
    fill += filled / sets;
    least = std::min(least, filled);
    const double off = made.width / made.height / *a.ratio;
    inRatio += off >= 0.75 && off <= 1.25;
    inMiddle += std::abs(made.centres[largest].x - made.width / 2) <= 0.15 * made.width &&
                std::abs(made.centres[largest].y - made.height / 2) <= 0.15 * made.height;
  }
  std::printf(
      "seed %llu: %d salons fill %.3f in the mean, %.3f at least; %.1f %% near the ratio, %.1f %% round their "
      "largest\n",
      static_cast<unsigned long long>(seed), sets, fill, least, 100.0 * inRatio / sets, 100.0 * inMiddle / sets);
  EXPECT_GE(fill, 0.71);
  EXPECT_GE(least, 0.58);
  EXPECT_GE(inRatio, 0.95 * sets);
  EXPECT_GE(inMiddle, 0.95 * sets);
}

}  // namespace salon_rates_test
}  // namespace mezzet
