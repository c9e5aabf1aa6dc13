#include <random>

#include "core/space/gaps.h"
#include "core/space/tapes.h"

#include "support/rooms.h"

namespace mezzet {
namespace clearance_test {
using namespace test;

const PlacementId kSofa("p1"), kTable("p2");
const SchemeId kScheme("s1");

/// A sofa with its back to wall A and a table before it.
Job sitting(double reach = 16) {
  Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36), "p1", 111, 18, 180);
  return with(job, piece("table", "low-table", 52, 24), "p2", 111, 36 + reach + 12);
}
const Gap* gap(const std::vector<Gap>& gaps, const std::string& a, const std::string& b) {
  for (const Gap& g : gaps)
    if (g.a == a && g.b == b) return &g;
  return nullptr;
}

TEST(Gaps, AscendAndNameWhatTheyAreBetween) {
  const auto gaps = gapsIn(sitting(), scheme(sitting()), kGapListCap);
  ASSERT_GE(gaps.size(), 3u);
  for (std::size_t i = 1; i < gaps.size(); ++i) EXPECT_LE(gaps[i - 1].length, gaps[i].length);
  EXPECT_NEAR(gap(gaps, "p1", "wall:A")->length, 0, 1e-9);
  EXPECT_NEAR(gap(gaps, "p1", "p2")->length, in(16), 1e-9);
}
TEST(Gaps, BeyondTheCapAreLeftOut) {
  for (const Gap& g : gapsIn(sitting(), scheme(sitting()), 1000)) EXPECT_LE(g.length, 1000);
}
TEST(Gaps, ARugIsMeasuredToWallsAlone) {
  const Job job = with(sitting(), piece("rug", "rug", 96, 60), "p3", 111, 60);
  for (const Gap& g : gapsIn(job, scheme(job), kGapListCap)) {
    EXPECT_FALSE(g.b == "p3" || (g.a == "p3" && g.b.starts_with("p"))) << g.a << " " << g.b;
  }
}
TEST(Gaps, TheSweepFindsWhatAllPairsFind) {
  Job job = emptyRoom(400, 300);
  std::mt19937 random(99);
  std::printf("seed 99\n");
  const auto uniform = [&](double a, double b) { return std::uniform_real_distribution(a, b)(random); };
  for (int i = 0; i < 40; ++i) {
    const std::string id = "p" + std::to_string(i);
    const Piece p = piece(("piece" + id).c_str(), "console", uniform(10, 50), uniform(10, 30));
    job = with(job, p, id.c_str(), uniform(20, 380), uniform(20, 280), uniform(0, 360));
  }
  const auto swept = gapsIn(job, scheme(job), 500);
  std::vector<Body> bodies = floorBodies(job, scheme(job));
  std::size_t expected = 0;
  for (std::size_t i = 0; i < bodies.size(); ++i) {
    for (std::size_t j = i + 1; j < bodies.size(); ++j) expected += separation(bodies[i], bodies[j]).gap <= 500;
    for (const Body& wall : wallBodies(*job.rooms.front())) expected += separation(bodies[i], wall).gap <= 500;
  }
  EXPECT_EQ(swept.size(), expected);
}

TEST(Tapes, RunOutSquareToTheFourSides) {
  const auto tapes = tapesOf(sitting(), scheme(sitting()), kTable);
  ASSERT_EQ(tapes.size(), 4u);
  EXPECT_NEAR(tapeOf(sitting(), scheme(sitting()), kTable, Side::Front)->length, in(16), 1e-9);
  EXPECT_EQ(tapeOf(sitting(), scheme(sitting()), kTable, Side::Front)->hits, (Thing{Thing::Of::Placement, "p1"}));
  EXPECT_NEAR(tapeOf(sitting(), scheme(sitting()), kTable, Side::Back)->length, in(150 - 36 - 16 - 24), 1e-9);
  EXPECT_EQ(tapeOf(sitting(), scheme(sitting()), kTable, Side::Left)->hits, (Thing{Thing::Of::Wall, "D"}));
}
TEST(Tapes, TypingAReadingMovesByExactlyTheDifference) {
  const Job job = sitting();
  const Tape front = *tapeOf(job, scheme(job), kTable, Side::Front);
  const Job after = placed(job, kScheme, kTable, placeReading(findPlacement(scheme(job), kTable)->on, front, in(12.5)));
  EXPECT_NEAR(tapeOf(after, scheme(after), kTable, Side::Front)->length, in(12.5), 1e-9);
}
TEST(Tapes, AReadingIsNeverClamped) {
  // 80 in back from the sofa puts the table through the far wall; it goes there, and a finding says so.
  const Job job = sitting();
  const Tape front = *tapeOf(job, scheme(job), kTable, Side::Front);
  const Job after = placed(job, kScheme, kTable, placeReading(findPlacement(scheme(job), kTable)->on, front, in(100)));
  EXPECT_NEAR(tapeOf(after, scheme(after), kTable, Side::Back)->length, in(-10), 1e-9);
}
TEST(Tapes, OfATurnedPieceDifferFromItsGap) {
  Job job = sitting();
  job = placed(job, kScheme, kTable, FloorPlace{{in(111), in(70)}, 30});
  const Tape front = *tapeOf(job, scheme(job), kTable, Side::Front);
  const auto gaps = gapsIn(job, scheme(job), kGapListCap);
  EXPECT_GT(front.length, gap(gaps, "p1", "p2")->length + 1);
}
TEST(Tapes, SlideAlongATouchingWall) {
  // The sofa touches wall A with its back; that does not stop it sideways.
  const auto left = tapeOf(sitting(), scheme(sitting()), kSofa, Side::Left);
  ASSERT_TRUE(left);
  EXPECT_TRUE(left->hits == (Thing{Thing::Of::Wall, "B"}) || left->hits == (Thing{Thing::Of::Wall, "D"}));
  EXPECT_NEAR(left->length, in(111 - 42), 1e-9);
}
TEST(Tapes, ARoundTableIsStoppedByItsRound) {
  Job job = with(emptyRoom(), roundPiece("drum", "side-table", 20), "p1", 50, 75);
  job = with(job, roundPiece("stool", "stool", 20), "p2", 100, 75);
  EXPECT_NEAR(tapeOf(job, scheme(job), PlacementId("p1"), Side::Right)->length, in(30), 1e-9);
}
TEST(Tapes, OfAPictureReachTheSofaBelow) {
  Job job =
      hung(with(emptyRoom(), piece("sofa", "sofa", 84, 36, 34), "p1", 111, 19, 180), "print", "p2", 56, 24, 111, 54.5);
  const Tape down = *tapeOf(job, scheme(job), PlacementId("p2"), Side::Down);
  EXPECT_EQ(down.hits, (Thing{Thing::Of::Placement, "p1"}));
  EXPECT_NEAR(down.length, in(8.5), 1e-9);
  EXPECT_NEAR(tapeOf(job, scheme(job), PlacementId("p2"), Side::Up)->length, in(96 - 66.5), 1e-9);
}
TEST(Tapes, OfAPictureStopAtItsNeighbour) {
  Job job = hung(hung(emptyRoom(), "left", "p1", 20, 20, 40, 60), "right", "p2", 20, 20, 70, 62);
  EXPECT_NEAR(tapeOf(job, scheme(job), PlacementId("p1"), Side::Right)->length, in(10), 1e-9);
  EXPECT_EQ(tapeOf(job, scheme(job), PlacementId("p2"), Side::Left)->hits, (Thing{Thing::Of::Placement, "p1"}));
}

TEST(Tapes, OfATablePassOverItsChairsToWhatIsBehindThem) {
  Job job = with(emptyRoom(), piece("table", "dining-table", 66, 38), "t", 111, 75);
  job = with(job, piece("near", "chair", 18, 20), "c1", 111, 75 - 19 - 6, 180);
  job = with(job, piece("console", "console", 60, 12), "far", 111, 12);
  for (const Tape& tape : tapesOf(job, scheme(job), PlacementId("t")))
    if (tape.along.y < -0.9) {
      EXPECT_EQ(tape.hits.id, "far");
      EXPECT_NEAR(tape.length, in(75 - 19 - 18), 1e-6);
    }
}
TEST(Tapes, OfATableEndAtAChairThatStandsByItself) {
  Job job = with(emptyRoom(), piece("table", "dining-table", 66, 38), "t", 111, 90);
  job = with(job, piece("lone", "chair", 18, 20), "c1", 111, 20, 180);
  for (const Tape& tape : tapesOf(job, scheme(job), PlacementId("t")))
    if (tape.along.y < -0.9) {
      EXPECT_EQ(tape.hits.id, "c1");
    }
}

}  // namespace clearance_test
}  // namespace mezzet
