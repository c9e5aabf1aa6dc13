// Rules about light: for each a case that holds, one that breaks and one at the edge, in inches; on flat, sloping and
// stepped ceilings; in rooms that are turned and mirrored.
#include <cmath>

#include "core/edit/lights.h"
#include "core/light/downlights.h"
#include "core/model/kinds.h"
#include "core/rules/check.h"
#include "io/json/rulebook_json.h"
#include "support/findings.h"
#include "support/lights.h"

namespace mezzet {
namespace light_rules_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

std::vector<Finding> judge(const Job& job, const CheckWith& with = kEveryDay) {
  return check(job, builtInRulebook(), kScheme, kInches, with);
}
/// The only finding of a rule; none, or a failure of the test where there are more.
std::optional<Finding> only(const Job& job, const std::string& rule, const CheckWith& with = kEveryDay) {
  std::optional<Finding> out;
  for (const Finding& f : judge(job, with))
    if (f.rule == rule) {
      EXPECT_FALSE(out) << "two of " << rule;
      out = f;
    }
  return out;
}
double marginInches(const Job& job, const std::string& rule, const CheckWith& with = kEveryDay) {
  const auto f = only(job, rule, with);
  if (!f) ADD_FAILURE() << "nothing of " << rule;
  return f ? f->margin / kInch : -1e9;
}

// ---- pendants over tables
TEST(PendantDrop, InTheMiddleOfWhatIsAskedHolds) {
  const auto f = only(dinedUnder(33), "pendant-drop");
  ASSERT_TRUE(f);
  EXPECT_NEAR(f->measured, in(33), 1e-6);
  EXPECT_NEAR(f->margin, in(3), 1e-6);
  EXPECT_EQ(f->verdict, Verdict::Holds);
  EXPECT_EQ(viewKey(f->view), "ceiling");
  EXPECT_EQ(f->id, "pendant-drop:l1,t");
}
TEST(PendantDrop, AtItsEdgeHolds) { EXPECT_NEAR(marginInches(dinedUnder(30), "pendant-drop"), 0, 1e-9); }
TEST(PendantDrop, TooHighSaysByHowMuch) {
  const auto f = only(dinedUnder(40), "pendant-drop");
  ASSERT_TRUE(f);
  EXPECT_NEAR(f->margin, in(-4), 1e-6);
  EXPECT_EQ(f->sentence, "The pendant hangs 40 in over the table, 4 in too high.");
}
TEST(PendantDrop, AHigherCeilingCarriesItHigher) {
  // 9 ft: 33 to 39 in over a top of 30: undersides 63 to 69.
  EXPECT_NEAR(marginInches(dinedUnder(33, 108), "pendant-drop"), 0, 1e-6);
  EXPECT_NEAR(marginInches(dinedUnder(39, 108), "pendant-drop"), 0, 1e-6);
  EXPECT_NEAR(marginInches(dinedUnder(32, 108), "pendant-drop"), -1, 1e-6);
  // 10 ft 6: 37 1/2 to 43 1/2.
  EXPECT_NEAR(marginInches(dinedUnder(37.5, 126), "pendant-drop"), 0, 1e-6);
  EXPECT_NEAR(marginInches(dinedUnder(43.5, 126), "pendant-drop"), 0, 1e-6);
  EXPECT_NEAR(marginInches(dinedUnder(44.5, 126), "pendant-drop"), -1, 1e-6);
}
TEST(PendantDrop, ARangeOfTheHouseIsRaisedByTheCeilingToo) {
  const Job own = withRange(dinedUnder(40, 108), "pendant-drop", Range{in(34), in(36)});
  EXPECT_NEAR(marginInches(own, "pendant-drop"), -1, 1e-6);  // 37 to 39 asked
}
TEST(PendantDrop, AnIslandIsATopTheSideTableIsNone) {
  Job job = with(emptyRoom(), piece("i", "island", 84, 36, 36), "t", 111, 75);
  EXPECT_NEAR(marginInches(hanging(job, 111, 75, 96 - 66), "pendant-drop"), 0, 1e-6);
  EXPECT_NEAR(marginInches(hanging(job, 111, 75, 96 - 72), "pendant-drop"), 0, 1e-6);
  const Job side = with(emptyRoom(), roundPiece("s", "side-table", 30, 24), "t", 111, 75);
  EXPECT_FALSE(only(hanging(side, 111, 75, 30), "pendant-drop"));
}
TEST(PendantDrop, OfATopThatWasNotMeasuredWaitsForTheTape) {
  Piece bare = piece("t", "dining-table", 72, 36);
  bare.height.reset();
  const auto f = only(hanging(with(emptyRoom(), bare, "t", 111, 75), 111, 75, 30), "pendant-drop");
  ASSERT_TRUE(f);
  EXPECT_EQ(f->verdict, Verdict::NotMeasured);
  EXPECT_EQ(f->missing, std::vector<std::string>{"t.height"});
}
TEST(PendantDrop, UnderASlopeTakesTheCeilingRightThere) {
  // The ceiling rises from 84 in at wall A to 120 in at wall C, 150 in away: 102 in over the table in the middle.
  Job job = sloped(with(emptyRoom(), table(), "t", 111, 75), 84, 120);
  const auto f = only(hanging(job, 111, 75, 40), "pendant-drop");
  ASSERT_TRUE(f);
  EXPECT_NEAR(f->measured, in(102 - 40 - 30), 1e-3);
  EXPECT_NEAR(*f->asked.low, in(30 + 1.5), 1e-3);
}
TEST(PendantDrop, UnderAStepTakesThePartItHangsFrom) {
  const Job job = stepped(with(emptyRoom(), table(), "t", 60, 75), 84);  // the left half is at 84 in
  EXPECT_NEAR(only(hanging(job, 60, 75, 20), "pendant-drop")->measured, in(84 - 20 - 30), 1e-6);
}

TEST(PendantSight, PassesUnderTheLight) {
  const auto f = only(facing(dinedUnder(32)), "pendant-sight");
  ASSERT_TRUE(f);
  // Seats 18 in: eyes 18 + 765 / 25.4 = 48.118 in; the underside 62 in.
  EXPECT_NEAR(f->measured / kInch, 62 - 48.118, 1e-3);
}
TEST(PendantSight, OverTheTopOfALowOneCountsToo) {
  // Underside 30 in over the table's 30, a body 10 in: 60 to 70; eyes pass under.
  Job job = facing(dinedUnder(15, 96, 10));  // 45 to 55 in: eyes at 48.118 are in it
  EXPECT_NEAR(only(job, "pendant-sight")->measured / kInch, 45 - 48.118, 1e-3);
  job = facing(dinedUnder(5, 96, 10));  // 35 to 45: eyes pass over
  EXPECT_NEAR(only(job, "pendant-sight")->measured / kInch, 48.118 - 45, 1e-3);
}
TEST(PendantSight, WhoDoNotLookAtEachOtherAreNotAsked) {
  Job job = with(dinedUnder(15), chair(), "c1", 111, 75 - 18 - 7, 180);  // one alone
  EXPECT_FALSE(only(job, "pendant-sight"));
}

TEST(PendantSize, IsHeldAgainstTheShorterSide) {
  EXPECT_NEAR(only(dinedUnder(33), "pendant-size")->measured, 20.0 / 36, 1e-9);
  EXPECT_EQ(only(dinedUnder(33), "pendant-size")->verdict, Verdict::Holds);
  const auto small = only(dinedUnder(33, 96, 14, 12), "pendant-size");
  EXPECT_EQ(small->verdict, Verdict::Breaks);
  EXPECT_NEAR(*small->marginMm / kInch, 12 - 18, 1e-6);
  EXPECT_EQ(only(dinedUnder(33, 96, 14, 18), "pendant-size")->verdict, Verdict::Holds);  // just a half
}

TEST(RoomFixture, HasAsManyInchesAsTheSidesHaveFeet) {
  Piece big = roundPiece("big", "chandelier", 31, 24);
  const Job job = lit(emptyRoom(222, 150), big, "l1", 111, 75, 12);
  EXPECT_NEAR(only(job, "room-fixture-size")->measured, 12 * 31 / 372.0, 1e-9);
  EXPECT_FALSE(only(lit(emptyRoom(222, 96), big, "l1", 111, 48, 12), "room-fixture-size"));  // 8 ft is not over 8 ft
  const Job over = lit(with(emptyRoom(), table(), "t", 111, 75), big, "l1", 111, 75, 32);
  EXPECT_FALSE(only(over, "room-fixture-size"));
}

TEST(PendantRow, WithEqualSpacesAndEndsIsZeroOut) {
  EXPECT_NEAR(only(rowOf({14, 42, 70}), "pendant-row")->measured, 0, 1e-9);
}
TEST(PendantRow, WithTheMiddleOneOffIsOutByThat) {
  EXPECT_NEAR(marginInches(rowOf({14, 44, 70}), "pendant-row"), -1, 1e-6);
  EXPECT_NEAR(marginInches(rowOf({14, 43, 70}), "pendant-row"), 0, 1e-6);
}
TEST(PendantRow, WithUnequalEndsIsOutByTheirDifference) {
  EXPECT_NEAR(only(rowOf({16, 44, 72}), "pendant-row")->measured, in(4), 1e-6);
}
TEST(PendantRow, IsNotAskedOfItsSizeOrItsCentre) {
  EXPECT_FALSE(only(rowOf({14, 42, 70}), "pendant-size"));
  EXPECT_FALSE(only(rowOf({14, 42, 70}), "pendant-centre"));
}

TEST(PendantCentre, ATableThatMovedLeavesItsLightBehind) {
  Job job = dinedUnder(33);
  job = placed(job, kScheme, PlacementId("t"), FloorPlace{{in(122), in(79)}, 0});  // 11 and 4 away
  EXPECT_NEAR(marginInches(job, "pendant-centre"), -10.705, 5e-4);
  EXPECT_NEAR(marginInches(dinedUnder(33), "pendant-centre"), 1, 1e-9);
}

// ---- heads
TEST(HeadRoom, AtEightyInchesHolds) {
  EXPECT_NEAR(marginInches(hanging(emptyRoom(), 111, 75, 16), "head-room"), 0, 1e-6);
  EXPECT_NEAR(marginInches(hanging(emptyRoom(), 111, 75, 18), "head-room"), -2, 1e-6);
}
TEST(HeadRoom, IsNotAskedOverATableNorOfWhatIsRecessed) {
  EXPECT_FALSE(only(dinedUnder(33), "head-room"));
  EXPECT_FALSE(only(lit(emptyRoom(222, 150, 79), roundPiece("d", "downlight", 5), "l1", 111, 75, 0), "head-room"));
  // A rug and something 11 in high are no reason to walk round.
  Job job = with(emptyRoom(), piece("low", "low-table", 40, 40, 11), "t", 111, 75);
  EXPECT_TRUE(only(hanging(job, 111, 75, 30), "head-room"));
  job = with(emptyRoom(), piece("low", "low-table", 40, 40, 12), "t", 111, 75);
  EXPECT_FALSE(only(hanging(job, 111, 75, 30), "head-room"));
}
TEST(HeadRoom, IsAMustUnderTheAccessProfile) {
  EXPECT_EQ(only(hanging(emptyRoom(), 111, 75, 30), "head-room")->weight, Weight::Rule);
  Job job = hanging(emptyRoom(), 111, 75, 30);
  Brief brief = job.brief;
  brief.access = true;
  EXPECT_EQ(only(withBrief(job, brief), "head-room")->weight, Weight::Must);
}
TEST(HeadRoom, CountsFromTheStairsWalkingLine) {
  Job job = emptyRoom(222, 150, 120);
  Feature stair;
  stair.id = FeatureId("st");
  stair.kind = FeatureKind::Stair;
  stair.outline = {{0, 0}, {in(40), 0}, {in(40), in(130)}, {0, in(130)}};
  stair.stair = Stair{14, in(7.5), in(10), 90, {}, {}, {}, {}};
  job = withFeature(job, RoomId("parlour"), stair).value();
  const Job lower = lit(job, roundPiece("l", "pendant", 4, 8), "l1", 20, 48, 20);  // to y = 50 in: five goings up
  const auto f = only(lower, "head-room");
  ASSERT_TRUE(f);
  EXPECT_NEAR(f->measured / kInch, 100 - 6 * 7.5, 1e-6);
}
TEST(HeadRoom, ALeafPassesUnderIt) {
  Job job = emptyRoom(222, 150, 110);
  Opening door;
  door.id = OpeningId("d1");
  door.wall = CornerId("A");
  door.offset = in(90);
  door.width = in(36);
  door.height = in(84);
  job = withOpening(job, RoomId("parlour"), door).value();
  // 81 in up: enough for heads, not for a leaf of 84 in.
  EXPECT_NEAR(marginInches(hanging(job, 108, 12, 110 - 81), "head-room"), -3, 1e-6);
  EXPECT_NEAR(marginInches(hanging(job, 108, 100, 110 - 81), "head-room"), 1, 1e-6);
}

// ---- recessed lights
TEST(DownlightCount, SixInTwelveByFourteenFeetAreTooFew) {
  const Job job = laid(emptyRoom(144, 168), 2, 3, 36);
  const auto f = only(job, "downlight-count");
  ASSERT_TRUE(f);
  EXPECT_NEAR(f->measured / kSquareFoot, 28, 1e-9);
  EXPECT_NEAR(f->margin, -278709.12, 1e-3);
  EXPECT_EQ(f->sentence, "6 lights leave 28.0 sq ft of floor each; 20.0 to 25.0 sq ft are asked.");
}
TEST(DownlightCount, EightAreEnough) {
  EXPECT_NEAR(only(laid(emptyRoom(144, 168), 2, 4, 36), "downlight-count")->measured / kSquareFoot, 21, 1e-9);
}
TEST(DownlightOffset, FallsOnTheFrontOfTheSeat) {
  // A sofa 36 in deep, 3 off wall A: its front at 39.
  const auto sofaUnder = [](double row) {
    const Job job = with(emptyRoom(), sofa(), "p1", 111, 21, 180);
    return laid(job, 2, 2, row);
  };
  EXPECT_NEAR(only(sofaUnder(36), "downlight-offset")->measured, in(-3), 1e-6);
  EXPECT_NEAR(marginInches(sofaUnder(36), "downlight-offset"), 0, 1e-6);
  EXPECT_NEAR(marginInches(sofaUnder(34), "downlight-offset"), -2, 1e-6);
  EXPECT_EQ(only(sofaUnder(34), "downlight-offset")->id, "downlight-offset:p1,wall:A");
}
TEST(OneWarmth, SpreadsByAtMostThreeHundredKelvin) {
  const auto lamps = [](double second) {
    Piece a = roundPiece("a", "spot", 4, 6), b = roundPiece("b", "spot", 4, 6);
    a.light.edit().kelvin = 2700;
    b.light.edit().kelvin = second;
    Job job = lit(lit(emptyRoom(), a, "l1", 60, 60, 6), b, "l2", 90, 60, 6);
    job = withCircuit(job, kScheme, {CircuitId("k1"), "A"});
    return onCircuit(job, kScheme, {PlacementId("l1"), PlacementId("l2")}, CircuitId("k1"));
  };
  EXPECT_EQ(only(lamps(3000), "one-warmth")->verdict, Verdict::Holds);
  EXPECT_EQ(only(lamps(3001), "one-warmth")->verdict, Verdict::Breaks);
  EXPECT_EQ(only(lamps(4000), "one-warmth")->sentence, "The lights of circuit A are from 2700 K to 4000 K.");
}

// ---- walls
TEST(SconceHeight, AloneAtEyes) {
  EXPECT_NEAR(marginInches(sconced(68), "sconce-height"), 2, 1e-6);
  EXPECT_NEAR(marginInches(sconced(66), "sconce-height"), 0, 1e-6);
  EXPECT_NEAR(marginInches(sconced(72), "sconce-height"), -2, 1e-6);
}
TEST(SconceHeight, BesideArtIsLeftToTheArt) {
  const Job job = hung(sconced(68), "pic", "a1", 30, 24, 60, 58);
  EXPECT_FALSE(only(job, "sconce-height"));
  EXPECT_NEAR(marginInches(job, "sconce-art"), -2, 1e-6);
  EXPECT_EQ(only(job, "sconce-art")->id, "sconce-art:a1,l1");
}
TEST(SconceHeight, BesideAFaceMirrorIsLower) {
  Piece glass = piece("glass", "mirror", 24, 1, 30);
  const Job job = withPlacement(withPiece(sconced(63), glass).value(), kScheme,
                                {PlacementId("m"), glass.id, WallPlace{CornerId("A"), in(60), in(62), {}}, {}});
  EXPECT_NEAR(marginInches(job, "sconce-height"), 3, 1e-6);
}
TEST(SconceArt, TwoToEightAboveItsMiddle) {
  for (const auto& [height, margin] :
       {std::pair{60.0, 0.0}, std::pair{66.0, 0.0}, std::pair{63.0, 3.0}, std::pair{59.0, -1.0}})
    EXPECT_NEAR(marginInches(hung(sconced(height), "pic", "a1", 30, 24, 60, 58), "sconce-art"), margin, 1e-6) << height;
}
TEST(SconcePair, HangsAlike) {
  const Job one = hung(sconced(62), "pic", "a1", 30, 24, 60, 58);  // the light at u = 90
  EXPECT_NEAR(marginInches(sconced(62, 30, one, "l2"), "sconce-pair"), 0.5, 1e-6);
  EXPECT_NEAR(marginInches(sconced(62.5, 30, one, "l2"), "sconce-pair"), 0, 1e-6);
  EXPECT_NEAR(marginInches(sconced(62, 28, one, "l2"), "sconce-pair"), -1.5, 1e-6);
}
TEST(ArtLight, ThirtyDegreesAreTheMiddle) {
  const double down = 96 - 6 - 57;
  Job job = hung(emptyRoom(), "pic", "a1", 30, 24, 111, 57, "A");
  job = lit(job, roundPiece("s", "spot", 4, 6), "l1", 111, down * std::tan(M_PI / 6), 6);
  job = withAim(job, kScheme, PlacementId("l1"), Aim{30, 270}).value();
  const auto f = only(job, "art-light");
  ASSERT_TRUE(f);
  EXPECT_NEAR(f->measured, 30, 1e-6);
  EXPECT_FALSE(f->marginMm);
}

// ---- lamps
TEST(LampShade, EndsAtOrBelowTheEye) {
  const auto beside = [](double bottom) {
    Piece lamp = roundPiece("lamp", "lamp", 14, 60);
    lamp.light.edit().shadeBottom = in(bottom);
    return with(with(emptyRoom(), sofa(), "p1", 111, 19, 180), lamp, "l1", 111 + 42 + 10, 19);
  };
  const double eye = 18 + 660 / kInch;
  EXPECT_NEAR(marginInches(beside(40), "lamp-shade"), eye - 40, 1e-6);
  EXPECT_LT(marginInches(beside(50), "lamp-shade"), 0);
  EXPECT_NEAR(marginInches(beside(eye), "lamp-shade"), 0, 1e-6);
}
TEST(SeatLight, IsAskedWhereOneReads) {
  Job job = with(with(emptyRoom(), sofa(), "p1", 111, 19, 180), roundPiece("lamp", "lamp", 14, 60), "l1",
                 111 + 42 + 7 + 36, 19);
  EXPECT_FALSE(only(job, "seat-light"));
  Brief brief;
  brief.purpose = "reading";
  EXPECT_NEAR(marginInches(withBrief(job, brief), "seat-light"), 0, 1e-6);
}
TEST(CordReach, RunsToTheNearestSocket) {
  const Job job = socketed(with(emptyRoom(), roundPiece("lamp", "lamp", 14, 60), "l1", 111, 47), 111);
  const auto f = only(job, "cord-reach");
  ASSERT_TRUE(f);
  EXPECT_NEAR(f->measured / kInch, 40, 0.2);
  EXPECT_EQ(f->id, "cord-reach:l1,x1");
}
TEST(CordReach, GoesRoundWhatStandsThere) {
  // A case 40 wide between lamp and wall: round its end.
  Job job = with(emptyRoom(), roundPiece("lamp", "lamp", 14, 60), "l1", 111, 47);
  job = with(job, piece("case", "bookcase", 40, 12, 60), "b1", 111, 20);
  const double straight = 40, found = only(socketed(job, 111), "cord-reach")->measured / kInch;
  EXPECT_GT(found, straight + 5);
  // By hand, through the case's corners drawn in by half an inch: from the lamp's rim to (130.5, 25.5), (130.5, 14.5),
  // the socket.
  const double byHand = std::hypot(19.5, 21.5) - 7 + 11 + std::hypot(19.5, 14.5);
  EXPECT_NEAR(found, byHand, 0.3);
}
TEST(CordReach, WithoutSocketsWaits) {
  EXPECT_EQ(only(with(emptyRoom(), roundPiece("lamp", "lamp", 14, 60), "l1", 111, 47), "cord-reach")->verdict,
            Verdict::NotMeasured);
}
TEST(CordReach, DoesNotCrossAMainWay) {
  const Job job = crossedByAWay();
  const RouteFacts routes = routeFactsOf(job, kScheme, UseState::Everyday);
  ASSERT_FALSE(routes.ways.empty());
  const auto f = only(job, "cord-reach", {UseState::Everyday, &routes});
  ASSERT_TRUE(f);
  EXPECT_EQ(f->verdict, Verdict::Breaks);
  EXPECT_NE(f->sentence.find("only across the way"), std::string::npos) << f->sentence;
  EXPECT_EQ(only(job, "cord-reach")->verdict, Verdict::Holds);  // before the ways are known
}

// ---- no cry of wolf, no place of its own
TEST(Light, AWellLitTableSaysNothing) {
  for (const Finding& f : judge(facing(dinedUnder(33))))
    if (f.view.ceiling) {
      EXPECT_EQ(f.verdict, Verdict::Holds) << f.sentence;
    }
}
TEST(Light, TwoInOnePlaceAreTold) {
  Job job = hanging(hanging(emptyRoom(), 111, 75, 20), 113, 75, 20, "l2");
  EXPECT_EQ(only(job, "overlap")->verdict, Verdict::Breaks);
  EXPECT_FALSE(only(hanging(hanging(emptyRoom(), 111, 75, 20), 150, 75, 20, "l2"), "overlap"));
}
TEST(Light, OneThroughTheFloorIsTold) {
  EXPECT_EQ(only(hanging(emptyRoom(), 111, 75, 100), "outside-room")->sentence,
            "The pendant reaches 4 in past the floor.");
}
TEST(Light, OneWithoutACircuitIsNoFault) {
  for (const Finding& f : judge(dinedUnder(33))) EXPECT_NE(f.rule, "one-warmth");
}

struct Moved {
  const char* name;
  bool mirrored;
};
class MovedRoom : public testing::TestWithParam<Moved> {};
TEST_P(MovedRoom, JudgesAsBefore) {
  // A room that is turned by quarters, or mirrored along wall A, is the same room to every rule about light.
  const Job job = facing(dinedUnder(38));
  const Job other = GetParam().mirrored ? mirrored(job) : quarterTurned(job);
  for (const Finding& f : judge(job)) {
    if (!f.view.ceiling) continue;
    const std::vector<Finding> there = judge(other);
    const Finding* same = findingIn(there, f.id);
    ASSERT_NE(same, nullptr) << f.id;
    EXPECT_NEAR(same->margin, f.margin, 1e-6) << f.id;
  }
}
INSTANTIATE_TEST_SUITE_P(Light, MovedRoom, testing::Values(Moved{"Mirrored", true}, Moved{"Turned", false}),
                         [](const auto& room) { return std::string(room.param.name); });

}  // namespace light_rules_test
}  // namespace mezzet
