// A flight along a wall: its walking line in both directions and on both hands; frames that climb with it, dense hangs
// over it, and what is asked of them.
#include "core/hang/stair_hang.h"

#include <gtest/gtest.h>

#include "core/decide/hang_place.h"
#include "core/hang/nails.h"
#include "core/rules/check.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace stair_hang_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

/// A hall 3 x 7 m with a flight of 14 risers of 190 and 250 along one of its long walls (B at the right, D at the
/// left), 800 mm wide, its foot 1 m from the wall's start or end.
struct Flight {
  const char* wall;
  bool up;  // along +y
};
Job hallWith(Flight f, double riser = 190, double going = 250, double ceiling = 6000,
             std::optional<RailSide> rail = std::nullopt) {
  Job job = emptyRoom(3000 / 25.4, 7000 / 25.4, ceiling / 25.4);
  Room room = *job.rooms.front();
  Feature stair;
  stair.id = FeatureId("stair");
  stair.kind = FeatureKind::Stair;
  const bool right = std::string(f.wall) == "B";
  const double x0 = right ? 2200 : 0, x1 = right ? 3000 : 800, run = 13 * going, y0 = f.up ? 1000 : 6000 - run;
  stair.outline = {{x0, y0}, {x1, y0}, {x1, y0 + run}, {x0, y0 + run}};
  stair.stair = Stair{14, riser, going, f.up ? 90.0 : 270.0, {}, {}, {}, {}};
  stair.stair->handrail = 900;
  stair.stair->railSide = rail;
  room.features.push_back(stair);
  return withRoom(job, room).value();
}
StairWall flightOf(const Job& job, const char* wall) {
  const Room& room = *job.rooms.front();
  const auto all = stairsAlong(room, heightsOf(room), *findWall(room, CornerId(wall)));
  EXPECT_EQ(all.size(), 1U);
  return all.empty() ? StairWall{} : all.front();
}

struct Case {
  Flight flight;
  bool rising;
  double foot;
};
class StairWalls : public testing::TestWithParam<Case> {};
TEST_P(StairWalls, HaveTheirFootWhereTheFlightBegins) {
  const auto& [flight, rising, foot] = GetParam();
  const StairWall s = flightOf(hallWith(flight), flight.wall);
  EXPECT_EQ(s.rising, rising);
  EXPECT_NEAR(s.foot, foot, 1e-6);
  EXPECT_NEAR(s.nosing(s.foot), 190, 1e-6);
  EXPECT_NEAR(s.walking(s.at(125)), 190, 1e-6);  // the tread's height at its middle
  EXPECT_NEAR(s.tread(s.at(125)), 190, 1e-6);
  EXPECT_NEAR(s.walking(s.at(375)), 380, 1e-6);
  EXPECT_NEAR(s.tread(s.at(260)), 380, 1e-6);
  EXPECT_NEAR(*s.rail(s.at(250)), 190 + 190 + 900, 1e-6);
}
// Wall B is seen with its start, at y 0, on the right; wall D with its start, at y 7 m, on the right.
INSTANTIATE_TEST_SUITE_P(BothHandsAndWays, StairWalls,
                         testing::Values(Case{{"B", true}, false, 6000}, Case{{"B", false}, true, 1000},
                                         Case{{"D", true}, true, 1000}, Case{{"D", false}, false, 6000}));

TEST(StairWall, IsNoneFurtherOffOrAcross) {
  Job job = hallWith({"D", true});
  const Room& room = *job.rooms.front();
  for (const char* wall : {"A", "B", "C"})
    EXPECT_TRUE(stairsAlong(room, heightsOf(room), *findWall(room, CornerId(wall))).empty()) << wall;
  Room apart = room;
  for (Vec2& p : apart.features[0].outline) p.x += in(6.5);
  EXPECT_TRUE(stairsAlong(apart, heightsOf(apart), *findWall(apart, CornerId("D"))).empty());
}

TEST(FloorAlong, IsTheWalkingLineOverTheFlightAlone) {
  const Job job = hallWith({"D", true});
  const Room& room = *job.rooms.front();
  const Wall wall = *findWall(room, CornerId("D"));
  EXPECT_NEAR(floorAlong(room, heightsOf(room), wall, 500), 0, 1e-9);
  EXPECT_NEAR(floorAlong(room, heightsOf(room), wall, 1125), 190, 1e-6);
  EXPECT_NEAR(footingAlong(room, heightsOf(room), wall, 1010), 190, 1e-6);
  EXPECT_NEAR(floorUnder(room, {CornerId("D"), 1125, 1700, std::nullopt}), 190, 1e-6);
}

std::vector<Frame> equal(std::size_t n, double w, double h) {
  std::vector<Frame> out;
  for (std::size_t i = 0; i < n; ++i) out.push_back({"f" + std::to_string(i), w, h});
  return out;
}

TEST(StairHang, StepsByTheLeastTreadsThatLeaveRoom) {
  const StairWall s = flightOf(hallWith({"D", true}), "D");
  const StairHang hang = stairHang(s, {equal(3, 400, 500), 1500, 0, 7000});
  ASSERT_TRUE(hang.fits);
  EXPECT_EQ(hang.treads, 2);
  EXPECT_NEAR(hang.centres[1].x - hang.centres[0].x, 500, 1e-9);
  EXPECT_NEAR(hang.centres[1].y - hang.centres[0].y, 380, 1e-9);
  EXPECT_NEAR(hang.clear, 100, 1e-9);
}

TEST(StairHang, TakesSixAndRefusesASeventh) {
  const StairWall s = flightOf(hallWith({"D", true}, in(7.625), in(9.25)), "D");
  const StairHang six = stairHang(s, {equal(6, in(16), in(20)), in(58), 0, 7000});
  ASSERT_TRUE(six.fits);
  EXPECT_EQ(six.treads, 2);
  EXPECT_NEAR(six.centres[1].x - six.centres[0].x, in(18.5), 1e-6);
  EXPECT_NEAR(six.centres[1].y - six.centres[0].y, in(15.25), 1e-6);
  EXPECT_NEAR(six.clear, in(2.5), 1e-6);
  EXPECT_NEAR(six.centres[5].x - six.centres[0].x + in(16), in(108.5), 1e-6);
  // Each over the middle of a tread.
  for (const Vec2 c : six.centres) EXPECT_NEAR(std::fmod(s.along(c.x), in(9.25)), in(9.25) / 2, 1e-6);
  const StairHang seven = stairHang(s, {equal(7, in(16), in(20)), in(58), 0, 7000});
  EXPECT_FALSE(seven.fits);
  EXPECT_EQ(seven.most, 6U);
}

TEST(StairHang, IsCentredWithTiesTowardsTheFoot) {
  const StairWall s = flightOf(hallWith({"D", true}), "D");  // 12 treads of 250 between 1000 and 4250
  const StairHang one = stairHang(s, {equal(1, 300, 300), 1500, 1000, 4000});
  ASSERT_TRUE(one.fits);
  EXPECT_NEAR(one.centres[0].x, 2375, 1e-6);  // 2375 and 2625 are as near to 2500
  const StairWall down = flightOf(hallWith({"D", false}), "D");
  const StairHang other = stairHang(down, {equal(1, 300, 300), 1500, 3000, 6000});
  ASSERT_TRUE(other.fits);
  EXPECT_NEAR(other.centres[0].x, 4625, 1e-6);
}

TEST(DenseRegion, LiesOverTheNosings) {
  const StairWall s = flightOf(hallWith({"D", true}), "D");
  const auto region = denseRegion(s, 5000, 0, 7000);
  ASSERT_EQ(region.size(), 4U);
  EXPECT_NEAR(region[0].x, 1000, 1e-6);
  EXPECT_NEAR(region[0].y, 190 + kDenseOver, 1e-6);
  EXPECT_NEAR(region[1].y, 14 * 190 + kDenseOver, 1e-6);
  EXPECT_TRUE(denseRegion(s, 1000, 0, 7000).empty());
  // A rectangle in it is inside, and no wider or narrower one has more area.
  const WallRect best = largestIn(s, region);
  EXPECT_GE(best.bottom, s.nosing(best.right) + kDenseOver - 1e-6);
  for (const double w : {0.7, 0.9, 1.1}) {
    const double wide = std::min(best.width() * w, region[1].x - region[0].x);
    EXPECT_LE(wide * (5000 - s.nosing(region[0].x + wide) - kDenseOver), best.width() * best.height() + 1e-6);
  }
}

Job withFrames(Job job, int n, double w, double h, const char* wall) {
  for (int i = 0; i < n; ++i)
    job = hung(job, ("a" + std::to_string(i)).c_str(), ("p" + std::to_string(i)).c_str(), w, h, 20 + 10 * i, 60, wall);
  return job;
}
HangRequest asking(HangAs as, int n, const char* wall) {
  HangRequest r;
  r.as = as;
  r.wall = CornerId(wall);
  for (int i = 0; i < n; ++i) r.placements.emplace_back("p" + std::to_string(i));
  return r;
}
std::vector<Finding> judged(const Job& job, const std::string& rule) {
  std::vector<Finding> out;
  for (Finding& f : check(job, builtInRulebook(), kScheme, kInches, kEveryDay))
    if (f.rule == rule) out.push_back(std::move(f));
  return out;
}

TEST(StairArrangement, HoldsItsOwnRules) {
  for (const Flight flight : {Flight{"D", true}, Flight{"B", true}, Flight{"D", false}}) {
    const Job job = withFrames(hallWith(flight, in(7.625), in(9.25)), 6, 16, 20, flight.wall);
    IdSource ids(100);
    const auto plan = hangPlan(job, builtInRulebook(), kScheme, asking(HangAs::Stair, 6, flight.wall), ids, kInches);
    ASSERT_TRUE(plan);
    ASSERT_TRUE(plan->fits);
    const auto lines = judged(plan->job, "stair-line");
    ASSERT_EQ(lines.size(), 1U);
    EXPECT_NEAR(lines[0].measured, 0, 1e-6);
    EXPECT_EQ(lines[0].subjects.size(), 7U);
    const auto centres = judged(plan->job, "art-centre");
    ASSERT_EQ(centres.size(), 6U);
    for (const Finding& f : centres) EXPECT_EQ(f.verdict, Verdict::Holds) << f.sentence;
  }
}

TEST(StairLine, TellsTheOneThatIsOut) {
  const Job job = withFrames(hallWith({"D", true}, in(7.625), in(9.25)), 4, 16, 20, "D");
  IdSource ids(100);
  Job after = hangPlan(job, builtInRulebook(), kScheme, asking(HangAs::Stair, 4, "D"), ids, kInches)->job;
  WallPlace off = wallPlace(findPlacement(scheme(after), PlacementId("p2"))->on);
  off.v += in(0.75);
  after = placed(after, kScheme, PlacementId("p2"), off);
  const auto lines = judged(after, "stair-line");
  ASSERT_EQ(lines.size(), 1U);
  EXPECT_EQ(lines[0].verdict, Verdict::Breaks);
  EXPECT_NEAR(lines[0].measured, in(0.75), 1e-6);
  EXPECT_NEAR(lines[0].margin, -in(0.25), 1e-6);
}

TEST(StairArrangement, SaysHowManyFit) {
  const Job job = withFrames(hallWith({"D", true}, in(7.625), in(9.25)), 7, 16, 20, "D");
  IdSource ids(100);
  const auto plan = hangPlan(job, builtInRulebook(), kScheme, asking(HangAs::Stair, 7, "D"), ids, kInches);
  ASSERT_TRUE(plan);
  EXPECT_FALSE(plan->fits);
  EXPECT_EQ(plan->says.front(), "With a frame to every 2 treads 6 of 7 fit between the flight's bounds.");
}

TEST(StairArrangement, StaysBelowTheCeiling) {
  // 2.6 m: frames of 20 in at 58 in over a tread of more than about 0.9 m would stand in it.
  const Job job = withFrames(hallWith({"D", true}, in(7.625), in(9.25), 2600), 3, 16, 20, "D");
  IdSource ids(100);
  const auto plan = hangPlan(job, builtInRulebook(), kScheme, asking(HangAs::Stair, 3, "D"), ids, kInches);
  ASSERT_TRUE(plan);
  EXPECT_FALSE(plan->fits);
  EXPECT_NE(plan->says.front().find("stay below the ceiling"), std::string::npos) << plan->says.front();
}

TEST(DenseHang, StaysOverTheNosingsAndBelowTheTop) {
  const Job job = withFrames(hallWith({"D", true}), 9, 12, 16, "D");
  IdSource ids(100);
  const auto plan = hangPlan(job, builtInRulebook(), kScheme, asking(HangAs::Salon, 9, "D"), ids, kInches);
  ASSERT_TRUE(plan);
  ASSERT_TRUE(plan->fits);
  const StairWall s = flightOf(job, "D");
  for (const auto& [id, place] : plan->places) {
    const WallRect r = wallRectOf(pieceOf(plan->job, *findPlacement(scheme(plan->job), id)), place);
    for (const double u : {r.left, r.right}) EXPECT_GE(r.bottom, s.nosing(u) + kDenseOver - 1e-6) << id.value;
    EXPECT_GE(r.left, s.low - 1e-6);
    EXPECT_LE(r.right, s.high + 1e-6);
    EXPECT_LE(r.top, 6000 - kSeenAsOne + 1e-6);
  }
  EXPECT_TRUE(judged(plan->job, "art-centre").empty()) << "a wall that is filled has no centre height";
}

TEST(RailClear, IsAskedWhereTheRailIsOnTheWall) {
  for (const auto& [side, count] : {std::pair(std::optional(RailSide::Wall), 1U),
                                    {std::optional(RailSide::Open), 0U},
                                    {std::optional<RailSide>(), 0U}}) {
    Job job = hallWith({"D", true}, 190, 250, 6000, side);
    // Over the fourth tread: rail at its upper edge 190 + (1000 + 200) * 0.76 + 900 = 2002.
    Piece p = piece("a", "art", 400 / 25.4, 40 / 25.4, 500 / 25.4);
    job = withPiece(job, p).value();
    job = withPlacement(job, kScheme, {PlacementId("p"), p.id, WallPlace{CornerId("D"), 2000, 2380, std::nullopt}, {}});
    const auto found = judged(job, "rail-clear");
    ASSERT_EQ(found.size(), count);
    if (count == 0) continue;
    EXPECT_NEAR(found[0].measured, 2130 - 2002, 1e-6);
    EXPECT_EQ(found[0].verdict, Verdict::Holds);
  }
}

TEST(RailClear, IsNotAskedOfWhatIsThin) {
  Job job = hallWith({"D", true}, 190, 250, 6000, RailSide::Wall);
  job = hung(job, "a", "p", 16, 20, 2000 / 25.4, 1500 / 25.4, "D");  // 1 in deep
  EXPECT_TRUE(judged(job, "rail-clear").empty());
}

TEST(StairNails, CountFromTheTreadWithTheHighestFirst) {
  Job job = withFrames(hallWith({"D", true}, in(7.625), in(9.25)), 6, 16, 20, "D");
  for (int i = 0; i < 6; ++i) {
    Piece p = *findPiece(job, PieceId("a" + std::to_string(i)));
    p.hanger.edit().kind = HangerKind::Sawtooth;
    p.hanger.edit().drop = in(0.5);
    job = withPiece(job, p).value();
  }
  job = withSchool(job, "art-centre", "a");
  IdSource ids(100);
  const Job after = hangPlan(job, builtInRulebook(), kScheme, asking(HangAs::Stair, 6, "D"), ids, kInches)->job;
  NailAsk ask;
  ask.wall = CornerId("D");
  const NailPlan plan = nailPlan(after, *after.rooms.front(), scheme(after), builtInRulebook().fixings, ask, kInches);
  ASSERT_EQ(plan.nails.size(), 6U);
  for (std::size_t i = 0; i < 6; ++i) {
    // 58 1/2 to the centre, half of 20, less the drop.
    EXPECT_NEAR(plan.nails[i].aboveFloor, in(58.5 + 10 - 0.5), 1e-6) << i;
    if (i > 0) {
      EXPECT_LT(plan.nails[i].v, plan.nails[i - 1].v);
    }
  }
}

}  // namespace stair_hang_test
}  // namespace mezzet
