#include "core/hang/arrangement.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>

#include "core/decide/hang_again.h"
#include "core/edit/hangs.h"
#include "core/rules/check.h"
#include "core/space/arrange.h"
#include "io/json/rulebook_json.h"
#include "support/findings.h"
#include "support/frames.h"
#include "support/rooms.h"

namespace mezzet {
namespace arrangement_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

TEST(Row, KeepsTheOrderAndEqualGaps) {
  const ArrangementAsk a = ask(HangAs::Row, {{16, 20}, {20, 24}, {16, 20}});
  const Arrangement made = arranged(a, kInches);
  ASSERT_TRUE(made.fits());
  EXPECT_NEAR(made.width, in(56), 1e-9);
  EXPECT_NEAR(made.height, in(24), 1e-9);
  EXPECT_NEAR(made.centres[0].x, in(8), 1e-9);
  EXPECT_NEAR(made.centres[1].x, in(28), 1e-9);
  EXPECT_NEAR(made.centres[2].x, in(48), 1e-9);
  for (const Vec2 c : made.centres) EXPECT_NEAR(c.y, in(12), 1e-9);
}
TEST(Row, TopsOrFeetCanBeInLine) {
  for (const auto& [line, sign] : {std::pair{HangLine::Top, 1.0}, {HangLine::Bottom, -1.0}}) {
    ArrangementAsk a = ask(HangAs::Row, {{16, 20}, {20, 24}});
    a.line = line;
    const auto r = rects(a, arranged(a, kInches));
    EXPECT_NEAR(sign > 0 ? r[0].top : r[0].bottom, sign > 0 ? r[1].top : r[1].bottom, 1e-9);
  }
}
TEST(Row, ThatIsTooWideSaysByHowMuchAndWhichGapWouldDo) {
  ArrangementAsk a = ask(HangAs::Row, {{20, 20}, {20, 20}, {20, 20}});
  a.roomWidth = in(62);
  const Arrangement made = arranged(a, kInches);
  EXPECT_FALSE(made.fits());
  EXPECT_NEAR(made.shortWidth, in(2), 1e-9);
  EXPECT_EQ(made.unmet, (std::vector<std::string>{"It is 2 in too wide for the free wall there.",
                                                  "With gaps of 1 in it would fit."}));
}

TEST(Grid, GoesRowByRowFromTheTopLeft) {
  ArrangementAsk a = ask(HangAs::Grid, {{10, 12}, {10, 12}, {10, 12}, {10, 12}, {10, 12}, {10, 12}});
  a.rows = 2;
  const Arrangement made = arranged(a, kInches);
  ASSERT_TRUE(made.fits());
  EXPECT_NEAR(made.width, in(34), 1e-9);
  EXPECT_NEAR(made.height, in(26), 1e-9);
  EXPECT_NEAR(made.centres[0].y, in(20), 1e-9);
  EXPECT_NEAR(made.centres[3].x, in(5), 1e-9);
  EXPECT_NEAR(made.centres[3].y, in(6), 1e-9);
}
TEST(Grid, TakesFramesOfOneSizeWithinAnEighth) {
  EXPECT_TRUE(arranged(ask(HangAs::Grid, {{10, 12}, {10.125, 12}}), kInches).made);
  EXPECT_FALSE(arranged(ask(HangAs::Grid, {{10, 12}, {10.2, 12}}), kInches).made);
}
TEST(Grid, RefusesRowsThatDoNotComeOut) {
  ArrangementAsk a = ask(HangAs::Grid, {{10, 12}, {10, 12}, {10, 12}});
  a.rows = 2;
  EXPECT_FALSE(arranged(a, kInches).made);
  a.columns = 2;
  EXPECT_EQ(arranged(a, kInches).unmet.front(), "3 frames are not 2 rows of 2.");
}

struct Matching {
  double width, height, gapX, gapY;
  bool made;
};
TEST(Match, HasTheOutsideOfWhatItIsLike) {
  for (const Matching& m :
       {Matching{28, 18, 4, 4, true}, Matching{29, 19, 2, 2, true}, Matching{24, 16, 12, 8, false}}) {
    const std::pair size{m.width, m.height};
    ArrangementAsk a = ask(HangAs::Match, {size, size, size, size});
    a.rows = a.columns = 2;
    a.matchWidth = in(60);
    a.matchHeight = in(40);
    const Arrangement made = arranged(a, kInches);
    ASSERT_EQ(made.made, m.made) << m.width;
    if (!m.made) {
      ASSERT_EQ(made.unmet.size(), 2u);
      EXPECT_EQ(made.unmet[0], "Frames of 29 x 19 in would do, 2 in apart.");
      continue;
    }
    EXPECT_NEAR(made.width, in(60), 1e-9);
    EXPECT_NEAR(made.height, in(40), 1e-9);
    EXPECT_NEAR(made.centres[1].x - made.centres[0].x, in(m.width + m.gapX), 1e-9);
    EXPECT_NEAR(made.centres[0].y - made.centres[2].y, in(m.height + m.gapY), 1e-9);
  }
}

TEST(Salon, HangsAllAtTheGapAndTiedTogether) {
  for (std::uint64_t seed = 1; seed <= 10; ++seed) {
    Chance chance(seed);
    ArrangementAsk a = ask(HangAs::Salon, randomSizes(chance, 3 + chance.below(12)));
    a.seed = seed;
    a.restarts = 5;
    const Arrangement made = arranged(a, kInches);
    ASSERT_TRUE(made.made);
    const auto r = rects(a, made);
    EXPECT_LT(farthestEdge(a, made), 1e-6);
    std::vector<std::size_t> open{0};
    std::vector<bool> tied(r.size(), false);
    tied[0] = true;
    while (!open.empty()) {
      const std::size_t at = open.back();
      open.pop_back();
      for (std::size_t j = 0; j < r.size(); ++j) {
        if (at != j) {
          ASSERT_GE(gapOf(r[at], r[j]), in(2) - 0.01) << "seed " << seed;
        }
        const auto facing = facingGap(r[at], r[j]);
        if (tied[j] || !facing || std::abs(*facing - in(2)) >= 0.01) continue;
        tied[j] = true;
        open.push_back(j);
      }
    }
    EXPECT_TRUE(std::all_of(tied.begin(), tied.end(), [](bool t) { return t; })) << "seed " << seed;
  }
}
TEST(Salon, OfTheSameSeedIsTheSame) {
  ArrangementAsk a = ask(HangAs::Salon, {{20, 16}, {16, 20}, {14, 18}, {12, 12}, {10, 8}, {10, 8}, {24, 18}});
  a.restarts = 12;
  const auto once = arranged(a, kInches).centres, again = arranged(a, kInches).centres;
  EXPECT_EQ(once, again);
  a.seed = 2;
  EXPECT_NE(arranged(a, kInches).centres, once);
}

TEST(Loose, IsNeverStraight) {
  for (std::uint64_t seed = 1; seed <= 12; ++seed) {
    ArrangementAsk a = ask(HangAs::Loose, {{20, 16}, {16, 20}, {14, 18}, {18, 14}, {12, 12}, {16, 12}, {20, 18}});
    a.seed = seed;
    const Arrangement made = arranged(a, kInches);
    ASSERT_TRUE(made.made) << seed;
    const auto r = rects(a, made);
    EXPECT_LT(farthestEdge(a, made), 1e-6);
    const auto nearest = [&](double x, double y) {
      std::size_t best = 0;
      double least = HUGE_VAL;
      for (std::size_t i = 0; i < r.size(); ++i) {
        const double dx = std::min(std::abs(r[i].left - x), std::abs(r[i].right - x)),
                     dy = std::min(std::abs(r[i].bottom - y), std::abs(r[i].top - y));
        if (dx + dy < least) least = dx + dy, best = i;
      }
      return best;
    };
    const std::size_t bl = nearest(0, 0), br = nearest(made.width, 0), tl = nearest(0, made.height),
                      tr = nearest(made.width, made.height);
    const std::array off{std::abs(r[tl].top - r[tr].top), std::abs(r[bl].bottom - r[br].bottom),
                         std::abs(r[tl].left - r[bl].left), std::abs(r[tr].right - r[br].right)};
    for (std::size_t i = 0; i < 4; ++i) {
      EXPECT_GE(off[i], in(1) - 1e-6);
      EXPECT_LE(off[i], in(4) + 1e-6);
      for (std::size_t j = 0; j < i; ++j) EXPECT_GT(std::abs(off[i] - off[j]), 1) << seed;
    }
    for (std::size_t i = 0; i < r.size(); ++i) {
      double near = HUGE_VAL;
      for (std::size_t j = 0; j < r.size(); ++j)
        if (i != j) near = std::min(near, gapOf(r[i], r[j]));
      EXPECT_GE(near, in(1.5) - 1e-6);
      EXPECT_LE(near, in(3) + 1e-6);
    }
  }
}
TEST(Loose, TakesFourAtLeast) {
  const Arrangement made = arranged(ask(HangAs::Loose, {{20, 16}, {16, 20}, {14, 18}}), kInches);
  EXPECT_FALSE(made.made);
  EXPECT_EQ(made.unmet.front(), "A loose hang has a frame at each corner: it takes four at least.");
}

TEST(Mirrored, HasAnUpperAndALowerHalfAlike) {
  const ArrangementAsk a = ask(HangAs::Mirrored, {{20, 16}, {12, 12}, {20, 16}, {12, 12}, {24, 30}});
  const Arrangement made = arranged(a, kInches);
  ASSERT_TRUE(made.fits());
  const double line = made.height / 2;
  for (const auto& [upper, lower] : {std::pair{0, 2}, {1, 3}}) {
    const Vec2 p = made.centres[static_cast<std::size_t>(upper)], q = made.centres[static_cast<std::size_t>(lower)];
    EXPECT_NEAR(p.x, q.x, 1e-9);
    EXPECT_NEAR(p.y - line, line - q.y, 1e-9);
  }
  EXPECT_NEAR(made.centres[4].y, line, 1e-9);
  EXPECT_EQ(made.unmet.front(), "Without a partner of its size, on the line: p5.");
  const auto r = rects(a, made);
  for (std::size_t i = 0; i < r.size(); ++i)
    for (std::size_t j = 0; j < i; ++j) EXPECT_GE(gapOf(r[i], r[j]), in(2) - 1e-9);
}

TEST(Arranged, BadFramesAreASentence) {
  for (const double bad : {0.0, -1.0, std::nan(""), HUGE_VAL})
    for (const HangAs as : {HangAs::Row, HangAs::Grid, HangAs::Salon, HangAs::Loose, HangAs::Mirrored}) {
      const Arrangement made = arranged(ask(as, {{20, 16}, {bad, 16}, {20, 16}, {20, 16}}), kInches);
      EXPECT_FALSE(made.made);
      EXPECT_EQ(made.unmet.size(), 1u);
    }
  EXPECT_FALSE(arranged(ask(HangAs::Row, {}), kInches).made);
  EXPECT_FALSE(arranged(ask(HangAs::Row, std::vector<std::pair<double, double>>(201, {5, 5})), kInches).made);
}
TEST(Arranged, TwoHundredInARowAreTooWideInWords) {
  const Arrangement made = arranged(ask(HangAs::Row, std::vector<std::pair<double, double>>(200, {5, 5})), kInches);
  EXPECT_FALSE(made.fits());
  EXPECT_NEAR(made.shortWidth, in(200 * 5 + 199 * 2 - 400), 1e-6);
}

// ---- on a wall
Job overSofa(const std::vector<std::pair<double, double>>& sizes) {
  Piece sofa = piece("sofa", "sofa", 84, 36, 34);
  sofa.seat.edit().height = in(18);
  Job job = with(emptyRoom(), sofa, "s", 111, 18, 180);
  for (std::size_t i = 0; i < sizes.size(); ++i) {
    const std::string n = std::to_string(i + 1);
    job = hung(job, ("art" + n).c_str(), ("p" + n).c_str(), sizes[i].first, sizes[i].second,
               20 + 30.0 * static_cast<double>(i), 60);
  }
  return withSchool(withSchool(job, "art-centre", "a"), "art-gap", "a");
}
HangRequest request(HangAs as, std::size_t count) {
  HangRequest r;
  for (std::size_t i = 1; i <= count; ++i) r.placements.emplace_back("p" + std::to_string(i));
  r.wall = CornerId("A");
  r.as = as;
  return r;
}

TEST(HangPlan, CentresARowOverTheSofaAtTheHouseHeight) {
  const Job job = overSofa({{16, 20}, {20, 38}, {16, 20}});
  IdSource ids(50);
  const auto plan = hangPlan(job, builtInRulebook(), kScheme, request(HangAs::Row, 3), ids, kInches);
  ASSERT_TRUE(plan && plan->fits);
  ASSERT_EQ(plan->places.size(), 3u);
  EXPECT_NEAR(plan->places[0].second.u, in(91), 1e-6);
  EXPECT_NEAR(plan->places[1].second.u, in(111), 1e-6);
  EXPECT_NEAR(plan->places[2].second.u, in(131), 1e-6);
  // 38 high over 34: gaps of 4 to 6 are centres of 57 to 59, and 57 to 60 is asked.
  EXPECT_NEAR(plan->places[1].second.v, in(58), 1e-6);
  ASSERT_EQ(plan->pairs.size(), 2u);
  EXPECT_NEAR(plan->pairs[0].gap, in(2), 1e-6);
  const auto findings = check(plan->job, builtInRulebook(), kScheme, kInches, kEveryDay);
  EXPECT_EQ(verdictIn(findings, "gallery-gap:p1,p2,p3"), Verdict::Holds);
  EXPECT_EQ(verdictIn(findings, "art-centre:p1,p2,p3"), Verdict::Holds);
}
TEST(HangPlan, MadeAGroupIsMadeAgainWhenAFrameChanges) {
  const Job job = overSofa({{16, 20}, {20, 38}, {16, 20}});
  IdSource ids(50);
  const auto plan = hangPlan(job, builtInRulebook(), kScheme, request(HangAs::Row, 3), ids, kInches);
  ASSERT_TRUE(plan && plan->fits);
  Piece wider = pieceOf(plan->job, *findPlacement(scheme(plan->job), PlacementId("p2")));
  wider.width = in(30);
  const Job changed = withPiece(plan->job, wider).value();
  const std::string group = *groupOf(findPlacement(scheme(changed), PlacementId("p1"))->on);
  const Job again = hungAgain(changed, builtInRulebook(), kScheme, group, kInches);
  EXPECT_NEAR(wallPlace(findPlacement(scheme(again), PlacementId("p1"))->on).u, in(111 - 15 - 2 - 8), 1e-6);
  EXPECT_NEAR(wallPlace(findPlacement(scheme(again), PlacementId("p3"))->on).u, in(111 + 15 + 2 + 8), 1e-6);
}
TEST(HangPlan, FreedTheRestHangsFree) {
  const Job job = overSofa({{16, 20}, {20, 38}, {16, 20}});
  IdSource ids(50);
  const Job made = hangPlan(job, builtInRulebook(), kScheme, request(HangAs::Row, 3), ids, kInches)->job;
  const Job freed = ungrouped(made, kScheme, {PlacementId("p2")});
  ASSERT_EQ(scheme(freed).hangs.size(), 1u);
  EXPECT_EQ(scheme(freed).hangs[0].as, HangAs::Free);
  EXPECT_FALSE(groupOf(findPlacement(scheme(freed), PlacementId("p2"))->on));
}
TEST(HangPlan, RegionSmallerThanAFrameIsASentence) {
  const Job job = overSofa({{16, 20}});
  HangRequest r = request(HangAs::Row, 1);
  r.within = WallRect{in(100), in(110), in(50), in(60)};
  IdSource ids(50);
  const auto plan = hangPlan(job, builtInRulebook(), kScheme, r, ids, kInches);
  ASSERT_TRUE(static_cast<bool>(plan));
  EXPECT_FALSE(plan->fits);
  EXPECT_NEAR(plan->shortWidth, in(6), 1e-9);
  EXPECT_NEAR(plan->shortHeight, in(10), 1e-9);
  EXPECT_TRUE(plan->places.empty());
  EXPECT_EQ(plan->job, job);
}
TEST(HangPlan, NeverHangsOneOverAnother) {
  Job job = overSofa({{16, 20}, {20, 24}, {16, 20}});
  job = hung(job, "old", "p9", 60, 24, 111, 60);  // hangs there already
  IdSource ids(50);
  const auto plan = hangPlan(job, builtInRulebook(), kScheme, request(HangAs::Row, 3), ids, kInches);
  ASSERT_TRUE(static_cast<bool>(plan));
  if (plan->fits) {
    const WallRect old{in(81), in(141), in(48), in(72)};
    EXPECT_TRUE(plan->envelope->right <= old.left + 1e-6 || plan->envelope->left >= old.right - 1e-6 ||
                plan->envelope->bottom >= old.top - 1e-6 || plan->envelope->top <= old.bottom + 1e-6);
  }
}
TEST(HangPlan, RefusesWhatDoesNotHang) {
  const Job job = overSofa({{16, 20}});
  IdSource ids(50);
  HangRequest r = request(HangAs::Row, 1);
  r.placements.emplace_back("s");
  EXPECT_EQ(hangPlan(job, builtInRulebook(), kScheme, r, ids, kInches).error().text(),
            "placement s: does not hang on walls. Arrange pictures, mirrors, plates and the like");
}

}  // namespace arrangement_test
}  // namespace mezzet
