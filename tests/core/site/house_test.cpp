#include "core/site/house.h"

#include <gtest/gtest.h>

#include <cmath>

#include "core/edit/validate.h"
#include "core/survey/loops.h"
#include "core/site/stairs.h"
#include "core/edit/house.h"
#include "core/walk/together.h"
#include "support/rooms.h"

namespace mezzet {
namespace house_test {

const LengthFormat kMm = usualFormat(Unit::Millimetre);

Room box(const char* id, double width, double depth) {
  Room room;
  room.id = RoomId(id);
  room.name = id;
  room.ceilingHeight = 2500;
  room.corners = {{CornerId("A"), {0, 0}},
                  {CornerId("B"), {width, 0}},
                  {CornerId("C"), {width, depth}},
                  {CornerId("D"), {0, depth}}};
  return room;
}
Opening door(const char* id, const char* wall, double offset, double width = 800) {
  Opening o;
  o.id = OpeningId(id);
  o.wall = CornerId(wall);
  o.offset = offset;
  o.width = width;
  o.height = 2000;
  return o;
}
/// The parlour (5000 x 4000) with a door on B, the hall (2000 x 6000) whose wall A leads into the parlour: it lies
/// turned.
Job house(double thickness = 150) {
  Job job;
  job.units = Unit::Millimetre;
  Room parlour = box("parlour", 5000, 4000), hall = box("hall", 2000, 6000);
  parlour.openings = {door("d1", "B", 1000)};
  hall.openings = {door("d2", "A", 600), door("front", "C", 500)};
  job = withRoom(job, parlour).value();
  job = withRoom(job, hall).value();
  return withDoorJoined(job, RoomId("parlour"), OpeningId("d1"), {RoomId("hall"), OpeningId("d2")}, thickness).value();
}
const PlacedRoom& placed(const std::vector<HouseStorey>& house, const char* id) {
  for (const HouseStorey& s : house)
    for (const PlacedRoom& p : s.rooms)
      if (p.room == RoomId(id)) return p;
  throw std::out_of_range(id);
}

TEST(House, RoomsLieBackToBackAtTheirDoor) {
  const Job job = house();
  const auto storeys = layoutOf(job, kMm);
  ASSERT_EQ(storeys.size(), 1U);
  EXPECT_TRUE(storeys[0].sentences.empty());
  const PlacedRoom& hall = placed(storeys, "hall");
  // The door's middle: parlour (5000, 1400); in the hall (1000, 0), which must lie 150 further out.
  const Vec2 middle = hall.inHouse({1000, 0});
  EXPECT_NEAR(middle.x, 5150, 1e-6);
  EXPECT_NEAR(middle.y, 1400, 1e-6);
  // The hall's inside lies away from the parlour.
  EXPECT_NEAR(hall.inHouse({1000, 3000}).x, 8150, 1e-6);
}
TEST(House, ADoorBelongsToBothRooms) {
  const Job job = house();
  EXPECT_EQ(findOpening(*findRoom(job, RoomId("hall")), OpeningId("d2"))->leadsTo,
            (LeadsTo{RoomId("parlour"), OpeningId("d1")}));
  EXPECT_FALSE(faultOf(job));
}
TEST(House, ADoorTakenOutLeadsNowhereFromTheOtherSide) {
  const Job job = withoutOpening(house(), RoomId("parlour"), OpeningId("d1"));
  EXPECT_FALSE(findOpening(*findRoom(job, RoomId("hall")), OpeningId("d2"))->leadsTo);
  EXPECT_FALSE(faultOf(job));
}
TEST(House, JoiningAnewLetsGoOfTheOld) {
  Job job = house();
  job = withDoorJoined(job, RoomId("parlour"), OpeningId("d1"), {RoomId("hall"), OpeningId("front")}).value();
  EXPECT_FALSE(findOpening(*findRoom(job, RoomId("hall")), OpeningId("d2"))->leadsTo);
  EXPECT_FALSE(faultOf(job));
  EXPECT_FALSE(withDoorJoined(job, RoomId("parlour"), OpeningId("d1"), {RoomId("parlour"), OpeningId("d1")}));
}
TEST(House, SaysWhereTheTwoSidesDisagree) {
  Job job = house();
  Room hall = *findRoom(job, RoomId("hall"));
  hall.corners[0].wallThickness = 190;
  hall.openings[0].width = 850;
  job = withRoom(job, hall).value();
  const auto sentences = layoutOf(job, kMm)[0].sentences;
  ASSERT_EQ(sentences.size(), 2U);
  EXPECT_EQ(
      sentences[0],
      "The wall between parlour and hall is 40 mm thicker on one side than on the other. Measure it in the doorway.");
  EXPECT_EQ(sentences[1], "The door between parlour and hall is 800 mm wide from the one and 850 mm from the other.");
}
TEST(House, ARingThatDoesNotCloseIsTold) {
  // Four rooms round a core; the last door is 300 mm off.
  Job job;
  Room a = box("a", 3000, 3000), b = box("b", 3000, 3000), c = box("c", 3000, 3000), d = box("d", 3000, 3000);
  a.openings = {door("1", "B", 1000), door("8", "C", 1000)};
  b.openings = {door("2", "D", 1200), door("3", "C", 1000)};
  c.openings = {door("4", "A", 1200), door("5", "D", 1000)};
  d.openings = {door("6", "B", 1200), door("7", "A", 900)};
  for (const Room& room : {a, b, c, d}) job = withRoom(job, room).value();
  const auto join = [&](const char* r1, const char* o1, const char* r2, const char* o2) {
    job = withDoorJoined(job, RoomId(r1), OpeningId(o1), {RoomId(r2), OpeningId(o2)}, 100).value();
  };
  join("a", "1", "b", "2");
  join("b", "3", "c", "4");
  join("c", "5", "d", "6");
  EXPECT_TRUE(layoutOf(job, kMm)[0].sentences.empty());
  join("d", "7", "a", "8");
  const auto sentences = layoutOf(job, kMm)[0].sentences;
  ASSERT_EQ(sentences.size(), 2U);  // and the fourth room reaches into the first
  EXPECT_NE(sentences[0].find("does not close: 300 mm and 0 degrees are left over"), std::string::npos) << sentences[0];
}
TEST(House, RoomsWithoutADoorBetweenThemStandApart) {
  Job job = house();
  job = withRoom(job, box("loft", 2000, 2000)).value();
  const auto storeys = layoutOf(job, kMm);
  EXPECT_GT(placed(storeys, "loft").at.x, 11150);
  EXPECT_FALSE(placed(storeys, "loft").joined);
}
TEST(House, StoreysComeFromTheLowest) {
  Job job = house();
  job = withStorey(job, {StoreyId("up"), "Upper floor", 2700});
  job = withStorey(job, {StoreyId("ground"), "Ground floor", 0});
  job = withRoomOnStorey(job, RoomId("parlour"), StoreyId("ground")).value();
  job = withRoomOnStorey(job, RoomId("hall"), StoreyId("up")).value();
  const auto storeys = layoutOf(job, kMm);
  ASSERT_EQ(storeys.size(), 2U);
  EXPECT_EQ(storeys[0].name, "Ground floor");
  EXPECT_FALSE(withRoomOnStorey(job, RoomId("hall"), StoreyId("cellar")));
  EXPECT_FALSE(faultOf(withoutStorey(job, StoreyId("up"))));
}
TEST(House, TwoRoomsInOnePlaceAreTold) {
  Job job;
  Room a = box("a", 3000, 3000), b = box("b", 3000, 3000), c = box("c", 3000, 3000);
  a.openings = {door("1", "B", 100), door("3", "B", 1500)};
  b.openings = {door("2", "D", 1000)};
  c.openings = {door("4", "D", 1000)};
  for (const Room& room : {a, b, c}) job = withRoom(job, room).value();
  job = withDoorJoined(job, RoomId("a"), OpeningId("1"), {RoomId("b"), OpeningId("2")}, 100).value();
  job = withDoorJoined(job, RoomId("a"), OpeningId("3"), {RoomId("c"), OpeningId("4")}, 100).value();
  EXPECT_EQ(layoutOf(job, kMm)[0].sentences.back(),
            "b and c lie in one place. Check their walls, and which doors they share.");
}
TEST(WalkedTogether, IsOneOutlineWithANeck) {
  const auto both = walkedTogether(house(), {RoomId("parlour"), RoomId("hall")});
  ASSERT_TRUE(both) << both.error().text();
  EXPECT_EQ(both->corners.size(), 12U);  // two rectangles and the four corners of the neck
  EXPECT_NEAR(signedArea(outlineOf(*both)), 5000.0 * 4000 + 2000.0 * 6000 + 800.0 * 150, 5);
  ASSERT_EQ(both->openings.size(), 1U);  // the front door; the shared one is the neck
  EXPECT_EQ(both->openings[0].id, OpeningId("hall/front"));
  EXPECT_NEAR(both->openings[0].width, 800, 0.01);
}
TEST(WalkedTogether, OfRoomsThatNoDoorJoinsIsRefused) {
  Job job = withRoom(house(), box("loft", 2000, 2000)).value();
  const auto both = walkedTogether(job, {RoomId("parlour"), RoomId("loft")});
  ASSERT_FALSE(both);
  EXPECT_EQ(both.error().text(), "loft: is joined to parlour by no door. Say which door leads there");
}

// ---- stairs
Stair flight(int risers, double riser, double going) {
  return {risers, riser, going, 0, std::nullopt, std::nullopt, std::nullopt, std::nullopt};
}
TEST(Stairs, ReachOrSayWhatIsMissing) {
  Stair s = flight(14, 190, 250);
  EXPECT_EQ(stairWords(s, kMm)[1], "Measure floor to floor, and Mezzet says whether it reaches.");
  s.rise = 2700;
  EXPECT_NEAR(*reachMisfit(s), -40, 1e-9);
  EXPECT_EQ(stairWords(s, kMm)[1],
            "It does not reach the floor above: 40 mm are missing. Count the risers again, or measure one.");
  s.riser = 2700.0 / 14;
  EXPECT_EQ(stairWords(s, kMm)[1], "It reaches the floor above.");
}
TEST(Stairs, NosingsClimbByOneRiserAGoing) {
  const Stair s = flight(10, 200, 250);
  EXPECT_NEAR(nosingLine(s, 0), 200, 1e-9);
  EXPECT_NEAR(nosingLine(s, 500), 600, 1e-9);
  EXPECT_NEAR(nosingLine(s, 9000), 2000, 1e-9);
  EXPECT_EQ(nosingLine(s, -1), 0);
}
TEST(Stairs, AreDrawnFromTheFoot) {
  Stair s = flight(5, 200, 250);
  s.climbs = 90;
  const StairPlan plan = stairPlan({{0, 0}, {900, 0}, {900, 1000}, {0, 1000}}, s);
  ASSERT_EQ(plan.risers.size(), 5U);
  EXPECT_NEAR(plan.foot.y, 0, 1e-9);
  EXPECT_NEAR(plan.risers[2].first.y, 500, 1e-9);
}

// ---- loose lines
TEST(Loops, CloseGapsWithinTheToleranceAndSayHowFar) {
  const std::vector<LooseLine> lines{
      {{0, 0}, {5000, 0}}, {{5000, 4}, {5000, 3000}}, {{5000, 3000}, {0, 3000}}, {{0, 3000}, {0, 6}}};
  EXPECT_TRUE(loopsOf(lines, 1).loops.empty());
  const LoopSearch found = loopsOf(lines, 10);
  ASSERT_EQ(found.loops.size(), 1U);
  EXPECT_EQ(found.loops[0].size(), 4U);
  EXPECT_EQ(found.gapsClosed, 2);
  EXPECT_NEAR(found.largestGap, 6, 1e-9);
}
TEST(Loops, AreTheFacesBetweenSharedWalls) {
  // Two rooms with a wall between them, and a line that leads nowhere.
  const std::vector<LooseLine> lines{
      {{0, 0}, {3000, 0}},       {{3000, 0}, {5000, 0}}, {{5000, 0}, {5000, 3000}}, {{5000, 3000}, {3000, 3000}},
      {{3000, 3000}, {0, 3000}}, {{0, 3000}, {0, 0}},    {{3000, 0}, {3000, 3000}}, {{3000, 3000}, {3500, 4000}}};
  const LoopSearch found = loopsOf(lines, 1);
  ASSERT_EQ(found.loops.size(), 2U);
  EXPECT_NEAR(signedArea(found.loops[0]), 9e6, 1);
  EXPECT_NEAR(signedArea(found.loops[1]), 6e6, 1);
  EXPECT_EQ(found.openEnds, 1U);
}
TEST(Loops, LeaveOutCornersInLine) {
  const std::vector<LooseLine> lines{
      {{0, 0}, {2000, 0}}, {{2000, 0}, {5000, 0}}, {{5000, 0}, {5000, 3000}}, {{5000, 3000}, {0, 0}}};
  ASSERT_EQ(loopsOf(lines, 1).loops.size(), 1U);
  EXPECT_EQ(loopsOf(lines, 1).loops[0].size(), 3U);
}

}  // namespace house_test
}  // namespace mezzet
