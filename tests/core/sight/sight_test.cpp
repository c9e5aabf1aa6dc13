#include "core/sight/sight.h"

#include <gtest/gtest.h>

#include <cmath>

#include "support/rooms.h"

namespace mezzet {
namespace sight_test {

using test::in;

Occluder box(Vec2 low, Vec2 high, double top, double bottom = 0) {
  return {Convex{{low, {high.x, low.y}, high, {low.x, high.y}}, 0}, bottom, top, "box"};
}
const Eye kEye{{0, 0}, 1500};
// What is looked at: a line from x -1000 to 1000 at y 4000.
double share(double height, const std::vector<Occluder>& occluders) {
  return seenShare(kEye, {-1000, 4000}, {1000, 4000}, height, occluders);
}

TEST(Sight, NothingBetweenHidesNothing) { EXPECT_DOUBLE_EQ(share(1500, {}), 1); }
TEST(Sight, AWallHidesAll) { EXPECT_DOUBLE_EQ(share(1500, {box({-3000, 2000}, {3000, 2100}, 3000)}), 0); }
TEST(Sight, AShadowWidensWithDistance) {
  // 200 wide half way: its near face at y 2000 throws a shadow of 400 on the line at 4000.
  EXPECT_NEAR(share(1500, {box({-100, 2000}, {100, 2001}, 3000)}), 1 - 400.0 / 2000, 1e-3);
}
TEST(Sight, OneSeesOverWhatIsLow) { EXPECT_DOUBLE_EQ(share(1500, {box({-3000, 2000}, {3000, 2100}, 1400)}), 1); }
TEST(Sight, ALowThingHidesWhatIsLowerBehindIt) {
  // From 1500 down to 0 at 4000: at y 2000 the line is 750 high, at 2100 it is 712.5.
  EXPECT_DOUBLE_EQ(share(0, {box({-3000, 2000}, {3000, 2100}, 700)}), 1);
  EXPECT_DOUBLE_EQ(share(0, {box({-3000, 2000}, {3000, 2100}, 720)}), 0);
  EXPECT_DOUBLE_EQ(share(0, {box({-3000, 2000}, {3000, 2100}, 712)}), 1);
}
TEST(Sight, OneSeesUnderWhatHangs) {
  EXPECT_DOUBLE_EQ(share(0, {box({-3000, 2000}, {3000, 2100}, 3000, 800)}), 1);
  EXPECT_DOUBLE_EQ(share(0, {box({-3000, 2000}, {3000, 2100}, 3000, 740)}), 0);
}
TEST(Sight, TheFarPartOfADeepThingHides) {
  // Deep from 1000 to 3900: the line falls to 37.5 at its far end, and 40 is higher.
  EXPECT_DOUBLE_EQ(share(0, {box({-3000, 1000}, {3000, 3900}, 40)}), 0);
  EXPECT_DOUBLE_EQ(share(0, {box({-3000, 1000}, {3000, 3900}, 37)}), 1);
}
TEST(Sight, ACircleHidesByItsTangents) {
  const Occluder round{Convex{{{0, 2000}}, 300}, 0, 3000, "round"};
  // Tangent at sin a = 300 / 2000: half the shadow is 4000 tan a.
  const double half = 4000 * std::tan(std::asin(0.15));
  EXPECT_NEAR(share(1500, {round}), 1 - 2 * half / 2000, 2e-3);
}
TEST(Sight, WhatIsIgnoredHidesNothing) {
  EXPECT_DOUBLE_EQ(
      seenShare(kEye, {-1000, 4000}, {1000, 4000}, 1500, {box({-3000, 2000}, {3000, 2100}, 3000)}, {"box"}), 1);
}
TEST(Sight, SeesAPointThroughADoorway) {
  Job job = test::emptyRoom(200, 150);
  Opening o;
  o.id = OpeningId("a1");
  o.kind = OpeningKind::Arch;
  o.wall = CornerId("A");
  o.offset = in(80);
  o.width = in(40);
  o.height = in(80);
  job = withOpening(job, RoomId("parlour"), o).value();
  const auto occluders = occludersIn(PieceIndex(job), *job.rooms[0], test::scheme(job));
  const Eye outside{{in(100), in(-100)}, in(60)};
  EXPECT_TRUE(sees(outside, {in(100), in(100)}, in(60), occluders));
  EXPECT_FALSE(sees(outside, {in(20), in(20)}, in(60), occluders));
  EXPECT_FALSE(sees(outside, {in(100), in(40)}, in(94), occluders));  // above the head, 84 in where the line passes
}
TEST(Sight, AWindowIsOpenBetweenSillAndHead) {
  Job job = test::emptyRoom(200, 150);
  Opening o;
  o.id = OpeningId("w1");
  o.kind = OpeningKind::Window;
  o.wall = CornerId("A");
  o.offset = in(80);
  o.width = in(40);
  o.sill = in(36);
  o.height = in(40);
  job = withOpening(job, RoomId("parlour"), o).value();
  const auto occluders = occludersIn(PieceIndex(job), *job.rooms[0], test::scheme(job));
  const Eye outside{{in(100), in(-72)}, in(62)};
  EXPECT_TRUE(sees(outside, {in(100), in(72)}, in(40), occluders));
  EXPECT_FALSE(
      sees(outside, {in(100), in(20)}, in(20), occluders));  // at the wall the line is 29 in up, below the sill
}
TEST(Sight, OneLooksThroughUnderRaisedLegs) {
  const auto under = [](double legs) {
    Piece sofa = test::piece("sofa", "sofa", 84, 36, 34);
    if (legs > 0) sofa.legs.edit().height = in(legs);
    const Job job = test::with(test::emptyRoom(), sofa, "p1", 100, 75);
    return occludersIn(PieceIndex(job), *job.rooms[0], test::scheme(job));
  };
  // Both ends of the line lie 5 in above the floor.
  EXPECT_FALSE(sees({{in(100), in(20)}, in(5)}, {in(100), in(130)}, in(5), under(0)));
  EXPECT_TRUE(sees({{in(100), in(20)}, in(5)}, {in(100), in(130)}, in(5), under(6)));
}
TEST(SightRegion, OfAnEmptyRoomIsTheRoom) {
  const Job job = test::emptyRoom(200, 150);
  const Polygon region =
      sightRegion({{in(60), in(50)}, 1500}, occludersIn(PieceIndex(job), *job.rooms[0], test::scheme(job)), 50'000);
  EXPECT_NEAR(signedArea(region), in(200) * in(150), in(200) * in(150) * 1e-4);
}
TEST(SightRegion, StopsAtWhatIsTall) {
  const Job tall = test::with(test::emptyRoom(200, 150), test::piece("case", "bookcase", 200, 12, 70), "p1", 100, 80);
  const Job low = test::with(test::emptyRoom(200, 150), test::piece("case", "bookcase", 200, 12, 40), "p1", 100, 80);
  const auto area = [](const Job& job) {
    return signedArea(
        sightRegion({{in(60), in(40)}, 1500}, occludersIn(PieceIndex(job), *job.rooms[0], test::scheme(job)), 50'000));
  };
  EXPECT_NEAR(area(tall), in(200) * in(74), in(200) * in(74) * 1e-3);
  EXPECT_NEAR(area(low), in(200) * in(150), in(200) * in(150) * 1e-3);
}

}  // namespace sight_test
}  // namespace mezzet
