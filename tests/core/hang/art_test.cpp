#include "core/hang/art_solver.h"

#include <random>

#include "support/rooms.h"

namespace mezzet {
namespace art_test {
using test::in;

const Range kCentreA{in(57), in(60)}, kGapA{in(4), in(6)};

TEST(ArtSolver, SplitsTheShortfallWhenBothCannotHold) {
  const ArtSolution s = solveArt({kCentreA, kGapA, in(34), in(24)});
  EXPECT_FALSE(s.both);
  EXPECT_NEAR(s.centre, in(54.5), 1e-9);
  EXPECT_NEAR(s.apart, in(5), 1e-9);
}
TEST(ArtSolver, TakesTheMiddleOfWhatSatisfiesBoth) {
  const ArtSolution s = solveArt({kCentreA, kGapA, in(34), in(40)});
  EXPECT_TRUE(s.both);
  EXPECT_NEAR(s.centre, in(59), 1e-9);
  EXPECT_EQ(s.shortCentre, 0);
}
TEST(ArtSolver, BandsThatOnlyTouchHold) {
  // 34 in high: its gap band is 55 to 57, and 57 is the centre rule's own end.
  const ArtSolution s = solveArt({kCentreA, kGapA, in(34), in(34)});
  EXPECT_TRUE(s.both);
  EXPECT_NEAR(s.centre, in(57), 1e-6);
}
TEST(ArtSolver, GivesNoFrameHeightWhereNoneCouldHold) {
  EXPECT_FALSE(solveArt({kCentreA, kGapA, in(58), in(24)}).frameHeights);
}
TEST(ArtSolver, AnOpenEndAsksNothing) {
  const ArtSolution s = solveArt({{in(57), std::nullopt}, {std::nullopt, in(40)}, in(34), in(24)});
  EXPECT_TRUE(s.both);
}
TEST(ArtSolver, NoOtherHeightMakesTheLargerShortfallLess) {
  std::printf("seed 5\n");
  std::mt19937 random(5);
  const auto uniform = [&](double a, double b) { return std::uniform_real_distribution(a, b)(random); };
  const auto shortOf = [](const Range& r, double v) { return std::max({0.0, *r.low - v, v - *r.high}); };
  for (int i = 0; i < 500; ++i) {
    const double c = uniform(1300, 1700), g = uniform(50, 400);
    const ArtQuestion q{{c, c + uniform(0, 150)}, {g, g + uniform(0, 150)}, uniform(600, 1100), uniform(150, 1500)};
    const ArtSolution s = solveArt(q);
    const double worst = std::max(s.shortCentre, s.shortGap);
    for (double height = 500; height < 3000; height += 7) {
      const double gap = height - q.top - q.frame / 2;
      ASSERT_GE(std::max(shortOf(q.centre, height), shortOf(q.gap, gap)), worst - 1e-6);
    }
  }
}
TEST(ArtSolver, FramesOfTheGivenHeightsHold) {
  const Range heights = *solveArt({kCentreA, kGapA, in(34), in(24)}).frameHeights;
  for (const double h : {*heights.low, (*heights.low + *heights.high) / 2, *heights.high})
    EXPECT_TRUE(solveArt({kCentreA, kGapA, in(34), h}).both) << h / kInch;
  EXPECT_FALSE(solveArt({kCentreA, kGapA, in(34), *heights.high + 1}).both);
}

}  // namespace art_test
}  // namespace mezzet
