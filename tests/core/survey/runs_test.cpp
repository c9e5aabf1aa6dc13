#include "core/survey/runs.h"

#include "support/rooms.h"

namespace mezzet {
namespace runs_test {
using test::in;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};

std::vector<mezzet::Run> rectangle(double w, double d) { return {{in(w), 90}, {in(d), 90}, {in(w), 90}, {in(d), 90}}; }
std::vector<mezzet::Run> ell() {
  return {{in(222), 90}, {in(150), 90}, {in(126), -90}, {in(48), 90}, {in(96), 90}, {in(198), 90}};
}
std::string refusal(const std::vector<mezzet::Run>& runs) {
  const auto r = cornersFromRuns(runs, kInches);
  return r ? "" : r.error().text();
}

TEST(Runs, ARectangleCloses) {
  const auto corners = cornersFromRuns(rectangle(222, 150), kInches);
  ASSERT_TRUE(corners.ok());
  EXPECT_EQ((*corners)[2].id.value, "C");
  EXPECT_NEAR((*corners)[2].at.x, in(222), 1e-9);
  EXPECT_NEAR((*corners)[2].at.y, in(150), 1e-9);
}
TEST(Runs, AnLCloses) { EXPECT_EQ(refusal(ell()), ""); }
TEST(Runs, ComeBackFromAnOutline) {
  const auto corners = cornersFromRuns(ell(), kInches);
  const std::vector<mezzet::Run> back = runsOf(*corners);
  ASSERT_EQ(back.size(), ell().size());
  for (std::size_t i = 0; i < back.size(); ++i) {
    EXPECT_NEAR(*back[i].length, *ell()[i].length, 1e-9);
    EXPECT_EQ(back[i].turn, ell()[i].turn);
  }
}
TEST(Runs, ThatDoNotCloseSayByHowMuch) {
  auto runs = rectangle(222, 150);
  runs[2].length = in(218);
  EXPECT_EQ(refusal(runs),
            "The walk does not close: it ends 4 in to the right of where it began. Check the runs, or take one of the "
            "lengths offered");
}
TEST(Runs, ThatGoRoundClockwiseAreRefused) {
  auto runs = rectangle(222, 150);
  for (mezzet::Run& r : runs) r.turn = -90;
  EXPECT_EQ(refusal(runs),
            "These turns go round clockwise. Walk with the room on your left hand: corners then turn left");
}
TEST(Runs, WithTooFewTurnsAreRefused) {
  auto runs = rectangle(222, 150);
  runs[1].turn = -90;
  EXPECT_EQ(refusal(runs),
            "The turns add up to 180 degrees and should make 360. An L-shaped room has five left turns and one right");
}
TEST(Runs, ThatCrossAreRefused) {
  // A walk that returns to its start through its own first wall.
  const std::vector<mezzet::Run> runs{{100.0, 90},  {100.0, 90}, {50.0, 90},  {150.0, -90},
                                      {200.0, -90}, {50.0, -90}, {150.0, 90}, {0.001, 90}};
  EXPECT_FALSE(cornersFromRuns(runs, kInches).ok());
}
TEST(Runs, MissingOneAreAskedFor) {
  auto runs = rectangle(222, 150);
  runs[3].length.reset();
  EXPECT_EQ(refusal(runs), "Wall D: has no length yet. Type its run");
}
TEST(Runs, OfNothingAreRefused) { EXPECT_FALSE(cornersFromRuns({}, kInches).ok()); }

TEST(Closing, OffersTheTwoWallsNotTypedYet) {
  std::vector<mezzet::Run> runs = rectangle(222, 150);
  runs[2].length.reset();
  runs[3].length.reset();
  const auto offers = closings(runs, 1, kInches);
  ASSERT_EQ(offers.size(), 1u);
  EXPECT_EQ(offers[0].sentence, "Make wall C 222 in and wall D 150 in");
}
TEST(Closing, OffersTheOppositeWallWhenOneIsChanged) {
  auto runs = rectangle(222, 150);
  runs[0].length = in(226);
  const auto offers = closings(runs, 0, kInches);
  ASSERT_EQ(offers.size(), 1u);
  EXPECT_EQ(offers[0].sentence, "Make wall C 226 in");
}
TEST(Closing, IsNotOfferedWhereNoSingleWallWouldDo) {
  auto runs = rectangle(222, 150);
  runs[0].length = in(226);
  runs[1].length = in(155);
  EXPECT_TRUE(closings(runs, 1, kInches).empty());
}
TEST(Closing, IsNotOfferedForAClosedWalk) { EXPECT_TRUE(closings(ell(), {}, kInches).empty()); }

}  // namespace runs_test
}  // namespace mezzet
