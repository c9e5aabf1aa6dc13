// The largest tables a place bears, in rooms where the clearances can be worked out by hand; tables nobody sits at yet.
#include "core/decide/dining_sizes.h"

#include <gtest/gtest.h>

#include "core/edit/edits.h"
#include "io/json/rulebook_json.h"
#include "support/findings.h"
#include "support/rooms.h"

namespace mezzet {
namespace dining_sizes_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

/// A table in the middle of a room without doors, so that no way asks for room.
Job roomFor(double width, double depth) {
  const Job job = with(withSchool(emptyRoom(width, depth), "dining-wall", "a"), piece("table", "dining-table", 60, 36),
                       "p1", width / 2, depth / 2);
  return with(job, piece("chair", "chair", 18, 20, 34), "p2", width / 2, depth / 2 + 18 + 8);
}
std::vector<DiningSize> sizesIn(const Job& job) {
  return diningSizes(job, builtInRulebook(), kScheme, PlacementId("p1"), kInches, kEveryDay);
}
const DiningSize* of(const std::vector<DiningSize>& all, Shape shape) {
  for (const DiningSize& size : all)
    if (size.shape == shape) return &size;
  return nullptr;
}

TEST(DiningSizes, LeaveThirtySixInchesBehindEveryDiner) {
  const auto all = sizesIn(roomFor(180, 130));
  const DiningSize* rect = of(all, Shape::Rect);
  ASSERT_NE(rect, nullptr);
  EXPECT_NEAR(rect->width / kInch, 180 - 2 * 36, 1e-6);
  EXPECT_NEAR(rect->depth / kInch, 40, 1e-6);
  EXPECT_EQ(rect->seats, 10);  // four along either side, one at either end
  const DiningSize* round = of(all, Shape::Round);
  ASSERT_NE(round, nullptr);
  EXPECT_NEAR(round->width / kInch, 130 - 2 * 36, 1e-6);
}
TEST(DiningSizes, OneInchMoreBreaksAClearance) {
  for (const DiningSize& size : sizesIn(roomFor(180, 130))) {
    if (size.shape != Shape::Rect) continue;
    const auto larger = sizesIn(roomFor(180 - 1, 130));
    EXPECT_NEAR(of(larger, Shape::Rect)->width, size.width - in(1), 1e-6);
  }
}
TEST(DiningSizes, SayWhatIsLeftForAServingPiece) {
  const auto words = diningSizeWords(sizesIn(roomFor(180, 130)), kInches);
  ASSERT_EQ(words.size(), 3U);
  EXPECT_EQ(words[0].find("Largest rectangle 108 in x 40 in with every clearance, for 10; left for a serving piece: "),
            0U)
      << words[0];
}
TEST(DiningSizes, OfARoomTooSmallAreNone) { EXPECT_TRUE(sizesIn(roomFor(96, 96)).empty()); }
TEST(DiningSizes, AreOfDiningTablesOnly) {
  const Job job = with(emptyRoom(), piece("low", "low-table", 48, 24), "p1", 100, 70);
  EXPECT_TRUE(sizesIn(job).empty());
}

// ---- before there are chairs
const Finding bare(double roomDepth) {
  const Job job = with(withSchool(emptyRoom(222, roomDepth), "dining-wall", "a"),
                       piece("table", "dining-table", 72, 40), "p1", 111, roomDepth / 2);
  const auto findings = check(job, builtInRulebook(), kScheme, kInches, kEveryDay);
  const Finding* f = findingIn(findings, "dining-wall:p1");
  EXPECT_NE(f, nullptr);
  return f != nullptr ? *f : Finding{};
}
TEST(BareTable, IsJudgedWhereItsChairsWouldSit) {
  EXPECT_EQ(bare(40 + 2 * 36).verdict, Verdict::Holds);
  EXPECT_NEAR(bare(40 + 2 * 36).measured, in(36), 0.01);
  EXPECT_EQ(bare(40 + 2 * 35).verdict, Verdict::Breaks);
}
TEST(BareTable, IsNotAskedOnceAChairStandsThere) {
  Job job = with(emptyRoom(), piece("table", "dining-table", 72, 40), "p1", 111, 75);
  job = with(job, piece("chair", "chair", 18, 20, 34), "p2", 111, 75 + 28);
  EXPECT_EQ(findingIn(check(job, builtInRulebook(), kScheme, kInches, kEveryDay), "dining-wall:p1"), nullptr);
}

}  // namespace dining_sizes_test
}  // namespace mezzet
