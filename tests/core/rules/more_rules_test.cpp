// The rules beyond the first ones: for each a case that holds, one that breaks and one at the edge, in inches.
#include "core/edit/hangs.h"
#include "core/rules/check.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace more_rules_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

std::optional<Finding> judged(const Job& job, const std::string& id) {
  for (const Finding& f : check(job, builtInRulebook(), kScheme, kInches, kEveryDay))
    if (f.id == id) return f;
  return std::nullopt;
}
Piece sofa() {
  Piece p = piece("sofa", "sofa", 84, 36, 34);
  p.seat.edit().height = in(18);
  p.seat.edit().arm = in(25);
  p.seat.edit().back = in(34);
  return p;
}
/// A sofa along wall A and a table before it.
Job sitting(const Piece& table, double reach = 16) {
  return with(with(emptyRoom(), sofa(), "p1", 111, 19, 180), table, "p2", 111, 37 + reach + *table.depth / kInch / 2);
}
Piece lowTable(double width, double height) { return piece("table", "low-table", width, 24, height); }
Piece sideTable(double height) { return roundPiece("drum", "side-table", 18, height); }
Job withDoor(const Job& job, Opening door = {}) {
  door.id = OpeningId("d1");
  door.wall = CornerId("C");  // along the top: from (222, 150) towards (0, 150)
  door.offset = in(20);
  door.width = in(32);
  door.height = in(80);
  return withOpening(job, RoomId("parlour"), door).value();
}
Job withWindow(const Job& job, double sill) {
  Opening window;
  window.id = OpeningId("w1");
  window.kind = OpeningKind::Window;
  window.wall = CornerId("A");
  window.offset = in(80);
  window.width = in(60);
  window.sill = in(sill);
  window.height = in(40);
  return withOpening(job, RoomId("parlour"), window).value();
}
Job dining(double behind) {
  // A table 36 in deep; its far edge at y = 60; the chair stands on that side, its back to wall C.
  Job job = with(withSchool(emptyRoom(222, 60 + behind), "dining-wall", "a"),
                 piece("dining", "dining-table", 72, 36, 30), "p1", 111, 42);
  return with(job, piece("chair", "chair", 18, 20, 34), "p2", 111, 60 + 6);
}
Job rugged(double rugDepth, double rugWidth = 96) {
  // The rug's near edge lies rugDepth before the sofa's back.
  Job job = sitting(lowTable(52, 17));
  return with(job, piece("rug", "rug", rugWidth, 80, 0.25), "p3", 111, rugDepth + 40);
}

struct Case {
  const char* name;
  Job job;
  const char* finding;
  Verdict verdict;
  double measured;  ///< inches, or the quantity itself
};
void PrintTo(const Case& c, std::ostream* out) { *out << c.name; }

std::vector<Case> cases() {
  std::vector<Case> all;
  const auto add = [&](const char* name, const Job& job, const char* finding, Verdict verdict, double measured) {
    all.push_back({name, job, finding, verdict, measured});
  };
  const Verdict holds = Verdict::Holds, breaks = Verdict::Breaks;
  // A bed for two, its head at wall A: the narrower side counts; of a narrow one the wider.
  const auto bed = [](double width, double x) {
    return with(emptyRoom(), piece("bed", "bed", width, 80), "p1", x, 40, 180);
  };
  add("BedSideToPass", bed(60, 24 + 30), "bed-side:p1", holds, 24);
  add("BedSideTooNarrow", bed(60, 22 + 30), "bed-side:p1", breaks, 22);
  add("BedSideOfANarrowBedAgainstTheWall", bed(36, 18), "bed-side:p1", holds, 222 - 36);
  // A desk that faces the room, a bookcase behind its chair.
  const auto desk = [](double behind) {
    const Job job = with(emptyRoom(), piece("desk", "desk", 55, 28), "p1", 111, 14, 180);
    return with(with(job, piece("case", "bookcase", 36, 12), "p2", 111, 28 + behind + 6),
                piece("chair", "chair", 18, 20), "p3", 111, 28 + 8);
  };
  add("DeskChairHasRoom", desk(36), "desk-chair:p1", holds, 36);
  add("DeskChairHasNone", desk(30), "desk-chair:p1", breaks, 30);
  add("TableLevelALittleBelow", sitting(lowTable(52, 17)), "table-level:p1,p2", holds, -1);
  add("TableLevelTooHigh", sitting(lowTable(52, 21)), "table-level:p1,p2", breaks, 3);
  add("TableLevelTooLow", sitting(lowTable(52, 15)), "table-level:p1,p2", breaks, -3);
  add("TableLevelAtItsEdge", sitting(lowTable(52, 20)), "table-level:p1,p2", holds, 2);

  add("TableLengthTwoThirds", sitting(lowTable(56, 17)), "table-length:p1,p2", holds, 56.0 / 84);
  add("TableLengthTooShort", sitting(lowTable(40, 17)), "table-length:p1,p2", breaks, 40.0 / 84);
  add("TableLengthAtItsEdge", sitting(lowTable(42, 17)), "table-length:p1,p2", holds, 0.5);

  const Job noTable = with(emptyRoom(), sofa(), "p1", 111, 19, 180);
  add("SeatServedByTheLowTable", sitting(lowTable(52, 17), 16), "served-seats:p1", holds, 1);
  add("SeatServedAtTheEndOfReach", sitting(lowTable(52, 17), 18), "served-seats:p1", holds, 1);
  add("SeatTooFarFromTheTable", sitting(lowTable(52, 17), 24), "served-seats:p1", breaks, 0);
  add("SeatServedFromTheSide", with(noTable, sideTable(24), "p2", 111 + 42 + 12 + 9, 19), "served-seats:p1", holds, 1);
  add("SeatWithASideTableTooFar", with(noTable, sideTable(24), "p2", 111 + 42 + 12.5 + 9, 19), "served-seats:p1",
      breaks, 0);
  add("SeatWithNothing", noTable, "served-seats:p1", breaks, 0);

  const auto beside = [&](double height) { return with(noTable, sideTable(height), "p2", 111 + 42 + 4 + 9, 19); };
  add("SideTableLevel", beside(24), "side-table-level:p1,p2", holds, -1);
  add("SideTableAboveTheArm", beside(26), "side-table-level:p1,p2", breaks, 1);
  add("SideTableAtItsEdge", beside(21), "side-table-level:p1,p2", holds, -4);

  add("DiningRoomBehind", dining(44), "dining-wall:p1,p2", holds, 44);
  add("DiningTooNear", dining(34), "dining-wall:p1,p2", breaks, 34);
  add("DiningAtItsEdge", dining(36), "dining-wall:p1,p2", holds, 36);
  add("DiningToABodyBehind", with(dining(60), piece("case", "bookcase", 60, 12, 72), "p3", 111, 60 + 30 + 6),
      "dining-wall:p1,p2", breaks, 30);

  const auto over = [&](double width, double v = 58) {
    return hung(sitting(lowTable(52, 17)), "print", "p4", width, 24, 111, v);
  };
  add("ArtWidthTwoThirds", over(56), "art-width:p1,p4", holds, 56.0 / 84);
  add("ArtTooNarrow", over(30), "art-width:p1,p4", breaks, 30.0 / 84);
  add("ArtWidthAtItsEdge", over(42), "art-width:p1,p4", holds, 0.5);

  const auto mirrorOver = [&](double width) {
    Job job = with(emptyRoom(), piece("board", "sideboard", 60, 18, 34), "p1", 111, 9, 180);
    job = hung(job, "glass", "p2", width, 30, 111, 60);
    Piece mirror = *findPiece(job, PieceId("glass"));
    mirror.kind = "mirror";
    return withPiece(job, mirror).value();
  };
  add("MirrorTwoThirds", mirrorOver(40), "two-thirds:p1,p2", holds, 40.0 / 60);
  add("MirrorTooWide", mirrorOver(54), "two-thirds:p1,p2", breaks, 0.9);
  add("MirrorAtItsEdge", mirrorOver(51), "two-thirds:p1,p2", holds, 0.85);

  // What hangs nearer than 6 in is one with it, unless it is apart.
  const auto besideArt = [&](double gap) {
    return withApart(hung(over(40), "second", "p5", 20, 24, 111 + 20 + gap + 10, 58), kScheme, PlacementId("p5"), true);
  };
  add("BreathingBesideIt", besideArt(10), "side-breathing:p4", holds, 10);
  add("TooNearItsNeighbour", besideArt(4), "side-breathing:p4", breaks, 4);
  add("BreathingAtItsEdge", besideArt(6), "side-breathing:p4", holds, 6);
  add("TooNearTheWallsEnd", hung(emptyRoom(), "print", "p4", 40, 24, 23, 58), "side-breathing:p4", breaks, 3);

  // Ceiling 96, back 34, frame 24: centre at 58 leaves 26 above and 12 below.
  add("MoreRoomAboveThanBelow", over(56, 58), "top-breathing:p1,p4", holds, 26 - 12);
  add("LessRoomAboveThanBelow", over(56, 70), "top-breathing:p1,p4", breaks, 14 - 24);
  add("AsMuchRoomAboveAsBelow", over(56, 65), "top-breathing:p1,p4", holds, 0);

  add("RugUnderTheFrontFeet", rugged(20), "rug-feet:p1,p3", holds, 1);
  add("RugUnderAllFeet", rugged(1), "rug-feet:p1,p3", holds, 2);
  add("RugLikeABathMat", rugged(40), "rug-feet:p1,p3", breaks, 0);
  add("RugJustUnderTheFrontFeet", rugged(35), "rug-feet:p1,p3", holds, 1);

  // Worked (common practice, the pull and the feet's inset defaults of ours): a table 40 x 72, chairs 18 x 20. Rear
  // feet of a chair pulled out stand 22 in from the table's edge.
  const auto dinedOn = [&](double width, double depth) {
    Job job = with(emptyRoom(200, 200), piece("dining", "dining-table", 40, 72, 30), "p1", 100, 100);
    job = with(job, piece("side", "chair", 18, 20, 34), "p2", 100 + 20 + 6, 100, 270);
    job = with(job, piece("head", "chair", 18, 20, 34), "p3", 100, 100 + 36 + 6, 0);
    return with(job, piece("rug", "rug", width, depth, 0.25), "p4", 100, 100);
  };
  add("ChairsOnALargeRug", dinedOn(96, 120), "rug-chair:p2,p4", holds, 6);
  add("TheHeadOnALargeRug", dinedOn(96, 120), "rug-chair:p3,p4", holds, 2);
  add("ChairsOffASmallRug", dinedOn(72, 108), "rug-chair:p2,p4", breaks, -6);
  add("TheHeadOffASmallRug", dinedOn(72, 108), "rug-chair:p3,p4", breaks, -4);
  add("ChairsToTheRugsEdge", dinedOn(84, 116), "rug-chair:p2,p4", holds, 0);

  const auto bordered = [&](double gap) {
    return with(emptyRoom(), piece("rug", "rug", 222 - 2 * gap, 100, 0.25), "p1", 111, 75);
  };
  add("BorderOfBareFloor", bordered(12), "rug-border:p1,wall:B", holds, 12);
  add("BorderTooNarrow", bordered(5), "rug-border:p1,wall:B", breaks, 5);
  add("BorderAtItsEdge", bordered(18), "rug-border:p1,wall:D", holds, 18);

  // The door is on wall C, hinged at x = 202, the leaf sweeps from x = 170 to 202 and 32 in into the room.
  const auto inSwing = [&](double y) {
    return with(withDoor(emptyRoom()), piece("board", "sideboard", 10, 10, 34), "p1", 202 - 5, y);
  };
  add("DoorSwingsClear", inSwing(150 - 32 - 6 - 5), "door-swing:d1,p1", holds, 6);
  add("DoorIsBlocked", inSwing(150 - 20 - 5), "door-swing:d1,p1", breaks, -10);  // sideways, past the open leaf
  add("DoorJustClears", inSwing(150 - 32 - 5), "door-swing:d1,p1", holds, 0);

  const auto underLeaf = [&](double thick) {
    return with(withDoor(emptyRoom()), piece("rug", "rug", 60, 60, thick), "p1", 190, 120);
  };
  const double leaf = 10 / kInch;
  add("RugUnderTheLeaf", underLeaf(0.125), "door-rug:d1,p1", holds, leaf - 0.125);
  add("RugStopsTheDoor", underLeaf(0.5), "door-rug:d1,p1", breaks, leaf - 0.5);
  add("RugJustPassesTheLeaf", underLeaf(leaf - 0.125), "door-rug:d1,p1", holds, 0.125);

  const auto before = [&](double sill, double away = 1) {
    return with(withWindow(emptyRoom(), sill), sofa(), "p1", 111, 18 + away, 180);
  };
  add("BackBelowTheSill", before(36), "window-block:p1,w1", holds, 2);
  add("BackAboveTheSill", before(30), "window-block:p1,w1", breaks, -4);
  add("BackLevelWithTheSill", before(34), "window-block:p1,w1", holds, 0);
  return all;
}

class Rules : public testing::TestWithParam<Case> {};
TEST_P(Rules, AreJudged) {
  const Case& c = GetParam();
  const auto f = judged(c.job, c.finding);
  ASSERT_TRUE(f) << c.finding;
  EXPECT_EQ(f->verdict, c.verdict) << f->sentence;
  EXPECT_NEAR(f->quantity == Quantity::Length ? f->measured / kInch : f->measured, c.measured, 1e-6) << f->sentence;
  EXPECT_EQ(f->margin >= -0.01, f->verdict != Verdict::Breaks);
  EXPECT_FALSE(f->sentence.empty());
}
INSTANTIATE_TEST_SUITE_P(More, Rules, testing::ValuesIn(cases()),
                         [](const auto& c) { return std::string(c.param.name); });

TEST(Rules, ASideTableTakesOverFromATableTooFarAway) {
  Job job = with(sitting(lowTable(52, 17), 30), sideTable(24), "p3", 111 + 42 + 4 + 9, 19);
  EXPECT_FALSE(judged(job, "table-reach:p1,p2"));
  EXPECT_EQ(judged(job, "served-seats:p1")->verdict, Verdict::Holds);
}
TEST(Rules, AWindowFurtherAwayThanAYardIsNotBlocked) {
  const Job job = with(withWindow(emptyRoom(), 20), sofa(), "p1", 111, 18 + 36.5, 180);
  EXPECT_FALSE(judged(job, "window-block:p1,w1"));
}
TEST(Rules, ADoorThatOpensOutwardTakesNoRoom) {
  Opening out;
  out.swing = Swing::Out;
  const Job job = with(withDoor(emptyRoom(), out), piece("board", "sideboard", 10, 10, 34), "p1", 190, 140);
  EXPECT_FALSE(judged(job, "door-swing:d1,p1"));
}

// ---- what was not measured is said, by name
struct Missing {
  const char* name;
  const char* finding;
  const char* what;
  Job job;
};
void PrintTo(const Missing& m, std::ostream* out) { *out << m.name; }
std::vector<Missing> missingCases() {
  Piece table = lowTable(52, 17), noSeat = sofa(), drum = sideTable(24), noArm = sofa(),
        rug = piece("rug", "rug", 60, 60), unknown = sofa();
  table.height.reset();
  noSeat.seat.edit().height.reset();
  drum.height.reset();
  noArm.seat.edit().arm.reset();
  rug.height.reset();
  unknown.height.reset();
  unknown.seat.edit().back.reset();
  const auto beside = [](const Piece& seat, const Piece& t) {
    return with(with(emptyRoom(), seat, "p1", 111, 19, 180), t, "p2", 111 + 42 + 4 + 9, 19);
  };
  const Job above = hung(with(emptyRoom(), unknown, "p1", 111, 19, 180), "print", "p4", 56, 24, 111, 58);
  return {{"TableHeight", "table-level:p1,p2", "table.height", sitting(table)},
          {"SeatHeight", "table-level:p1,p2", "sofa.seatHeight",
           with(with(emptyRoom(), noSeat, "p1", 111, 19, 180), lowTable(52, 17), "p2", 111, 65)},
          {"SideTableHeight", "side-table-level:p1,p2", "drum.height", beside(sofa(), drum)},
          {"ArmHeight", "side-table-level:p1,p2", "sofa.armHeight", beside(noArm, sideTable(24))},
          {"RugThickness", "door-rug:d1,p1", "rug.height", with(withDoor(emptyRoom()), rug, "p1", 190, 120)},
          {"BackBeforeAWindow", "window-block:p1,w1", "sofa.height",
           with(withWindow(emptyRoom(), 30), unknown, "p1", 111, 19, 180)},
          {"TopBelowAPicture", "top-breathing:p1,p4", "sofa.height", above}};
}
class NotMeasured : public testing::TestWithParam<Missing> {};
TEST_P(NotMeasured, SaysWhatIsMissing) {
  const auto f = judged(GetParam().job, GetParam().finding);
  ASSERT_TRUE(f);
  EXPECT_EQ(f->verdict, Verdict::NotMeasured);
  EXPECT_EQ(f->missing, std::vector<std::string>{GetParam().what});
}
INSTANTIATE_TEST_SUITE_P(More, NotMeasured, testing::ValuesIn(missingCases()),
                         [](const auto& c) { return std::string(c.param.name); });

// ---- doubt reaches the verdict
TEST(Doubt, OfATicketMakesACloseCall) {
  Piece table = lowTable(52, 17);
  Job job = sitting(table, 17.5);
  EXPECT_EQ(judged(job, "table-reach:p1,p2")->verdict, Verdict::Holds);
  table.doubts["depth"] = {DimensionSource::Ticket, in(0.75)};
  const auto f = judged(withPiece(job, table).value(), "table-reach:p1,p2");
  EXPECT_EQ(f->verdict, Verdict::Close);
  EXPECT_NEAR(f->u95, in(0.75), 1e-9);
}
TEST(Doubt, OfTwoPiecesAddsInQuadrature) {
  Piece table = lowTable(52, 17), seat = sofa();
  table.doubts["height"] = {DimensionSource::Ticket, in(0.3)};
  seat.doubts["seatHeight"] = {DimensionSource::Guess, in(0.4)};
  const Job job = withPiece(withPiece(sitting(table), table).value(), seat).value();
  EXPECT_NEAR(judged(job, "table-level:p1,p2")->u95, in(0.5), 1e-9);
}
TEST(Doubt, AcrossTheTapeDoesNotCount) {
  Piece table = lowTable(52, 17);
  table.doubts["width"] = {DimensionSource::Ticket, in(2)};
  const Job job = withPiece(sitting(table), table).value();
  EXPECT_EQ(judged(job, "table-reach:p1,p2")->u95, 0);
}

// A bench across the corner of what lies before the window: its box would overlap, it does not. Window on A at x 80 to
// 140.
TEST(WindowBlock, ATurnedBodyIsJudgedByItselfRatherThanItsBox) {
  const auto bench = [](double x) {
    return with(withWindow(emptyRoom(), 20), piece("bench", "console", 60, 10, 30), "p1", x, 30, 135);
  };
  EXPECT_FALSE(judged(bench(155), "window-block:p1,w1"));
  ASSERT_TRUE(judged(bench(150), "window-block:p1,w1"));
  EXPECT_EQ(judged(bench(150), "window-block:p1,w1")->verdict, Verdict::Breaks);
}

// ---- a rule bent for one piece
TEST(OwnRule, OfAPieceGoesBeforeTheHouse) {
  Piece seat = sofa();
  seat.ownRules["table-reach"] = {std::nullopt, Range{std::nullopt, in(26)}};
  const Job job = withPiece(sitting(lowTable(52, 17), 24), seat).value();
  EXPECT_EQ(judged(job, "table-reach:p1,p2")->verdict, Verdict::Holds);
  seat.ownRules["table-reach"] = {"b", std::nullopt};
  const Job other = withPiece(sitting(lowTable(52, 17), 13), seat).value();
  EXPECT_EQ(judged(other, "table-reach:p1,p2")->verdict, Verdict::Breaks);
  EXPECT_EQ(judged(other, "table-reach:p1,p2")->school, "b");
}

// ---- margins of what is no length carry the change of length
TEST(MarginOfLength, OfARatioIsTheChangeOfWidth) {
  const auto f = judged(sitting(lowTable(40, 17)), "table-length:p1,p2");
  EXPECT_NEAR(*f->marginMm, in(40 - 42), 1e-6);
}
TEST(MarginOfLength, OfFeetIsHowFarTheyStandOff) {
  EXPECT_NEAR(*judged(rugged(40), "rug-feet:p1,p3")->marginMm, in(-5), 1e-6);
}

}  // namespace more_rules_test
}  // namespace mezzet
