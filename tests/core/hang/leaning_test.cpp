// What leans: its angle, what of it is seen, what it stands on, and what is asked of it.
#include "core/hang/leaning.h"

#include <gtest/gtest.h>

#include "core/edit/validate.h"
#include "core/rules/check.h"
#include "core/walk/walk_space.h"
#include "io/files/job_file.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace leaning_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

Job leansAt(const Job& job, const char* id, const char* at, double w, double h, double u, double lean,
            double foot = 0) {
  const Piece p = piece(id, "art", w, 1, h);
  return withPlacement(withPiece(job, p).value(), kScheme,
                       {PlacementId(at), p.id, LeaningPlace{CornerId("A"), in(u), in(foot), in(lean), ""}, {}});
}
std::vector<Finding> judged(const Job& job, const std::string& rule) {
  std::vector<Finding> out;
  for (Finding& f : check(job, builtInRulebook(), kScheme, kInches, kEveryDay))
    if (f.rule == rule) out.push_back(std::move(f));
  return out;
}

TEST(LeanAngle, IsThatOfItsFoot) {
  Piece p = piece("a", "art", 24, 1, 1200 / 25.4);
  EXPECT_NEAR(leanAngle(p, {CornerId("A"), 0, 0, 150, ""}), 7.1808, 5e-4);
  EXPECT_NEAR(frictionNeeded(leanAngle(p, {CornerId("A"), 0, 0, 150, ""})), 0.0630, 5e-5);
  EXPECT_NEAR(leanAt(1200, 7.1808), 150, 0.01);
}

TEST(LeanSafe, IsAskedOfTheTallAndTheHeavy) {
  EXPECT_TRUE(judged(leansAt(emptyRoom(), "a", "p", 20, 26, 60, 3), "lean-safe").empty());
  const auto tall = judged(leansAt(emptyRoom(), "a", "p", 20, 40, 60, 5), "lean-safe");
  ASSERT_EQ(tall.size(), 1U);
  EXPECT_EQ(tall[0].verdict, Verdict::Holds);
  EXPECT_EQ(tall[0].quantity, Quantity::Angle);
  EXPECT_EQ(tall[0].view, View{CornerId("A")});
  Job heavy = leansAt(emptyRoom(), "a", "p", 20, 26, 60, 3);
  Piece p = *findPiece(heavy, PieceId("a"));
  p.shop.edit().weight = 5;
  heavy = withPiece(heavy, p).value();
  EXPECT_EQ(judged(heavy, "lean-safe").size(), 1U);
}

TEST(LeanSafe, SaysHowFarTheFootIsToBeMoved) {
  const Job job = leansAt(emptyRoom(), "a", "p", 20, 40, 60, 1);  // 1.43 degrees
  const auto found = judged(job, "lean-safe");
  ASSERT_EQ(found.size(), 1U);
  EXPECT_EQ(found[0].verdict, Verdict::Breaks);
  EXPECT_NEAR(*found[0].marginMm, in(1) - leanAt(in(40), 4), 1e-6);
  // That much more, and it just holds.
  const Job after = leansAt(emptyRoom(), "a", "p", 20, 40, 60, 1 - *found[0].marginMm / 25.4);
  EXPECT_EQ(judged(after, "lean-safe")[0].verdict, Verdict::Holds);
}

TEST(LeanVisible, IsWhatThoseBeforeLeaveFree) {
  Job job = leansAt(emptyRoom(), "back", "p1", 20, 20, 60, 2);
  job = leansAt(job, "front", "p2", 20, 20, 70, 3);  // covers half of its width, nearly all of its height
  const auto found = judged(job, "lean-visible");
  ASSERT_EQ(found.size(), 1U);
  EXPECT_EQ(found[0].subjects, std::vector<std::string>{"p1"});
  const double high = std::sqrt(400 - 4), lower = std::sqrt(400 - 9);
  EXPECT_NEAR(found[0].measured, 1 - 0.5 * lower / high, 1e-9);
  EXPECT_EQ(found[0].verdict, Verdict::Holds);
}

TEST(LeanVisible, CountsCoversThatOverlapOnce) {
  Job job = leansAt(emptyRoom(), "back", "p1", 20, 20, 60, 2);
  job = leansAt(job, "one", "p2", 20, 20, 75, 3);  // its right quarter
  job = leansAt(job, "two", "p3", 20, 20, 75, 4);  // the same again, a little lower
  const auto faces = leaningFaces(PieceIndex(job), *job.rooms.front(), scheme(job), CornerId("A"));
  ASSERT_EQ(faces.size(), 3U);
  EXPECT_NEAR(faces[0].seen, 1 - 0.25 * std::sqrt(400.0 - 9) / std::sqrt(400.0 - 4), 1e-9);
}

TEST(Leaning, IsAskedNothingOfWhatHangs) {
  const Job job = leansAt(emptyRoom(), "a", "p", 20, 40, 60, 5);
  for (const char* rule : {"art-centre", "art-gap", "side-breathing"}) EXPECT_TRUE(judged(job, rule).empty()) << rule;
}

TEST(Leaning, StandsInTheWayAtItsFoot) {
  const Job job = leansAt(emptyRoom(), "a", "p", 20, 40, 60, 5);
  const auto bodies = hungBodies(PieceIndex(job), *job.rooms.front(), scheme(job));
  ASSERT_EQ(bodies.size(), 1U);
  EXPECT_NEAR(bodies[0].bounds.high.y - bodies[0].bounds.low.y, in(6), 1e-6);  // 5 in off the wall, 1 in deep
}

TEST(Leaning, TakesItsFootFromWhatIsThere) {
  Job job = with(emptyRoom(), piece("case", "bookcase", 40, 11, 38), "p1", 120, 5.5, 180);
  job = hung(job, "a", "p2", 16, 20, 222 - 120, 70);
  const Job leant = leanedOrHung(job, kScheme, PlacementId("p2"));
  const auto* place = leaning(findPlacement(scheme(leant), PlacementId("p2"))->on);
  ASSERT_NE(place, nullptr);
  EXPECT_EQ(place->carrier, "p1");
  EXPECT_NEAR(place->foot, in(38), 1e-6);
  EXPECT_NEAR(place->lean, in(2.5), 1e-6);
  // Without the case it stands on the floor.
  const Job alone = withoutPlacement(leant, kScheme, PlacementId("p1"));
  const auto* after = leaning(findPlacement(scheme(alone), PlacementId("p2"))->on);
  ASSERT_NE(after, nullptr);
  EXPECT_EQ(after->carrier, "");
  EXPECT_EQ(after->foot, 0);
  // And it is hung again.
  EXPECT_NE(onWall(findPlacement(scheme(leanedOrHung(alone, kScheme, PlacementId("p2"))), PlacementId("p2"))->on),
            nullptr);
}

TEST(Leaning, ComesBackFromTheFile) {
  const Job job = leansAt(emptyRoom(), "a", "p", 20, 40, 60, 5, 12);
  const auto read = readJobText(writeJobText(job, 50), "job.json");
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_EQ(read->job, job);
}

TEST(Leaning, IsRefusedWhereItCannotStand) {
  Job job = leansAt(emptyRoom(), "a", "p", 20, 40, 60, 41);
  EXPECT_EQ(faultOf(job)->text(), "placement p: leans further than it is high. Set its foot nearer to the wall");
  job = withPlacement(job, kScheme, {PlacementId("p"), PieceId("a"), LeaningPlace{CornerId("Z"), 0, 0, 50, ""}, {}});
  EXPECT_EQ(faultOf(job)->text(), "placement p: leans on a wall that is not there: Z. Choose one of the room's walls");
  job = withPlacement(job, kScheme, {PlacementId("p"), PieceId("a"), LeaningPlace{CornerId("A"), 0, 0, 50, "p9"}, {}});
  EXPECT_EQ(faultOf(job)->text(), "placement p: leans on a thing that is not there: p9. Stand it on the floor");
}

}  // namespace leaning_test
}  // namespace mezzet
