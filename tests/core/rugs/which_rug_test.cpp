// Which rug takes a group: worked tables and sitting groups, against brute force, mirrored; templates; stop lines.
#include <gtest/gtest.h>

#include <random>

#include "core/decide/rug_place.h"
#include "core/decide/which_rug.h"
#include "core/geometry/offset.h"
#include "core/rugs/lying.h"
#include "core/rugs/stop_lines.h"
#include "core/rugs/template_rug.h"
#include "core/space/swing.h"
#include "core/use/dining.h"
#include "io/json/rulebook_json.h"
#include "support/findings.h"
#include "support/rooms.h"

namespace mezzet {
namespace which_rug_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

PlacementIds ids(const std::vector<const char*>& names) {
  PlacementIds out;
  for (const char* name : names) out.emplace_back(name);
  return out;
}
WhichRug asked(const Job& job, const std::vector<const char*>& group) {
  const auto which = whichRug(job, builtInRulebook(), kScheme, ids(group), kInches, kEveryDay);
  EXPECT_TRUE(which);
  return which.value_or(WhichRug{});
}
/// As sold, feet: short side, long side.
std::pair<double, double> feet(const std::optional<RugFit>& fit) {
  return fit ? std::pair(fit->sold.shortSide / kFoot, fit->sold.longSide / kFoot) : std::pair(0.0, 0.0);
}

/// A table 40 x 72 in the middle of the room with a chair in the middle of each side.
Job tableOf(double roomWidth = 240, double roomDepth = 180) {
  const double x = roomWidth / 2, y = roomDepth / 2;
  Job job = with(emptyRoom(roomWidth, roomDepth), piece("table", "dining-table", 72, 40), "p1", x, y);
  const Piece chair = piece("chair", "chair", 18, 20, 34);
  job = with(job, chair, "p2", x, y - 20 - 8, 180);
  job = with(job, chair, "p3", x, y + 20 + 8, 0);
  job = with(job, chair, "p4", x - 36 - 8, y, 90);
  job = with(job, chair, "p5", x + 36 + 8, y, 270);
  return job;
}
Piece sofa() { return piece("sofa", "sofa", 84, 36, 34); }
Piece armchair() { return piece("armchair", "armchair", 32, 34, 34); }
/// A sofa that faces two chairs over a low table.
Job sitting(double width = 240, double depth = 200, double left = 120, double from = 30) {
  Job job = with(emptyRoom(width, depth), sofa(), "p1", left, from, 180);
  job = with(job, piece("low", "low-table", 48, 26, 17), "p2", left, from + 18 + 16 + 13);
  job = with(job, armchair(), "p3", left - 30, from + 105, 0);
  return with(job, armchair(), "p4", left + 30, from + 105, 0);
}

// ---- tables
TEST(WhichRugForATable, TakesEveryChairPulledOut) {
  const WhichRug which = asked(tableOf(), {"p1"});
  EXPECT_EQ(feet(which.all), std::pair(8.0, 10.0));  // 72 + 48 - 4 = 116 of 119, 40 + 48 - 4 = 84 of 95
  EXPECT_EQ(feet(which.front), feet(which.all));
  ASSERT_TRUE(which.all);
  EXPECT_EQ(which.all->at.at, (Vec2{in(120), in(90)}));
  EXPECT_EQ(which.all->binds.find("A rug 6 x 9 ft is too small"), 0U) << which.all->binds;
}
TEST(WhichRugForATable, HoldsTheRuleOfItsChairs) {
  IdSource ids(50);
  PlacementId rug;
  const Job job = tableOf();
  const WhichRug which = asked(job, {"p1"});
  const Job laid = withRugLaid(job, kScheme, which.all->piece, which.all->at, ids, rug).value();
  const auto findings = check(laid, builtInRulebook(), kScheme, kInches, kEveryDay);
  for (const char* chair : {"p2", "p3", "p4", "p5"}) {
    std::vector<std::string> both{chair, rug.value};
    std::sort(both.begin(), both.end());
    const Finding* f = findingIn(findings, "rug-chair:" + both[0] + "," + both[1]);
    ASSERT_NE(f, nullptr);
    EXPECT_GE(f->margin, 0) << chair;  // at the ends it is a close call: stock rugs come short of their ticket
  }
}
TEST(WhichRugForATable, LiesAlongALongTableWhicheverWayThatStands) {
  Job job = with(emptyRoom(240, 240), piece("table", "dining-table", 40, 72), "p1", 120, 120);
  job = with(job, piece("chair", "chair", 18, 20, 34), "p2", 120, 120 + 36 + 8, 0);
  const WhichRug which = asked(job, {"p1"});
  ASSERT_TRUE(which.all);
  EXPECT_LT(which.all->piece.width, *which.all->piece.depth);
}
TEST(WhichRugForATable, IsRoundOnlyUnderARoundOne) {
  Job job = with(emptyRoom(240, 240), roundPiece("table", "dining-table", 44, 30), "p1", 120, 120);
  const Piece chair = piece("chair", "chair", 18, 20, 34);
  job = with(job, chair, "p2", 120, 120 + 22 + 8, 0);
  job = with(job, chair, "p3", 120, 120 - 22 - 8, 180);
  job = with(job, chair, "p4", 120 + 22 + 8, 120, 270);
  job = with(job, chair, "p5", 120 - 22 - 8, 120, 90);
  const WhichRug which = asked(job, {"p1"});
  ASSERT_TRUE(which.all);
  EXPECT_TRUE(which.all->sold.round);  // feet reach 44.6 from the middle: 8 ft round is 47.5, 8 x 10 is larger
  EXPECT_EQ(which.all->sold.longSide, 8 * kFoot);
  EXPECT_NEAR(distance(which.all->at.at, {in(120), in(120)}), 0, 0.1);
}
TEST(WhichRugForATable, SaysWhyNoneDoes) {
  const WhichRug which = asked(tableOf(120, 100), {"p1"});
  EXPECT_FALSE(which.all);
  EXPECT_NE(which.none.find("against a wall"), std::string::npos) << which.none;
}

// ---- sitting groups
TEST(WhichRugForSeats, TakesTheFrontFeetOrAll) {
  const WhichRug which = asked(sitting(), {"p1", "p2", "p3", "p4"});
  // Front feet: x from -42 + 2 to 42 - 2 of the sofa and -44 to 44 of the chairs, 88; y from 46 to 120, 74.
  EXPECT_EQ(feet(which.front), std::pair(8.0, 10.0)) << which.front->binds;
  // All: y from 14 to 150, 136: along the sofa nothing narrower than 12 ft is deep enough.
  EXPECT_EQ(feet(which.all), std::pair(12.0, 15.0));
}
TEST(WhichRugForSeats, KeepsOffTheWall) {
  const WhichRug which = asked(sitting(240, 200, 120, 20), {"p1", "p2", "p3", "p4"});
  ASSERT_TRUE(which.all);
  for (const double border : which.all->borders) EXPECT_GE(border, kRugOffWalls - 0.01);
}
TEST(WhichRugForSeats, MakesNearBordersEven) {
  // 130 in wide: 5 1/2 either side of a rug 119 wide, though the group stands 1 in off the middle.
  const WhichRug which = asked(sitting(130, 200, 66, 30), {"p1", "p2", "p3", "p4"});
  ASSERT_TRUE(which.front);
  EXPECT_NEAR(which.front->at.at.x, in(65), 0.1);
}
TEST(WhichRugForSeats, StaysClearOfALeafThatDoesNotPassOverIt) {
  Job job = sitting(160, 200, 80, 30);
  Opening door;
  door.id = OpeningId("d1");
  door.wall = CornerId("D");  // from (0, 200) down to (0, 0)
  door.offset = in(110);
  door.width = in(32);
  door.height = in(80);
  door.underLeaf = 5;
  job = withOpening(job, RoomId("parlour"), door).value();
  const WhichRug which = asked(job, {"p1", "p2", "p3", "p4"});
  if (which.front) {
    const auto sweep = sweepOf(*job.rooms[0], door);
    ASSERT_TRUE(sweep);
    EXPECT_GE(clearOfSweep(footprint(which.front->piece, which.front->at), *sweep).gap, -0.2);
  }
  door.underLeaf = 40;
  const Job over = withOpening(job, RoomId("parlour"), door).value();
  EXPECT_TRUE(asked(over, {"p1", "p2", "p3", "p4"}).front) << "a leaf that passes over it";
}
TEST(WhichRugForSeats, IsMirroredWithTheRoom) {
  const WhichRug here = asked(sitting(220, 200, 100, 30), {"p1", "p2", "p3", "p4"}),
                 there = asked(sitting(220, 200, 120, 30), {"p1", "p2", "p3", "p4"});
  ASSERT_TRUE(here.front && there.front);
  EXPECT_EQ(feet(here.front), feet(there.front));
  EXPECT_NEAR(here.front->at.at.x + there.front->at.at.x, in(220), 0.1);
  EXPECT_NEAR(here.front->at.at.y, there.front->at.at.y, 0.1);
}
TEST(WhichRugForSeats, NeedsSomethingToStandOnIt) {
  const Job job = with(emptyRoom(), piece("shelf", "bookcase", 36, 12), "p1", 50, 50);
  EXPECT_FALSE(whichRug(job, builtInRulebook(), kScheme, ids({"p1"}), kInches, kEveryDay));
}

/// By trying every place on a grid: the smallest of the list that takes the front feet.
std::optional<StockRug> bruteForce(const Job& job, const std::vector<Vec2>& feet, double turn, double step) {
  const Room& room = *job.rooms[0];
  const auto walls = fixedBodies(room);
  const Box box = boundsOf(std::span<const Vec2>(outlineOf(room)));
  for (const StockRug& sold : builtInRulebook().rugs.stock(job.units)) {
    if (sold.round) continue;
    Piece rug = piece("rug", "rug", sold.longSide / kInch - 1, sold.shortSide / kInch - 1, 0.5);
    for (double x = box.low.x; x <= box.high.x; x += step)
      for (double y = box.low.y; y <= box.high.y; y += step) {
        const FloorPlace at{{x, y}, turn};
        const Vec2 half{rug.width / 2, *rug.depth / 2};
        const bool all = std::all_of(feet.begin(), feet.end(), [&](Vec2 foot) {
          const Vec2 own = rotated(foot - at.at, turnOf(-turn));
          return std::abs(own.x) <= half.x && std::abs(own.y) <= half.y;
        });
        if (!all) continue;
        const Parts body = footprint(rug, at);
        if (std::all_of(walls.begin(), walls.end(),
                        [&](const Body& wall) { return separation(wall.parts, body).gap >= kRugOffWalls; }))
          return sold;
      }
  }
  return std::nullopt;
}
TEST(WhichRugForSeats, IsNeverLargerThanBruteForceFinds) {
  constexpr unsigned kSeed = 1507;
  SCOPED_TRACE("seed " + std::to_string(kSeed));
  std::mt19937 random(kSeed);
  const auto from = [&](double low, double high) { return std::uniform_real_distribution<double>(low, high)(random); };
  int found = 0;
  for (int i = 0; i < 25; ++i) {
    const double turn = i % 3 == 0 ? from(-20, 20) : 0;
    const Turn t = turnOf(turn);
    const Vec2 middle{from(90, 150), from(80, 120)};
    const auto at = [&](double x, double y) { return middle + rotated({x, y}, t); };
    Job job = emptyRoom(240, 200);
    const Vec2 s = at(0, -50), a = at(from(-50, -20), 45), b = at(from(20, 50), 45);
    job = with(job, sofa(), "p1", s.x, s.y, normalisedTurn(180 + turn));
    job = with(job, armchair(), "p2", a.x, a.y, normalisedTurn(turn));
    job = with(job, armchair(), "p3", b.x, b.y, normalisedTurn(turn));
    const WhichRug which = asked(job, {"p1", "p2", "p3"});
    std::vector<Vec2> feet;
    for (const Placement& p : job.schemes[0]->placements) {
      const auto all = feetOf(pieceOf(job, p), floorPlace(p.on));
      feet.insert(feet.end(), all.begin(), all.begin() + 2);
    }
    const auto brute = bruteForce(job, feet, normalisedTurn(180 + turn), kInch * 2);
    ASSERT_TRUE(which.front || !brute) << i;
    if (!which.front) continue;
    ++found;
    if (brute) {
      EXPECT_LE(which.front->sold.longSide * which.front->sold.shortSide, brute->longSide * brute->shortSide) << i;
    }
    // And it does lie as it must.
    const Parts body = footprint(which.front->piece, which.front->at);
    for (const Vec2 foot : feet) EXPECT_LE(separation(body, Parts{Convex{{foot}, 0}}).gap, 0.05) << i;
    for (const Body& wall : fixedBodies(*job.rooms[0]))
      EXPECT_GE(separation(wall.parts, body).gap, kRugOffWalls - 0.1) << i;
  }
  EXPECT_GT(found, 15);
}

// ---- templates
TEST(TemplateRug, FollowsTheGroupAndKeepsOffTheWalls) {
  const Job job = sitting(240, 200, 120, 20);
  std::vector<Parts> bodies;
  for (const Placement& p : job.schemes[0]->placements) bodies.push_back(footprint(pieceOf(job, p), floorPlace(p.on)));
  const Polygon rug = templateRug(*job.rooms[0], bodies);
  ASSERT_GE(rug.size(), 4U);
  EXPECT_GT(signedArea(rug), 0);
  for (const Vec2 p : rug) {
    EXPECT_GE(p.x, kOffWalls - 0.1);
    EXPECT_GE(p.y, kOffWalls - 0.1);
  }
  for (std::size_t i = 0; i < rug.size(); ++i)
    EXPECT_GE(distance(edgeStart(rug, i), edgeEnd(rug, i)), kNearCorners - 0.1);
}
TEST(TemplateRug, RunsAlongAnAngledHearth) {
  Job job = sitting(240, 200, 120, 60);
  // A hearth across the corner at the right of wall C, at 45 degrees.
  Feature hearth{
      FeatureId("h"), FeatureKind::Hearth, {{in(200), in(200)}, {in(240), in(160)}, {in(240), in(200)}}, {}, in(36)};
  job = withFeature(job, RoomId("parlour"), hearth).value();
  std::vector<Parts> bodies{footprint(sofa(), {{in(120), in(150)}, 0}), footprint(armchair(), {{in(190), in(130)}, 0})};
  const Polygon rug = templateRug(*job.rooms[0], bodies);
  bool parallel = false;
  for (std::size_t i = 0; i < rug.size(); ++i) {
    const Vec2 d = unit(edgeEnd(rug, i) - edgeStart(rug, i));
    const bool along = std::abs(std::abs(dot(d, unit({1, -1}))) - 1) < 1e-6;
    const double off = dot(edgeStart(rug, i) - Vec2{in(200), in(200)}, unit({-1, -1}));
    parallel = parallel || (along && std::abs(off - in(36)) < 0.1);
  }
  EXPECT_TRUE(parallel) << "one edge lies 36 in before the hearth";
}
TEST(TemplateRug, IsSetOutSquareFromTwoWalls) {
  const Job job = emptyRoom(240, 200);
  const RugTemplate t =
      templateOf(*job.rooms[0], {{in(30), in(20)}, {in(150), in(20)}, {in(150), in(100)}, {in(30), in(110)}});
  ASSERT_EQ(t.corners.size(), 4U);
  EXPECT_EQ(t.corners[0].from[0].wall.value, "A");
  EXPECT_NEAR(t.corners[0].from[0].off, in(20), 1e-6);
  EXPECT_EQ(t.corners[0].from[1].wall.value, "D");
  EXPECT_NEAR(t.corners[0].from[1].off, in(30), 1e-6);
  EXPECT_EQ(t.corners[2].from[0].wall.value, "B");
  ASSERT_EQ(t.diagonals.size(), 2U);
  EXPECT_NEAR(t.diagonals[0].length, in(std::hypot(120, 80)), 1e-6);
  EXPECT_NEAR(t.area, in(120) * in(85), 1e-3);
  EXPECT_NEAR(t.edge, in(120 + 80 + 90 + std::hypot(120, 10)), 1e-6);
}
TEST(TemplateRug, IsAPieceOfItsOwnShape) {
  const Polygon inPlan{{in(30), in(20)}, {in(150), in(20)}, {in(150), in(100)}, {in(90), in(60)}, {in(30), in(110)}};
  FloorPlace at;
  const Piece rug = templatePiece(inPlan, at);
  EXPECT_EQ(outlineOf(rug, at), inPlan);
  IdSource next(9);
  PlacementId placed;
  const Job job = withRugLaid(emptyRoom(240, 200), kScheme, rug, at, next, placed).value();
  const std::vector<Rug> rugs = rugsIn(PieceIndex(job), *job.schemes[0]);
  ASSERT_EQ(rugs.size(), 1U);
  EXPECT_LT(insideRug(rugs[0], {in(90), in(80)}), 0) << "in the notch one stands off it";
  EXPECT_NEAR(insideRug(rugs[0], {in(90), in(30)}), in(10), 1e-6);
}

// ---- halls
TEST(StopLines, StandOnLinesOfTheHall) {
  // A hall 48 in wide and 240 long that widens at 150; its door is in the short wall D.
  Job job = emptyRoom();
  Room room = *job.rooms[0];
  room.corners = corners({{0, 0}, {240, 0}, {240, 80}, {150, 80}, {150, 48}, {0, 48}});
  Opening door;
  door.id = OpeningId("d1");
  door.wall = CornerId("F");
  door.offset = in(8);
  door.width = in(32);
  door.height = in(80);
  room.openings = {door};
  job = withRoom(job, room).value();
  const auto stops = stopLinesOf(job, *job.schemes[0]);
  ASSERT_EQ(stops.size(), 2U);
  EXPECT_EQ(stops[0].linesUp, "wall D");
  EXPECT_NEAR(stops[0].length, in(150 - 4), 0.1);
  EXPECT_NEAR(stops[0].area, in(146) * in(40), 200);
  EXPECT_TRUE(stops[0].enough);
  EXPECT_NEAR(stops[0].standing, in(146), 0.5);
  EXPECT_EQ(stops[0].leaves, std::vector<std::string>{"d1"});
  EXPECT_EQ(stops[1].linesUp, "the whole floor");
}
TEST(StopLines, NeedADoor) {
  const Job job = emptyRoom();
  EXPECT_TRUE(stopLinesOf(job, *job.schemes[0]).empty());
}

}  // namespace which_rug_test
}  // namespace mezzet
