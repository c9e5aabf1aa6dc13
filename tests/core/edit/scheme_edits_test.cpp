#include "core/edit/edits.h"
#include "core/rules/check.h"
#include "io/json/rulebook_json.h"
#include "support/findings.h"
#include "support/rooms.h"

namespace mezzet {
namespace scheme_edits_test {
using namespace test;

const SchemeId kScheme("s1");
Job one() { return with(emptyRoom(), piece("sofa", "sofa", 84, 36), "p1", 111, 19); }

TEST(WithLock, LocksOnePlacement) {
  EXPECT_TRUE(scheme(withLock(one(), kScheme, PlacementId("p1"), true)).placements[0].locked);
  EXPECT_EQ(withLock(withLock(one(), kScheme, PlacementId("p1"), true), kScheme, PlacementId("p1"), false), one());
}
TEST(WithLock, OfAnUnknownPlacementChangesNothing) {
  EXPECT_EQ(withLock(one(), kScheme, PlacementId("p9"), true), one());
}

TEST(WithKept, HoldsOneEntryForAFinding) {
  Job job = withKept(one(), kScheme, {"served-seats:p1", "a bench by the door", -1, "2026-01-02"});
  job = withKept(job, kScheme, {"served-seats:p1", "said better", -1, "2026-01-03"});
  ASSERT_EQ(scheme(job).kept.size(), 1u);
  EXPECT_EQ(scheme(job).kept[0].reason, "said better");
}
TEST(WithKept, TakesAFindingOutOfWhatBreaks) {
  const Job job = withKept(one(), kScheme, {"served-seats:p1", "a bench by the door", -1, {}});
  EXPECT_EQ(verdictIn(check(job, builtInRulebook(), kScheme, {}, kEveryDay), "served-seats:p1"), Verdict::Kept);
}
TEST(WithoutKept, JudgesItAgain) {
  EXPECT_EQ(withoutKept(withKept(one(), kScheme, {"a:b", "c", 0, {}}), kScheme, "a:b"), one());
}

TEST(WithLogEntry, KeepsTheOrder) {
  Job job = withLogEntry(one(), kScheme, {LogKind::Candidate, "2026-01-01", "a round table"});
  job = withLogEntry(job, kScheme, {LogKind::Rejection, "2026-01-02", "too wide"});
  ASSERT_EQ(scheme(job).log.size(), 2u);
  EXPECT_EQ(scheme(job).log[1].text, "too wide");
}

TEST(WithRange, GoesBeforeTheSchool) {
  const Job job = withRange(withSchool(one(), "table-reach", "b"), "table-reach", Range{in(10), in(20)});
  const Asked asked = askedOf(*findRule(builtInRulebook(), "table-reach"), job);
  EXPECT_EQ(asked.tolerated, (Range{in(10), in(20)}));
  EXPECT_FALSE(asked.school);
}
TEST(WithSchool, GivesUpARangeOfOnesOwn) {
  const Job job = withSchool(withRange(one(), "table-reach", Range{in(10), in(20)}), "table-reach", "b");
  EXPECT_EQ(askedOf(*findRule(builtInRulebook(), "table-reach"), job).school, "b");
}

TEST(WithoutPiece, KeepsOneThatIsPlaced) { EXPECT_EQ(withoutPiece(one(), PieceId("sofa")), one()); }
TEST(WithoutPiece, TakesOneThatIsNot) {
  const Job more = withPiece(one(), piece("lamp", "lamp", 14, 14)).value();
  EXPECT_EQ(withoutPiece(more, PieceId("lamp")), one());
}
TEST(WithoutScheme, KeepsARoomsLast) { EXPECT_EQ(withoutScheme(one(), kScheme), one()); }
TEST(WithSchemeCopied, GivesEveryPlacementAnIdOfItsOwn) {
  IdSource ids(10);
  SchemeId copy;
  const Job job = withSchemeCopied(one(), kScheme, "B", ids, copy);
  ASSERT_EQ(job.schemes.size(), 2u);
  EXPECT_NE(findScheme(job, copy)->placements[0].id, PlacementId("p1"));
  EXPECT_EQ(findScheme(job, copy)->placements[0].on, scheme(job).placements[0].on);
  EXPECT_EQ(withoutScheme(job, copy), one());
}
TEST(WithSchemeCopied, CarriesWhatStandsOnSomething) {
  Job job = withPiece(one(), piece("lamp", "lamp", 8, 8)).value();
  job =
      withPlacement(job, kScheme, {PlacementId("p2"), PieceId("lamp"), CarriedPlace{PlacementId("p1"), {0, 0}, 0}, {}});
  IdSource ids(10);
  SchemeId copy;
  const Job both = withSchemeCopied(job, kScheme, "B", ids, copy);
  const Scheme& fresh = *findScheme(both, copy);
  EXPECT_EQ(onAnother(fresh.placements[1].on)->carrier, fresh.placements[0].id);
}

}  // namespace scheme_edits_test
}  // namespace mezzet
