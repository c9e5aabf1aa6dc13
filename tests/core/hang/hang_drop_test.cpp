// Pieces dropped on the wall, what a group can be like, and what of a group is kept when it is hung again.
#include "core/decide/hang_drop.h"

#include <gtest/gtest.h>

#include "core/colour/colour.h"
#include "core/decide/hang_again.h"
#include "core/decide/wall_words.h"
#include "core/edit/hangs.h"
#include "core/hang/neighbours.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace hang_drop_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");
const CornerId kWall("A");

/// A sofa 84 x 34 at wall A, its middle at u 111, and pictures 12 x 16 that hang nowhere yet.
Job sofaAndPrints(int count = 3) {
  Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36, 34), "s", 111, 18, 180);
  Piece print = piece("print", "art", 12, 1, 16);
  print.count = count;
  return withSchool(withSchool(withPiece(job, print).value(), "art-centre", "a"), "art-gap", "a");
}
std::vector<PieceId> prints(std::size_t count) { return std::vector<PieceId>(count, PieceId("print")); }
std::optional<HungDrop> drop(const Job& job, const std::vector<PieceId>& pieces, double u, double v) {
  IdSource ids(50 + 10 * static_cast<long long>(scheme(job).placements.size()));
  return withDropped(job, builtInRulebook(), kScheme, kWall, pieces, {in(u), in(v)}, ids, kInches);
}
double middleOf(const Job& job, const PlacementIds& ids) {
  double u = 0;
  for (const PlacementId& id : ids) u += wallPlace(findPlacement(scheme(job), id)->on).u / double(ids.size());
  return u / kInch;
}
Job hungAt(Job job, const char* id, const char* at, double w, double h, double u, double v, const char* group = "") {
  Piece p = piece(id, "art", w, 1, h);
  WallPlace place{kWall, in(u), in(v), std::nullopt};
  if (*group != '\0') place.group = group;
  return withPlacement(withPiece(job, p).value(), kScheme, {PlacementId(at), p.id, place, {}});
}

TEST(Dropped, SeveralOverTheSofaAreARowOverItsMiddle) {
  const auto hung = drop(sofaAndPrints(), prints(3), 95, 60);
  ASSERT_TRUE(hung);
  ASSERT_EQ(hung->fresh.size(), 3U);
  EXPECT_NEAR(middleOf(hung->job, hung->fresh), 111, 1e-6);
  ASSERT_EQ(scheme(hung->job).hangs.size(), 1U);
  EXPECT_EQ(scheme(hung->job).hangs[0].as, HangAs::Row);
  EXPECT_NEAR(hung->region.width(), in(84), 1e-6);  // what lights up: over the sofa
  EXPECT_NEAR(hung->region.bottom, in(34), 1e-6);
}
TEST(Dropped, OneMoreJoinsTheRowThatHangsThere) {
  const Job three = drop(sofaAndPrints(4), prints(3), 111, 60)->job;
  const auto four = drop(three, prints(1), 130, 60);
  ASSERT_TRUE(four);
  ASSERT_EQ(scheme(four->job).hangs.size(), 1U);  // the row of three is no more
  const auto members = membersOf(scheme(four->job), scheme(four->job).hangs[0].id);
  EXPECT_EQ(members.size(), 4U);
  EXPECT_NEAR(middleOf(four->job, members), 111, 1e-6);
}
TEST(Dropped, TooManyForARowAreASalon) {
  const auto hung = drop(sofaAndPrints(9), prints(9), 111, 60);
  ASSERT_TRUE(hung);
  EXPECT_EQ(scheme(hung->job).hangs[0].as, HangAs::Salon);
  EXPECT_EQ(spanningPairs(PieceIndex(hung->job), scheme(hung->job), hung->fresh).size(), 8U);
}
TEST(Dropped, BesideTheSofaTheFreeWallThereTakesThem) {
  const auto hung = drop(sofaAndPrints(), prints(3), 20, 60);
  ASSERT_TRUE(hung);
  EXPECT_LE(hung->region.left, in(20));
  EXPECT_NEAR(middleOf(hung->job, hung->fresh), (hung->region.left + hung->region.right) / 2 / kInch, 1e-6);
}
TEST(Dropped, WhatNoFreeWallTakesIsNotHung) {
  EXPECT_FALSE(drop(sofaAndPrints(100), prints(100), 111, 60));
  EXPECT_FALSE(drop(sofaAndPrints(), {}, 111, 60));
  EXPECT_FALSE(drop(sofaAndPrints(), {PieceId("sofa"), PieceId("print")}, 111, 60));
  EXPECT_FALSE(drop(sofaAndPrints(), {PieceId("nobody")}, 111, 60));
}

TEST(Dropped, KeepsClearOfWhatHangsElsewhere) {
  const Job job = hungAt(sofaAndPrints(), "big", "b", 20, 20, 100, 60);  // over the sofa, and locked there
  const auto hung = drop(withLock(job, kScheme, PlacementId("b"), true), prints(3), 135, 60);
  ASSERT_TRUE(hung);
  for (const PlacementId& id : hung->fresh)
    EXPECT_GE(nearestHung(PieceIndex(hung->job), scheme(hung->job), id)->gap, in(2) - 1e-6);
  PlacementIds all = hung->fresh;
  all.emplace_back("b");
  double least = 1e9;
  for (const HungPair& pair : spanningPairs(PieceIndex(hung->job), scheme(hung->job), all))
    if (pair.a == PlacementId("b") || pair.b == PlacementId("b")) least = std::min(least, pair.gap);
  EXPECT_GE(least, kSeenAsOne - 1e-6);
}

TEST(HungGap, IsThatOfTheOutlines) {
  std::printf("seed 31\n");
  Chance chance(31);
  for (int i = 0; i < 2000; ++i) {
    const auto shape = [&] {
      Piece p = piece("p", "art", chance.between(2, 30), 1, chance.between(2, 30));
      if (chance.below(8) == 0) p.shape = Shape::Oval;
      return std::pair(p, WallPlace{kWall, in(chance.between(0, 60)), in(chance.between(0, 60)), std::nullopt});
    };
    const auto [a, at] = shape();
    const auto [b, there] = shape();
    const Separation quick = hungGap(hungShape(a, at), hungShape(b, there)),
                     exact = separation(hungOutline(a, at), hungOutline(b, there));
    ASSERT_NEAR(quick.gap, exact.gap, 1e-9);
    ASSERT_NEAR(distance(quick.a, quick.b), std::abs(quick.gap), 1e-9);
    if (quick.gap > 0) {
      ASSERT_NEAR(distance(quick.a, exact.a), 0, 1e-6);
    }
  }
}

TEST(MatchModels, AreSinglePicturesAndMadeGroups) {
  Job job = hungAt(hungAt(sofaAndPrints(), "big", "b", 56, 24, 60, 60), "one", "o1", 12, 12, 150, 60, "g1");
  job = hungAt(job, "two", "o2", 12, 12, 164, 60, "g1");
  const auto all = matchModels(job, scheme(job), {}, kInches);
  ASSERT_EQ(all.size(), 2U);
  EXPECT_EQ(all[0].id, "b");
  EXPECT_EQ(all[0].words, "Big, 56 in x 24 in, wall A");
  EXPECT_EQ(all[1].id, "g1");
  EXPECT_EQ(all[1].words, "2 hung as one, 26 in x 12 in, wall A");
}
TEST(MatchModels, NothingIsLikeItself) {
  const Job job = hungAt(sofaAndPrints(), "big", "b", 56, 24, 60, 60);
  EXPECT_TRUE(matchModels(job, scheme(job), {PlacementId("b")}, kInches).empty());
}

TEST(RequestFor, WhatIsHungSoKeepsHowItWasMade) {
  Job job = hungAt(hungAt(sofaAndPrints(), "one", "o1", 12, 12, 150, 60, "g1"), "two", "o2", 12, 12, 164, 60, "g1");
  job = withHang(job, kScheme, {"g1", HangAs::Row, in(3), 0, 0, HangLine::Top, "", 7});
  const PlacementIds both{PlacementId("o1"), PlacementId("o2")};
  const HangRequest same = requestFor(scheme(job), both, kWall, HangAs::Row);
  EXPECT_EQ(same.gap, in(3));
  EXPECT_EQ(same.line, HangLine::Top);
  EXPECT_EQ(same.seed, 7U);
  const HangRequest other = requestFor(scheme(job), both, kWall, HangAs::Salon);
  EXPECT_FALSE(other.gap);
  EXPECT_EQ(other.line, HangLine::Centre);
}
TEST(Grouping, OfAllOfAMadeGroupAnewForgetsHowItWasMade) {
  Job job = hungAt(hungAt(sofaAndPrints(), "one", "o1", 12, 12, 150, 60, "g1"), "two", "o2", 12, 12, 164, 60, "g1");
  job = withHang(job, kScheme, {"g1", HangAs::Row, in(2), 0, 0, HangLine::Centre, "", 1});
  IdSource ids(50);
  const Job after = grouped(job, kScheme, {PlacementId("o1"), PlacementId("o2")}, ids);
  EXPECT_TRUE(scheme(after).hangs.empty());
}

TEST(GroupWords, TallyTheFinishesTheMostFirst) {
  Job job = sofaAndPrints();
  const char* finishes[] = {"white", "black", "black", ""};
  for (int i = 0; i < 4; ++i) {
    Piece p = piece(("f" + std::to_string(i)).c_str(), "art", 10, 1, 10);
    if (*finishes[i] != '\0') p.frame.edit().finish = finishes[i];
    job = withPlacement(
        withPiece(job, p).value(), kScheme,
        {PlacementId("p" + std::to_string(i)), p.id, WallPlace{kWall, in(60 + 12 * i), in(60), std::nullopt}, {}});
  }
  const Situation s(job, builtInRulebook(), scheme(job), kInches, kEveryDay);
  EXPECT_EQ(toldOfGroup(s, s.hung()[0]), std::vector<std::string>{"Frames: 2 black, 1 white."});
}
TEST(GroupWords, SayWhereAWallIsNeitherWhiteNorVeryDark) {
  const auto told = [](const char* colour) {
    Job job = hungAt(hungAt(sofaAndPrints(), "one", "o1", 12, 12, 150, 60), "two", "o2", 12, 12, 164, 60);
    Room room = *job.rooms.front();
    room.corners.front().colour = colour;
    job = withRoom(job, room).value();
    const Situation s(job, builtInRulebook(), scheme(job), kInches, kEveryDay);
    return toldOfGroup(s, s.hung()[0]);
  };
  EXPECT_TRUE(told("").empty());
  EXPECT_TRUE(told("#f4efe6").empty());
  EXPECT_TRUE(told("#20262b").empty());
  EXPECT_EQ(told("#808080"), std::vector<std::string>{"Groups read best on a white or a very dark wall; this one is "
                                                      "between (lightness 54 of 100)."});
}

}  // namespace hang_drop_test
}  // namespace mezzet
