#include "core/walk/walkways.h"

#include <gtest/gtest.h>

#include <random>

#include "core/walk/approach.h"
#include "core/walk/free_space.h"
#include "core/use/seats.h"
#include "core/walk/ways.h"
#include "core/model/kinds.h"
#include "support/rooms.h"

namespace mezzet {
namespace walkways_test {

using test::in;

Opening door(const char* id, const char* wall, double offset, double width) {
  Opening o;
  o.id = OpeningId(id);
  o.wall = CornerId(wall);
  o.offset = in(offset);
  o.width = in(width);
  o.height = in(80);
  return o;
}

/// A room of 200 by 150 in with a door in wall A and one in wall C, both leaves swinging out.
struct Walk : testing::Test {
  Walk() {
    for (Opening o : {door("d1", "A", 90, 36), door("d2", "C", 90, 36)}) {
      o.swing = Swing::Out;
      job = withOpening(job, RoomId("parlour"), o).value();
    }
  }
  void add(const char* id, const char* kind, double w, double d, double x, double y, double turn = 0) {
    job = test::with(job, test::piece(id, kind, w, d), id, x, y, turn);
  }
  WalkSpace space() const { return walkSpace(*job.rooms[0], floorBodies(job, test::scheme(job))); }
  Way through() const {
    const WalkSpace s = space();
    return widestWay({s, s.openings[0]}, s.openings[1]);
  }
  Job job = test::emptyRoom(200, 150);
};

TEST_F(Walk, AnEmptyRoomIsAsWideAsItsDoor) {
  const Way way = through();
  EXPECT_DOUBLE_EQ(way.width, in(36) - 35);  // the leaf stands in the doorway
  EXPECT_EQ(way.cappedBy, "d1");
  EXPECT_FALSE(way.pinch);
}
TEST_F(Walk, ThePinchIsNamed) {
  add("sofa", "sofa", 88, 36, 44, 75);           // from the left wall to x = 88
  add("cabinet", "cabinet", 85, 20, 157.5, 75);  // from x = 115 to the right wall
  const Way way = through();
  EXPECT_NEAR(way.width, in(27), 1e-9);
  ASSERT_TRUE(way.pinch);
  EXPECT_EQ(way.pinch->first, "cabinet");
  EXPECT_EQ(way.pinch->second, "sofa");
  EXPECT_NEAR(distance(way.pinch->at[0], way.pinch->at[1]), in(27), 1e-9);
}
TEST_F(Walk, TheWiderOfTwoSidesCounts) {
  add("table", "dining-table", 140, 30, 100, 75);  // 30 in on either side
  EXPECT_NEAR(through().width, in(30), 1e-9);
  job = placed(job, SchemeId("s1"), PlacementId("table"), FloorPlace{{in(98), in(75)}, 0});
  EXPECT_NEAR(through().width, in(32), 1e-9);
}
TEST_F(Walk, ASealedOffDoorIsNotReached) {
  add("wall", "bookcase", 200, 12, 100, 75);
  const Way way = through();
  EXPECT_EQ(way.width, 0);
  ASSERT_TRUE(way.pinch);
}
TEST_F(Walk, PiecesThatOverlapShutTheWay) {
  add("one", "cabinet", 120, 20, 60, 75);
  add("two", "cabinet", 120, 20, 140, 80);
  EXPECT_EQ(through().width, 0);
}
TEST_F(Walk, ARugIsNoObstacle) {
  add("rug", "rug", 190, 140, 100, 75);
  EXPECT_EQ(through().cappedBy, "d1");
}
TEST_F(Walk, ABodyInTheDoorwayLeavesItsSides) {
  add("plant", "plant", 10, 10, 108, 2);    // in the middle of the door's 90 to 126
  EXPECT_NEAR(through().width, in(13), 1);  // between its side and the jamb
}
TEST_F(Walk, AnOpenLeafStandsInTheWay) {
  Opening o = door("d1", "A", 90, 36);  // hinged at its start, swings in: a thin wall at x = 90, 36 in deep
  job = withOpening(job, RoomId("parlour"), o).value();
  add("cabinet", "cabinet", 20, 60, 125, 40);  // from x = 115; the leaf ends at x = 90 + 35 mm
  const Way way = through();
  ASSERT_TRUE(way.pinch);
  EXPECT_NEAR(way.width, in(25) - 35, 1e-6);
  EXPECT_EQ(way.pinch->second, "d1");
}
TEST_F(Walk, WhatHangsLowIsAnObstacle) {
  add("sofa", "sofa", 88, 36, 44, 75);
  Piece tv = test::piece("tv", "television", 50, 4, 30);
  job = withPlacement(withPiece(job, tv).value(), SchemeId("s1"),
                      {PlacementId("tv"), tv.id, WallPlace{CornerId("B"), in(75), in(50), std::nullopt}, {}});
  const PieceIndex pieces(job);
  const std::vector<Body> hung = hungBodies(pieces, *job.rooms[0], test::scheme(job));
  ASSERT_EQ(hung.size(), 1U);
  EXPECT_NEAR(hung[0].bounds.low.x, in(196), 1e-6);
  job = placed(job, SchemeId("s1"), PlacementId("tv"), WallPlace{CornerId("B"), in(75), in(96), std::nullopt});
  EXPECT_TRUE(hungBodies(PieceIndex(job), *job.rooms[0], test::scheme(job)).empty());  // 81 in up
}
TEST_F(Walk, ANamedEntryComesFirst) {
  EXPECT_EQ(mainEntry(*job.rooms[0])->id, OpeningId("d1"));
  Room room = *job.rooms[0];
  room.entry = OpeningId("d2");
  EXPECT_EQ(mainEntry(room)->id, OpeningId("d2"));
  EXPECT_EQ(walkSpace(room, {}).entry, 1U);
}
TEST_F(Walk, AJobWhoseEntryIsNoDoorIsRefused) {
  Room room = *job.rooms[0];
  room.entry = OpeningId("w9");
  const auto with = withRoom(job, room);
  ASSERT_FALSE(with);
  EXPECT_EQ(with.error().text(),
            "Parlour: is entered by an opening that is not there or is a window: w9. Choose one of its doors");
}
TEST_F(Walk, TakingTheEntryOutForgetsIt) {
  Room room = *job.rooms[0];
  room.entry = OpeningId("d2");
  job = withRoom(job, room).value();
  EXPECT_TRUE(withoutOpening(job, room.id, OpeningId("d2")).rooms[0]->entry.empty());
}
TEST_F(Walk, ARoomWithoutDoorsHasNoWays) {
  EXPECT_TRUE(walkSpace(*test::emptyRoom().rooms[0], {}).openings.empty());
  EXPECT_EQ(mainEntry(*test::emptyRoom().rooms[0]), nullptr);
}
TEST_F(Walk, TiedPairsAreTold) {
  add("left", "cabinet", 40, 20, 80, 60);  // x 60 to 100
  add("right", "cabinet", 40, 20, 150,
      60);                                 // x 130 to 170: 30 in between them, 30 in to the right wall, 60 to the left
  add("fill", "cabinet", 60, 20, 30, 60);  // the left side shut
  const Way way = through();
  EXPECT_NEAR(way.width, in(30), 1e-9);
  ASSERT_TRUE(way.pinch);
  EXPECT_EQ(way.pinch->tied.size(), 1U);
}

TEST_F(Walk, ASeatIsReachedFromTheSideOfItsTable) {
  add("sofa", "sofa", 84, 36, 100, 130);       // front edge at y = 112
  add("table", "low-table", 48, 24, 100, 84);  // its top edge at y = 96: 16 in of foot room
  const WalkSpace s = space();
  const Piece& sofa = *findPiece(job, PieceId("sofa"));
  std::vector<Vec2> marks;
  for (const SeatPlace& place : seatPlaces(sofa, FloorPlace{{in(100), in(130)}, 0})) marks.push_back(place.front);
  ASSERT_EQ(marks.size(), 3U);
  const Approach approach = widestApproach({s, s.openings[0]}, marks, "sofa");
  EXPECT_NEAR(approach.way.width, in(36) - 35, 1.5);  // an end place is reached as wide as the door allows
}
TEST_F(Walk, ASeatBoxedInSaysBetweenWhat) {
  add("chair", "armchair", 30, 30, 100, 135);  // front at y = 120
  add("left", "cabinet", 20, 60, 70, 105);     // x 60 to 80
  add("right", "cabinet", 20, 60, 130, 105);   // x 120 to 140: 40 in between, but
  add("front", "cabinet", 20, 10, 100, 80);    // its sides stand 10 in from either
  const WalkSpace s = space();
  const Approach approach = widestApproach({s, s.openings[0]}, {{in(100), in(120)}}, "chair");
  ASSERT_TRUE(approach.way.pinch);
  EXPECT_LT(approach.way.width, in(15));
  EXPECT_GT(approach.way.width, in(9));
}
TEST_F(Walk, ADiscComesToWithinTwentyFourInches) {
  // A niche of 20 in width, whose seat lies d behind its mouth: a wide disc stays before it and still comes near.
  add("left", "cabinet", 90, 40, 45, 130);    // x 0 to 90, y 110 to 150
  add("right", "cabinet", 90, 40, 155, 130);  // x 110 to 200
  Opening gone = door("d2", "C", 90, 36);
  job = withoutOpening(job, RoomId("parlour"), gone.id);
  const WalkSpace s = space();
  const double doorway = in(36) - 35;
  // The mark 23 in behind the mouth: the disc's nearest point is at the mouth's line but for its roundness.
  EXPECT_NEAR(widestApproach({s, s.openings[0]}, {{in(100), in(110 + 20)}}, "seat").way.width, doorway, 2);
  // 34 in behind it: only what fits into the niche comes near.
  EXPECT_LT(widestApproach({s, s.openings[0]}, {{in(100), in(110 + 36)}}, "seat").way.width, in(21));
}
TEST_F(Walk, TheFloorBehindANarrowGapIsAPocket) {
  add("left", "cabinet", 95, 20, 47.5, 100);
  add("right", "cabinet", 95, 20, 152.5, 100);  // 10 in between them
  const Reached reached = reachedFloor(space(), in(24));
  ASSERT_EQ(reached.pockets.size(), 1U);
  EXPECT_GT(sizeOf(reached.pockets[0]), in(30) * in(190));
  EXPECT_TRUE(reachedFloor(space(), in(9)).pockets.empty());
}
TEST_F(Walk, ARouteGoesStraightWhereNothingStands) {
  const WalkSpace s = space();
  const std::vector<Vec2> route = shortestRoute(s, s.openings[0], s.openings[1], in(30));
  ASSERT_EQ(route.size(), 2U);
}
TEST_F(Walk, AStoppedRouteIsEmpty) {
  add("table", "dining-table", 100, 30, 100, 75);
  std::stop_source stop;
  stop.request_stop();
  const Reached reached = reachedFloor(space(), in(24), stop.get_token());
  EXPECT_TRUE(reached.floor.empty());
}
TEST_F(Walk, NarrowPartsAreMeasuredAlongTheRoute) {
  add("left", "cabinet", 84, 24, 42, 75);
  add("right", "cabinet", 84, 24, 158, 75);  // 32 in between x 84 and 116, for 24 in
  const WalkSpace s = space();
  const Way way = widestWay({s, s.openings[0]}, s.openings[1]);
  EXPECT_NEAR(way.width, in(32), 1e-9);
  const auto route = shortestRoute(s, s.openings[0], s.openings[1], way.width - 1);
  EXPECT_NEAR(longestNarrowerThan(s, route, in(36)), in(24), 3);
}

TEST(Approach, NoPlaceNearbyIsReachedWider) {
  // A large made-up floor: a grid of turned bodies, seats everywhere. Random places about each seat are asked for one
  // by one.
  std::printf("seed 11\n");
  Opening wide = door("d1", "A", 600, 98);
  wide.kind = OpeningKind::Arch;
  Job job = withOpening(test::emptyRoom(1400, 1400), RoomId("parlour"), wide).value();
  std::mt19937 random(11);
  const auto uniform = [&](double a, double b) { return std::uniform_real_distribution(a, b)(random); };
  Scheme scheme = *job.schemes.front();
  for (int i = 0; i < 400; ++i) {
    const Piece p = test::piece(("q" + std::to_string(i)).c_str(), i % 3 == 0 ? "armchair" : "console", uniform(16, 40),
                                uniform(14, 34));
    job.pieces.push_back(std::make_shared<const Piece>(p));
    const Vec2 at{in(40 + 68 * (i % 20) + uniform(-12, 12)), in(40 + 68 * (i / 20) + uniform(-12, 12))};
    scheme.placements.push_back({PlacementId("p" + std::to_string(i)), p.id, FloorPlace{at, uniform(0, 359)}, {}});
  }
  job = withScheme(job, scheme);
  const PieceIndex pieces(job);
  const WalkSpace space = walkSpaceOf(pieces, *job.rooms[0], scheme, UseState::Everyday);
  ASSERT_GT(space.gaps.size(), 1'500U);
  const WayEnd& entry = space.openings[0];
  int asked = 0, wider = 0;
  for (const Destination& to : destinationsIn(pieces, *job.rooms[0], scheme)) {
    const Approach found = widestApproach({space, entry}, to.marks, to.id);
    for (int k = 0; k < 12; ++k) {
      const Vec2 p = to.marks[0] + Vec2{uniform(-1000, 1000), uniform(-1000, 1000)};
      const double c = clearanceAt(space, p);
      if (c <= 1 || distance(p, to.marks[0]) - c > kAtReach) continue;
      ++asked;
      wider += widestWay({space, entry}, {to.id, p, 2 * c}).width > found.way.width + 1;
    }
  }
  EXPECT_GT(asked, 300);
  // The search may miss a nook; not more than one place in a hundred.
  EXPECT_LE(wider, asked / 100) << asked;
}

struct Places {
  const char* kind;
  double width;
  int places;
};
class SeatCount : public testing::TestWithParam<Places> {};
TEST_P(SeatCount, GoesByWidth) {
  EXPECT_EQ(placesOn(test::piece("s", GetParam().kind, GetParam().width, 30)), GetParam().places);
}
INSTANTIATE_TEST_SUITE_P(Kinds, SeatCount,
                         testing::Values(Places{"sofa", 84, 3}, Places{"sofa", 72, 3}, Places{"sofa", 71, 2},
                                         Places{"armchair", 32, 1}, Places{"chair", 18, 1}, Places{"bench", 48, 2},
                                         Places{"console", 60, 0}));
TEST(SeatPlaces, AnEnteredNumberGoesFirst) {
  Piece sofa = test::piece("s", "sofa", 84, 36);
  sofa.seat.edit().people = 2;
  EXPECT_EQ(seatPlaces(sofa, FloorPlace{}).size(), 2U);
}
TEST(SeatPlaces, LieBehindTheFrontEdge) {
  const auto places = seatPlaces(test::piece("c", "chair", 18, 24), FloorPlace{{0, 0}, 0});
  ASSERT_EQ(places.size(), 1U);
  EXPECT_NEAR(places[0].front.y, in(-12), 1e-9);
  EXPECT_NEAR(places[0].at.y, in(-2), 1e-9);
  EXPECT_NEAR(places[0].facing.y, -1, 1e-12);
}

TEST(CurvedSofa, FillsItsBox) {
  Piece sofa = test::piece("s", "sofa", 102, 48, 33);
  sofa.shape = Shape::Curve;
  sofa.limbs.edit().longDepth = in(34);
  const Box box = boundsOf(footprint(sofa, FloorPlace{{0, 0}, 0}));
  EXPECT_NEAR(box.low.x, in(-51), 1);
  EXPECT_NEAR(box.high.x, in(51), 1);
  EXPECT_NEAR(box.low.y, in(-24), 1);
  EXPECT_NEAR(box.high.y, in(24), 1);
}
TEST(CurvedSofa, SittersLookTowardsItsMiddle) {
  Piece sofa = test::piece("s", "sofa", 102, 48, 33);
  sofa.shape = Shape::Curve;
  sofa.limbs.edit().longDepth = in(34);
  const auto places = seatPlaces(sofa, FloorPlace{{0, 0}, 0});
  ASSERT_GE(places.size(), 3U);
  EXPECT_GT(places.front().facing.x, 0.1);
  EXPECT_LT(places.back().facing.x, -0.1);
  EXPECT_LT(places.front().facing.y, 0);
}
TEST(CurvedSofa, BentByMoreThanHalfACircleIsRefused) {
  Piece sofa = test::piece("s", "sofa", 80, 50, 33);
  sofa.shape = Shape::Curve;
  sofa.limbs.edit().longDepth = in(30);
  const auto with = withPiece(Job{}, sofa);
  ASSERT_FALSE(with);
  EXPECT_EQ(with.error().text(), "S: is bent by more than half a circle. Make it wider or less deep");
}

}  // namespace walkways_test
}  // namespace mezzet
