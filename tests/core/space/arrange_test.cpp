#include "core/space/arrange.h"

#include <gtest/gtest.h>

#include "core/space/snapping.h"
#include "support/rooms.h"

namespace mezzet {
namespace arrange_test {

using test::in;
const SchemeId kScheme("s1");

PlacementIds ids(std::initializer_list<const char*> names) {
  PlacementIds out;
  for (const char* name : names) out.emplace_back(name);
  return out;
}

/// Three low tables 20, 30 and 40 in wide at x = 40, 90, 180.
Job three() {
  Job job = test::emptyRoom();
  job = test::with(job, test::piece("a", "low-table", 20, 20), "p1", 40, 40);
  job = test::with(job, test::piece("b", "low-table", 30, 20), "p2", 90, 60);
  return test::with(job, test::piece("c", "low-table", 40, 30), "p3", 180, 100);
}
Vec2 at(const Job& job, const char* id) { return floorPlace(findPlacement(test::scheme(job), PlacementId(id))->on).at; }
Box extent(const Job& job, const char* id) { return extentOf(job, *findPlacement(test::scheme(job), PlacementId(id))); }

struct Aligning {
  const char* name;
  Line line;
  double Vec2::*axis;
  double low, high;  // shares of the extent's two ends that make the line
};
class Align : public testing::TestWithParam<Aligning> {};
TEST_P(Align, BringsTheOthersToTheFirst) {
  const Aligning& c = GetParam();
  const Job after = aligned(three(), kScheme, ids({"p2", "p1", "p3"}), c.line);
  const auto value = [&](const char* id) {
    const Box b = extent(after, id);
    return b.low.*c.axis * c.low + b.high.*c.axis * c.high;
  };
  EXPECT_EQ(at(after, "p2"), at(three(), "p2")) << "the first stays";
  EXPECT_NEAR(value("p1"), value("p2"), 1e-9);
  EXPECT_NEAR(value("p3"), value("p2"), 1e-9);
}
INSTANTIATE_TEST_SUITE_P(Arrange, Align,
                         testing::Values(Aligning{"Left", Line::Left, &Vec2::x, 1, 0},
                                         Aligning{"Right", Line::Right, &Vec2::x, 0, 1},
                                         Aligning{"Centre", Line::Centre, &Vec2::x, 0.5, 0.5},
                                         Aligning{"Top", Line::Top, &Vec2::y, 0, 1},
                                         Aligning{"Middle", Line::Middle, &Vec2::y, 0.5, 0.5},
                                         Aligning{"Bottom", Line::Bottom, &Vec2::y, 1, 0}),
                         [](const auto& param) { return std::string(param.param.name); });

TEST(Arrange, SpreadMakesEqualGaps) {
  const Job after = spread(three(), kScheme, ids({"p3", "p1", "p2"}), true);
  const double left = extent(after, "p2").low.x - extent(after, "p1").high.x,
               right = extent(after, "p3").low.x - extent(after, "p2").high.x;
  EXPECT_NEAR(left, right, 1e-9);
  EXPECT_EQ(at(after, "p1"), at(three(), "p1"));
  EXPECT_EQ(at(after, "p3"), at(three(), "p3"));
}

TEST(Arrange, TwoThingsHaveNothingToSpread) { EXPECT_EQ(spread(three(), kScheme, ids({"p1", "p2"}), true), three()); }

TEST(Arrange, ALockedThingStays) {
  const Job locked = withLock(three(), kScheme, PlacementId("p1"), true);
  EXPECT_EQ(at(movedTogether(locked, kScheme, ids({"p1", "p2"}), {100, 0}), "p1"), at(three(), "p1"));
  EXPECT_EQ(at(aligned(locked, kScheme, ids({"p2", "p1"}), Line::Left), "p1"), at(three(), "p1"));
}

TEST(Arrange, FourQuarterTurnsTogetherBringEverythingBack) {
  Job job = three();
  for (int i = 0; i < 4; ++i) job = turnedTogether(job, kScheme, ids({"p1", "p2", "p3"}), 90);
  for (const char* id : {"p1", "p2", "p3"}) {
    EXPECT_NEAR(distance(at(job, id), at(three(), id)), 0, 1e-6);
    EXPECT_EQ(floorPlace(findPlacement(test::scheme(job), PlacementId(id))->on).turn, 0);
  }
}

TEST(Arrange, WhatIsGroupedIsFoundFromAnyOfIt) {
  IdSource source(7);
  const Job job = grouped(three(), kScheme, ids({"p1", "p3"}), source);
  EXPECT_EQ(withGroupMates(test::scheme(job), ids({"p3"})), ids({"p1", "p3"}));
  EXPECT_EQ(withGroupMates(test::scheme(job), ids({"p2"})), ids({"p2"}));
  EXPECT_EQ(ungrouped(job, kScheme, ids({"p1", "p3"})), three());
}

TEST(Arrange, PicturesGroupOnTheirWallOnly) {
  Job job = test::hung(test::emptyRoom(), "x", "h1", 20, 20, 40, 60);
  job = test::hung(job, "y", "h2", 20, 20, 80, 60);
  IdSource source;
  const Job after = grouped(job, kScheme, ids({"h1", "h2"}), source);
  EXPECT_EQ(groupOf(*findPlacement(test::scheme(after), PlacementId("h1"))), "g1");
}

// ---- snapping

FloorPlace snappedFloor(const Job& job, const char* id, double x, double y, double turn = 0, double reach = in(3)) {
  return floorPlace(
      snapped(job, test::scheme(job), PlacementId(id), FloorPlace{{in(x), in(y)}, turn}, {}, reach).place);
}

TEST(Snapping, ABackComesFlushWithItsWall) {
  const Job job = test::with(test::emptyRoom(), test::piece("sofa", "sofa", 84, 36), "p1", 50, 75, 180);
  // Turned by 180 its back faces down, to wall A.
  const FloorPlace there = snappedFloor(job, "p1", 50.3, 19.4, 180);
  EXPECT_NEAR(extentOf(job, {PlacementId("p1"), PieceId("sofa"), there, {}}).low.y, 0, 1e-9);
}

TEST(Snapping, BeyondItsReachItRestsWhereItWasPut) {
  const Job job = test::with(test::emptyRoom(), test::piece("sofa", "sofa", 84, 36), "p1", 50, 75);
  const FloorPlace wanted{{in(60), in(60)}, 0};
  const Snapped s = snapped(job, test::scheme(job), PlacementId("p1"), wanted, {}, in(3));
  EXPECT_EQ(s.place, Place(wanted));
  EXPECT_TRUE(s.guides.empty());
}

TEST(Snapping, CentresLineUp) {
  Job job = test::with(test::emptyRoom(), test::piece("sofa", "sofa", 84, 36), "p1", 100, 20);
  job = test::with(job, test::piece("table", "low-table", 48, 24), "p2", 60, 80);
  const Snapped s = snapped(job, test::scheme(job), PlacementId("p2"), FloorPlace{{in(101), in(57)}, 0}, {}, in(2));
  EXPECT_NEAR(floorPlace(s.place).at.x, in(100), 1e-9);
  ASSERT_EQ(s.guides.size(), 1U);
  EXPECT_EQ(s.guides[0].words, "centre of sofa");
  EXPECT_NEAR(s.guides[0].from.x, in(100), 1e-9);
}

TEST(Snapping, AWallGoesBeforeACentre) {
  Job job = test::with(test::emptyRoom(), test::piece("rug", "rug", 100, 60), "p1", 100, 11);
  job = test::with(job, test::piece("table", "low-table", 48, 24), "p2", 60, 80);
  EXPECT_NEAR(snappedFloor(job, "p2", 60, 13).at.y, in(12), 1e-9)
      << "flush with wall A, though the rug's centre is nearer to 11";
}

TEST(Snapping, ATurnedPieceLinesUpWithAnAngledWall) {
  Room room = *test::emptyRoom().rooms.front();
  room.corners = test::corners({{0, 0}, {222, 0}, {222, 110}, {182, 150}, {0, 150}});
  Job job = withRoom(test::emptyRoom(), room).value();
  job = test::with(job, test::piece("desk", "desk", 40, 20), "p1", 100, 75, 315);
  // Its back faces up right, to wall C, which runs from (222, 110) to (182, 150).
  const FloorPlace there = snappedFloor(job, "p1", 194, 122, 315);
  const Vec2 back = there.at + rotated({0, in(10)}, turnOf(315));
  EXPECT_NEAR(back.x + back.y, in(222 + 110), 1e-6) << "on the wall's line";
}

TEST(Snapping, AFrameLinesUpWithItsNeighbour) {
  Job job = test::hung(test::emptyRoom(), "x", "h1", 20, 30, 40, 60);
  job = test::hung(job, "y", "h2", 20, 20, 80, 40);
  const Snapped s =
      snapped(job, test::scheme(job), PlacementId("h2"), WallPlace{CornerId("A"), in(80), in(60.5), {}}, {}, in(1));
  EXPECT_NEAR(wallPlace(s.place).v, in(60), 1e-9);
}

TEST(Snapping, WhatMovesAlongIsNoMark) {
  Job job = test::with(test::emptyRoom(), test::piece("sofa", "sofa", 84, 36), "p1", 100, 75);
  job = test::with(job, test::piece("table", "low-table", 48, 24), "p2", 60, 80);
  const Snapped s =
      snapped(job, test::scheme(job), PlacementId("p2"), FloorPlace{{in(101), in(40)}, 0}, ids({"p1"}), in(2));
  EXPECT_TRUE(s.guides.empty());
}

TEST(Snapping, TurnsRestAtStepsAndAtWalls) {
  Room room = *test::emptyRoom().rooms.front();
  EXPECT_EQ(snappedTurn(room, 91.7), 90);
  EXPECT_EQ(snappedTurn(room, 50.4), 50);
  EXPECT_EQ(snappedTurn(room, -0.4), 0);
  room.corners = test::corners({{0, 0}, {222, 0}, {222, 110}, {200, 150}, {0, 150}});
  // Wall C runs 40 up for 22 to the left: 118.81 degrees.
  EXPECT_NEAR(snappedTurn(room, 118), 118.8107, 1e-3);
}

TEST(Snapping, AHandleTurnsByTheAngleTheHandWent) {
  const Room room = *test::emptyRoom().rooms.front();
  EXPECT_DOUBLE_EQ(turnByHand(room, {{0, 0}, 10}, {100, 0}, {0, 100}, true), 100);
  EXPECT_DOUBLE_EQ(turnByHand(room, {{0, 0}, 0}, {100, 0}, {100, 1.2}, false), 0);
  EXPECT_DOUBLE_EQ(turnByHand(room, {{0, 0}, 30}, {0, 0}, {50, 50}, true), 30) << "a handle on the middle has no angle";
}

}  // namespace arrange_test
}  // namespace mezzet
