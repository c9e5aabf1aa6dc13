#include <cmath>

#include "core/space/bodies.h"
#include "core/space/gaps.h"
#include "core/space/swing.h"
#include "core/space/tapes.h"
#include "core/geometry/offset.h"
#include "core/rules/check.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace shapes_test {
using namespace test;

Piece corner(Hand hand) {
  Piece p = piece("corner", "sofa", 110, 84, 33);
  p.shape = Shape::L;
  p.limbs.edit().hand = hand;
  p.limbs.edit().longDepth = in(36);
  p.limbs.edit().returnWidth = in(36);
  return p;
}

TEST(AnL, HasItsReturnAtTheHandOfWhoStandsBeforeIt) {
  // The front is towards -y: who looks at it looks up the plan, and has -x on the left.
  const FloorPlace place{{0, 0}, 0};
  EXPECT_TRUE(covers(footprint(corner(Hand::Left), place), {in(-50), in(-40)}));
  EXPECT_FALSE(covers(footprint(corner(Hand::Left), place), {in(50), in(-40)}));
  EXPECT_TRUE(covers(footprint(corner(Hand::Right), place), {in(50), in(-40)}));
  EXPECT_TRUE(covers(footprint(corner(Hand::Right), place), {in(-50), in(40)}));
}
TEST(AnL, HasTheAreaOfItsLimbs) {
  for (const Hand hand : {Hand::Left, Hand::Right}) {
    const Polygon outline = outlineOf(corner(hand), {{0, 0}, 0});
    EXPECT_NEAR(signedArea(outline), in(110) * in(36) + in(36) * in(48), 1e-6);
  }
}
TEST(AnL, LeavesRoomInItsAngle) {
  Job job = with(emptyRoom(), corner(Hand::Left), "p1", 100, 70);
  job = with(job, piece("table", "low-table", 40, 20), "p2", 100 - 55 + 36 + 16 + 20, 70 + 42 - 36 - 16 - 10);
  for (const Gap& gap : gapsIn(job, scheme(job), 2000))
    if (gap.b == "p2" || gap.a == "p2") {
      EXPECT_GT(gap.length, 0) << gap.a << " " << gap.b;
      if (gap.a == "p1") {
        EXPECT_NEAR(gap.length, in(16), 1e-6);
      }
    }
}
TEST(AnL, SeatsPeopleBeforeBothLimbs) {
  const auto fronts = seatFronts(corner(Hand::Left), {{0, 0}, 0});
  ASSERT_EQ(fronts.size(), 2u);
  EXPECT_EQ(fronts[0].outward, (Vec2{0, -1}));
  EXPECT_EQ(fronts[1].outward, (Vec2{1, 0}));
  EXPECT_NEAR(fronts[0].left.y, in(42 - 36), 1e-9);
  EXPECT_NEAR(fronts[1].left.x, in(-55 + 36), 1e-9);
}
TEST(AnL, StandsOnFeetInsideItsShape) {
  for (const Hand hand : {Hand::Left, Hand::Right})
    for (const Vec2 foot : feetOf(corner(hand), {{100, 200}, 33}))
      EXPECT_TRUE(covers(footprint(corner(hand), {{100, 200}, 33}), foot));
}

TEST(AnOval, IsAnEllipseWithinItsTolerance) {
  Piece p = piece("oval", "low-table", 60, 30);
  p.shape = Shape::Oval;
  for (const Vec2 v : outlineOf(p, {{0, 0}, 0})) {
    const double level = std::hypot(v.x / in(30), v.y / in(15));
    EXPECT_GE(level, 1);
    EXPECT_LT((level - 1) * in(30), 2 * kOvalTolerance);
  }
  EXPECT_NEAR(signedArea(outlineOf(p, {{0, 0}, 0})), std::acos(-1.0) * in(30) * in(15), 40);
}
TEST(AnOval, ReadsItsTapesLikeItsAxes) {
  Piece p = piece("oval", "low-table", 60, 30);
  p.shape = Shape::Oval;
  const Job job = with(emptyRoom(200, 150), p, "p1", 100, 75);
  for (const Tape& tape : tapesOf(job, scheme(job), PlacementId("p1")))
    EXPECT_NEAR(tape.length, tape.along.x != 0 ? in(70) : in(60), 0.05) << sideName(tape.side);
}
TEST(AnOval, SlidesAgainstAnotherOvalWithoutLosingTime) {
  Piece p = piece("oval", "low-table", 90, 50);
  p.shape = Shape::Oval;
  Job job = with(emptyRoom(300, 200), p, "p1", 60, 100);
  job = withPlacement(job, SchemeId("s1"), {PlacementId("p2"), p.id, FloorPlace{{in(200), in(100)}, 0}, {}});
  const auto right = tapeOf(job, scheme(job), PlacementId("p1"), Side::Right);
  ASSERT_TRUE(right);
  EXPECT_NEAR(right->length, in(50), 0.05);
}

// ---- swings: a room of 222 x 150 in, the door on wall A from 20 to 52 in
Room roomWithDoor(Hinge hinge) {
  Room room = *emptyRoom().rooms.front();
  Opening door;
  door.id = OpeningId("d1");
  door.wall = CornerId("A");
  door.offset = in(20);
  door.width = in(32);
  door.height = in(80);
  door.hinge = hinge;
  room.openings = {door};
  return room;
}
Parts boxAt(double x, double y, double w, double d) {
  return footprint(piece("box", "console", w, d), {{in(x), in(y)}, 0});
}

TEST(Swing, IsAQuarterDiscAtTheHinge) {
  const auto sweep = sweepOf(roomWithDoor(Hinge::Start), roomWithDoor(Hinge::Start).openings[0]);
  ASSERT_TRUE(sweep);
  EXPECT_EQ(sweep->hinge, (Vec2{in(20), 0}));
  EXPECT_NEAR(sweep->radius, in(32), 1e-9);
}
TEST(Swing, MeasuresToTheArc) {
  const auto sweep = *sweepOf(roomWithDoor(Hinge::Start), roomWithDoor(Hinge::Start).openings[0]);
  // A box whose nearest corner lies 24, 32 in from the hinge: 40 in away, 8 in clear of the leaf.
  EXPECT_NEAR(clearOfSweep(boxAt(20 + 24 + 5, 32 + 5, 10, 10), sweep).gap, in(8), 1e-6);
  // One whose corner lies 12, 16 in away: 20 in, so 12 in inside.
  EXPECT_NEAR(clearOfSweep(boxAt(20 + 12 + 5, 16 + 5, 10, 10), sweep).gap, in(-12), 1e-6);
}
TEST(Swing, MeasuresToTheOpenLeafFromTheSide) {
  const auto sweep = *sweepOf(roomWithDoor(Hinge::Start), roomWithDoor(Hinge::Start).openings[0]);
  EXPECT_NEAR(clearOfSweep(boxAt(20 - 3 - 5, 15, 10, 10), sweep).gap, in(3), 1e-6);
}
TEST(Swing, BesideTheOpenLeafTheMarginGoesThroughZeroWithoutAJump) {
  const auto sweep = *sweepOf(roomWithDoor(Hinge::Start), roomWithDoor(Hinge::Start).openings[0]);
  // A box whose right edge passes the open leaf, in steps of a quarter inch: 3 in clear to 3 in inside.
  for (double past = -3; past <= 3; past += 0.25)
    EXPECT_NEAR(clearOfSweep(boxAt(20 + past - 5, 15, 10, 10), sweep).gap, in(-past), 1e-6) << past;
}
TEST(Swing, TurnsTheOtherWayAboutTheOtherHinge) {
  const auto sweep = *sweepOf(roomWithDoor(Hinge::End), roomWithDoor(Hinge::End).openings[0]);
  EXPECT_NEAR(clearOfSweep(boxAt(52 - 12 - 5, 16 + 5, 10, 10), sweep).gap, in(-12), 1e-6);
  EXPECT_NEAR(clearOfSweep(boxAt(52 + 3 + 5, 15, 10, 10), sweep).gap, in(3), 1e-6);
}
TEST(Swing, MeasuresToARoundBody) {
  const auto sweep = *sweepOf(roomWithDoor(Hinge::Start), roomWithDoor(Hinge::Start).openings[0]);
  const Parts drum = footprint(roundPiece("drum", "side-table", 10), {{in(20 + 24), in(32)}, 0});
  EXPECT_NEAR(clearOfSweep(drum, sweep).gap, in(40 - 5 - 32), 1e-6);
}
TEST(Swing, AgreesWithAFineRaster) {
  // The deepest point by brute force: every sixteenth of an inch of a turned box inside the quarter.
  const auto sweep = *sweepOf(roomWithDoor(Hinge::Start), roomWithDoor(Hinge::Start).openings[0]);
  const Parts box = footprint(piece("box", "console", 20, 8), {{in(45), in(20)}, 35});
  double deepest = HUGE_VAL;
  for (double x = in(20); x < in(60); x += 0.5)
    for (double y = 0; y < in(40); y += 0.5)
      if (covers(box, {x, y})) deepest = std::min(deepest, std::hypot(x - in(20), y) - in(32));
  EXPECT_NEAR(clearOfSweep(box, sweep).gap, deepest, 0.6);
}
TEST(Swing, OutwardTakesNoRoomHere) {
  Room room = roomWithDoor(Hinge::Start);
  room.openings[0].swing = Swing::Out;
  EXPECT_FALSE(sweepOf(room, room.openings[0]));
}
TEST(ClearWidth, IsLessTheLeaf) { EXPECT_NEAR(clearWidth(roomWithDoor(Hinge::Start).openings[0]), in(32) - 35, 1e-9); }

TEST(GrownPolygon, HasRoundCorners) {
  const Polygon square{{0, 0}, {100, 0}, {100, 100}, {0, 100}};
  const auto zone = grown(square, 50);
  ASSERT_EQ(zone.size(), 1u);
  EXPECT_NEAR(signedArea(zone[0]), 100 * 100 + 4 * 100 * 50 + std::acos(-1.0) * 2500, 40);
  EXPECT_NEAR(signedArea(clippedTo(zone, square)[0]), 10000, 0.1);
}

// ---- windows that open inwards
Job casement(double height, double y) {
  Opening window;
  window.id = OpeningId("w1");
  window.kind = OpeningKind::Window;
  window.wall = CornerId("A");
  window.offset = in(80);
  window.width = in(48);
  window.sill = in(30);
  window.height = in(48);
  window.leaf = WindowLeaf::CasementIn;
  return with(withOpening(emptyRoom(), RoomId("parlour"), window).value(), piece("case", "bookcase", 20, 10, height),
              "p1", 90, y);
}
std::vector<Finding> swings(const Job& job) {
  std::vector<Finding> out = check(job, builtInRulebook(), SchemeId("s1"), {}, kEveryDay);
  std::erase_if(out, [](const Finding& f) { return f.rule != "door-swing"; });
  return out;
}
TEST(Casements, SweepHalfTheWindowEach) {
  const Job job = casement(40, 10);
  const auto sweeps = casementSweeps(*job.rooms.front(), job.rooms.front()->openings[0]);
  ASSERT_EQ(sweeps.size(), 2U);
  EXPECT_NEAR(sweeps[0].radius, in(24), 1e-9);
  EXPECT_NEAR(distance(sweeps[0].hinge, sweeps[1].hinge), in(48), 1e-9);
}
TEST(Casements, HitWhatIsHigherThanTheSill) {
  const auto found = swings(casement(40, 10));
  ASSERT_EQ(found.size(), 1U);
  EXPECT_EQ(found[0].verdict, Verdict::Breaks);
  EXPECT_NE(found[0].sentence.find("inside the sweep of the window on wall A, and is higher than its sill."),
            std::string::npos);
}
TEST(Casements, PassOverWhatIsLower) { EXPECT_TRUE(swings(casement(30, 10)).empty()); }
TEST(Casements, AreClearOfWhatStandsOff) { EXPECT_TRUE(swings(casement(40, 60)).empty()); }

}  // namespace shapes_test
}  // namespace mezzet
