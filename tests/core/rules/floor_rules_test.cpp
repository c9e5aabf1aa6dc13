// The rules of ways, dining, groups, use and sight: for each a case that holds, one that breaks and one at the edge, in
// inches.
#include <gtest/gtest.h>

#include "core/rules/check.h"
#include "core/decide/ways_out.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace floor_rules_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");
const RoomId kParlour("parlour");

std::vector<Finding> checked(const Job& job, UseState state = UseState::Everyday) {
  const RouteFacts routes = routeFactsOf(job, kScheme, state);
  return check(job, builtInRulebook(), kScheme, kInches, {state, &routes});
}
std::optional<Finding> judged(const Job& job, const std::string& id, UseState state = UseState::Everyday) {
  for (const Finding& f : checked(job, state))
    if (f.id == id) return f;
  return std::nullopt;
}
Verdict verdict(const Job& job, const std::string& id, UseState state = UseState::Everyday) {
  const auto f = judged(job, id, state);
  EXPECT_TRUE(f) << id;
  return f ? f->verdict : Verdict::NotMeasured;
}
std::string sentence(const Job& job, const std::string& id) {
  const auto f = judged(job, id);
  return f ? f->sentence : "no " + id;
}
Opening opening(const char* id, OpeningKind kind, const char* wall, double offset, double width) {
  Opening o;
  o.id = OpeningId(id);
  o.kind = kind;
  o.wall = CornerId(wall);
  o.offset = in(offset);
  o.width = in(width);
  o.height = in(80);
  return o;
}
Job open(const Job& job, const Opening& o) { return withOpening(job, kParlour, o).value(); }
/// 240 by 180 in; an arch 48 in wide in the middle of wall A (bottom) and one in wall C (top).
Job twoArches() {
  Job job = open(emptyRoom(240, 180), opening("a1", OpeningKind::Arch, "A", 96, 48));
  return open(job, opening("a2", OpeningKind::Arch, "C", 96, 48));
}
Piece seat(const char* id, const char* kind, double w, double d, double height = 34, double seatHeight = 18) {
  Piece p = piece(id, kind, w, d, height);
  p.seat.edit().height = in(seatHeight);
  p.seat.edit().back = in(height);
  return p;
}
/// Two cabinets that leave `gap` between them for `length` along the way from arch to arch.
Job narrowed(double gap, double length) {
  const double width = (240 - gap) / 2;
  Job job = with(twoArches(), piece("left", "bookcase", width, length, 70), "p1", width / 2, 90);
  return with(job, piece("right", "bookcase", width, length, 70), "p2", 240 - width / 2, 90);
}

// ---- way-main
TEST(WayMain, HoldsAtThirtySix) {
  const auto f = judged(narrowed(36, 60), "way-main:a1,a2");
  ASSERT_TRUE(f);
  EXPECT_EQ(f->verdict, Verdict::Holds);
  EXPECT_NEAR(f->measured, in(36), 1e-6);
  EXPECT_EQ(f->sentence, "From the arch on wall A to the arch on wall C it is 36 in between the left and the right.");
  EXPECT_EQ(f->between, (std::vector<std::string>{"p1", "p2"}));
}
TEST(WayMain, HoldsAtAShortPinch) { EXPECT_EQ(verdict(narrowed(32, 24), "way-main:a1,a2"), Verdict::Holds); }
TEST(WayMain, BreaksWhereThePinchIsLong) {
  const auto f = judged(narrowed(32, 40), "way-main:a1,a2");
  ASSERT_TRUE(f);
  EXPECT_EQ(f->verdict, Verdict::Breaks);
  EXPECT_NEAR(f->margin, in(-4), 1e-6);
  EXPECT_NE(f->sentence.find("4 in short"), std::string::npos) << f->sentence;
}
TEST(WayMain, BreaksBelowThirtyTwo) {
  const auto f = judged(narrowed(31, 12), "way-main:a1,a2");
  ASSERT_TRUE(f);
  EXPECT_EQ(f->verdict, Verdict::Breaks);
  EXPECT_NEAR(f->margin, in(-1), 1e-6);
}
TEST(WayMain, WaitsForTheRouteBetweenItsLimits) {
  const auto findings = check(narrowed(34, 40), builtInRulebook(), kScheme, kInches, kEveryDay);
  const auto f =
      std::find_if(findings.begin(), findings.end(), [](const Finding& x) { return x.id == "way-main:a1,a2"; });
  ASSERT_NE(f, findings.end());
  EXPECT_EQ(f->verdict, Verdict::NotMeasured);
  EXPECT_EQ(f->missing, std::vector<std::string>{"route"});
}
TEST(WayMain, ANarrowDoorIsNoFaultOfTheFurniture) {
  Job job = open(emptyRoom(), opening("a1", OpeningKind::Arch, "A", 96, 28));
  job = open(job, opening("a2", OpeningKind::Arch, "C", 96, 48));
  const auto f = judged(job, "way-main:a1,a2");
  ASSERT_TRUE(f);
  EXPECT_EQ(f->verdict, Verdict::Holds);
  EXPECT_EQ(f->sentence,
            "From the arch on wall A to the arch on wall C it is as wide as the arch on wall A allows, 28 in.");
}
TEST(WayMain, IsAMustUnderTheAccessRules) {
  Job job = narrowed(31, 12);
  job.brief.access = true;
  EXPECT_EQ(judged(job, "way-main:a1,a2")->weight, Weight::Must);
}
TEST(WayMain, NamesWhatClosesTheWay) {
  const Job job = with(twoArches(), piece("long", "bookcase", 240, 12, 70), "p1", 120, 90);
  const auto f = judged(job, "way-main:a1,a2");
  ASSERT_TRUE(f);
  EXPECT_EQ(f->verdict, Verdict::Breaks);
  EXPECT_EQ(f->measured, 0);
  EXPECT_NE(f->sentence.find("there is no way"), std::string::npos);
}
TEST(WayMain, LeadsToTheMainSeats) {
  const Job job = with(twoArches(), seat("sofa", "sofa", 84, 36), "p1", 120, 150);
  EXPECT_EQ(verdict(job, "way-main:a1,p1"), Verdict::Holds);
}
TEST(WayMain, OffersToMoveWhatPinches) {
  const Job job = with(with(twoArches(), piece("left", "bookcase", 90, 12, 70), "p1", 45, 90),
                       piece("right", "bookcase", 100, 12, 70), "p2", 170, 90);
  const auto findings = checked(job);  // 30 in between them, 20 behind the right one
  const auto f =
      std::find_if(findings.begin(), findings.end(), [](const Finding& x) { return x.id == "way-main:a1,a2"; });
  ASSERT_NE(f, findings.end());
  ASSERT_EQ(f->verdict, Verdict::Breaks) << f->sentence;
  const auto ways = waysOutOf(*f, findings, job, builtInRulebook(), kScheme, IdSource(50), kInches, kEveryDay);
  ASSERT_FALSE(ways.empty());
  EXPECT_EQ(ways[0].sentence, "Move the right to the right by 2 in");
}
TEST(WayMain, ARoomWithoutADoorHasNone) {
  for (const Finding& f : checked(with(emptyRoom(), seat("sofa", "sofa", 84, 36), "p1", 120, 100)))
    EXPECT_FALSE(f.rule.starts_with("way-")) << f.id;
}

// ---- way-side
Job toCupboard(double gap) {
  // A cabinet at the right wall behind a row that leaves `gap` to wall C.
  Job job = with(open(emptyRoom(240, 180), opening("a1", OpeningKind::Arch, "A", 20, 48)),
                 piece("case", "bookcase", 40, 14, 70), "p1", 233, 90, 270);
  return with(job, piece("row", "console", 16, 180 - gap, 30), "p2", 180, (180 - gap) / 2);
}
TEST(WaySide, HoldsAtThirty) { EXPECT_EQ(verdict(toCupboard(30), "way-side:a1,p1"), Verdict::Holds); }
TEST(WaySide, HoldsAtItsLimit) { EXPECT_EQ(verdict(toCupboard(24), "way-side:a1,p1"), Verdict::Holds); }
TEST(WaySide, BreaksBelowIt) {
  const auto f = judged(toCupboard(23), "way-side:a1,p1");
  ASSERT_TRUE(f);
  EXPECT_EQ(f->verdict, Verdict::Breaks);
  EXPECT_NEAR(f->margin, in(-1), 1e-6);
  EXPECT_EQ(f->sentence, "From the arch on wall A to the case it is 23 in between the row and wall C, 1 in short.");
}
TEST(WaySide, AWindowWithASeatBeforeItIsLeftAlone) {
  Opening window = opening("w1", OpeningKind::Window, "B", 60, 50);
  window.sill = in(36);
  window.height = in(40);
  Job job = open(open(emptyRoom(240, 180), opening("a1", OpeningKind::Arch, "A", 20, 48)), window);
  EXPECT_EQ(verdict(job, "way-side:a1,w1"), Verdict::Holds);
  EXPECT_FALSE(judged(with(job, seat("sofa", "sofa", 84, 36), "p1", 220, 85, 270), "way-side:a1,w1"));
}

// ---- foot-room
Job footRoom(double gap) {
  Job job = with(twoArches(), seat("sofa", "sofa", 84, 36), "p1", 120, 120);
  return with(job, piece("table", "low-table", 50, 20, 17), "p2", 120, 102 - gap - 10);
}
TEST(FootRoom, HoldsAtSixteen) { EXPECT_EQ(verdict(footRoom(16), "foot-room:p1,p2"), Verdict::Holds); }
TEST(FootRoom, HoldsAtTwelve) { EXPECT_EQ(verdict(footRoom(12), "foot-room:p1,p2"), Verdict::Holds); }
TEST(FootRoom, BreaksBelowIt) { EXPECT_EQ(verdict(footRoom(11), "foot-room:p1,p2"), Verdict::Breaks); }

// ---- way-wasted
Job hallOf(double width) {
  // A hall `width` wide between two long rows, with a third thing out of the way.
  Job job = open(open(emptyRoom(240, 180), opening("a1", OpeningKind::Arch, "D", 60, 60)),
                 opening("a2", OpeningKind::Arch, "B", 60, 60));
  job = with(job, piece("low", "console", 200, 20, 30), "p1", 120, 90 - width / 2 - 10);
  job = with(job, piece("high", "console", 200, 20, 30), "p2", 120, 90 + width / 2 + 10);
  return with(job, piece("plant", "plant", 10, 10, 30), "p3", 10, 10);
}
TEST(WayWasted, HoldsAtSixty) { EXPECT_EQ(verdict(hallOf(60), "way-wasted:a1,a2"), Verdict::Holds); }
TEST(WayWasted, BreaksAboveIt) {
  const auto f = judged(hallOf(66), "way-wasted:a1,a2");
  ASSERT_TRUE(f);
  EXPECT_EQ(f->verdict, Verdict::Breaks);
  EXPECT_EQ(f->weight, Weight::Taste);
  EXPECT_NEAR(f->measured, in(66), 2);
}
TEST(WayWasted, IsNotAskedOfARoomHardlyBegun) { EXPECT_FALSE(judged(twoArches(), "way-wasted:a1,a2")); }

// ---- tall-lamp
Job lampAt(double x) { return with(twoArches(), roundPiece("lamp", "lamp", 12, 60), "p1", x, 90); }
TEST(TallLamp, HoldsBesideTheRoute) { EXPECT_EQ(verdict(lampAt(160), "tall-lamp:p1"), Verdict::Holds); }
TEST(TallLamp, HoldsAtItsEdge) { EXPECT_EQ(verdict(lampAt(120 + 18 + 6), "tall-lamp:p1"), Verdict::Holds); }
TEST(TallLamp, BreaksInTheRoute) {
  const auto f = judged(lampAt(120 + 18 + 4), "tall-lamp:p1");
  ASSERT_TRUE(f);
  EXPECT_EQ(f->verdict, Verdict::Breaks);
  EXPECT_EQ(f->sentence, "The lamp stands 2 in inside a route: its foot is a trip.");
}

// ---- the published access rules
Job access(Job job) {
  job.brief.access = true;
  return job;
}
TEST(AccessRules, AreAskedOnlyWhereTheyWereChosen) {
  for (const Finding& f : checked(narrowed(20, 40))) EXPECT_FALSE(f.rule.starts_with("ada-")) << f.id;
}
TEST(AccessRules, AHalfTurnIsSaidNotToBeMeasured) {
  EXPECT_EQ(verdict(access(twoArches()), "ada-2010-403.5.2:parlour"), Verdict::NotMeasured);
}
TEST(AccessRules, ATableIsRolledUnder) {
  const auto table = [](double height) {
    return access(with(twoArches(), piece("table", "dining-table", 60, 36, height), "p1", 60, 90));
  };
  EXPECT_EQ(verdict(table(28), "ada-2010-902.3:p1"), Verdict::Holds);
  EXPECT_EQ(verdict(table(34), "ada-2010-902.3:p1"), Verdict::Holds);
  EXPECT_EQ(verdict(table(27.5), "ada-2010-902.3:p1"), Verdict::Breaks);
}

// ---- dining
Job dining(double behind, double tableHeight = 30) {
  // A table 72 x 36 whose far edge is at y = 60; a chair on that side, its back to wall C.
  Job job = with(emptyRoom(240, 60 + behind), piece("dining", "dining-table", 72, 36, tableHeight), "p1", 120, 42);
  return with(job, seat("chair", "chair", 18, 20), "p2", 120, 66);
}
TEST(DiningPull, HoldsWithTwentyFourAndMore) { EXPECT_EQ(verdict(dining(36), "dining-pull:p1,p2"), Verdict::Holds); }
TEST(DiningPull, HoldsAtTwentyFour) { EXPECT_EQ(verdict(dining(24), "dining-pull:p1,p2"), Verdict::Holds); }
TEST(DiningPull, BreaksBelowIt) {
  EXPECT_EQ(verdict(dining(23), "dining-pull:p1,p2"), Verdict::Breaks);
  EXPECT_EQ(sentence(dining(23), "dining-pull:p1,p2"),
            "The chair cannot be pulled out: wall C stands 1 in in its way.");
}
TEST(KneeRoom, HoldsFromTenToTwelve) {
  EXPECT_EQ(verdict(dining(40, 28), "knee-room:p1,p2"), Verdict::Holds);
  EXPECT_EQ(verdict(dining(40, 30), "knee-room:p1,p2"), Verdict::Holds);
}
TEST(KneeRoom, BreaksOutsideIt) {
  EXPECT_EQ(verdict(dining(40, 27), "knee-room:p1,p2"), Verdict::Breaks);
  EXPECT_EQ(verdict(dining(40, 31), "knee-room:p1,p2"), Verdict::Breaks);
}
TEST(KneeRoom, IsNotMeasuredWithoutTheSeat) {
  Job job = with(emptyRoom(240, 120), piece("dining", "dining-table", 72, 36), "p1", 120, 42);
  job = with(job, piece("chair", "chair", 18, 20, 34), "p2", 120, 66);
  EXPECT_EQ(verdict(job, "knee-room:p1,p2"), Verdict::NotMeasured);
}
Job settings(double width, int chairs) {
  Job job = with(emptyRoom(240, 180), piece("dining", "dining-table", width, 36), "p0", 120, 90);
  for (int i = 0; i < chairs; ++i) {
    const std::string id = "p" + std::to_string(i + 1);
    job = with(job, seat("chair", "chair", 18, 20), id.c_str(), 120 - width / 2 + width * (i + 0.5) / chairs, 114);
  }
  return job;
}
TEST(PlaceSetting, HoldsWithTwentyFourEach) { EXPECT_EQ(verdict(settings(84, 3), "place-setting:p0"), Verdict::Holds); }
TEST(PlaceSetting, HoldsAtItsLimit) { EXPECT_EQ(verdict(settings(72, 3), "place-setting:p0"), Verdict::Holds); }
TEST(PlaceSetting, BreaksBelowIt) {
  EXPECT_EQ(verdict(settings(69, 3), "place-setting:p0"), Verdict::Breaks);
  EXPECT_EQ(sentence(settings(69, 3), "place-setting:p0"),
            "The dining gives each diner 23 in of edge, 3 on one side: 1 in too little.");
}

// ---- conversation, levels
Job facing(double apart, double turn = 0) {
  // The sofa at the top looks down; the chair below looks up. Fronts `apart` from each other.
  Job job = with(emptyRoom(240, 240), seat("sofa", "sofa", 84, 36), "p1", 120, 200);
  return with(job, seat("chair", "armchair", 30, 32), "p2", 120, 182 - apart - 16, 180 + turn);
}
TEST(Conversation, HoldsAtEase) { EXPECT_EQ(verdict(facing(84), "conversation:p1,p2"), Verdict::Holds); }
TEST(Conversation, HoldsAtItsEnds) {
  EXPECT_EQ(verdict(facing(42), "conversation:p1,p2"), Verdict::Holds);
  EXPECT_EQ(verdict(facing(120), "conversation:p1,p2"), Verdict::Holds);
}
TEST(Conversation, BreaksTooNear) { EXPECT_EQ(verdict(facing(40), "conversation:p1,p2"), Verdict::Breaks); }
TEST(Conversation, BreaksTooFar) { EXPECT_EQ(verdict(facing(121), "conversation:p1,p2"), Verdict::Breaks); }
TEST(Conversation, BreaksTurnedAway) {
  const auto f = judged(facing(84, 75), "conversation:p1,p2");
  ASSERT_TRUE(f);
  EXPECT_EQ(f->verdict, Verdict::Breaks);
  EXPECT_EQ(f->quantity, Quantity::Angle);
}
TEST(Conversation, BreaksOverSomethingTall) {
  const Job job = with(facing(100), piece("shelf", "bookcase", 60, 12, 60), "p3", 120, 130);
  EXPECT_EQ(verdict(job, "conversation:p1,p2"), Verdict::Breaks);
  EXPECT_EQ(sentence(job, "conversation:p1,p2"), "The shelf stands between the sofa and the chair and is 60 in tall.");
  EXPECT_EQ(verdict(with(facing(100), piece("shelf", "bookcase", 60, 12, 42), "p3", 120, 130), "conversation:p1,p2"),
            Verdict::Holds);
}
TEST(Conversation, ThoseSideBySideAreNoPair) {
  Job job = with(facing(84), seat("twin", "armchair", 30, 32), "p3", 155, 82, 180);
  EXPECT_FALSE(judged(job, "conversation:p2,p3"));
}
TEST(TalkGroups, AHandMadeGroupTakesNoOthers) {
  Job job = facing(84);
  Scheme scheme = *job.schemes.front();
  scheme.placements[1].group = "g1";
  job = withScheme(job, scheme);
  EXPECT_FALSE(judged(job, "conversation:p1,p2"));
}
Job levels(double seatHeight, double backHeight) {
  Job job = with(emptyRoom(240, 240), seat("sofa", "sofa", 84, 36, 34, 18), "p1", 120, 200);
  return with(job, seat("chair", "armchair", 30, 32, backHeight, seatHeight), "p2", 120, 82, 180);
}
TEST(SeatLevel, HoldsUpToFour) {
  EXPECT_EQ(verdict(levels(18, 34), "seat-level:p1,p2"), Verdict::Holds);
  EXPECT_EQ(verdict(levels(14, 34), "seat-level:p1,p2"), Verdict::Holds);
  EXPECT_EQ(verdict(levels(13, 34), "seat-level:p1,p2"), Verdict::Breaks);
}
TEST(TopsLevel, HoldsUpToSix) {
  EXPECT_EQ(verdict(levels(18, 34), "tops-level:p1,p2"), Verdict::Holds);
  EXPECT_EQ(verdict(levels(18, 40), "tops-level:p1,p2"), Verdict::Holds);
  EXPECT_EQ(verdict(levels(18, 41), "tops-level:p1,p2"), Verdict::Breaks);
}

// ---- storage-open, heater-clear
Job cabinet(double before) {
  Piece p = piece("cabinet", "cabinet", 40, 20, 60);
  p.use.edit().opensBy = in(16);
  Job job = with(emptyRoom(240, 180), p, "p1", 120, 170);  // its face at y = 160
  return with(job, piece("table", "console", 60, 14, 30), "p2", 120, 160 - before - 7);
}
TEST(StorageOpen, HoldsWithLeafAndStandingRoom) { EXPECT_EQ(verdict(cabinet(40), "storage-open:p1"), Verdict::Holds); }
TEST(StorageOpen, HoldsAtItsLimit) { EXPECT_EQ(verdict(cabinet(34), "storage-open:p1"), Verdict::Holds); }
TEST(StorageOpen, BreaksBelowIt) {
  EXPECT_EQ(verdict(cabinet(33), "storage-open:p1"), Verdict::Breaks);
  EXPECT_EQ(sentence(cabinet(33), "storage-open:p1"),
            "The cabinet opens by 16 in; with room to stand before it 1 in are missing, as far as the table.");
}
Job fire(double away, std::optional<double> clear = std::nullopt) {
  Room room = *emptyRoom(240, 180).rooms[0];
  Feature hearth{FeatureId("hearth"),
                 FeatureKind::Hearth,
                 {{in(90), in(160)}, {in(150), in(160)}, {in(150), in(180)}, {in(90), in(180)}},
                 in(50),
                 std::nullopt};
  if (clear) hearth.clear = in(*clear);
  room.features.push_back(hearth);
  return with(withRoom(emptyRoom(240, 180), room).value(), seat("chair", "armchair", 30, 30), "p1", 120,
              160 - away - 15);
}
TEST(HeaterClear, HoldsAtThirtySix) { EXPECT_EQ(verdict(fire(36), "heater-clear:hearth,p1"), Verdict::Holds); }
TEST(HeaterClear, BreaksNearer) {
  const auto f = judged(fire(35), "heater-clear:hearth,p1");
  ASSERT_TRUE(f);
  EXPECT_EQ(f->verdict, Verdict::Breaks);
  EXPECT_EQ(f->weight, Weight::Must);
}
TEST(HeaterClear, TheMakersFigureGoesFirst) {
  EXPECT_EQ(verdict(fire(30, 28), "heater-clear:hearth,p1"), Verdict::Holds);
  EXPECT_EQ(verdict(fire(40, 48), "heater-clear:hearth,p1"), Verdict::Breaks);
}

// ---- sight
Job backTo(double turn, std::optional<double> screenHeight = std::nullopt) {
  Piece p = seat("sofa", "sofa", 84, 36);
  p.finish.edit().backFinished = false;
  Job job = with(twoArches(), p, "p1", 120, 90, turn);
  if (screenHeight) job = with(job, piece("screen", "console", 120, 10, *screenHeight), "p2", 120, 60);
  return job;
}
TEST(BackSeen, BreaksTowardsTheDoor) {
  EXPECT_EQ(verdict(backTo(180), "back-seen:p1"), Verdict::Breaks);
  EXPECT_EQ(sentence(backTo(180), "back-seen:p1"), "The unfinished back of the sofa is seen from the arch on wall A.");
}
TEST(BackSeen, HoldsTurnedFromIt) { EXPECT_EQ(verdict(backTo(0), "back-seen:p1"), Verdict::Holds); }
TEST(BackSeen, HoldsBehindSomethingAsHigh) { EXPECT_EQ(verdict(backTo(180, 60), "back-seen:p1"), Verdict::Holds); }
TEST(BackSeen, OverSomethingLowItIsSeen) { EXPECT_EQ(verdict(backTo(180, 12), "back-seen:p1"), Verdict::Breaks); }
TEST(BackSeen, IsSeenFromOutsideUnlessAWallIsThere) {
  Opening window = opening("w1", OpeningKind::Window, "C", 10, 60);
  window.sill = in(20);
  window.height = in(50);
  Job job = open(backTo(0), window);
  EXPECT_EQ(verdict(job, "back-seen:p1"), Verdict::Breaks);
  window.outside = Outside::Wall;
  EXPECT_EQ(verdict(open(backTo(0), window), "back-seen:p1"), Verdict::Holds);
}
TEST(BackSeen, OnlyUnfinishedBacksAreAsked) {
  EXPECT_FALSE(judged(with(twoArches(), seat("sofa", "sofa", 84, 36), "p1", 120, 90), "back-seen:p1"));
}

Job watching(double x, double distance) {
  // A television 50 in wide in the middle of wall C; the armchair's seat point `distance` from its picture.
  Piece tv = piece("tv", "television", 50, 2, 28);
  Job job = withPiece(emptyRoom(240, 240), tv).value();
  job = withPlacement(job, kScheme,
                      {PlacementId("t1"), tv.id, WallPlace{CornerId("C"), in(120), in(48), std::nullopt}, {}});
  // The seat point lies 10 in behind the front edge, that is 5 in before the middle of a chair 30 in deep.
  return with(job, seat("chair", "armchair", 30, 30), "p1", x, 240 - 2 - distance - 5, 180);
}
TEST(HeadTurn, HoldsStraightAhead) { EXPECT_EQ(verdict(watching(120, 90), "head-turn:p1,t1"), Verdict::Holds); }
TEST(HeadTurn, HoldsAtFortyFive) { EXPECT_EQ(verdict(watching(120 - 89.999, 90), "head-turn:p1,t1"), Verdict::Holds); }
TEST(HeadTurn, BreaksBeyondIt) { EXPECT_EQ(verdict(watching(120 - 92, 90), "head-turn:p1,t1"), Verdict::Breaks); }
TEST(ScreenDistance, HoldsInsideTheSchools) {
  EXPECT_EQ(verdict(watching(120, 75), "screen-distance:p1,t1"), Verdict::Holds);
}
TEST(ScreenDistance, HoldsAtTheFarthest) {
  EXPECT_EQ(verdict(watching(120, 50 * 1.866), "screen-distance:p1,t1"), Verdict::Holds);
}
TEST(ScreenDistance, BreaksTooFarAway) {
  const auto f = judged(watching(120, 110), "screen-distance:p1,t1");
  ASSERT_TRUE(f);
  EXPECT_EQ(f->verdict, Verdict::Breaks);
  EXPECT_NE(f->sentence.find("too small from there"), std::string::npos) << f->sentence;
}
TEST(ScreenDistance, ASchoolDecidesWhereOneWasChosen) {
  EXPECT_EQ(verdict(withSchool(watching(120, 60), "screen-distance", "b"), "screen-distance:p1,t1"), Verdict::Breaks);
}

Job upholstered(const char* a, const char* b, const char* c) {
  Job job = twoArches();
  const char* materials[] = {a, b, c};
  for (int i = 0; i < 3; ++i) {
    const std::string id = "chair" + std::to_string(i), at = "p" + std::to_string(i + 1);
    Piece p = seat(id.c_str(), "armchair", 30, 30);
    p.finish.edit().material = materials[i];
    job = with(job, p, at.c_str(), 80 + 40 * i, 120);
  }
  return job;
}
TEST(OneMaterial, HoldsWhereTheyDiffer) {
  EXPECT_EQ(verdict(upholstered("linen", "wool", "leather"), "one-material:parlour"), Verdict::Holds);
}
TEST(OneMaterial, BreaksWhereMostIsAlike) {
  EXPECT_EQ(verdict(upholstered("leather", "leather", "wool"), "one-material:parlour"), Verdict::Breaks);
  EXPECT_NE(sentence(upholstered("leather", "leather", "wool"), "one-material:parlour").find("leather"),
            std::string::npos);
}
TEST(OneMaterial, IsNotMeasuredWhileSomeAreUnknown) {
  EXPECT_EQ(verdict(upholstered("linen", "", "wool"), "one-material:parlour"), Verdict::NotMeasured);
}
TEST(OneMaterial, IsNotAskedWhereNothingWasSaid) {
  EXPECT_FALSE(judged(upholstered("", "", ""), "one-material:parlour"));
}

Job firstSight(bool rug, double backTurn) {
  Job job = with(open(emptyRoom(240, 180), opening("a1", OpeningKind::Arch, "A", 96, 48)),
                 seat("chair", "armchair", 30, 30, 44), "p1", 120, 120, backTurn);
  return rug ? with(job, piece("rug", "rug", 96, 60, 0.5), "p2", 120, 60) : job;
}
TEST(FirstSight, HoldsOverARug) {
  EXPECT_EQ(verdict(firstSight(true, 0), "first-sight:a1"), Verdict::Holds);
  EXPECT_EQ(sentence(firstSight(true, 0), "first-sight:a1"), "Coming in by the arch on wall A one first sees the rug.");
}
TEST(FirstSight, BreaksOnNothing) { EXPECT_EQ(verdict(firstSight(false, 0), "first-sight:a1"), Verdict::Breaks); }
TEST(FirstSight, BreaksOnATallBack) {
  EXPECT_EQ(sentence(firstSight(true, 180), "first-sight:a1"),
            "Coming in by the arch on wall A one first sees the back of the chair.");
}
TEST(FirstSight, APictureBesideTheLookDoesNotCount) {
  const double fifteen = 180 * 0.2679;  // tan 15
  Job job = firstSight(false, 0);
  EXPECT_EQ(verdict(hung(job, "art", "p3", 20, 20, 120 + fifteen + 14, 58, "C"), "first-sight:a1"), Verdict::Breaks);
  EXPECT_EQ(verdict(hung(job, "art", "p3", 20, 20, 120 + fifteen - 14, 58, "C"), "first-sight:a1"), Verdict::Holds);
}

// ---- states of use
TEST(UseStates, PulledOutChairsNarrowTheWay) {
  // A table in the way from arch to arch, its chairs pushed in: 240 - 84 leave 78 on each side.
  Job job = with(twoArches(), piece("dining", "dining-table", 36, 60), "p1", 120, 90);
  job = with(job, seat("chair", "chair", 18, 20), "p2", 120 + 18 + 6, 90, 270);
  job = with(job, seat("chair", "chair", 18, 20), "p3", 120 - 18 - 6, 90, 90);
  const auto everyday = judged(job, "way-main:a1,a2"), occupied = judged(job, "way-main:a1,a2", UseState::Occupied);
  ASSERT_TRUE(everyday && occupied);
  EXPECT_EQ(everyday->measured, in(48));
  EXPECT_EQ(occupied->measured, in(48));  // 78 less 24 beyond the edge: still wider than the arch
  job = with(job, piece("row", "console", 60, 12, 30), "p4", 30, 90);
  job = with(job, piece("row2", "console", 60, 12, 30), "p5", 210, 90);
  const auto pushed = judged(job, "way-main:a1,a2"), pulled = judged(job, "way-main:a1,a2", UseState::Occupied);
  EXPECT_GT(pushed->measured, in(25));
  EXPECT_NEAR(pulled->measured, in(240 / 2 - 60 - 18 - 24), 1);
}
TEST(UseStates, AStoolIsDrawnUpForAParty) {
  Job job = with(twoArches(), piece("pouf", "ottoman", 20, 20, 17), "p1", 230, 20);
  Scheme scheme = *job.schemes.front();
  scheme.placements[0].usedAt = FloorPlace{{in(120), in(90)}, 0};
  job = withScheme(job, scheme);
  const PieceIndex pieces(job);
  EXPECT_NEAR(bodiesInUse(pieces, *job.schemes[0], UseState::Everyday)[0].bounds.low.x, in(220), 1e-6);
  EXPECT_NEAR(bodiesInUse(pieces, *job.schemes[0], UseState::Party)[0].bounds.low.x, in(110), 1e-6);
}
TEST(UseStates, ATableIsExtendedForAParty) {
  Piece table = piece("dining", "dining-table", 60, 36);
  table.use.edit().extendsBy = in(24);
  const Job job = with(twoArches(), table, "p1", 120, 90);
  const PieceIndex pieces(job);
  const Box box = bodiesInUse(pieces, *job.schemes[0], UseState::Party)[0].bounds;
  EXPECT_NEAR(box.high.x - box.low.x, in(84), 1e-6);
}
TEST(UseStates, ADrawerLeftOpenIsInTheWayEveryDay) {
  Job job = with(twoArches(), piece("chest", "cabinet", 40, 20, 40), "p1", 120, 90);
  Scheme scheme = *job.schemes.front();
  scheme.placements[0].inUse = true;
  job = withScheme(job, scheme);
  const Box box = bodiesInUse(PieceIndex(job), *job.schemes[0], UseState::Everyday)[0].bounds;
  EXPECT_NEAR(box.low.y, in(80 - 18), 1e-6);
}

// ---- chairs round a table
TEST(Settings, StandWithTheirBacksAway) {
  const Piece table = piece("t", "dining-table", 72, 36), chair = piece("c", "chair", 18, 20);
  const auto settings = settingsAround(table, FloorPlace{{0, 0}, 0}, chair, kPlaceSetting, true, 99, in(2));
  ASSERT_EQ(settings.size(), 8U);
  int heads = 0;
  for (const Setting& s : settings) {
    heads += s.head;
    const FrontEdge front = seatFront(chair, s.chair);
    EXPECT_LT(dot(midpoint(front.left, front.right), front.outward) * -1, in(40));
    EXPECT_LT(dot(s.chair.at, front.outward), 0);  // it looks at the table's middle
  }
  EXPECT_EQ(heads, 2);
}
TEST(Settings, FollowTheTablesTurn) {
  const Piece table = piece("t", "dining-table", 72, 36), chair = piece("c", "chair", 18, 20);
  const auto straight = settingsAround(table, FloorPlace{{0, 0}, 0}, chair, kPlaceSetting, false, 99, 0);
  const auto turned = settingsAround(table, FloorPlace{{0, 0}, 90}, chair, kPlaceSetting, false, 99, 0);
  ASSERT_EQ(straight.size(), turned.size());
  for (std::size_t i = 0; i < straight.size(); ++i)
    EXPECT_NEAR(distance(rotated(straight[i].chair.at, turnOf(90)), turned[i].chair.at), 0, 1e-6);
}
TEST(Settings, OfAnOvalAreEvenAlongItsEdge) {
  Piece table = piece("t", "dining-table", 84, 44);
  table.shape = Shape::Oval;
  const auto settings =
      settingsAround(table, FloorPlace{{0, 0}, 0}, piece("c", "chair", 18, 20), kPlaceSetting, true, 6, 0);
  ASSERT_EQ(settings.size(), 6U);
  for (const Setting& s : settings)
    EXPECT_GT(distance(s.chair.at, settings[&s == &settings[0] ? 1 : 0].chair.at), in(18));
}
TEST(Settings, NoMoreThanAsked) {
  EXPECT_EQ(
      settingsAround(piece("t", "dining-table", 72, 36), {}, piece("c", "chair", 18, 20), kPlaceSetting, true, 4, 0)
          .size(),
      4U);
  EXPECT_TRUE(
      settingsAround(piece("t", "dining-table", 20, 20), {}, piece("c", "chair", 18, 20), kPlaceSetting, true, 4, 0)
          .empty());
}

// ---- bad rooms: a sentence, never a crash
TEST(BadRooms, PiecesPiledUpAreSaid) {
  Job job = twoArches();
  for (int i = 0; i < 40; ++i)
    job = with(job, seat("sofa", "sofa", 84, 36), ("p" + std::to_string(i)).c_str(), 120, 90, i * 9.0);
  const auto findings = checked(job);
  EXPECT_TRUE(std::any_of(findings.begin(), findings.end(),
                          [](const Finding& f) { return f.rule == "overlap" && f.verdict == Verdict::Breaks; }));
}
TEST(BadRooms, AHeapOfHundredsIsJudgedWithoutWaysOut) {
  Job job = twoArches();
  job = withPiece(job, seat("sofa", "sofa", 84, 36)).value();
  Scheme scheme = *job.schemes.front();
  for (int i = 0; i < 200; ++i)
    scheme.placements.push_back({PlacementId("p" + std::to_string(i)),
                                 PieceId("sofa"),
                                 FloorPlace{{in(100 + i % 14), in(80 + i % 9)}, i * 1.7},
                                 {}});
  job = withScheme(job, scheme);
  const auto findings = checked(job);
  EXPECT_GT(findings.size(), kHeap);
  const auto broken =
      std::find_if(findings.begin(), findings.end(), [](const Finding& f) { return f.rule == "overlap"; });
  ASSERT_NE(broken, findings.end());
  EXPECT_TRUE(waysOutOf(*broken, findings, job, builtInRulebook(), kScheme, IdSource(999), kInches, kEveryDay).empty());
}
TEST(BadRooms, PiecesOutsideAreSaid) {
  const Job job = with(twoArches(), seat("sofa", "sofa", 84, 36), "p1", 900, 900);
  EXPECT_EQ(verdict(job, "outside-room:p1"), Verdict::Breaks);
  EXPECT_EQ(verdict(job, "way-main:a1,p1"), Verdict::Breaks);
}
TEST(BadRooms, ASliverIsHandled) {
  const Job job = with(open(emptyRoom(400, 2), opening("a1", OpeningKind::Arch, "B", 0.1, 1.5)),
                       piece("strip", "console", 30, 1, 30), "p1", 200, 1);
  EXPECT_FALSE(checked(job).empty());
}
TEST(BadRooms, ADoorBlockedByABodyIsSaid) {
  const Job job = with(twoArches(), piece("block", "bookcase", 60, 12, 70), "p1", 120, 6);
  EXPECT_EQ(verdict(job, "way-main:a1,a2"), Verdict::Breaks);
}

}  // namespace floor_rules_test
}  // namespace mezzet
