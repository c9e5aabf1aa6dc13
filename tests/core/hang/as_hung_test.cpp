// What was done on the wall: where frames really hang, deviations, holes, spots that were detected.
#include "core/hang/as_hung.h"

#include <gtest/gtest.h>

#include "core/edit/site.h"
#include "io/files/job_file.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace as_hung_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");
const PlacementId kFrame("p1");

Job oneFrame() {
  Job job = hung(emptyRoom(), "a", "p1", 24, 30, 100, 57);
  Piece p = *findPiece(job, PieceId("a"));
  p.hanger.edit().drop = in(3);
  p.hanger.edit().hooks = 1;
  return withPiece(job, p).value();
}
AsHung off(const Job& job, double right, double up) {
  const WallPlace& place = wallPlace(findPlacement(scheme(job), kFrame)->on);
  return {place.u + right, place.v + up, "2026-04-01"};
}

TEST(HungWhere, IsTheFrameOfANail) {
  const Job job = oneFrame();
  const Piece& piece = *findPiece(job, PieceId("a"));
  const Hooks hooks = *hooksOf(piece, HookSchool::One, kInches).hooks;
  // 57 + 15 - 3 = 69: a nail that landed there leaves the frame where it was planned.
  const Vec2 as = hungWhere(piece, hooks, 1, {in(100), in(69)});
  EXPECT_NEAR(as.x, in(100), 1e-9);
  EXPECT_NEAR(as.y, in(57), 1e-9);
  const Vec2 other = hungWhere(piece, hooks, 1, {in(100.25), in(68.5)});
  EXPECT_NEAR(other.x, in(100.25), 1e-9);
  EXPECT_NEAR(other.y, in(56.5), 1e-9);
}

TEST(LandedAt, CountsFromTheEndThatIsAsked) {
  const Wall wall = *findWall(*emptyRoom().rooms.front(), CornerId("A"));
  NailAsk ask;
  ask.line = in(48);
  EXPECT_NEAR(landedAt(wall, ask, in(10), in(21)).x, in(10), 1e-9);
  EXPECT_NEAR(landedAt(wall, ask, in(10), in(-3)).y, in(45), 1e-9);
  ask.end = WallEnd::Right;
  EXPECT_NEAR(landedAt(wall, ask, in(10), 0).x, in(212), 1e-9);
}

TEST(Deviations, AreMarkedOverAQuarterInchAlone) {
  for (const auto& [by, over] : {std::pair(0.25, false), std::pair(0.3125, true)}) {
    const Job job = withAsHung(oneFrame(), kScheme, kFrame, off(oneFrame(), in(by), 0));
    const auto all = deviations(PieceIndex(job), scheme(job));
    ASSERT_EQ(all.size(), 1U);
    EXPECT_NEAR(all[0].right, in(by), 1e-9);
    EXPECT_NEAR(all[0].limit, in(0.25), 1e-9);
    EXPECT_EQ(all[0].over(), over) << by;
  }
}

TEST(Deviations, AreMarkedOverAnEighthInAGroup) {
  for (const auto& [by, over] : {std::pair(0.125, false), std::pair(0.1875, true)}) {
    Job job = hung(oneFrame(), "b", "p2", 24, 30, 126, 57);  // 2 in beside it
    job = withAsHung(job, kScheme, kFrame, off(job, 0, in(-by)));
    EXPECT_EQ(deviations(PieceIndex(job), scheme(job))[0].over(), over) << by;
  }
}

TEST(Deviations, AreSaidInWords) {
  EXPECT_EQ(deviationWords({kFrame, 0, 0, 1}, kInches), "as planned");
  EXPECT_EQ(deviationWords({kFrame, in(-0.125), in(-0.25), 1}, kInches), "1/8 in left, 1/4 in low");
  EXPECT_EQ(deviationWords({kFrame, in(1), in(2), 1}, kInches), "1 in right, 2 in high");
}

TEST(AsItHangs, IsJudgedWhereItHangs) {
  Job job = oneFrame();
  job = withAsHung(job, kScheme, kFrame, off(job, 0, in(5)));
  const Job there = asItHangs(job, kScheme);
  EXPECT_NEAR(wallPlace(findPlacement(scheme(there), kFrame)->on).v, in(62), 1e-9);
  EXPECT_NEAR(wallPlace(findPlacement(scheme(job), kFrame)->on).v, in(57), 1e-9) << "the plan stays";
}

TEST(AsHung, IsOnlyOfWhatHangs) {
  const Job floor = with(emptyRoom(), piece("case", "bookcase", 40, 11, 38), "p1", 120, 5.5);
  EXPECT_EQ(withAsHung(floor, kScheme, kFrame, AsHung{1, 2}), floor);
}

TEST(Holes, AreKeptOnceAndFilled) {
  Job job = oneFrame();
  const RoomId room = job.rooms.front()->id;
  job = withHole(job, room, {CornerId("A"), 500, 1500, 3.2, "2026-04-01", {}});
  job = withHole(job, room, {CornerId("A"), 503, 1502, 3.2, "2026-04-02", {}});  // the same hole
  ASSERT_EQ(job.rooms.front()->holes.size(), 1U);
  EXPECT_EQ(holeWords(*job.rooms.front(), kInches).front(),
            "Wall A: 19 11/16 in from the left, 59 1/16 in up, 1/8 in wide, made 2026-04-01, not filled.");
  job = withHoleFilled(job, room, 0, "2027-05-01");
  EXPECT_EQ(job.rooms.front()->holes[0].filled, "2027-05-01");
  // Where one was filled another may be made.
  job = withHole(job, room, {CornerId("A"), 500, 1500, 3.2, "2027-06-01", {}});
  EXPECT_EQ(job.rooms.front()->holes.size(), 2U);
  const auto read = readJobText(writeJobText(job, 99), "job.json");
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_EQ(read->job, job);
}

TEST(ClearSpots, TakeTheMarkOffANail) {
  Job job = oneFrame();
  Room changed = *job.rooms.front();
  changed.points.push_back({PointId("s1"), PointKind::Socket, CornerId("A"), in(222 - 101), in(12), {}});
  job = withRoom(job, changed).value();
  NailAsk ask;
  ask.wall = CornerId("A");
  ask.school = HookSchool::One;
  const auto nail = [&] {
    return nailPlan(job, *job.rooms.front(), scheme(job), builtInRulebook().fixings, ask, kInches).nails.at(0);
  };
  ASSERT_EQ(nail().near.size(), 1U);
  job = withClearSpot(job, changed.id, {CornerId("A"), nail().u, nail().v, "2026-04-01"});
  EXPECT_TRUE(nail().near.empty());
  EXPECT_EQ(nail().clear, "2026-04-01");
  // Moved on, the nail is no longer at that spot.
  job = placed(job, kScheme, kFrame, moved(findPlacement(scheme(job), kFrame)->on, {in(1), 0}));
  EXPECT_EQ(nail().near.size(), 1U);
  job = withClearSpot(job, changed.id, {CornerId("A"), in(100), nail().v, ""});
  EXPECT_TRUE(job.rooms.front()->clearSpots.empty());
}

TEST(FixingWords, SayWhyNot) {
  Job job = oneFrame();
  job = [&] {
    Room r = *job.rooms.front();
    r.corners[0].material = WallMaterial::BoardOnStuds;
    return withRoom(job, r).value();
  }();
  Piece p = *findPiece(job, PieceId("a"));
  p.shop.edit().weight = 20;
  job = withPiece(job, p).value();
  NailAsk ask;
  ask.wall = CornerId("A");
  ask.school = HookSchool::One;
  const auto& fixings = builtInRulebook().fixings;
  const NailPlan plan = nailPlan(job, *job.rooms.front(), scheme(job), fixings, ask, kInches);
  const auto lines = fixingWords(plan, plan.nails.at(0), fixings, false, Unit::Inch, kInches);
  EXPECT_EQ(lines.size(), fixings.size()) << "each of them is answered";
  for (const std::string& line : lines) EXPECT_TRUE(line.starts_with("Fits: ") || line.starts_with("Not: ")) << line;
}

}  // namespace as_hung_test
}  // namespace mezzet
