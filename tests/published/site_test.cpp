// Outside checks of what is recorded on site: stairs by the published rules for private ones, planes and studs by an
// independent solver, the straightening of a picture by a closed form.
#include <gsl/gsl_fit.h>
#include <gsl/gsl_multifit.h>
#include <gtest/gtest.h>

#include <cmath>
#include <random>

#include "core/rules/check.h"
#include "core/site/heights.h"
#include "core/site/stairs.h"
#include "core/site/studs.h"
#include "core/survey/trace.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace site_test {

constexpr unsigned kSeed = 20261125;

Verdict stairVerdict(const Stair& stair, const std::string& rule, const std::string& school) {
  Room room;
  room.id = RoomId("hall");
  room.name = "Hall";
  room.ceilingHeight = 2700;
  room.corners = {
      {CornerId("A"), {0, 0}}, {CornerId("B"), {5000, 0}}, {CornerId("C"), {5000, 2000}}, {CornerId("D"), {0, 2000}}};
  Feature f;
  f.id = FeatureId("stair");
  f.kind = FeatureKind::Stair;
  f.outline = {{0, 0}, {3500, 0}, {3500, 900}, {0, 900}};
  f.stair = stair;
  room.features = {f};
  Job job = withRoom(Job{}, room).value();
  job = withScheme(job, Scheme{SchemeId("s"), room.id, "A", {}, {}, {}});
  if (!school.empty()) job.houseRules.schools[rule] = school;
  for (const Finding& found : check(job, builtInRulebook(), SchemeId("s"), {}, kEveryDay))
    if (found.rule == rule) return found.verdict;
  ADD_FAILURE() << rule << " said nothing";
  return Verdict::NotMeasured;
}
Stair flight(double riser, double going, int risers = 14) {
  return {risers, riser, going, 0, std::nullopt, std::nullopt, std::nullopt, std::nullopt};
}

// England, Approved Document K (2013), table 1.1, private stair, as remembered: rise 150-220, going 220-300, pitch at
// most 42 degrees, twice the rise plus the going 550-700. International Residential Code (2021), R311.7.5, as
// remembered: riser at most 7 3/4 in, tread at least 10 in. The worked example: 14 risers over a rise of 2700, going
// 250.
TEST(PrivateStair, FourteenRisersOverTwentySevenHundred) {
  const Stair s = flight(2700.0 / 14, 250);
  EXPECT_NEAR(s.riser, 192.86, 0.005);
  EXPECT_NEAR(stepLength(s), 635.7, 0.05);
  EXPECT_NEAR(pitchOf(s), 37.65, 0.005);
  for (const char* rule : {"stair-rise", "stair-going"}) EXPECT_EQ(stairVerdict(s, rule, "a"), Verdict::Holds) << rule;
  for (const char* rule : {"stair-pitch", "stair-step"}) EXPECT_EQ(stairVerdict(s, rule, ""), Verdict::Holds) << rule;
  EXPECT_EQ(stairVerdict(s, "stair-rise", "b"), Verdict::Holds);    // 192.86 is under 196.85
  EXPECT_EQ(stairVerdict(s, "stair-going", "b"), Verdict::Breaks);  // 250 is under 254
}
TEST(PrivateStair, EndsBelongToTheRanges) {
  EXPECT_EQ(stairVerdict(flight(220, 300), "stair-rise", "a"), Verdict::Holds);
  EXPECT_EQ(stairVerdict(flight(220.5, 300), "stair-rise", "a"), Verdict::Breaks);
  EXPECT_EQ(stairVerdict(flight(220, 220), "stair-pitch", ""), Verdict::Breaks);  // 45 degrees
  EXPECT_EQ(stairVerdict(flight(150, 250), "stair-step", ""), Verdict::Holds);    // 550
  EXPECT_EQ(stairVerdict(flight(150, 249), "stair-step", ""), Verdict::Breaks);
  EXPECT_EQ(stairVerdict(flight(7.75 * kInch, 10 * kInch), "stair-rise", "b"), Verdict::Holds);
  EXPECT_EQ(stairVerdict(flight(7.75 * kInch, 10 * kInch), "stair-going", "b"), Verdict::Holds);
}
TEST(PrivateStair, HandrailAndHeadroomWaitUntilMeasured) {
  Stair s = flight(190, 250);
  EXPECT_EQ(stairVerdict(s, "stair-handrail", "a"), Verdict::NotMeasured);
  s.handrail = 950;
  s.headroom = 80 * kInch;
  EXPECT_EQ(stairVerdict(s, "stair-handrail", "a"), Verdict::Holds);
  EXPECT_EQ(stairVerdict(s, "stair-headroom", "b"), Verdict::Holds);
  s.handrail = 850;
  EXPECT_EQ(stairVerdict(s, "stair-handrail", "a"), Verdict::Breaks);
}
TEST(PrivateStair, OneThatDoesNotReachBreaks) {
  Stair s = flight(190, 250);
  s.rise = 2700;
  EXPECT_EQ(stairVerdict(s, "stair-reach", ""), Verdict::Breaks);
  s.riser = 2700.0 / 14;
  EXPECT_EQ(stairVerdict(s, "stair-reach", ""), Verdict::Holds);
}

// Weighted least squares of the GNU Scientific Library.
TEST(PlaneFit, AgreesWithTheScientificLibrary) {
  SCOPED_TRACE("seed 20261125");
  std::mt19937 random(kSeed);
  std::uniform_real_distribution<double> place(0, 8000), slope(-0.5, 0.5), sigma(0.5, 6);
  std::normal_distribution<double> noise(0, 1);
  for (int trial = 0; trial < 100; ++trial) {
    const std::size_t n = 4 + static_cast<std::size_t>(trial % 12);
    const Plane truth{2400, slope(random), slope(random)};
    std::vector<PlanePoint> points;
    for (std::size_t i = 0; i < n; ++i) {
      PlanePoint p{{place(random), place(random)}, 0, sigma(random)};
      p.z = truth.at(p.at) + noise(random) * p.sigma;
      points.push_back(p);
    }
    const auto fit = fitPlane(points, true);
    ASSERT_TRUE(fit);
    gsl_matrix* x = gsl_matrix_alloc(n, 3);
    gsl_vector *w = gsl_vector_alloc(n), *y = gsl_vector_alloc(n), *c = gsl_vector_alloc(3);
    gsl_matrix* cov = gsl_matrix_alloc(3, 3);
    double chi2 = 0;
    for (std::size_t i = 0; i < n; ++i) {
      gsl_matrix_set(x, i, 0, 1);
      gsl_matrix_set(x, i, 1, points[i].at.x);
      gsl_matrix_set(x, i, 2, points[i].at.y);
      gsl_vector_set(w, i, 1 / (points[i].sigma * points[i].sigma));
      gsl_vector_set(y, i, points[i].z);
    }
    gsl_multifit_linear_workspace* work = gsl_multifit_linear_alloc(n, 3);
    gsl_multifit_wlinear(x, w, y, c, cov, &chi2, work);
    EXPECT_NEAR(fit->plane.z, gsl_vector_get(c, 0), 1e-5);
    EXPECT_NEAR(fit->plane.gx, gsl_vector_get(c, 1), 1e-9);
    EXPECT_NEAR(fit->plane.gy, gsl_vector_get(c, 2), 1e-9);
    EXPECT_NEAR(fit->chi2, chi2, 1e-6 * (1 + chi2));
    for (std::size_t i = 0; i < 3; ++i)
      for (std::size_t j = 0; j < 3; ++j)
        EXPECT_NEAR(fit->covariance[3 * i + j], gsl_matrix_get(cov, i, j),
                    1e-6 * (1e-6 + std::abs(gsl_matrix_get(cov, i, j))));
    gsl_multifit_linear_free(work);
    gsl_matrix_free(x);
    gsl_matrix_free(cov);
    for (gsl_vector* v : {w, y, c}) gsl_vector_free(v);
  }
}

// With every hit's stud known, pitch and offset are a straight line through (index, place): the library's weighted line
// fit.
TEST(StudFit, OfAFreePitchAgreesWithTheScientificLibrary) {
  SCOPED_TRACE("seed 20261125");
  std::mt19937 random(kSeed);
  std::normal_distribution<double> knock(0, 4);
  std::uniform_real_distribution<double> confidence(0.4, 1);
  int compared = 0;
  for (int trial = 0; trial < 40; ++trial) {
    const double pitch = 500 + trial, first = 60 + 5 * trial;  // no usual pitch
    StudRecord record{CornerId("A"), {}, std::nullopt};
    std::vector<double> k, w, y;
    for (int i = 0; i < 10; ++i) {
      const double at = first + i * pitch + knock(random), sure = confidence(random);
      record.hits.push_back({ReadingId("k" + std::to_string(i)), at, sure, false});
      k.push_back(i);
      y.push_back(at);
      w.push_back(sure / (kTapU95 * kTapU95 / 4));
    }
    const auto fit = fitStuds(record, 8000);
    ASSERT_TRUE(fit);
    if (fit->standardPitch || !fit->odd.empty()) continue;
    double c0 = 0, c1 = 0, q00 = 0, q01 = 0, q11 = 0, chi2 = 0;
    gsl_fit_wlinear(k.data(), 1, w.data(), 1, y.data(), 1, k.size(), &c0, &c1, &q00, &q01, &q11, &chi2);
    EXPECT_NEAR(fit->pitch, c1, 1e-6);
    EXPECT_NEAR(fit->first, c0, 1e-6);
    // Sigma of the stud at index 0, with the carpenters' 1.5 mm on top.
    EXPECT_NEAR(fit->studs[0].u95, 2 * std::sqrt(q00 + 1.5 * 1.5), 1e-6);
    ++compared;
  }
  EXPECT_GE(compared, 20);
}

// The unit square to any quadrilateral has a closed form (Heckbert, Fundamentals of Texture Mapping, 1989, as
// remembered): with d1 = p1 - p2, d2 = p3 - p2, s = p0 - p1 + p2 - p3: g = |s d2| / |d1 d2|, h = |d1 s| / |d1 d2|.
TEST(Straightening, AgreesWithTheClosedForm) {
  SCOPED_TRACE("seed 20261125");
  std::mt19937 random(kSeed);
  std::uniform_real_distribution<double> off(-120, 120);
  for (int trial = 0; trial < 200; ++trial) {
    const Vec2 p0{off(random), off(random)}, p1{1000 + off(random), off(random)},
        p2{1000 + off(random), 700 + off(random)}, p3{off(random), 700 + off(random)};
    const Vec2 d1 = p1 - p2, d2 = p3 - p2, s = p0 - p1 + p2 - p3;
    const double det = cross(d1, d2), g = cross(s, d2) / det, h = cross(d1, s) / det;
    const double a = p1.x - p0.x + g * p1.x, b = p3.x - p0.x + h * p3.x, d = p1.y - p0.y + g * p1.y,
                 e = p3.y - p0.y + h * p3.y;
    const auto ours = homographyOf({{0, 0}, {1, 0}, {1, 1}, {0, 1}}, {p0, p1, p2, p3});
    ASSERT_TRUE(ours);
    for (const double x : {0.0, 0.3, 0.8})
      for (const double y : {0.1, 0.5, 1.0}) {
        const double w = g * x + h * y + 1;
        const Vec2 there = mapped(*ours, {x, y});
        EXPECT_NEAR(there.x, (a * x + b * y + p0.x) / w, 1e-7);
        EXPECT_NEAR(there.y, (d * x + e * y + p0.y) / w, 1e-7);
      }
    const auto back = backwards(*ours);
    ASSERT_TRUE(back);
    EXPECT_NEAR(mapped(*back, p2).x, 1, 1e-9);
  }
}

}  // namespace site_test
}  // namespace mezzet
