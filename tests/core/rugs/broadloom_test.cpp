// Carpet off the roll: worked rooms, seams, repeats, turning and mirroring; runners; what is said of it.
#include <gtest/gtest.h>

#include "core/rugs/broadloom.h"
#include "core/rugs/carpet_words.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace broadloom_test {
using namespace test;

std::vector<Area> floorOf(double widthFeet, double depthFeet) {
  const double w = widthFeet * kFoot, d = depthFeet * kFoot;
  return {{{{0, 0}, {w, 0}, {w, d}, {0, d}}, {}}};
}
CarpetCut cut(const std::vector<Area>& region, const Broadloom& cloth,
              const std::vector<std::vector<Vec2>>& routes = {}) {
  const auto out = cutCarpet(region, cloth, routes);
  EXPECT_TRUE(out);
  return out.value_or(CarpetCut{});
}
double squareFeet(double mm2) { return mm2 / (kFoot * kFoot); }

struct Worked {
  const char* name;
  double wide, deep, roll, pile, trim;  ///< feet, feet, feet, degrees, inches
  std::size_t strips;
  double bought, area, waste;  ///< feet, square feet, share
};
void PrintTo(const Worked& w, std::ostream* out) { *out << w.name; }
class Carpets : public testing::TestWithParam<Worked> {};
TEST_P(Carpets, AreCutAsWorkedByHand) {
  const Worked& w = GetParam();
  const CarpetCut c = cut(floorOf(w.wide, w.deep), {w.roll * kFoot, w.pile, std::nullopt, in(w.trim)});
  EXPECT_EQ(c.strips.size(), w.strips);
  EXPECT_EQ(c.seams.size(), w.strips - 1);
  EXPECT_NEAR(c.bought / kFoot, w.bought, 1e-6);
  EXPECT_NEAR(squareFeet(c.boughtArea), w.area, 1e-4);
  EXPECT_NEAR(c.waste(), w.waste, 5e-4);
}
INSTANTIATE_TEST_SUITE_P(Worked, Carpets,
                         testing::Values(Worked{"TwoOffTwelve", 20, 14, 12, 90, 0, 2, 28, 336, 0.1667},
                                         Worked{"OneOffFifteen", 20, 14, 15, 0, 0, 1, 20, 300, 0.0667},
                                         Worked{"TrimMakesItTwo", 16.5, 13, 13 + 2.0 / 12, 90, 3, 2, 27, 355.5,
                                                1 - 214.5 / 355.5},
                                         Worked{"AWiderRollMakesItOne", 16.5, 13, 13.5, 0, 3, 1, 17, 229.5, 0.065},
                                         Worked{"JustTwelve", 12, 10, 12, 90, 0, 1, 10, 120, 0},
                                         Worked{"SixInchesMore", 12.5, 10, 12, 90, 0, 2, 20, 240, 1 - 125.0 / 240}),
                         [](const auto& p) { return std::string(p.param.name); });

TEST(Carpet, APatternLosesUpToItsRepeatAfterTheFirstStrip) {
  const CarpetCut c = cut(floorOf(20, 14), {12 * kFoot, 90, in(25), 0});
  EXPECT_NEAR(c.strips[0].length, 14 * kFoot, 1e-6);
  EXPECT_NEAR(c.strips[1].length, in(175), 1e-6) << "seven repeats";
  const CarpetCut even = cut(floorOf(20, 14), {12 * kFoot, 90, in(24), 0});
  EXPECT_NEAR(even.strips[1].length, 14 * kFoot, 1e-6) << "just seven repeats";
}
TEST(Carpet, EachStripIsAsLongAsItsOwnPartOfTheFloor) {
  // An L: 12 ft wide at the bottom, its left 6 ft going on to 20 ft.
  const double f = kFoot;
  const std::vector<Area> l{{{{0, 0}, {12 * f, 0}, {12 * f, 8 * f}, {6 * f, 8 * f}, {6 * f, 20 * f}, {0, 20 * f}}, {}}};
  const CarpetCut c = cut(l, {6 * f, 90, std::nullopt, 0});
  ASSERT_EQ(c.strips.size(), 2U);
  EXPECT_NEAR(c.strips[0].length, 20 * f, 1e-3);
  EXPECT_NEAR(c.strips[1].length, 8 * f, 1e-3);
  EXPECT_NEAR(squareFeet(c.area), 168, 1e-3);
  EXPECT_NEAR(c.edge, 64 * f, 1e-3);
}
TEST(Carpet, ASeamKeepsOutOfTheWayThoughThereIsRoomForItElsewhere) {
  // The way runs up the middle, where the seam of strips from the left would lie.
  const std::vector<Vec2> way{{12 * kFoot, -100}, {12 * kFoot, 15 * kFoot}};
  const CarpetCut c = cut(floorOf(20, 14), {12 * kFoot, 90, std::nullopt, 0}, {way});
  ASSERT_EQ(c.seams.size(), 1U);
  EXPECT_EQ(c.seamOnRoute, 0);
  EXPECT_LE(c.seams[0], 12 * kFoot - kSeamOffRoute + 0.1);
  EXPECT_NEAR(cut(floorOf(20, 14), {12 * kFoot, 90, std::nullopt, 0}).seams[0], 12 * kFoot, 1e-6) << "else at the roll";
}
TEST(Carpet, AWayThatCrossesEverySeamIsOwnedUpTo) {
  const std::vector<Vec2> way{{-100, 7 * kFoot}, {21 * kFoot, 7 * kFoot}};
  EXPECT_NEAR(cut(floorOf(20, 14), {12 * kFoot, 90, std::nullopt, 0}, {way}).seamOnRoute, 2 * kSeamOffRoute, 0.1);
}
TEST(Carpet, IsTheSameTurnedAndMirrored) {
  const double f = kFoot;
  const Polygon hall{{0, 0}, {7 * f, 0}, {9 * f, 11 * f}, {4 * f, 14 * f}, {0, 9 * f}};
  const Broadloom cloth{5 * f, 90, std::nullopt, in(3)};
  const CarpetCut c = cut({{hall, {}}}, cloth);
  for (const double degrees : {17.0, 90.0, 143.0, 270.0}) {
    Polygon turned;
    for (const Vec2 p : hall) turned.push_back(rotated(p, turnOf(degrees)));
    const CarpetCut t = cut({{turned, {}}}, {cloth.roll, 90 + degrees, cloth.repeat, cloth.trim});
    EXPECT_EQ(t.strips.size(), c.strips.size()) << degrees;
    EXPECT_NEAR(t.bought, c.bought, 0.05) << degrees;
    EXPECT_NEAR(t.area, c.area, 50) << degrees;
  }
  Polygon up;  // mirrored along the pile: strips keep their places
  for (std::size_t i = hall.size(); i-- > 0;) up.push_back({hall[i].x, -hall[i].y});
  const CarpetCut m = cut({{up, {}}}, cloth);
  EXPECT_NEAR(m.bought, c.bought, 0.05);
  EXPECT_EQ(m.seams.size(), c.seams.size());
}
TEST(Carpet, RefusesWhatNobodyCuts) {
  EXPECT_FALSE(cutCarpet(floorOf(20, 14), {0, 0, std::nullopt, 0}, {}));
  EXPECT_FALSE(cutCarpet(floorOf(20, 14), {10, 0, std::nullopt, 0}, {})) << "hundreds of strips";
  EXPECT_FALSE(cutCarpet({}, {3000, 0, std::nullopt, 0}, {}));
  EXPECT_FALSE(cutCarpet(floorOf(20, 14), {3000, 0, -1.0, 0}, {}));
}
TEST(Carpet, LeavesOutWhatStandsFixedOnTheFloor) {
  Job job = emptyRoom(240, 168);
  Feature hearth{FeatureId("h"), FeatureKind::Hearth, {{0, 0}, {in(60), 0}, {in(60), in(24)}, {0, in(24)}}, {}, {}};
  job = withFeature(job, RoomId("parlour"), hearth).value();
  double area = 0;
  for (const Area& a : carpetedFloor(*job.rooms[0])) area += sizeOf(a);
  EXPECT_NEAR(squareFeet(area), 280 - 10, 1e-3);
}
TEST(Runner, GoesUpEveryRiserAndOverEveryGoingButTheLast) {
  Stair stair;
  stair.risers = 13;
  stair.riser = in(7.5);
  stair.going = in(10);
  EXPECT_NEAR(runnerLength(stair, 0), in(13 * 7.5 + 12 * 10), 1e-9);
  stair.nosing = in(1);
  EXPECT_NEAR(runnerLength(stair, in(3)), in(13 * 7.5 + 12 * 10 + 26 + 6), 1e-9);
}
TEST(Runner, IsNamedForEachStairOfTheRoom) {
  Feature flight{FeatureId("st"), FeatureKind::Stair, {{0, 0}, {in(36), 0}, {in(36), in(100)}, {0, in(100)}}, {}, {}};
  flight.stair = Stair{13, in(7.5), in(10), 90, {}, {}, {}, {}};
  const Job job = withFeature(emptyRoom(), RoomId("parlour"), flight).value();
  const auto said = runnerWords(*job.rooms[0], {LengthStyle::Inches, 16});
  ASSERT_EQ(said.size(), 1U);
  EXPECT_EQ(said[0].find("A runner for the stair, 13 risers: 223 1/2 in"), 0U) << said[0];
  EXPECT_TRUE(runnerWords(*emptyRoom().rooms[0], {}).empty());
}
TEST(CarpetWords, NameWhatThePriceListLacks) {
  Job job = emptyRoom();
  job.carpet.edgePrices["machine-binding"] = 5;  // a metre
  const RugTrade& trade = builtInRulebook().rugs;
  const Broadloom cloth{12 * kFoot, 90, std::nullopt, 0};
  std::string all;
  for (const std::string& s :
       carpetWords(cut(floorOf(20, 14), cloth), cloth, job, trade, {LengthStyle::FeetInches, 16}))
    all += s + "\n";
  EXPECT_NE(all.find("16.7 % waste"), std::string::npos) << all;
  EXPECT_NE(all.find("Machine binding: 103.6."), std::string::npos) << all;  // 68 ft are 20.7264 m
  EXPECT_NE(all.find("no price of machine serging"), std::string::npos) << all;
}

}  // namespace broadloom_test
}  // namespace mezzet
