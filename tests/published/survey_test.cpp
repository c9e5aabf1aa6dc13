// Published traverses, levelling nets and least-squares examples, as remembered; each value re-solved with an
// independent solver before it was written here.
#include <gsl/gsl_cdf.h>
#include <gtest/gtest.h>

#include "core/survey/adjust.h"
#include "core/base/chi_squared.h"
#include "core/survey/sketch_start.h"
#include "core/survey/suspects.h"

namespace mezzet {
namespace survey_test {

Observation between(const char* id, std::size_t a, std::size_t b, double value, double sigma = 1) {
  return {id, ObservationKind::Diagonal, a, b, value, sigma};
}
/// A point on a line (heights, stations): y is held.
Held onLine() { return {false, true, {}}; }
Held at(double x, double y = 0) { return {true, true, {x, y}}; }

// Source: Ghilani, Adjustment Computations, chapter on the principles of least squares: a line ABC measured whole and
// in parts, as remembered: AC 431.71, AB 211.52, BC 220.10 give AB 211.55 and BC 220.13, residuals -0.03, +0.03, +0.03.
TEST(PublishedLeastSquares, ALineMeasuredWholeAndInParts) {
  Network net;
  net.corners = 3;
  net.held = {at(0), onLine(), onLine()};
  net.observations = {between("AC", 0, 2, 431.71), between("AB", 0, 1, 211.52), between("BC", 1, 2, 220.10)};
  const auto a = adjust(net, Polygon{{0, 0}, {200, 0}, {400, 0}});
  ASSERT_TRUE(a.ok());
  EXPECT_NEAR(a->corners[1].x, 211.55, 0.005);
  EXPECT_NEAR(a->corners[2].x - a->corners[1].x, 220.13, 0.005);
  EXPECT_NEAR(a->rows[0].residual, -0.03, 0.0005);
  EXPECT_NEAR(a->rows[1].residual, 0.03, 0.0005);
  EXPECT_NEAR(a->rows[2].residual, 0.03, 0.0005);
}

/// Heights along a line: X 100.00, Y 107.50, and A, B, C between. Every difference is a distance on that line.
Network levelling(const std::array<double, 7>& sigma, double blunder = 0) {
  Network net;
  net.corners = 5;
  net.held = {at(100), at(107.5), onLine(), onLine(), onLine()};
  enum { X, Y, A, B, C };
  net.observations = {between("XA", X, A, 5.10, sigma[0]),
                      between("AY", A, Y, 2.34, sigma[1]),
                      between("YC", Y, C, 1.25 - blunder, sigma[2]),
                      between("CX", C, X, 6.13, sigma[3]),
                      between("AB", A, B, 0.68, sigma[4]),
                      between("YB", Y, B, 3.00, sigma[5]),
                      between("BC", B, C, 1.70, sigma[6])};
  return net;
}
const Polygon kHeights{{100, 0}, {107.5, 0}, {105, 0}, {104.5, 0}, {106, 0}};

// Source: Ghilani, Adjustment Computations, differential levelling, as remembered. Equal weights.
TEST(PublishedLeastSquares, ALevellingNetOfEqualWeights) {
  const auto a = adjust(levelling({1, 1, 1, 1, 1, 1, 1}), kHeights);
  ASSERT_TRUE(a.ok());
  EXPECT_NEAR(a->corners[2].x, 105.141, 0.0006);
  EXPECT_NEAR(a->corners[3].x, 104.483, 0.0006);
  EXPECT_NEAR(a->corners[4].x, 106.188, 0.0006);
  EXPECT_NEAR(a->s0(), 0.050, 0.0006);
}
const std::array<double, 7> kByLength = [] {
  std::array<double, 7> sigma{};
  const double lengths[] = {4, 3, 2, 3, 2, 2, 2};  // weights 12 / length
  for (std::size_t i = 0; i < 7; ++i) sigma[i] = std::sqrt(lengths[i] / 12);
  return sigma;
}();
TEST(PublishedLeastSquares, ALevellingNetWeightedByLengthWithItsRedundancyNumbers) {
  const auto a = adjust(levelling(kByLength), kHeights);
  ASSERT_TRUE(a.ok());
  EXPECT_NEAR(a->corners[2].x, 105.150, 0.0006);
  EXPECT_NEAR(a->corners[3].x, 104.489, 0.0006);
  EXPECT_NEAR(a->corners[4].x, 106.197, 0.0006);
  EXPECT_NEAR(a->s0(), 0.107, 0.0006);
  EXPECT_EQ(a->redundancy, 4);
  const double published[] = {.7200, .6267, .5600, .7067, .4044, .5378, .4444};
  double sum = 0;
  for (std::size_t i = 0; i < 7; ++i) {
    EXPECT_NEAR(a->rows[i].redundancy, published[i], 0.00006) << i;
    sum += a->rows[i].redundancy;
  }
  EXPECT_NEAR(sum, 4, 1e-9);
}

// The same net with sigma 0.1 as unit and a blunder of 0.60 in its third difference, computed from the formulas of
// Baarda's test (w = v / (sigma sqrt r)): the largest w is that of the blunder, though others exceed 3.29 too.
TEST(PublishedOutlier, TheLargestOfTheStandardizedResidualsIsTheBlunder) {
  std::array<double, 7> sigma = kByLength;
  for (double& s : sigma) s *= 0.1;
  const auto clean = adjust(levelling(sigma), kHeights);
  EXPECT_NEAR(clean->chi2, 4.5984, 0.0002);
  const double cleanW[] = {1.029, 0.243, -1.728, -1.599, 0.724, -0.361, 0.294};
  // Signs are those of differences; here every reading is a distance, so that those that fall turn round.
  const double turned[] = {1, 1, -1, -1, -1, -1, 1};
  for (std::size_t i = 0; i < 7; ++i) EXPECT_NEAR(clean->rows[i].w, turned[i] * cleanW[i], 0.001) << i;
  const auto wrong = adjust(levelling(sigma, 0.6), kHeights);
  EXPECT_NEAR(wrong->chi2, 163.574, 0.005);
  const double wrongW[] = {2.009, -0.970, -12.726, -7.880, 2.881, 3.113, 6.173};
  for (std::size_t i = 0; i < 7; ++i) EXPECT_NEAR(wrong->rows[i].w, turned[i] * wrongW[i], 0.002) << i;
  const Suspects found = suspectsOf(levelling(sigma, 0.6), *wrong);
  EXPECT_TRUE(found.detected);
  EXPECT_EQ(found.named, 2U);
}

// Source: Ghilani, Adjustment Computations, trilateration, station numbers as remembered. From a start at (0, 0) plain
// steps end in the mirrored minimum at (-2237.9, -367.6); the answer must not depend on the start.
TEST(PublishedLeastSquares, ATrilaterationFromAnyStart) {
  Network net;
  net.corners = 4;
  net.held = {at(865.40, 4527.15), at(2432.55, 2047.25), at(2865.22, 27.15), {}};
  net.observations = {between("AU", 0, 3, 6049.00), between("BU", 1, 3, 4736.83), between("CU", 2, 3, 5446.49)};
  for (const Vec2 start : {Vec2{0, 0}, Vec2{-5000, 100}, Vec2{7000, 4000}, Vec2{2432, 2047}}) {
    const auto a = adjust(net, Polygon{net.held[0].at, net.held[1].at, net.held[2].at, start});
    ASSERT_TRUE(a.ok());
    EXPECT_NEAR(a->corners[3].x, 6861.317, 0.002);
    EXPECT_NEAR(a->corners[3].y, 3727.819, 0.002);
    EXPECT_NEAR(a->rows[0].residual, -0.037, 0.001);
    EXPECT_NEAR(a->rows[1].residual, 0.077, 0.001);
    EXPECT_NEAR(a->rows[2].residual, -0.047, 0.001);
    EXPECT_NEAR(a->s0(), 0.098, 0.001);
    EXPECT_NEAR(a->s0() * std::sqrt(a->covariance[6 * 8 + 6]), 0.078, 0.001);
    EXPECT_NEAR(a->s0() * std::sqrt(a->covariance[7 * 8 + 7]), 0.154, 0.001);
  }
}

// Source: Ghilani, Elementary Surveying, compass (Bowditch) rule, five-sided traverse in feet, as remembered. The first
// outline of a walk shares its misclosure as that rule does.
TEST(PublishedTraverse, TheFirstOutlineIsBalancedByTheCompassRule) {
  const double length[] = {647.25, 203.03, 720.35, 610.24, 285.13};
  const Vec2 leg[] = {{517.451, -388.815},
                      {5.966, -202.942},
                      {192.889, 694.045},
                      {-590.565, 153.708},
                      {-125.715, -255.919}};  // departure, latitude
  const Vec2 balanced[] = {
      {517.4442, -388.8352}, {5.9639, -202.9483}, {192.8814, 694.0225}, {-590.5714, 153.6889}, {-125.7180, -255.9279}};
  Network net;
  net.corners = 5;
  for (std::size_t i = 0; i < 5; ++i) {
    net.turns.push_back(0);
    net.observations.push_back({"leg", ObservationKind::Run, i, (i + 1) % 5, length[i], 0.01});
    const Vec2 before = leg[(i + 4) % 5], here = leg[i];
    const double turn = std::atan2(cross(before, here), dot(before, here)) * 180 / std::acos(-1.0);
    net.turns[i] = turn > 0 ? 1 : -1;
    net.observations.push_back({"angle", ObservationKind::Angle, i, i, 180 - turn, 0.01});
  }
  const Polygon outline = sketchStart(net);
  EXPECT_NEAR(std::abs(signedArea(outline)), 272585.35, 3);
  for (std::size_t i = 0; i < 5; ++i)
    EXPECT_NEAR(distance(outline[i], outline[(i + 1) % 5]), norm(balanced[i]), 0.002) << i;
}

// Computed from the definition with an independent least-squares solver (scipy.optimize): a room of four walls and both
// diagonals, in metres, equal weights.
TEST(PublishedRoom, FourWallsWithBothDiagonals) {
  Network net;
  net.corners = 4;
  net.turns = {1, 1, 1, 1};
  const auto run = [](const char* id, std::size_t a, double v) {
    return Observation{id, ObservationKind::Run, a, (a + 1) % 4, v, 1};
  };
  net.observations = {run("AB", 0, 5.003), run("BC", 1, 3.998),         run("CD", 2, 4.996),
                      run("DA", 3, 4.002), between("AC", 0, 2, 6.4035), between("BD", 1, 3, 6.4010)};
  const auto a = adjust(net);
  ASSERT_TRUE(a.ok()) << a.error().text();
  const Polygon published{{0, 0}, {5.002812, 0}, {5.002510, 3.997849}, {0.006700, 4.001844}};
  for (std::size_t i = 0; i < 4; ++i) EXPECT_LT(distance(a->corners[i], published[i]), 2e-6) << i;
  const double residuals[] = {-0.188, -0.151, -0.188, -0.151, 0.241, 0.241};
  for (std::size_t i = 0; i < 6; ++i) EXPECT_NEAR(a->rows[i].residual * 1000, residuals[i], 0.0006) << i;
  EXPECT_NEAR(a->s0() * 1000, 0.482, 0.0006);
  EXPECT_NEAR(signedArea(a->corners), 19.99648, 1e-5);
}

// Source: tables of chi-square (95 % and 99 %), and GSL's gsl_cdf_chisq_Pinv as independent library.
TEST(PublishedChiSquare, QuantilesAgreeWithTheTable) {
  const std::tuple<int, double, double> table[] = {{1, 3.841, 6.635},   {2, 5.991, 9.210},    {3, 7.815, 11.345},
                                                   {4, 9.488, 13.277},  {5, 11.070, 15.086},  {6, 12.592, 16.812},
                                                   {8, 15.507, 20.090}, {10, 18.307, 23.209}, {20, 31.410, 37.566}};
  for (const auto& [freedom, at95, at99] : table) {
    EXPECT_NEAR(chiSquaredQuantile(freedom, 0.95), at95, 0.0006) << freedom;
    EXPECT_NEAR(chiSquaredQuantile(freedom, 0.99), at99, 0.0006) << freedom;
  }
}
TEST(PublishedChiSquare, QuantilesAgreeWithAnIndependentLibrary) {
  for (int freedom = 1; freedom < 300; freedom += 7)
    for (const double p : {0.05, 0.5, 0.95, 0.999})
      EXPECT_NEAR(chiSquaredQuantile(freedom, p) / gsl_cdf_chisq_Pinv(p, freedom), 1, 1e-9) << freedom << " " << p;
}

}  // namespace survey_test
}  // namespace mezzet
