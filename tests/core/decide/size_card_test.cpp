// What size to buy. The worked case is of common practice with our defaults; every end is checked from outside.
#include "core/decide/size_card.h"
#include "core/decide/size_place.h"

#include <gtest/gtest.h>

#include "core/edit/edits.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace size_card_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");
const PlacementId kTable("p2");

/// A sofa 84 in wide, its front at y 39, seat 18 in; two chairs opposite, their fronts at y 100; a low table between.
Job between(double width = 52, double depth = 24, double height = 17) {
  Piece sofa = piece("sofa", "sofa", 84, 36, 33);
  sofa.seat.edit().height = in(18);
  Job job = with(emptyRoom(240, 180), sofa, "p1", 120, 21, 180);
  for (const auto& [id, at, x] : {std::tuple{"left", "p3", 100.0}, std::tuple{"right", "p4", 140.0}}) {
    Piece chair = piece(id, "armchair", 32, 34, 33);
    chair.seat.edit().height = in(18);
    job = with(job, chair, at, x, 117, 0);
  }
  return with(job, piece("table", "low-table", width, depth, height), "p2", 120, 69.5);
}
SizeCard card(const Job& job) {
  return sizeCardOf(job, builtInRulebook(), kScheme, kTable, kInches, kEveryDay).value();
}
void expectRange(const SizeRange& r, double idealLow, double idealHigh, double low, double high, double best) {
  EXPECT_NEAR(r.idealLow.value() / kInch, idealLow, 0.01);
  EXPECT_NEAR(r.idealHigh.value() / kInch, idealHigh, 0.01);
  EXPECT_NEAR(r.low.value().value / kInch, low, 0.01);
  EXPECT_NEAR(r.high.value().value / kInch, high, 0.01);
  EXPECT_NEAR(r.recommended / kInch, best, 0.01);
}

TEST(SizeCard, OfALowTableBetweenASofaAndChairs) {
  for (const Job& job : {between(), between(40, 30, 19)}) {
    const SizeCard c = card(job);
    EXPECT_TRUE(c.holds);
    expectRange(*c.depth, 25, 31, 25, 37, 28);
    expectRange(c.width, 50.4, 60.48, 42, 67.2, 55.44);
    expectRange(*c.height, 16, 18, 16, 20, 17);
    EXPECT_EQ(c.depth->low->rule, "table-reach");
    EXPECT_EQ(c.width.low->rule, "table-length");
    EXPECT_EQ(c.width.low->with, "p1");
    EXPECT_EQ(c.height->high->rule, "table-level");
  }
}
TEST(SizeCard, FollowsTheHousesSchool) {
  const SizeCard c = card(withSchool(between(), "table-reach", "b"));
  EXPECT_NEAR(c.depth->low->value / kInch, 25, 0.01);
  EXPECT_NEAR(c.depth->high->value / kInch, 31, 0.01);
}
TEST(SizeCard, HoldsAtEveryEndAndBreaksASixteenthBeyond) {
  const Job job = between();
  const SizeCard c = card(job);
  const auto breaks = [&](double width, double depth, double height) {
    Piece p = *findPiece(job, PieceId("table"));
    p.width = width;
    p.depth = depth;
    p.height = height;
    int n = 0;
    for (const Finding& f : check(withPiece(job, p).value(), builtInRulebook(), kScheme, kInches, kEveryDay))
      n += f.verdict == Verdict::Breaks && std::find(f.subjects.begin(), f.subjects.end(), "p2") != f.subjects.end();
    return n > 0;
  };
  const double w = c.width.recommended, d = c.depth->recommended, h = c.height->recommended, more = in(1.0 / 16);
  for (const double side : {-1.0, 1.0}) {
    const auto end = [&](const SizeRange& r) { return side < 0 ? r.low->value : r.high->value; };
    EXPECT_FALSE(breaks(end(c.width), d, h));
    EXPECT_TRUE(breaks(end(c.width) + side * more, d, h));
    EXPECT_FALSE(breaks(w, end(*c.depth), h));
    EXPECT_TRUE(breaks(w, end(*c.depth) + side * more, h));
    EXPECT_FALSE(breaks(w, d, end(*c.height)));
    EXPECT_TRUE(breaks(w, d, end(*c.height) + side * more));
  }
}
// With a side table at the sofa's arm a table that is too small would leave the sofa to that: it is no smaller table.
TEST(SizeCard, KeepsWhatThePieceIsThereFor) {
  const Job job = with(between(), roundPiece("drum", "side-table", 18, 24), "p8", 120 + 42 + 9, 20);
  const SizeCard c = card(job);
  EXPECT_NEAR(c.depth->low->value / kInch, 25, 0.01);
  EXPECT_NEAR(c.height->low->value / kInch, 16, 0.01);
}
TEST(SizeCard, SaysItInBothUnitsAndNamesWhatSetsEachEnd) {
  const Job job = between();
  const SchemeNames names(job, scheme(job));
  const auto lines = sizeCardWords(card(job), builtInRulebook(), names, *job.rooms.front());
  ASSERT_EQ(lines.size(), 3U);
  EXPECT_EQ(lines[1].find("Depth: best 28 in (711 mm), ideal 25 in (635 mm) to 31 in (787 mm); at least 25 in (635 mm) "
                          "by reach to the table, "),
            0U)
      << lines[1];
}
TEST(SizeCard, OfAPictureHasNoDepth) {
  const Job job = hung(between(), "print", "p9", 30, 20, 60, 58);
  const auto c = sizeCardOf(job, builtInRulebook(), kScheme, PlacementId("p9"), kInches, kEveryDay);
  ASSERT_TRUE(c);
  EXPECT_FALSE(c->depth);
  EXPECT_TRUE(c->height);
}
TEST(SizeCard, IsOfNothingThatAnotherCarries) {
  Job job = with(between(), piece("bowl", "lamp", 8, 8, 10), "p8", 0, 0);
  job = placed(job, kScheme, PlacementId("p8"), CarriedPlace{PlacementId("p1"), {0, 0}, 0});
  EXPECT_FALSE(sizeCardOf(job, builtInRulebook(), kScheme, PlacementId("p8"), kInches, kEveryDay));
}

// ---- places where nothing stands yet
TEST(SizePlace, ALowTableStandsHalfWayToWhatFacesItsSofa) {
  // The worked sofa and chairs, without their table.
  const Job whole = between();
  PlacementId table;
  for (const Placement& p : whole.schemes[0]->placements)
    if (pieceOf(whole, p).kind == "low-table") table = p.id;
  ASSERT_FALSE(table.empty());
  PlacementId sofa;
  for (const Placement& p : whole.schemes[0]->placements)
    if (pieceOf(whole, p).kind == "sofa") sofa = p.id;
  const Job empty = withoutPlacement(whole, kScheme, table);
  IdSource ids(90);
  const auto added = placedFor(empty, builtInRulebook(), kScheme, "low-table", sofa, kInches, kEveryDay, ids);
  ASSERT_TRUE(added);
  const auto asked = sizeCardOf(added->job, builtInRulebook(), kScheme, added->placement, kInches, kEveryDay);
  ASSERT_TRUE(asked && asked->depth && asked->height);
  EXPECT_NEAR(*asked->depth->idealLow / kInch, 25, 0.01);
  EXPECT_NEAR(*asked->depth->idealHigh / kInch, 31, 0.01);
  EXPECT_NEAR(asked->depth->high->value / kInch, 37, 0.01);
  EXPECT_NEAR(asked->width.recommended / kInch, 55.44, 0.01);
}
TEST(SizePlace, APictureHangsOverTheMiddleOfWhatItIsFor) {
  const Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36, 34), "p1", 111, 19, 180);
  IdSource ids(90);
  const auto added = placedFor(job, builtInRulebook(), kScheme, "art", PlacementId("p1"), kInches, kEveryDay, ids);
  ASSERT_TRUE(added);
  const auto* place = onWall(findPlacement(*findScheme(added->job, kScheme), added->placement)->on);
  ASSERT_NE(place, nullptr);
  EXPECT_EQ(place->wall.value, "A");
  EXPECT_NEAR(place->u / kInch, 111, 1e-6);
}
TEST(SizePlace, RefusesWhatIsNoKindAndWhatIsNotThere) {
  IdSource ids(90);
  EXPECT_EQ(placedFor(between(), builtInRulebook(), kScheme, "throne", {}, kInches, kEveryDay, ids).error().where,
            "throne");
  EXPECT_EQ(placedFor(between(), builtInRulebook(), kScheme, "rug", PlacementId("p77"), kInches, kEveryDay, ids)
                .error()
                .where,
            "p77");
}

}  // namespace size_card_test
}  // namespace mezzet
