// Floor rules against published figures and worked checks, as remembered where the line says so.
#include <gtest/gtest.h>

#include <cmath>

#include "core/use/dining.h"
#include "core/rules/check.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace floor_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

Verdict verdict(const Job& job, const std::string& id) {
  const RouteFacts routes = routeFactsOf(job, kScheme, UseState::Everyday);
  for (const Finding& f : check(job, builtInRulebook(), kScheme, kInches, {UseState::Everyday, &routes}))
    if (f.id == id) return f.verdict;
  ADD_FAILURE() << "no " << id;
  return Verdict::NotMeasured;
}
Job arches(double width, double depth) {
  Job job = emptyRoom(width, depth);
  for (const char* wall : {"A", "C"}) {
    Opening o;
    o.id = OpeningId(std::string("a") + wall);
    o.kind = OpeningKind::Arch;
    o.wall = CornerId(wall);
    o.offset = in(width / 2 - 20);
    o.width = in(40);
    o.height = in(84);
    job = withOpening(job, RoomId("parlour"), o).value();
  }
  job.brief.access = true;
  return job;
}

// Source: 2010 ADA Standards 403.5.1 with its exception, as remembered: 36 in, 32 in for at most 24 in. Worked checks
// of the reference list: a corridor of 36 in with a bookcase that narrows it to 32 in for 24 in passes; for 25 in it
// fails; to 33 in for 30 in it fails.
struct Corridor {
  const char* name;
  double width, narrow, length;
  Verdict verdict;
};
void PrintTo(const Corridor& c, std::ostream* out) { *out << c.name; }
class AccessRoute : public testing::TestWithParam<Corridor> {};
TEST_P(AccessRoute, IsJudgedAsPublished) {
  const Corridor& c = GetParam();
  Job job = arches(c.width, 160);
  if (c.narrow > 0)
    job = with(job, piece("case", "bookcase", c.width - c.narrow, c.length, 70), "p1", (c.width - c.narrow) / 2, 80);
  EXPECT_EQ(verdict(job, "ada-2010-403.5.1:aA,aC"), c.verdict);
}
INSTANTIATE_TEST_SUITE_P(Corridors, AccessRoute,
                         testing::Values(Corridor{"Free", 42, 0, 0, Verdict::Holds},
                                         Corridor{"ShortPinch", 42, 32, 24, Verdict::Holds},
                                         Corridor{"TooLong", 42, 32, 25, Verdict::Breaks},
                                         Corridor{"LongAtThirtyThree", 42, 33, 30, Verdict::Breaks},
                                         Corridor{"TooNarrow", 42, 31, 10, Verdict::Breaks}),
                         [](const auto& i) { return std::string(i.param.name); });

// Source: 304.3.1, as remembered: a circle of 60 in. In inches: 1524 mm is enough, although the metric column prints
// 1525.
TEST(AccessTurn, SixtyInchesAreEnough) {
  EXPECT_EQ(verdict(arches(60, 200), "ada-2010-304.3.1:parlour"), Verdict::Holds);
}
TEST(AccessTurn, FifteenHundredMillimetresAreNot) {
  EXPECT_EQ(verdict(arches(1500 / kInch, 200), "ada-2010-304.3.1:parlour"), Verdict::Breaks);
}

// Source: 404.2.3, as remembered: 32 in between the face of the leaf, open at a right angle, and the stop.
TEST(AccessDoor, IsMeasuredBesideItsLeaf) {
  const auto door = [](double width) {
    Job job = emptyRoom(200, 160);
    Opening o;
    o.id = OpeningId("d1");
    o.wall = CornerId("A");
    o.offset = in(80);
    o.width = in(width);
    o.height = in(80);
    o.leafThickness = in(2);
    job = withOpening(job, RoomId("parlour"), o).value();
    job.brief.access = true;
    return job;
  };
  EXPECT_EQ(verdict(door(34), "ada-2010-404.2.3:d1"), Verdict::Holds);
  EXPECT_EQ(verdict(door(33.9), "ada-2010-404.2.3:d1"), Verdict::Breaks);
}

// Source: NKBA Kitchen Planning Guideline 9 (24 in a diner), as remembered; the counts are computed in the reference
// list: round floor(pi d / 24) gives 36 -> 4, 42 -> 5, 48 -> 6, 54 -> 7, 60 -> 7, 72 -> 9; at 30 in 3, 4, 5, 5, 6, 7; a
// 36 x 72 in table 8.
struct Count {
  double diameter;
  int at24, at30;
};
class RoundTable : public testing::TestWithParam<Count> {};
TEST_P(RoundTable, SeatsAsComputed) {
  const Piece table = roundPiece("t", "dining-table", GetParam().diameter);
  EXPECT_EQ(placesAt(table, in(24), true), GetParam().at24);
  EXPECT_EQ(placesAt(table, in(30), true), GetParam().at30);
}
INSTANTIATE_TEST_SUITE_P(Diameters, RoundTable,
                         testing::Values(Count{36, 4, 3}, Count{42, 5, 4}, Count{48, 6, 5}, Count{54, 7, 5},
                                         Count{60, 7, 6}, Count{72, 9, 7}));
TEST(RectangularTable, SeatsAsComputed) {
  EXPECT_EQ(placesAt(piece("t", "dining-table", 72, 36), in(24), true), 8);
  Piece metric = piece("t", "dining-table", 1800 / kInch, 900 / kInch);
  EXPECT_EQ(placesAt(metric, 600, true), 8);
}

// Source: SMPTE EG 18-1994 (30 degrees), cinema practice (40), ITU-R BT.2022 (one line a minute of arc), as remembered;
// the figures below are computed from their formulas in the reference list.
TEST(ViewingFormulas, AreTheSchoolsLimits) {
  const Rule& rule = *findRule(builtInRulebook(), "screen-distance");
  const auto distance = [](double degrees) { return 1 / (2 * std::tan(degrees / 2 * 3.14159265358979323846 / 180)); };
  EXPECT_NEAR(*findSchool(rule, "a")->tolerated.high, distance(30), 1e-6);
  EXPECT_NEAR(*findSchool(rule, "b")->tolerated.low, distance(40), 1e-6);
  EXPECT_NEAR(*findSchool(rule, "b")->tolerated.high, distance(36), 1e-6);
  EXPECT_NEAR(*findSchool(rule, "c")->tolerated.low, 1.6 * 9 / 16, 1e-9);
  EXPECT_NEAR(*findSchool(rule, "c")->tolerated.high, 3.2 * 9 / 16, 1e-9);
}
// A 75 in screen (1660.4 mm wide) seen from 2.7 m spans 34.18 degrees.
TEST(ViewingFormulas, TheAngleOfAKnownScreen) {
  EXPECT_NEAR(2 * std::atan(0.5 / (2700 / 1660.4)) * 180 / 3.14159265358979323846, 34.18, 0.01);
}

}  // namespace floor_test
}  // namespace mezzet
