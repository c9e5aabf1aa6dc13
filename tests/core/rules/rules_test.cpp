#include "core/decide/bands.h"
#include "core/rules/check.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace rules_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

std::vector<Finding> findings(const Job& job) { return check(job, builtInRulebook(), kScheme, kInches, kEveryDay); }
const Finding* finding(const std::vector<Finding>& all, const std::string& id) {
  for (const Finding& f : all)
    if (f.id == id) return &f;
  return nullptr;
}
Piece sofa() {
  Piece p = piece("sofa", "sofa", 84, 36, 34);
  p.seat.edit().height = in(18);
  p.seat.edit().arm = in(25);
  p.seat.edit().back = in(34);
  return p;
}
Job sitting(double reach) {
  return with(with(emptyRoom(), sofa(), "p1", 111, 19, 180), piece("table", "low-table", 52, 24, 17), "p2", 111,
              37 + reach + 12);
}

struct Reach {
  double inches;
  Verdict verdict;
  double margin;  // inches
};
class TableReach : public testing::TestWithParam<Reach> {};
TEST_P(TableReach, IsJudgedAtItsEnds) {
  const auto all = findings(sitting(GetParam().inches));
  const Finding* f = finding(all, "table-reach:p1,p2");
  ASSERT_NE(f, nullptr);
  EXPECT_EQ(f->verdict, GetParam().verdict);
  EXPECT_NEAR(f->margin, in(GetParam().margin), 1e-6);
}
INSTANTIATE_TEST_SUITE_P(Rules, TableReach,
                         testing::Values(Reach{16, Verdict::Holds, 2}, Reach{12, Verdict::Holds, 0},
                                         Reach{18, Verdict::Holds, 0}, Reach{18.0625, Verdict::Breaks, -0.0625},
                                         Reach{11.9375, Verdict::Breaks, -0.0625}, Reach{24, Verdict::Breaks, -6}));

TEST(TableReachRule, SpeaksInSentences) {
  const auto all = findings(sitting(24));
  EXPECT_EQ(finding(all, "table-reach:p1,p2")->sentence,
            "The table is 24 in from the front of the sofa, 6 in too far.");
}
TEST(TableReachRule, MeasuresFromTheCushionNotTheArm) {
  // A small round table beyond the arm: the cushion ends 6 in before the sofa's side.
  Job job = with(emptyRoom(), sofa(), "p1", 111, 19, 180);
  job = with(job, roundPiece("drum", "low-table", 18, 17), "p2", 111 + 42 + 9, 37 + 9);
  const auto all = findings(job);
  const double dx = 6 + 9, dy = 9;  // from the cushion's end to the table's centre
  EXPECT_NEAR(finding(all, "table-reach:p1,p2")->measured, in(std::sqrt(dx * dx + dy * dy) - 9), 1e-6);
}
TEST(TableReachRule, TakesTheNearestTableInFront) {
  Job job = with(sitting(16), piece("second", "low-table", 30, 20, 17), "p3", 111, 130);
  const auto all = findings(job);
  EXPECT_NE(finding(all, "table-reach:p1,p2"), nullptr);
  EXPECT_EQ(finding(all, "table-reach:p1,p3"), nullptr);
}
TEST(TableReachRule, ATableBehindASofaDoesNotServeIt) {
  Job job = with(emptyRoom(), sofa(), "p1", 111, 80, 180);
  job = with(job, piece("table", "low-table", 52, 24, 17), "p2", 111, 40);
  EXPECT_EQ(finding(findings(job), "table-reach:p1,p2"), nullptr);
}
TEST(TableReachRule, SchoolBAsksFifteenAndTellsTheRivalInGrey) {
  const Job job = withSchool(sitting(14), "table-reach", "b");
  const auto all = findings(job);
  const Finding* f = finding(all, "table-reach:p1,p2");
  EXPECT_EQ(f->verdict, Verdict::Breaks);
  EXPECT_EQ(f->rival, "Others ask 12 to 18 in.");
}
TEST(Rules, AJobsOwnRangeComesBeforeItsSchool) {
  Job job = withSchool(sitting(20), "table-reach", "b");
  job.houseRules.ranges["table-reach"] = {in(19), in(21)};
  const auto all = findings(job);
  EXPECT_EQ(finding(all, "table-reach:p1,p2")->verdict, Verdict::Holds);
  EXPECT_FALSE(finding(all, "table-reach:p1,p2")->school);
}
TEST(Rules, WithNoSchoolTheOverlapIsIdealAndTheSpanTolerated) {
  const Asked asked = askedOf(*findRule(builtInRulebook(), "table-reach"), emptyRoom());
  EXPECT_EQ(asked.ideal, (Range{in(15), in(18)}));
  EXPECT_EQ(asked.tolerated, (Range{in(12), in(18)}));
  const Asked gap = askedOf(*findRule(builtInRulebook(), "art-gap"), emptyRoom());
  EXPECT_EQ(gap.ideal, Range{});
  EXPECT_EQ(gap.tolerated, (Range{in(4), in(12)}));
}
TEST(Rules, ANewJobFollowsEyeHeightOnceStaturesAreKnown) {
  EXPECT_EQ(newHouseRules(builtInRulebook(), {}).schools.at("art-centre"), "a");
  Brief brief;
  brief.statures = {1680};
  EXPECT_EQ(newHouseRules(builtInRulebook(), brief).schools.at("art-centre"), "c");
  EXPECT_FALSE(newHouseRules(builtInRulebook(), {}).schools.contains("table-reach"));
}

TEST(ArtRules, HoldAtTheMiddleOfTheirRanges) {
  Job job = withSchool(withSchool(with(emptyRoom(), sofa(), "p1", 111, 19, 180), "art-centre", "a"), "art-gap", "a");
  job = hung(job, "print", "p2", 56, 40, 111, 59);
  const auto all = findings(job);
  EXPECT_EQ(finding(all, "art-centre:p2")->verdict, Verdict::Holds);
  EXPECT_EQ(finding(all, "art-gap:p1,p2")->verdict, Verdict::Holds);
  EXPECT_NEAR(finding(all, "art-gap:p1,p2")->measured, in(5), 1e-9);
}
TEST(ArtRules, AskForTheTopOfWhatStandsBelow) {
  Piece unmeasured = sofa();
  unmeasured.height.reset();
  unmeasured.seat.edit().back.reset();
  const Job job = hung(with(emptyRoom(), unmeasured, "p1", 111, 19, 180), "print", "p2", 56, 40, 111, 59);
  const auto all = findings(job);
  const Finding* f = finding(all, "art-gap:p1,p2");
  EXPECT_EQ(f->verdict, Verdict::NotMeasured);
  EXPECT_EQ(f->missing, std::vector<std::string>{"sofa.height"});
  EXPECT_EQ(f->sentence, "How high the sofa is has not been measured, so the gap under the frame is not known.");
}
TEST(ArtRules, WithoutViewersEyeHeightIsNotMeasured) {
  const Job job = withSchool(hung(emptyRoom(), "print", "p2", 56, 40, 111, 59), "art-centre", "c");
  EXPECT_EQ(findings(job).front().missing, std::vector<std::string>{"brief.viewers"});
}
TEST(ArtRules, EyeHeightFollowsTheMeanOfTheViewers) {
  Job job = withSchool(hung(emptyRoom(), "print", "p2", 56, 40, 111, 59), "art-centre", "c");
  job.brief.statures = {1600, 1800};
  const Asked asked = askedOf(*findRule(builtInRulebook(), "art-centre"), job);
  EXPECT_NEAR(*asked.tolerated.low, 1700 * 0.936 - 38.1, 1e-9);
}
TEST(ArtRules, JudgeAGroupByItsEnvelope) {
  Job job = hung(hung(emptyRoom(), "upper", "p1", 30, 20, 100, 70), "lower", "p2", 30, 20, 100, 48);
  for (const char* id : {"p1", "p2"}) {
    WallPlace place = wallPlace(findPlacement(scheme(job), PlacementId(id))->on);
    place.group = "g1";
    job = placed(job, kScheme, PlacementId(id), place);
  }
  const auto all = findings(withSchool(job, "art-centre", "a"));
  ASSERT_NE(finding(all, "art-centre:p1,p2"), nullptr);
  EXPECT_NEAR(finding(all, "art-centre:p1,p2")->measured, in(59), 1e-9);
}
TEST(ArtRules, AConsoleBelowHasAGapOfItsOwn) {
  const Job job = hung(with(emptyRoom(), piece("console", "console", 60, 14, 30), "p1", 111, 8, 180), "print", "p2", 56,
                       40, 111, 59);
  const auto all = findings(withSchool(job, "art-gap", "a"));
  ASSERT_NE(finding(all, "art-gap:p1,p2"), nullptr);
  EXPECT_NEAR(*finding(all, "art-gap:p1,p2")->asked.high, in(12), 1e-9);
}
TEST(ArtRules, ASofaAcrossTheRoomIsNotBelow) {
  const Job job = hung(with(emptyRoom(), sofa(), "p1", 111, 100, 180), "print", "p2", 56, 40, 111, 59);
  EXPECT_EQ(finding(findings(job), "art-gap:p1,p2"), nullptr);
}

TEST(Kept, AFindingStaysKeptUntilItGetsWorse) {
  Scheme kept = scheme(sitting(20));
  kept.kept = {{"table-reach:p1,p2", "the dog sleeps there", in(-2)}};
  EXPECT_EQ(finding(findings(withScheme(sitting(20), kept)), "table-reach:p1,p2")->verdict, Verdict::Kept);
  kept.placements[1].on = scheme(sitting(20.1)).placements[1].on;
  EXPECT_EQ(finding(findings(withScheme(sitting(20), kept)), "table-reach:p1,p2")->verdict, Verdict::Breaks);
}

TEST(Placing, TwoBodiesInOnePlaceBreak) {
  const auto all = findings(sitting(-3));
  const Finding* f = finding(all, "overlap:p1,p2");
  ASSERT_NE(f, nullptr);
  EXPECT_NEAR(f->margin, in(-3), 1e-6);
  EXPECT_EQ(f->sentence, "The sofa and the table are in one place, by 3 in.");
}
/// A table 36 in deep, its near edge at y = 60, and a chair 20 in deep pushed in under it.
Job tuckedIn(double under, const char* tableKind = "dining-table") {
  const Job job = with(emptyRoom(), piece("table", tableKind, 72, 36), "p1", 111, 78);
  return with(job, piece("chair", "chair", 18, 20, 34), "p2", 111, 50 + under, 180);
}
/// The same with arms so high.
Job tuckedWithArms(double under, double arms) {
  const Job job = tuckedIn(under);
  Piece chair = *findPiece(job, PieceId("chair"));
  chair.seat.edit().arm = in(arms);
  return withPiece(job, chair).value();
}
TEST(Placing, ADiningChairMayStandUnderItsTableUntilItsBackMeetsTheEdge) {
  EXPECT_EQ(finding(findings(tuckedIn(4)), "overlap:p1,p2"), nullptr);
  EXPECT_EQ(finding(findings(tuckedIn(16)), "overlap:p1,p2"), nullptr);  // 20 deep, its back 4
  EXPECT_NE(finding(findings(tuckedIn(16.5)), "overlap:p1,p2"), nullptr);
}
TEST(Placing, AChairWithArmsAsHighAsTheTopStandsFourInchesUnderIt) {
  EXPECT_EQ(finding(findings(tuckedWithArms(4, 30)), "overlap:p1,p2"), nullptr);
  EXPECT_NE(finding(findings(tuckedWithArms(4.5, 30)), "overlap:p1,p2"), nullptr);
  EXPECT_EQ(finding(findings(tuckedWithArms(12, 26)), "overlap:p1,p2"), nullptr) << "lower arms pass under it";
}
// Wall A is 222 in long, a door on it 20 to 52 in from its start corner, which stands at the right: u 170 to 202, 80 in
// high.
TEST(Placing, APictureAcrossADoorIsAnOverlap) {
  Opening door;
  door.id = OpeningId("d1");
  door.wall = CornerId("A");
  door.offset = in(20);
  door.width = in(32);
  door.height = in(80);
  const Job room = withOpening(emptyRoom(), RoomId("parlour"), door).value();
  EXPECT_NE(finding(findings(hung(room, "print", "p1", 40, 30, 160, 58)), "overlap:d1,p1"), nullptr);
  EXPECT_EQ(finding(findings(hung(room, "print", "p1", 40, 30, 150, 58)), "overlap:d1,p1"), nullptr);
}
TEST(Placing, NothingStandsUnderOtherTables) {
  EXPECT_NE(finding(findings(tuckedIn(3, "low-table")), "overlap:p1,p2"), nullptr);
}
TEST(Placing, TouchingIsNoOverlap) { EXPECT_EQ(finding(findings(sitting(0)), "overlap:p1,p2"), nullptr); }
TEST(Placing, ARugUnderATableIsNoOverlap) {
  EXPECT_EQ(finding(findings(with(sitting(16), piece("rug", "rug", 96, 60, 0.5), "p3", 111, 60)), "overlap:p2,p3"),
            nullptr);
}
TEST(Placing, OutsideTheRoomSaysByHowMuch) {
  const auto all = findings(with(emptyRoom(), piece("box", "bookcase", 20, 20), "p1", 5, 50));
  EXPECT_NEAR(finding(all, "outside-room:p1")->measured, in(5), 1e-6);
}
TEST(Placing, APieceBiggerThanTheRoomIsAFinding) {
  const auto all = findings(with(emptyRoom(100, 80), piece("slab", "bookcase", 200, 200), "p1", 50, 40));
  EXPECT_EQ(finding(all, "outside-room:p1")->verdict, Verdict::Breaks);
}
TEST(Placing, AJuttingCornerInAPieceIsOutside) {
  Job job = emptyRoom();
  Room ell = *job.rooms.front();
  ell.corners = corners({{0, 0}, {222, 0}, {222, 150}, {96, 150}, {96, 198}, {0, 198}});
  job = with(withRoom(job, ell).value(), piece("slab", "bookcase", 60, 60), "p1", 90, 145);
  EXPECT_GT(finding(findings(job), "outside-room:p1")->measured, in(5));
}
TEST(Placing, MoreThanThereAreIsAFinding) {
  Job job = sitting(16);
  job = withPlacement(job, kScheme, {PlacementId("p9"), PieceId("sofa"), FloorPlace{{in(111), in(130)}, 0}, {}});
  EXPECT_EQ(finding(findings(job), "piece-count:sofa")->sentence,
            "The sofa stands 2 times in this scheme; there is 1.");
}
TEST(Placing, APictureWiderThanItsWallIsAFinding) {
  EXPECT_NE(finding(findings(hung(emptyRoom(), "print", "p1", 250, 40, 111, 59)), "outside-room:p1"), nullptr);
}

TEST(Rules, FindingsDoNotDependOnWhatElseIsInTheJob) {
  Job job = sitting(16);
  const auto before = findings(job);
  job = withScheme(job, Scheme{SchemeId("s2"), RoomId("parlour"), "B", {}, {}, {}});
  EXPECT_EQ(findings(job).size(), before.size());
}
TEST(Rules, AnUnknownSchemeHasNoFindings) {
  EXPECT_TRUE(check(emptyRoom(), builtInRulebook(), SchemeId("none"), kInches, kEveryDay).empty());
}

TEST(Bands, LieBeforeTheSeatBetweenTheAskedReaches) {
  const Job job = sitting(16);
  const auto bands = bandsOf(job, builtInRulebook(), kScheme, PlacementId("p2"), kInches);
  ASSERT_EQ(bands.size(), 1u);
  double low = 1e9, high = -1e9;
  for (const Vec2 p : bands[0].zone) {
    low = std::min(low, p.y);
    high = std::max(high, p.y);
  }
  EXPECT_NEAR(low, in(37 + 12), 1e-6);
  EXPECT_NEAR(high, in(37 + 18), 1e-6);
}
TEST(Bands, OfASeatLieBeforeTheTable) {
  const auto bands = bandsOf(sitting(16), builtInRulebook(), kScheme, PlacementId("p1"), kInches);
  ASSERT_EQ(bands.size(), 1u);
  for (const Vec2 p : bands[0].zone) EXPECT_LE(p.y, in(37 + 16 - 12) + 1e-6);
}

}  // namespace rules_test
}  // namespace mezzet
