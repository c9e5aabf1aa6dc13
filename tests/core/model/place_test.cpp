#include "core/model/place.h"

#include "core/model/scheme.h"
#include "support/rooms.h"

namespace mezzet {
namespace place_test {
using test::in;

const Place kOnFloor = FloorPlace{{100, 200}, 30};
const Place kOnWall = WallPlace{CornerId("B"), 500, 1500, "g1"};
const Place kCarried = CarriedPlace{PlacementId("p1"), {10, 0}, 90};

Box asPoint(const Piece&, const FloorPlace& place) { return {place.at, place.at}; }

TEST(PlaceOf, MovesInTheAxesOfItsOwnView) {
  EXPECT_EQ(moved(kOnFloor, {5, -5}), Place(FloorPlace{{105, 195}, 30}));
  EXPECT_EQ(moved(kOnWall, {5, -5}), Place(WallPlace{CornerId("B"), 505, 1495, "g1"}));
}
TEST(PlaceOf, WhatIsCarriedGoesWithItsCarrier) { EXPECT_EQ(moved(kCarried, {5, -5}), kCarried); }
TEST(PlaceOf, BetweenTwoPlacesOfOneViewIsWhatMovesTheOneToTheOther) {
  for (const Place& place : {kOnFloor, kOnWall}) EXPECT_EQ(between(place, moved(place, {7, 3})), (Vec2{7, 3}));
  EXPECT_EQ(between(kOnFloor, kOnWall), std::nullopt);
  EXPECT_EQ(between(kCarried, kCarried), std::nullopt);
}
TEST(PlaceOf, IsSeenInThePlanOrOnItsWall) {
  EXPECT_EQ(viewOf(kOnFloor), View{});
  EXPECT_EQ(viewOf(kOnWall), View{CornerId("B")});
  EXPECT_EQ(viewOf(kCarried), std::nullopt);
  EXPECT_EQ(viewKey(*viewOf(kOnWall)), "wall:B");
}
TEST(PlaceOf, OnlyWhatIsCarriedHasACarrier) {
  EXPECT_EQ(carrierOf(kCarried), PlacementId("p1"));
  EXPECT_EQ(carrierOf(kOnFloor), std::nullopt);
  EXPECT_EQ(carrierOf(kOnWall), std::nullopt);
}
TEST(PlaceOf, AWallKeepsItsGroupWithThePlace) {
  EXPECT_EQ(groupOf(kOnWall), "g1");
  EXPECT_EQ(groupOf(kOnFloor), std::nullopt);
}
TEST(PlaceOf, ATurnIsBroughtBelowAFullOne) {
  EXPECT_EQ(onFloor(normalised(FloorPlace{{}, 450}))->turn, 90);
  EXPECT_EQ(onAnother(normalised(CarriedPlace{PlacementId("p1"), {}, -90}))->turn, 270);
}
TEST(PlaceOf, AFrameReachesHalfItsSizeToEachSide) {
  Piece picture = test::piece("a", "art", 40, 1);
  picture.height = in(30);
  const auto box = extentOf(picture, WallPlace{CornerId("A"), in(50), in(60), std::nullopt}, asPoint);
  ASSERT_TRUE(box);
  EXPECT_NEAR(box->low.x, in(30), 1e-9);
  EXPECT_NEAR(box->high.y, in(75), 1e-9);
  EXPECT_FALSE(extentOf(picture, kCarried, asPoint));
}
TEST(PlaceOf, ALampStandsWhereItsTableTakesIt) {
  Scheme scheme;
  scheme.placements.push_back({PlacementId("p1"), PieceId("table"), FloorPlace{{1000, 500}, 90}, {}});
  scheme.placements.push_back({PlacementId("p2"), PieceId("lamp"), CarriedPlace{PlacementId("p1"), {100, 0}, 0}, {}});
  const auto stands = standsAt(scheme, scheme.placements[1]);
  ASSERT_TRUE(stands);
  EXPECT_NEAR(stands->at.x, 1000, 1e-9);
  EXPECT_NEAR(stands->at.y, 600, 1e-9);
  EXPECT_EQ(stands->turn, 90);
}

}  // namespace place_test
}  // namespace mezzet
