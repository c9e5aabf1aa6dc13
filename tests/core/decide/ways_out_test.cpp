#include "core/decide/ways_out.h"

#include "core/decide/adding.h"
#include "core/rules/art/art_case.h"
#include "io/json/rulebook_json.h"
#include "support/findings.h"
#include "support/rooms.h"

namespace mezzet {
namespace ways_out_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

/// A 56 x 24 in picture over a back 34 in high: the house's two rules cannot both hold. A side table serves the sofa.
Job conflict(double centre = 57) {
  Piece sofa = piece("sofa", "sofa", 84, 36, 34);
  sofa.seat.edit().back = in(34);
  Job job = with(emptyRoom(), sofa, "p1", 111, 19, 180);
  job = with(job, roundPiece("drum", "side-table", 18, 22), "p9", 164, 20);
  job = withSchool(withSchool(job, "art-centre", "a"), "art-gap", "a");
  return hung(job, "print", "p2", 56, 24, 111, centre);
}
struct Decided {
  std::vector<Finding> findings;
  std::vector<Decision> decisions;
  std::vector<WayOut> ways;
};
Decided decide(const Job& job) {
  Decided d;
  d.findings = check(job, builtInRulebook(), kScheme, kInches, kEveryDay);
  d.decisions = decisionsOf(d.findings, job, builtInRulebook(), kScheme, kInches);
  if (!d.decisions.empty())
    d.ways =
        waysOutOf(d.decisions.front(), d.findings, job, builtInRulebook(), kScheme, IdSource(100), kInches, kEveryDay);
  return d;
}
const WayOut* way(const Decided& d, const std::string& id) {
  for (const WayOut& w : d.ways)
    if (w.id == id) return &w;
  return nullptr;
}
int broken(const Job& job) {
  int count = 0;
  for (const Finding& f : check(job, builtInRulebook(), kScheme, kInches, kEveryDay)) count += breaksByWeight(f);
  return count;
}

TEST(WaysOut, OfAConflictSayHowFarApartTheBandsAre) {
  const Decided d = decide(conflict());
  ASSERT_EQ(d.decisions.size(), 1u);
  EXPECT_EQ(d.decisions[0].conflict,
            "Two of this house's rules cannot both hold for a frame 24 in high over a top of 34 in: their bands for "
            "its centre are 5 in apart.");
}
TEST(WaysOut, TheOtherSchoolsGapMakesBothHold) {
  const Decided d = decide(conflict());
  const WayOut* w = way(d, "other-gap:b");
  ASSERT_NE(w, nullptr);
  EXPECT_EQ(w->gives, "centre 57 1/2 in, gap 11 1/2 in: both hold");
  EXPECT_EQ(broken(w->job), 0);
}
TEST(WaysOut, ASecondPictureUnderItMakesAGroupThatHolds) {
  const Decided d = decide(conflict());
  const WayOut* w = way(d, "second-piece");
  ASSERT_NE(w, nullptr);
  EXPECT_EQ(broken(w->job), 0);
  EXPECT_EQ(scheme(w->job).placements.size(), scheme(conflict()).placements.size() + 1);
  EXPECT_EQ(hungIn(w->job, scheme(w->job)).size(), 1u);
  EXPECT_GT(w->nextId, 100);
}
TEST(WaysOut, AnotherFrameIsAVariantOfThePicture) {
  const Decided d = decide(conflict());
  const WayOut* w = way(d, "other-frame");
  ASSERT_NE(w, nullptr);
  EXPECT_EQ(broken(w->job), 0);
  EXPECT_EQ(w->job.pieces.back()->variantOf, PieceId("print"));
  EXPECT_EQ(findPiece(w->job, PieceId("print"))->height, in(24));
}
TEST(WaysOut, TheEvenSplitLeavesEachOutByHalf) {
  const Decided d = decide(conflict());
  const WayOut* w = way(d, "even-split");
  ASSERT_NE(w, nullptr);
  EXPECT_EQ(w->gives, "centre 54 1/2 in, gap 8 1/2 in: each is out by 2 1/2 in");
}
TEST(WaysOut, TheEvenSplitIsNotOfferedWhereItHangsAlready) {
  EXPECT_EQ(way(decide(conflict(54.5)), "even-split"), nullptr);
}
TEST(WaysOut, AreReCheckedAgainstEveryRule) {
  for (const WayOut& w : decide(conflict()).ways) {
    if (w.id != "even-split") {
      EXPECT_EQ(broken(w.job), 0) << w.sentence;
    }
  }
}
TEST(WaysOut, AFrameThatFitsIsSimplyHung) {
  Job job = conflict();
  Piece taller = *findPiece(job, PieceId("print"));
  taller.height = in(40);
  const Decided d = decide(withPiece(job, taller).value());
  ASSERT_EQ(d.ways.size(), 1u);
  EXPECT_EQ(d.ways[0].sentence, "Hang it with its centre at 59 in");
}

Job farTable(double reach) {
  Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36), "p1", 111, 19, 180);
  return with(job, piece("table", "low-table", 52, 24), "p2", 111, 37 + reach + 12);
}
TEST(WaysOut, ATableTooFarIsBroughtNearer) {
  const Decided d = decide(farTable(24));
  ASSERT_NE(way(d, "move-table:p2"), nullptr);
  EXPECT_EQ(way(d, "move-table:p2")->sentence, "Move the table nearer the sofa by 6 in");
  EXPECT_EQ(broken(way(d, "move-table:p2")->job), 0);
}
TEST(WaysOut, AMoveThatWouldBreakAnotherRuleIsNotOffered) {
  // The sofa cannot come nearer: a bookcase stands between.
  const Job job = with(farTable(24), piece("books", "bookcase", 84, 4), "p3", 111, 42);
  const Decided d = decide(job);
  EXPECT_EQ(way(d, "move-seat:p1"), nullptr);
}
TEST(WaysOut, AnotherSchoolIsOfferedWhereItHolds) {
  const Decided d = decide(withSchool(farTable(14), "table-reach", "b"));
  ASSERT_NE(way(d, "school:a"), nullptr);
  EXPECT_EQ(broken(way(d, "school:a")->job), 0);
}
TEST(WaysOut, OfWhatHoldsAreNone) { EXPECT_TRUE(decide(farTable(16)).decisions.empty()); }
TEST(WaysOut, APieceThroughTheWallIsBroughtInside) {
  const Decided d = decide(with(emptyRoom(), piece("books", "bookcase", 36, 12), "p1", 10, 75));
  ASSERT_FALSE(d.ways.empty());
  EXPECT_EQ(d.ways[0].sentence, "Move the books to the right by 8 in");
  for (const WayOut& w : d.ways) {
    EXPECT_EQ(broken(w.job), 0) << w.sentence;
    EXPECT_FALSE(w.id.starts_with("slide:p1:45:")) << "no choice of its own beside the straight one";
  }
}
TEST(WaysOut, TwoInOnePlaceArePartedTheShortWay) {
  Job job = with(emptyRoom(), piece("books", "bookcase", 36, 12), "p1", 60, 75);
  job = with(job, piece("hall", "console", 40, 24), "p2", 60, 90);
  const Decided d = decide(job);
  ASSERT_FALSE(d.ways.empty());
  EXPECT_EQ(broken(d.ways[0].job), 0);
}

TEST(Gap, OfAFindingCanBeTyped) {
  const Job job = farTable(24);
  const auto findings = check(job, builtInRulebook(), kScheme, kInches, kEveryDay);
  for (const char* mover : {"p1", "p2"}) {
    const auto there = placeForGap(job, scheme(job), findings.front(), PlacementId(mover), in(15));
    ASSERT_TRUE(there);
    const auto after =
        check(placed(job, kScheme, PlacementId(mover), *there), builtInRulebook(), kScheme, kInches, kEveryDay);
    EXPECT_NEAR(after.front().measured, in(15), 1e-6) << mover;
  }
}

TEST(Adding, AFloorPieceStandsWhereItIsFree) {
  IdSource ids(50);
  const auto added =
      withNewPiece(farTable(16), builtInRulebook(), kScheme, CornerId("A"), piece("x", "bookcase", 36, 12), ids);
  ASSERT_TRUE(added.ok());
  EXPECT_EQ(broken(added->job), 0);
  EXPECT_EQ(ids.next(), 52);
}
TEST(Adding, APictureHangsOverTheSofaAtItsHeight) {
  IdSource ids(50);
  const Job job = withSchool(withSchool(farTable(16), "art-centre", "a"), "art-gap", "a");
  Job tall = job;
  Piece sofa = *findPiece(job, PieceId("sofa"));
  sofa.seat.edit().back = in(34);
  tall = withPiece(job, sofa).value();
  const auto added = withNewPiece(tall, builtInRulebook(), kScheme, CornerId("A"), piece("x", "art", 56, 1, 40), ids);
  ASSERT_TRUE(added.ok());
  EXPECT_EQ(broken(added->job), 0);
  const auto& place = wallPlace(findPlacement(scheme(added->job), added->placement)->on);
  EXPECT_NEAR(place.u, in(111), 1e-6);
  EXPECT_NEAR(place.v, in(59), 1e-6);
}
TEST(Adding, AFloorPieceWithoutADepthIsRefused) {
  IdSource ids(50);
  Piece p = piece("x", "bookcase", 36, 12);
  p.depth.reset();
  EXPECT_FALSE(withNewPiece(emptyRoom(), builtInRulebook(), kScheme, CornerId("A"), p, ids).ok());
}

TEST(WaysOut, AreLookedForOnlyAsOftenAsMayBeTried) {
  const Job job = with(with(emptyRoom(), piece("sofa", "sofa", 84, 36), "p1", 100, 60),
                       piece("table", "low-table", 48, 24, 16), "p2", 100, 24);
  const auto findings = check(job, builtInRulebook(), kScheme, kInches, kEveryDay);
  const auto decisions = decisionsOf(findings, job, builtInRulebook(), kScheme, kInches);
  ASSERT_FALSE(decisions.empty());
  const auto all =
      waysOutOf(decisions.front(), findings, job, builtInRulebook(), kScheme, IdSource(100), kInches, kEveryDay);
  ASSERT_FALSE(all.empty());
  Tries none{0, {}}, enough{1'000'000, {}};
  EXPECT_TRUE(waysOutOf(decisions.front(), findings, job, builtInRulebook(), kScheme, IdSource(100), kInches, {}, &none)
                  .empty());
  EXPECT_EQ(waysOutOf(decisions.front(), findings, job, builtInRulebook(), kScheme, IdSource(100), kInches, {}, &enough)
                .size(),
            all.size());
  EXPECT_LT(enough.left, 1'000'000);
  std::stop_source stop;
  stop.request_stop();
  Tries stopped{1'000'000, stop.get_token()};
  EXPECT_TRUE(
      waysOutOf(decisions.front(), findings, job, builtInRulebook(), kScheme, IdSource(100), kInches, {}, &stopped)
          .empty());
}

// ---- every way out, in every state of use, is what it says
class WaysOutIn : public testing::TestWithParam<UseState> {};

/// Rooms with something to decide: a fight of two rules, a seat without a table, a table out of reach, chairs that
/// cannot be drawn out, things in one place.
std::vector<Job> undecided() {
  std::vector<Job> out{conflict()};
  const Piece sofa = piece("sofa", "sofa", 84, 36);
  out.push_back(with(emptyRoom(), sofa, "p1", 111, 19, 180));
  out.push_back(
      with(with(emptyRoom(), sofa, "p1", 111, 19, 180), piece("low", "low-table", 48, 24, 17), "p2", 111, 76));
  Piece table = piece("table", "dining-table", 72, 36, 30);
  table.use.edit().extendsBy = in(24);
  Job dining = with(emptyRoom(), table, "p1", 111, 100);
  dining = with(dining, piece("chair", "chair", 18, 20, 34), "p2", 111, 124, 0);
  out.push_back(with(dining, piece("case", "bookcase", 36, 12, 72), "p3", 111, 143));
  out.push_back(
      with(with(emptyRoom(), sofa, "p1", 111, 19, 180), piece("case", "bookcase", 36, 12, 72), "p2", 140, 30));
  return out;
}

TEST_P(WaysOutIn, ThisStateCureWhatTheyAreForAndHarmNothing) {
  const CheckWith with{GetParam(), nullptr};
  int cured = 0;
  for (const Job& job : undecided()) {
    const auto before = check(job, builtInRulebook(), kScheme, kInches, with);
    for (const Decision& d : decisionsOf(before, job, builtInRulebook(), kScheme, kInches))
      for (const std::size_t i : d.findings)
        for (const WayOut& w :
             waysOutOf(before[i], before, job, builtInRulebook(), kScheme, IdSource(100), kInches, with)) {
          const auto after = check(w.job, builtInRulebook(), kScheme, kInches, with);
          const bool compromise = w.id == "even-split";
          for (const Finding& f : after) {
            if (!breaksByWeight(f) || compromise) continue;
            EXPECT_NE(f.id, before[i].id) << w.sentence;
            const Finding* then = findingIn(before, f.id);
            EXPECT_TRUE(then != nullptr && breaksByWeight(*then)) << w.sentence << " breaks " << f.sentence;
          }
          ++cured;
        }
  }
  EXPECT_GT(cured, 5);
}
INSTANTIATE_TEST_SUITE_P(Each, WaysOutIn, testing::Values(UseState::Everyday, UseState::Occupied, UseState::Party));

}  // namespace ways_out_test
}  // namespace mezzet
