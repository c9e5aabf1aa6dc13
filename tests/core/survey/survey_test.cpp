// The adjustment of a room on cases that can be checked by hand.
#include "support/survey_rooms.h"

#include <gtest/gtest.h>

#include "core/survey/certainty.h"
#include "core/survey/rows.h"
#include "core/survey/slips.h"
#include "io/json/slips_json.h"

namespace mezzet {
namespace survey_test {
using namespace test;

const Polygon kRectangle{{0, 0}, {4000, 0}, {4000, 3000}, {0, 3000}};
const Polygon kL{{0, 0}, {5000, 0}, {5000, 2000}, {2000, 2000}, {2000, 4500}, {0, 4500}};
constexpr LengthFormat kInches{LengthStyle::Inches, 16};

TEST(Adjust, ExactReadingsGiveTheRoomBack) {
  for (const Polygon& room : {kRectangle, kL}) {
    const auto a = adjust(surveyOf(room, {{0, 2}}));
    ASSERT_TRUE(a.ok()) << a.error().text();
    for (std::size_t i = 0; i < room.size(); ++i) EXPECT_LT(distance(a->corners[i], room[i]), 1e-6);
    EXPECT_NEAR(a->chi2, 0, 1e-12);
    EXPECT_TRUE(a->withinLimit());
  }
}
// r = readings + squares - unknowns, less one when all corners are assumed square: 4 + 1 + 4 - 5 - 1.
TEST(Adjust, CountsItsRedundancy) {
  EXPECT_EQ(adjust(surveyOf(kRectangle, {{0, 2}}))->redundancy, 3);
  EXPECT_EQ(adjust(surveyOf(kRectangle, {{0, 2}}, {1}))->redundancy, 3);
  EXPECT_EQ(adjust(surveyOf(kL, {}))->redundancy, 2);
}
TEST(Adjust, ReachesTheSameCornersFromAnyStart) {
  constexpr unsigned kSeed = 99;
  std::printf("seed %u\n", kSeed);
  std::mt19937 random(kSeed);
  Network net = surveyOf(kL, {{0, 3}, {1, 5}});
  net.observations[0].value += 7;
  const Polygon reached = adjust(net)->corners;
  for (int i = 0; i < 40; ++i) {
    Polygon start(6);
    for (Vec2& p : start)
      p = {std::uniform_real_distribution(-6000.0, 6000.0)(random),
           std::uniform_real_distribution(-6000.0, 6000.0)(random)};
    const auto a = adjust(net, start);
    ASSERT_TRUE(a.ok()) << i << " " << a.error().text();
    for (std::size_t c = 0; c < 6; ++c) EXPECT_LT(distance(a->corners[c], reached[c]), 1e-3) << i;
  }
}
TEST(Adjust, AWallTakenTwiceComesOutBetween) {
  Network net = surveyOf(kRectangle, {}, {1, 2});
  Observation again = net.observations[0];
  again.value += 8;
  net.observations.push_back(again);
  const auto a = adjust(net);
  EXPECT_NEAR(distance(a->corners[0], a->corners[1]), 4004, 1e-6);
  EXPECT_NEAR(a->rows[0].residual, 4, 1e-6);
  EXPECT_NEAR(a->rows.back().residual, -4, 1e-6);
}
TEST(Adjust, SaysWhichCornersNothingFixes) {
  Network net = surveyOf(kRectangle, {}, {0, 1, 2, 3});
  const auto a = adjust(net);
  ASSERT_FALSE(a.ok());
  EXPECT_EQ(
      a.error().text(),
      "corners C and D: are not fixed yet by what was measured. Measure a wall or a corner-to-corner length there");
}
TEST(Adjust, NamesTheRunThatIsLongerThanTheRest) {
  Network net = surveyOf(kRectangle, {{0, 2}});
  net.observations[1].value = 14000;
  const auto a = adjust(net, std::nullopt, {LengthStyle::Millimetres, 16});
  ASSERT_FALSE(a.ok());
  EXPECT_EQ(a.error().text(),
            "wall B: is longer than all the other walls together, by 3000 mm, so the walk cannot close. Measure it "
            "again, or a wall is missing");
}
TEST(Adjust, RefusesACornerThatTurnsOtherwiseThanSketched) {
  Network net = surveyOf(kL, {{0, 3}, {0, 2}, {0, 4}}, {0, 1, 2, 3, 4, 5});
  net.observations.push_back(length(2, 4, 6, distance(kL[2], kL[4])));
  net.turns[3] = 1;
  const auto a = adjust(net);
  ASSERT_FALSE(a.ok());
  EXPECT_NE(a.error().text().find("turns"), std::string::npos) << a.error().text();
}
TEST(Adjust, AsksWhichWayACornerTurnsWhenBothFit) {
  // A room of five walls; E is known only from its neighbours, and may jut out or in.
  const Polygon house{{0, 0}, {4000, 0}, {4000, 3000}, {2000, 3600}, {0, 3000}};
  Network net = surveyOf(house, {{0, 2}, {1, 4}, {2, 4}}, {2, 3, 4});
  net.turns[3] = 0;
  const auto a = adjust(net);
  ASSERT_FALSE(a.ok());
  EXPECT_EQ(a.error().text(),
            "corner D: can turn left or right: two rooms fit these readings equally well. Say which way it turns");
  net.turns[3] = 1;
  net.turns[2] = net.turns[4] = 0;
  EXPECT_TRUE(adjust(net).ok()) << adjust(net).error().text();
}
TEST(Adjust, IsFiniteWhateverIsRead) {
  std::mt19937 random(5);
  for (int i = 0; i < 200; ++i) {
    Network net = surveyOf(kL, {{0, 3}});
    for (Observation& o : net.observations)
      if (o.isLength()) o.value = std::uniform_real_distribution(1.0, 90000.0)(random);
    if (const auto a = adjust(net)) {
      for (const Vec2 p : a->corners) EXPECT_TRUE(std::isfinite(p.x) && std::isfinite(p.y));
      for (const AdjustedRow& row : a->rows) EXPECT_TRUE(std::isfinite(row.w));
    } else {
      EXPECT_FALSE(a.error().text().empty());
    }
  }
}
TEST(Adjust, ALengthMeasuredOnceIsAsSureAsItsTape) {
  const auto a = adjust(surveyOf(kRectangle, {}, {1, 2}));
  EXPECT_LE(u95OfLength(*a, 0, 1), tapeU95(4000) + 1e-9);
  EXPECT_GT(u95OfLength(*a, 0, 2), tapeU95(5000));
}

// An offset checks like a length: 3000 from corner C square to wall A; a slip in it is found.
TEST(Adjust, AnOffsetFixesWhatARunWould) {
  Network net = surveyOf(kRectangle, {{0, 2}, {1, 3}});
  net.observations.push_back({"C off A", ObservationKind::Offset, 2, 0, 3000, 2});
  const auto a = adjust(net);
  ASSERT_TRUE(a.ok()) << a.error().text();
  EXPECT_NEAR(a->chi2, 0, 1e-9);
  EXPECT_GT(a->rows.back().redundancy, 0.5);
  net.observations.back().value = 3300;
  const auto wrong = adjust(net);
  EXPECT_EQ(suspectsOf(net, *wrong).named, net.observations.size() - 1);
}
TEST(Adjust, GradientsAgreeWithSmallSteps) {
  const Polygon p{{0, 0}, {4100, 30}, {3900, 2900}, {-60, 3100}};
  for (const Observation& o :
       {Observation{"o", ObservationKind::Offset, 2, 0, 0, 1}, Observation{"o", ObservationKind::Offset, 3, 1, 0, 1},
        Observation{"a", ObservationKind::Angle, 1, 1, 0, 1},
        Observation{"l", ObservationKind::Diagonal, 1, 3, 0, 1}}) {
    std::vector<double> analytic(8, 0);
    const Gradient g = gradientOf(o, p);
    for (std::size_t i = 0; i < g.size; ++i) analytic[g.terms[i].first] += g.terms[i].second;
    for (std::size_t c = 0; c < 8; ++c) {
      Polygon up = p, down = p;
      (c % 2 == 0 ? up[c / 2].x : up[c / 2].y) += 0.01;
      (c % 2 == 0 ? down[c / 2].x : down[c / 2].y) -= 0.01;
      EXPECT_NEAR(analytic[c], (wouldRead(o, up) - wouldRead(o, down)) / 0.02, 1e-6) << o.id << c;
    }
  }
}

// ---- how sure each wall is
TEST(CertaintyOf, FourRunsAloneCheckNothing) {
  const RoomCertainty c = certaintyOf(surveyOf(kRectangle, {}), kRectangle);
  for (const Certainty wall : c.walls) EXPECT_EQ(wall, Certainty::Unchecked);
  for (const Certainty corner : c.corners) EXPECT_EQ(corner, Certainty::Assumed);
}
TEST(CertaintyOf, OneDiagonalFixesTheCornersAndTwoCheckTheWalls) {
  for (const Certainty corner : certaintyOf(surveyOf(kRectangle, {{0, 2}}), kRectangle).corners)
    EXPECT_EQ(corner, Certainty::Unchecked);
  const RoomCertainty two = certaintyOf(surveyOf(kRectangle, {{0, 2}, {1, 3}}), kRectangle);
  for (const Certainty wall : two.walls) EXPECT_EQ(wall, Certainty::Checked);
  for (const Certainty corner : two.corners) EXPECT_EQ(corner, Certainty::Checked);
}
TEST(CertaintyOf, AWallNotMeasuredIsAssumed) {
  Network net = surveyOf(kRectangle, {});
  net.observations.erase(net.observations.begin() + 2);
  EXPECT_EQ(certaintyOf(net, kRectangle).walls[2], Certainty::Assumed);
}

// ---- suspects and slips
TEST(SuspectsOf, ASlippedFootIsNamedAndExplained) {
  Network net = surveyOf(kRectangle, {{0, 2}, {1, 3}});
  for (Observation& o : net.observations)
    if (o.isLength()) o.value = std::round(o.value / kInch * 8) / 8 * kInch;
  net.observations[0].value -= 304.8;
  const auto a = adjust(net);
  const Suspects s = suspectsOf(net, *a);
  ASSERT_TRUE(s.named);
  EXPECT_EQ(net.observations[*s.named].id, "AB");
  const auto why = explanationsOf(net, *a, s, builtInSlips());
  ASSERT_FALSE(why.empty());
  EXPECT_EQ(why.front().slip, "foot-dropped");
  EXPECT_NEAR(why.front().wouldRead, net.observations[0].value + 304.8, 1e-9);
}
// Two slips that say nearly the same length do not rule each other out: 3871 with ten centimetres dropped, and 3860 at
// the trim, both fit what the others say.
TEST(SuspectsOf, SlipsOfOneReadingAreAllOfferedTheBestFirst) {
  const Polygon room{{0, 0}, {3871, 0}, {3871, 2990}, {0, 2990}};
  Network net = surveyOf(room, {{0, 2}, {1, 3}});
  for (Observation& o : net.observations)
    if (o.isLength()) {
      o.value = std::round(o.value);
      o.sigma = 3;
    }
  net.observations[0].value = 3771;
  const auto a = adjust(net);
  const auto why = explanationsOf(net, *a, suspectsOf(net, *a), builtInSlips());
  ASSERT_GE(why.size(), 2U);
  EXPECT_EQ(why[0].slip, "ten-centimetres-dropped");
  EXPECT_NEAR(why[0].wouldRead, 3871, 1e-9);
  EXPECT_LT(why[0].chi2, 1);
  EXPECT_EQ(why[1].slip, "trim");
  for (const Explanation& e : why) EXPECT_EQ(e.observation, why[0].observation);
}
TEST(SuspectsOf, ACornerThatIsNotSquareIsNamedAsThat) {
  Polygon leaning = kRectangle;
  leaning[2].x += 260;
  leaning[3].x += 260;
  Network net = surveyOf(leaning, {{0, 2}, {1, 3}});
  const auto a = adjust(net);
  const Suspects s = suspectsOf(net, *a);
  ASSERT_TRUE(s.detected);
  EXPECT_EQ(net.observations[s.listed.front().observation].kind, ObservationKind::Square);
}
TEST(SuspectsOf, TwoThatCannotBeToldApartAskForACornerPair) {
  Network net = surveyOf(kRectangle, {});
  net.observations[0].value += 600;
  const auto a = adjust(net);
  const Suspects s = suspectsOf(net, *a);
  ASSERT_TRUE(s.detected);
  EXPECT_FALSE(s.named);
  ASSERT_GE(s.listed.size(), 2U);
  ASSERT_TRUE(s.ask);
  EXPECT_FALSE(isMeasured(net, s.ask->first, s.ask->second));
}
TEST(SuspectsOf, CleanReadingsHaveNone) {
  EXPECT_FALSE(suspectsOf(surveyOf(kL, {{0, 3}}), *adjust(surveyOf(kL, {{0, 3}}))).detected);
}

struct Pair {
  const char* slip;
  double meant, read;  ///< inches, or mm
  Unit unit;
};
void PrintTo(const Pair& p, std::ostream* out) { *out << p.slip; }
class Slips : public testing::TestWithParam<Pair> {};
TEST_P(Slips, WhatWasMeantIsAmongWhatIsTried) {
  const double unit = GetParam().unit == Unit::Inch ? kInch : 1;
  bool found = false;
  for (const Meant& m : meantBy(GetParam().read * unit, builtInSlips(), GetParam().unit))
    found = found || (m.slip->id == GetParam().slip && std::abs(m.value - GetParam().meant * unit) < 1e-6);
  EXPECT_TRUE(found);
}
INSTANTIATE_TEST_SUITE_P(
    Table, Slips,
    testing::Values(Pair{"7-for-1", 11 * 12 + 7, 17 * 12 + 7, Unit::Inch}, Pair{"foot-dropped", 151, 139, Unit::Inch},
                    Pair{"inches-as-feet", 127, 151, Unit::Inch}, Pair{"digits-swapped", 3520, 3250, Unit::Millimetre},
                    Pair{"6-for-9", 3920, 3620, Unit::Millimetre}, Pair{"metre-dropped", 4120, 3120, Unit::Millimetre}),
    [](const auto& c) {
      return std::string(c.param.slip[0] == '7'   ? "SevenForOne"
                         : c.param.slip[0] == '6' ? "SixForNine"
                                                  : "Case") +
             std::to_string(c.index);
    });
TEST(SlipTable, EachSlipLeadsBack) {
  std::mt19937 random(3);
  for (const Slip& slip : builtInSlips())
    for (int i = 0; i < 50; ++i) {
      const Unit unit = slip.units.value_or(i % 2 == 0 ? Unit::Inch : Unit::Millimetre);
      const double meant = unit == Unit::Inch ? std::uniform_int_distribution(60, 290)(random) * kInch
                                              : std::uniform_int_distribution(1500, 7000)(random);
      const auto read = slipped(meant, slip, unit, random());
      if (!read) continue;
      const auto back = meantBy(*read, builtInSlips(), unit);
      EXPECT_TRUE(
          std::any_of(back.begin(), back.end(),
                      [&](const Meant& m) { return m.slip->id == slip.id && std::abs(m.value - meant) < 1e-6; }))
          << slip.id << " " << meant << " read " << *read;
    }
}

// ---- what to measure next
TEST(NextReading, ADiagonalIsWorthMostInARectangleOfRuns) {
  const Network net = surveyOf(kRectangle, {});
  const auto next = nextReading(net, *adjust(net));
  ASSERT_TRUE(next);
  EXPECT_EQ((next->from + 2) % 4, next->to);
  EXPECT_LT(next->worstAfter, next->worstBefore);
}
TEST(NextReading, WhatItPromisesComesTrue) {
  Network net = surveyOf(kL, {});
  const auto next = nextReading(net, *adjust(net));
  ASSERT_TRUE(next);
  net.observations.push_back(length(next->from, next->to, 6, distance(kL[next->from], kL[next->to])));
  const auto after = adjust(net);
  double worst = 0;
  for (std::size_t a = 0; a < 6; ++a)
    for (std::size_t b = a + 1; b < 6; ++b) worst = std::max(worst, u95OfLength(*after, a, b));
  EXPECT_NEAR(worst, next->worstAfter, 0.02);
}

}  // namespace survey_test
}  // namespace mezzet
