#include "core/decide/compare.h"

#include <random>

#include "core/decide/adding.h"
#include "core/decide/ways_out.h"
#include "io/json/rulebook_json.h"
#include "support/findings.h"
#include "support/rooms.h"

namespace mezzet {
namespace compare_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};

Piece sofa() {
  Piece p = piece("sofa", "sofa", 84, 36, 34);
  p.seat.edit().height = in(18);
  p.seat.edit().arm = in(25);
  return p;
}
Job sitting(double reach = 16) {
  return with(with(emptyRoom(), sofa(), "p1", 111, 19, 180), piece("table", "low-table", 52, 24, 17), "p2", 111,
              37 + reach + 12);
}
struct Two {
  Job job;
  SchemeId copy;
};
Two copied(const Job& job) {
  IdSource ids(50);
  Two two;
  two.job = withSchemeCopied(job, SchemeId("s1"), "B", ids, two.copy);
  return two;
}
PlacementId placed(const Two& two, const char* pieceId) {
  for (const Placement& p : findScheme(two.job, two.copy)->placements)
    if (p.piece.value == pieceId) return p.id;
  return {};
}
std::vector<std::string> differ(const Two& two) {
  return differences(two.job, builtInRulebook(), SchemeId("s1"), two.copy, kInches, kEveryDay);
}

TEST(Compare, ACopyDiffersInNothing) { EXPECT_TRUE(differ(copied(sitting())).empty()); }
TEST(Compare, ATableNearerIsSaidInMeasures) {
  Two two = copied(sitting(16));
  two.job = mezzet::placed(two.job, two.copy, placed(two, "table"), FloorPlace{{in(111), in(37 + 14 + 12)}, 0});
  const auto lines = differ(two);
  EXPECT_NE(std::find(lines.begin(), lines.end(), "Table: 2 in nearer to the sofa"), lines.end());
  EXPECT_NE(std::find(lines.begin(), lines.end(), "Table: 2 in down the plan"), lines.end());
}
TEST(Compare, FreeFloorDiffersByWhatTheToldFiguresDiffer) {
  std::printf("seed 12\n");
  std::mt19937 random(12);
  int told = 0;
  for (int i = 0; i < 60; ++i) {
    Two two = copied(sitting());
    const double wide = std::uniform_real_distribution(10.0, 60.0)(random);
    two.job = withPiece(two.job, piece("box", "console", wide, 15)).value();
    two.job =
        withPlacement(two.job, two.copy, {PlacementId("box"), PieceId("box"), FloorPlace{{in(60), in(120)}, 0}, {}});
    const auto floorIn = [&](const SchemeId& id) {
      const auto words = figureWords(judged(two.job, builtInRulebook(), id, kInches, kEveryDay).figures,
                                     *two.job.rooms.front(), Unit::Inch, kInches);
      for (const std::string& w : words)
        if (w.starts_with("free floor ")) return std::stod(w.substr(11));
      return 0.0;
    };
    for (const std::string& line : differ(two))
      if (line.starts_with("Free floor: ")) {
        ++told;
        EXPECT_NEAR(std::stod(line.substr(12)), floorIn(SchemeId("s1")) - floorIn(two.copy), 1e-6) << line;
      }
  }
  EXPECT_EQ(told, 60);
}
TEST(Compare, AFreedWallIsSaidInMeasures) {
  Two two = copied(sitting());
  two.job = mezzet::placed(two.job, two.copy, placed(two, "sofa"), FloorPlace{{in(111 + 18), in(19)}, 180});
  const auto lines = differ(two);
  EXPECT_NE(std::find(lines.begin(), lines.end(), "Free wall on A: 18 in longer"), lines.end());
}
// Wall A is 222 in long. The sofa, 34 in high, leaves the wall above it free; a bookcase 40 in wide does not.
TEST(Compare, FreeWallAboveLowThingsCountsWhatIsTallAndWhatHangs) {
  const auto above = [](const Job& job) {
    return figuresOf(job, builtInRulebook(), SchemeId("s1"), kInches, kEveryDay).freeAbove.front().second / kInch;
  };
  EXPECT_NEAR(above(sitting()), 222, 1e-9);
  EXPECT_NEAR(above(with(sitting(), piece("case", "bookcase", 40, 12, 72), "p3", 20, 6, 180)), 182, 1e-9);
  EXPECT_NEAR(above(hung(sitting(), "print", "p4", 42, 30, 90, 58)), 111, 1e-9);
}
TEST(Compare, AThingThatStandsInOneOnlyIsNamed) {
  Two two = copied(sitting());
  two.job = withoutPlacement(two.job, two.copy, placed(two, "table"));
  const auto lines = differ(two);
  EXPECT_NE(std::find(lines.begin(), lines.end(), "Table: only in A"), lines.end());
}
TEST(Compare, FiguresCountFreeFloor) {
  const SchemeFigures f = figuresOf(sitting(), builtInRulebook(), SchemeId("s1"), kInches, kEveryDay);
  EXPECT_NEAR(f.freeFloor, in(222) * in(150) - in(84) * in(36) - in(52) * in(24), 1);
  EXPECT_EQ(f.seats, 3);
}

TEST(CopiedScheme, KeepsWhatWasKeptOnPurpose) {
  Job job = sitting(24);
  job = withKept(job, SchemeId("s1"), {"table-reach:p1,p2", "room to pass", in(-6), "2026-01-01"});
  const Two two = copied(job);
  int reaches = 0;
  for (const Finding& f : check(two.job, builtInRulebook(), two.copy, kInches, kEveryDay)) {
    if (f.rule != "table-reach") continue;
    ++reaches;
    EXPECT_EQ(f.verdict, Verdict::Kept);
  }
  EXPECT_EQ(reaches, 1);
}

TEST(Tray, HoldsWhatIsNotPlaced) {
  Job job = sitting();
  Piece chair = piece("chair", "chair", 18, 20);
  chair.count = 4;
  job = with(job, chair, "p5", 30, 120);
  const auto tray = trayOf(job, SchemeId("s1"));
  ASSERT_EQ(tray.size(), 1u);
  EXPECT_EQ(tray[0].piece.value, "chair");
  EXPECT_EQ(tray[0].left, 3);
}
TEST(Tray, LeavesOutVariants) {
  Job job = sitting();
  Piece variant = sofa();
  variant.id = PieceId("wide");
  variant.variantOf = PieceId("sofa");
  job = repointed(withPiece(job, variant).value(), SchemeId("s1"), PlacementId("p1"), variant.id);
  EXPECT_TRUE(trayOf(job, SchemeId("s1")).empty());
}

// ---- ways out of the newer rules, each re-checked
std::vector<WayOut> waysFor(const Job& job, const std::string& id) {
  const auto findings = check(job, builtInRulebook(), SchemeId("s1"), kInches, kEveryDay);
  for (const Finding& f : findings)
    if (f.id == id)
      return waysOutOf(f, findings, job, builtInRulebook(), SchemeId("s1"), IdSource(100), kInches, kEveryDay);
  return {};
}
bool holdsAfter(const WayOut& way, const std::string& id) {
  return verdictIn(check(way.job, builtInRulebook(), SchemeId("s1"), kInches, kEveryDay), id) == Verdict::Holds;
}
TEST(WaysOutOfNewRules, ASeatGetsASideTable) {
  const Job job = with(emptyRoom(), sofa(), "p1", 111, 19, 180);
  const auto ways = waysFor(job, "served-seats:p1");
  ASSERT_FALSE(ways.empty());
  EXPECT_EQ(ways[0].sentence, "Stand a side table 18 in across at its arm");
  EXPECT_TRUE(holdsAfter(ways[0], "served-seats:p1"));
}
TEST(WaysOutOfNewRules, ARugOfTheNextStockSizeReachesTheFeet) {
  const Job job = with(sitting(), piece("rug", "rug", 96, 60, 0.25), "p3", 111, 40 + 30);
  const auto ways = waysFor(job, "rug-feet:p1,p3");
  bool larger = false;
  for (const WayOut& way : ways) {
    EXPECT_TRUE(holdsAfter(way, "rug-feet:p1,p3")) << way.sentence;
    larger = larger || way.id == "larger-rug";
  }
  EXPECT_TRUE(larger);
}
TEST(WaysOutOfNewRules, ABodyLeavesTheSwing) {
  Opening door;
  door.id = OpeningId("d1");
  door.wall = CornerId("C");
  door.offset = in(20);
  door.width = in(32);
  door.height = in(80);
  const Job room = withOpening(emptyRoom(), RoomId("parlour"), door).value();
  const auto ways = waysFor(with(room, piece("board", "sideboard", 10, 10), "p1", 197, 125), "door-swing:d1,p1");
  ASSERT_FALSE(ways.empty());
  for (const WayOut& way : ways) EXPECT_TRUE(holdsAfter(way, "door-swing:d1,p1")) << way.sentence;
}

}  // namespace compare_test
}  // namespace mezzet
