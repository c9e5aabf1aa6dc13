// Rugs where people walk: each rule holding, at its edge and breaking, in a room with a straight way from door to door.
#include <gtest/gtest.h>

#include "core/rules/check.h"
#include "core/decide/ways_out.h"
#include "io/json/rulebook_json.h"
#include "support/findings.h"
#include "support/rooms.h"

namespace mezzet {
namespace rug_rules_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");
const RoomId kParlour("parlour");

Opening door(const char* id, const char* wall, double offset) {
  Opening o;
  o.id = OpeningId(id);
  o.wall = CornerId(wall);
  o.offset = in(offset);
  o.width = in(32);
  o.height = in(80);
  o.kind = OpeningKind::Sliding;  // its whole width is walked: the way runs through its middle
  return o;
}
/// The way runs up x = 106 from d1 in wall A to d2 in wall C.
Job throughRoom() {
  Job job = withOpening(emptyRoom(222, 150), kParlour, door("d1", "A", 90)).value();
  return withOpening(job, kParlour, door("d2", "C", 100)).value();
}
Piece rug(double width, double depth, double thick = 0.25) { return piece("rug", "rug", width, depth, thick); }
std::vector<Finding> judged(const Job& job) {
  const RouteFacts routes = routeFactsOf(job, kScheme, UseState::Everyday);
  return check(job, builtInRulebook(), kScheme, kInches, {UseState::Everyday, &routes});
}
Job changed(const Job& job, void (*change)(Piece&)) {
  Piece p = *findPiece(job, PieceId("rug"));
  change(p);
  return withPiece(job, p).value();
}

// ---- corners
/// A rug 60 x 40 whose left corners lie `off` to the right of the way, near the door below.
Job cornerAt(double off) { return with(throughRoom(), rug(60, 40), "p1", 106 + off + 30, 40); }
TEST(RugCorner, KeepsEightInchesOffTheWay) {
  const auto findings = judged(cornerAt(8));
  const Finding* f = findingIn(findings, "rug-corner:d2,p1");
  ASSERT_NE(f, nullptr);
  EXPECT_EQ(f->verdict, Verdict::Holds);
  EXPECT_NEAR(f->measured, in(8), 0.01);
}
TEST(RugCorner, BreaksASixteenthNearer) {
  EXPECT_EQ(verdictIn(judged(cornerAt(8 - 1.0 / 16)), "rug-corner:d2,p1"), Verdict::Breaks);
}
TEST(RugCorner, IsNotAskedFarFromTheDoors) {
  const Job job = with(throughRoom(), rug(60, 20), "p1", 106 + 2 + 30, 75);  // 65 in from either wall
  EXPECT_EQ(findingIn(judged(job), "rug-corner:d2,p1"), nullptr);
}
TEST(RugCorner, IsNotAskedOfATapedRug) {
  const Job job = withTaped(cornerAt(2), kScheme, PlacementId("p1"), true);
  EXPECT_EQ(findingIn(judged(job), "rug-corner:d2,p1"), nullptr);
}
TEST(RugCorner, WaitsForTheWayToBeDrawn) {
  const auto findings = check(cornerAt(2), builtInRulebook(), kScheme, kInches, kEveryDay);
  const Finding* f = findingIn(findings, "rug-corner:d2,p1");
  ASSERT_NE(f, nullptr);
  EXPECT_EQ(f->missing, std::vector<std::string>{"route"});
}
TEST(RugCorner, IsCuredByMovingTheRugOrTapingIt) {
  const Job job = cornerAt(3);
  const auto findings = judged(job);
  const RouteFacts routes = routeFactsOf(job, kScheme, UseState::Everyday);
  std::vector<std::string> ways;
  for (const WayOut& way : waysOutOf(*findingIn(findings, "rug-corner:d2,p1"), findings, job, builtInRulebook(),
                                     kScheme, IdSource(20), kInches, {UseState::Everyday, &routes})) {
    ways.push_back(way.id);
    const auto after = judged(way.job);
    const Finding* f = findingIn(after, "rug-corner:d2,p1");
    EXPECT_TRUE(f == nullptr || f->verdict == Verdict::Holds) << way.id;
  }
  EXPECT_GE(ways.size(), 2U);
  EXPECT_NE(std::find(ways.begin(), ways.end(), "tape:p1"), ways.end());
}

// ---- edges
TEST(RugEdge, IsCrossedSquarely) {
  const Job job = with(throughRoom(), rug(120, 90), "p1", 106, 75);
  const auto findings = judged(job);
  const Finding* f = findingIn(findings, "rug-edge:d2,p1");
  ASSERT_NE(f, nullptr);
  EXPECT_NEAR(f->measured, 90, 1e-6);
  EXPECT_EQ(f->verdict, Verdict::Holds);
  EXPECT_EQ(f->marginMm, std::nullopt);
}
TEST(RugEdge, IsWalkedAlongBelowThirtyDegrees) {
  const Job job = with(throughRoom(), rug(60, 90), "p1", 106, 50, 25);
  const auto findings = judged(job);
  const Finding* f = findingIn(findings, "rug-edge:d2,p1");
  ASSERT_NE(f, nullptr);
  EXPECT_NEAR(f->measured, 65, 1e-6) << "the way enters over a short side";
  const Job along = with(throughRoom(), rug(60, 90), "p1", 106 + 22, 50, 25);
  const auto breaks = judged(along);
  const Finding* g = findingIn(breaks, "rug-edge:d2,p1");
  ASSERT_NE(g, nullptr);
  EXPECT_NEAR(g->measured, 25, 1e-6);
  EXPECT_EQ(g->verdict, Verdict::Breaks);
}
TEST(RugEdge, OfARoundRugIsItsTangent) {
  Piece round = roundPiece("rug", "rug", 96, 0.25);
  const auto findings = judged(with(throughRoom(), round, "p1", 106 + 24, 60));
  const Finding* f = findingIn(findings, "rug-edge:d2,p1");
  ASSERT_NE(f, nullptr);
  // The line passes the middle at half the radius: 30 degrees off the radius, 60 to the tangent.
  EXPECT_NEAR(f->measured, 60, 0.01);
}

// ---- piles
TEST(RugPile, OnAWayIsAtMostHalfAnInch) {
  const Job job = with(throughRoom(), rug(120, 60, 1), "p1", 106, 75);
  EXPECT_EQ(verdictIn(judged(changed(job, [](Piece& p) { p.rug.edit().pile = in(0.5); })), "rug-pile:p1"),
            Verdict::Holds);
  EXPECT_EQ(verdictIn(judged(changed(job, [](Piece& p) { p.rug.edit().pile = in(0.5625); })), "rug-pile:p1"),
            Verdict::Breaks);
}
TEST(RugPile, IsKnownToHoldOfARugThatIsThinAltogether) {
  EXPECT_EQ(verdictIn(judged(with(throughRoom(), rug(120, 60, 0.25), "p1", 106, 75)), "rug-pile:p1"), Verdict::Holds);
  const auto findings = judged(with(throughRoom(), rug(120, 60, 1), "p1", 106, 75));
  const Finding* f = findingIn(findings, "rug-pile:p1");
  ASSERT_NE(f, nullptr);
  EXPECT_EQ(f->missing, std::vector<std::string>{"rug.pile"});
}
TEST(RugPile, IsAMustUnderTheAccessProfileAndNotAskedOffTheWay) {
  Job job = with(throughRoom(), rug(120, 60, 1), "p1", 106, 75);
  job.brief.access = true;
  const auto findings = judged(changed(job, [](Piece& p) { p.rug.edit().pile = in(0.75); }));
  const Finding* f = findingIn(findings, "rug-pile:p1");
  ASSERT_NE(f, nullptr);
  EXPECT_EQ(f->weight, Weight::Must);
  EXPECT_EQ(findingIn(judged(with(throughRoom(), rug(40, 60, 1), "p1", 30, 75)), "rug-pile:p1"), nullptr);
}
TEST(StairPile, IsThinAndNoCutPile) {
  Feature flight{FeatureId("st"), FeatureKind::Stair, {{0, 0}, {in(36), 0}, {in(36), in(100)}, {0, in(100)}}, {}, {}};
  flight.stair = Stair{10, in(7.5), in(10), 90, {}, {}, {}, {}};
  Job job = withFeature(emptyRoom(), kParlour, flight).value();
  job = with(job, rug(28, 100, 0.75), "p1", 18, 50);
  const auto made = [&](double pile, Construction how) {
    Piece p = *findPiece(job, PieceId("rug"));
    p.rug.edit().pile = in(pile);
    p.rug.edit().construction = how;
    return verdictIn(judged(withPiece(job, p).value()), "stair-pile:p1,st");
  };
  EXPECT_EQ(made(0.5, Construction::Loop), Verdict::Holds);
  EXPECT_EQ(made(0.5, Construction::Flat), Verdict::Holds);
  EXPECT_EQ(made(0.5625, Construction::Loop), Verdict::Breaks);
  EXPECT_EQ(made(0.25, Construction::Cut), Verdict::Breaks);
  EXPECT_EQ(verdictIn(judged(job), "stair-pile:p1,st"), Verdict::NotMeasured);
}
TEST(RugLoopPets, IsATasteWherePetsAre) {
  Job job = with(emptyRoom(), rug(60, 40), "p1", 100, 75);
  job.brief.pets = true;
  const auto made = [&](Construction how) {
    Piece p = *findPiece(job, PieceId("rug"));
    p.rug.edit().construction = how;
    const Job now = withPiece(job, p).value();
    const auto findings = judged(now);
    return verdictIn(findings, "rug-loop-pets:p1");
  };
  EXPECT_EQ(made(Construction::Loop), Verdict::Breaks);
  EXPECT_EQ(made(Construction::Cut), Verdict::Holds);
  EXPECT_EQ(findingIn(judged(job), "rug-loop-pets:p1"), nullptr) << "nobody knows how it is made";
}

}  // namespace rug_rules_test
}  // namespace mezzet
