// The trade's art arithmetic. Source: common practice, C = S + g + h / 2 with the centre at 57 to 60 in and 4 to 6 in
// over the back; over a 34 in back only frames 34 to 44 in tall satisfy both, and with a gap of 8 to 12 in a frame
// 24 in high does at a gap of 11 to 12.
#include "core/hang/art_solver.h"
#include "core/units/length.h"

namespace mezzet {
namespace art_arithmetic_test {

double in(double inches) { return inches * kInch; }
const Range kCentre{in(57), in(60)};

TEST(PublishedArt, OnlyFramesOf34To44SatisfyBothOverA34InBack) {
  const ArtSolution s = solveArt({kCentre, {in(4), in(6)}, in(34), in(24)});
  EXPECT_FALSE(s.both);
  ASSERT_TRUE(s.frameHeights);
  EXPECT_NEAR(*s.frameHeights->low, 863.6, 1e-9);
  EXPECT_NEAR(*s.frameHeights->high, 1117.6, 1e-9);
}
TEST(PublishedArt, TheSchoolOfEightToTwelveHoldsAtElevenToTwelve) {
  const ArtSolution s = solveArt({kCentre, {in(8), in(12)}, in(34), in(24)});
  ASSERT_TRUE(s.both);
  EXPECT_NEAR(s.gap, in(11.5), 1e-9);  // the middle of 11 to 12
}
TEST(PublishedArt, AFrame40HighWithA12InGapLeavesLessAboveThanBelow) {
  // Over a 34 in back under an 8 ft ceiling: its top is at 86 in, so 10 in are left above and 12 in below.
  const ArtSolution s = solveArt({{}, {in(12), in(12)}, in(34), in(40)});
  EXPECT_NEAR(in(96) - (s.centre + in(20)), in(10), 1e-9);
  EXPECT_NEAR(s.gap, in(12), 1e-9);
}

}  // namespace art_arithmetic_test
}  // namespace mezzet
