// What else than a slide or a turn is tried: left out, the other hand, back to the wall, another size; why moves are
// refused.
#include <gtest/gtest.h>

#include "core/decide/movers.h"
#include "core/edit/edits.h"
#include "io/json/rulebook_json.h"
#include "support/findings.h"
#include "support/rooms.h"

namespace mezzet {
namespace other_moves_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

std::vector<Finding> judged(const Job& job) { return check(job, builtInRulebook(), kScheme, kInches, kEveryDay); }
/// The candidate with an id that begins so, of one finding.
std::optional<MoveCandidate> candidate(const Job& job, const std::string& finding, const std::string& begins) {
  const auto findings = judged(job);
  const Finding* f = findingIn(findings, finding);
  if (f == nullptr) ADD_FAILURE() << "no finding " << finding;
  if (f == nullptr) return std::nullopt;
  for (MoveCandidate& c :
       moversOf(*f, job, builtInRulebook(), *findScheme(job, kScheme), kInches, kEveryDay, IdSource(50), nullptr))
    if (c.way.id.starts_with(begins)) return std::move(c);
  return std::nullopt;
}
Job inOnePlace() {
  const Job job = with(emptyRoom(), piece("books", "bookcase", 36, 12), "p1", 60, 75);
  return with(job, piece("pouf", "ottoman", 20, 20, 17), "p2", 60, 85);
}

TEST(OtherMoves, WhatMayBeLeftOutIsAWay) {
  EXPECT_FALSE(candidate(inOnePlace(), "overlap:p1,p2", "leave-out:"));
  const Job job = withOptional(inOnePlace(), kScheme, PlacementId("p2"), true);
  const auto left = candidate(job, "overlap:p1,p2", "leave-out:p2");
  ASSERT_TRUE(left);
  EXPECT_EQ(left->way.sentence, "Leave the pouf out");
  EXPECT_EQ(findPlacement(*findScheme(left->way.job, kScheme), PlacementId("p2")), nullptr);
}
TEST(OtherMoves, AnLWithItsReturnOnTheOtherSide) {
  Piece corner = piece("corner", "sofa", 100, 80, 34);
  corner.shape = Shape::L;
  corner.limbs.edit().longDepth = in(36);
  corner.limbs.edit().returnWidth = in(36);
  corner.limbs.edit().hand = Hand::Left;
  // Its return stands on the bookcase at its left front.
  Job job = with(emptyRoom(), corner, "p1", 111, 75);
  job = with(job, piece("books", "bookcase", 30, 12), "p2", 111 - 34, 45);
  const auto hand = candidate(job, "overlap:p1,p2", "hand:p1");
  ASSERT_TRUE(hand);
  EXPECT_EQ(hand->way.sentence, "Take the corner with its return on the right");
  const Piece& taken = pieceOf(hand->way.job, *findPlacement(*findScheme(hand->way.job, kScheme), PlacementId("p1")));
  EXPECT_EQ(taken.limbs->hand, Hand::Right);
  EXPECT_EQ(taken.variantOf, PieceId("corner"));
  EXPECT_EQ(findPiece(hand->way.job, PieceId("corner"))->limbs->hand, Hand::Left) << "other schemes keep theirs";
}
TEST(OtherMoves, BackToTheWallItHasItsBackTo) {
  // A sofa 10 in off wall C, a bookcase 2 in into its front.
  Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36, 34), "p1", 111, 150 - 10 - 18);
  job = with(job, piece("books", "bookcase", 36, 12), "p2", 111, 150 - 10 - 36 + 2 - 6);
  const auto back = candidate(job, "overlap:p1,p2", "to-wall:p1");
  ASSERT_TRUE(back);
  EXPECT_EQ(back->way.sentence, "Move the sofa back to wall C");
  EXPECT_NEAR(floorPlace(findPlacement(*findScheme(back->way.job, kScheme), PlacementId("p1"))->on).at.y, in(132),
              1e-6);
  EXPECT_NEAR(back->moved, in(10), 1e-6);
}
TEST(OtherMoves, TheLeastInchSmallerThatDoes) {
  // In the middle 2 in of either lie in one place: of a pouf that keeps its middle 4 in must go.
  const auto size = candidate(inOnePlace(), "overlap:p1,p2", "size:p2:depth:");
  ASSERT_TRUE(size);
  const Piece& taken = pieceOf(size->way.job, *findPlacement(*findScheme(size->way.job, kScheme), PlacementId("p2")));
  EXPECT_NEAR(*taken.depth / kInch, 8, 1e-6);  // from y 81, the bookcase's face, to 89
}
TEST(OtherMoves, WhatIsOwnedKeepsItsSize) {
  Job job = inOnePlace();
  for (const char* id : {"books", "pouf"}) {
    Piece p = *findPiece(job, PieceId(id));
    p.shop.edit().owned = true;
    job = withPiece(job, p).value();
  }
  EXPECT_FALSE(candidate(job, "overlap:p1,p2", "size:"));
}
TEST(OtherMoves, SayWhyTheNearestOthersAreNotOffered) {
  // A pouf half in a bookcase, another bookcase close behind it.
  Job job = with(inOnePlace(), piece("more", "bookcase", 36, 12), "p3", 60, 102);
  const auto findings = judged(job);
  const Finding* f = findingIn(findings, "overlap:p1,p2");
  ASSERT_NE(f, nullptr);
  std::vector<std::string> refused;
  const auto ways =
      waysOutOf(*f, findings, job, builtInRulebook(), kScheme, IdSource(50), kInches, kEveryDay, nullptr, &refused);
  EXPECT_FALSE(ways.empty());
  ASSERT_FALSE(refused.empty());
  EXPECT_LE(refused.size(), kMostRefused);
  EXPECT_NE(refused.front().find(": "), std::string::npos) << refused.front();
}

}  // namespace other_moves_test
}  // namespace mezzet
