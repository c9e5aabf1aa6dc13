// Slides and turns out of broken findings.
#include "core/decide/movers.h"

#include <gtest/gtest.h>

#include "io/json/rulebook_json.h"
#include "support/findings.h"
#include "support/rooms.h"

namespace mezzet {
namespace movers_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

std::vector<Finding> checked(const Job& job) { return check(job, builtInRulebook(), kScheme, kInches, kEveryDay); }
const Finding& found(const std::vector<Finding>& findings, const std::string& id) {
  const Finding* f = findingIn(findings, id);
  if (f == nullptr) throw std::runtime_error("no finding " + id);
  return *f;
}

Piece sofa() {
  Piece p = piece("sofa", "sofa", 84, 36, 33);
  p.seat.edit().height = in(18);
  p.seat.edit().arm = in(25);
  p.seat.edit().back = in(33);
  return p;
}

// A sofa's front at y 37, the table's near edge at 37 + reach. School a asks 12 to 18 in.
Job sitting(double reach) {
  const Job job = with(emptyRoom(), sofa(), "p1", 111, 19, 180);
  return withSchool(with(job, piece("table", "low-table", 52, 24, 17), "p2", 111, 37 + reach + 12), "table-reach", "a");
}
TEST(Slides, TakeTheLeastDistanceThatCures) {
  const Job job = sitting(24);
  const auto now = checked(job);
  const auto candidates = moversOf(found(now, "table-reach:p1,p2"), job, builtInRulebook(), scheme(job), kInches,
                                   kEveryDay, IdSource(9), nullptr);
  ASSERT_FALSE(candidates.empty());
  // 24 in down to 18: straight at each other, 6 in, by the table or by the sofa.
  EXPECT_NEAR(candidates[0].moved, in(6), 1e-6);
  for (const MoveCandidate& c : candidates) {
    EXPECT_GE(c.moved, in(6) - 1e-6) << c.way.sentence;
    if (norm(c.along) > 0) {
      EXPECT_LE(c.moved, kMostSlide + 1e-6);
    }
  }
  const auto straight = std::find_if(candidates.begin(), candidates.end(),
                                     [](const MoveCandidate& c) { return c.way.id == "slide:p2:270:152.4"; });
  ASSERT_NE(straight, candidates.end());
  EXPECT_EQ(straight->way.sentence, "Slide the table 6 in down the plan");
  EXPECT_EQ(straight->way.gives, "reach to the table 18 in");
}
TEST(Slides, AQuarterInchLessDoesNotCure) {
  for (const double reach : {21.0, 25.5, 30.0}) {
    const Job job = sitting(reach);
    const auto now = checked(job);
    for (const MoveCandidate& c : moversOf(found(now, "table-reach:p1,p2"), job, builtInRulebook(), scheme(job),
                                           kInches, kEveryDay, IdSource(9), nullptr)) {
      if (norm(c.along) == 0) continue;
      const Job less = movedTogether(job, kScheme, c.movers, c.along * (c.moved - in(0.25) - in(1.0 / 16)));
      EXPECT_EQ(verdictIn(checked(less), "table-reach:p1,p2"), Verdict::Breaks) << c.way.sentence;
      EXPECT_NE(verdictIn(checked(c.way.job), "table-reach:p1,p2"), Verdict::Breaks) << c.way.sentence;
    }
  }
}
TEST(Slides, LockedThingsStayAndATableGoesWithItsChairs) {
  Job job = with(withSchool(emptyRoom(200, 150), "dining-wall", "a"), piece("dining", "dining-table", 72, 36, 30), "p1",
                 100, 40);
  job = with(job, piece("near", "chair", 18, 20, 34), "p2", 100, 40 - 18 - 6, 180);
  job = with(job, piece("far", "chair", 18, 20, 34), "p3", 100, 40 + 18 + 6, 0);
  const auto now = checked(job);
  const auto broken = std::find_if(
      now.begin(), now.end(), [](const Finding& f) { return f.rule == "dining-wall" && f.verdict == Verdict::Breaks; });
  ASSERT_NE(broken, now.end());
  const auto all = moversOf(*broken, job, builtInRulebook(), scheme(job), kInches, kEveryDay, IdSource(9), nullptr);
  const auto together =
      std::find_if(all.begin(), all.end(), [](const MoveCandidate& c) { return c.movers.size() == 3; });
  ASSERT_NE(together, all.end());
  EXPECT_NE(together->way.sentence.find("the dining with its chairs"), std::string::npos) << together->way.sentence;
  for (const MoveCandidate& c : all) EXPECT_NE(c.movers.size(), 1U) << "a chair left its table: " << c.way.sentence;
  const Job locked = withLock(job, kScheme, PlacementId("p2"), true);
  for (const MoveCandidate& c :
       moversOf(*broken, locked, builtInRulebook(), scheme(locked), kInches, kEveryDay, IdSource(9), nullptr))
    EXPECT_EQ(std::count(c.movers.begin(), c.movers.end(), PlacementId("p2")), 0);
}

}  // namespace movers_test
}  // namespace mezzet
