// A wall's photograph: the homography of the closed case (a unit square stretched to twice its width is an affine map,
// solved by hand), projective maps against the eight equations solved by GSL (an independent library), and the doubt of
// lengths against 20,000 draws of the picks, seeded.
#include <gsl/gsl_linalg.h>
#include <gtest/gtest.h>

#include <cmath>
#include <random>

#include "core/sight/wall_photograph.h"

namespace mezzet {
namespace photograph_test {

constexpr unsigned kSeed = 20'261'128;

Calibration square() {
  Calibration c;
  c.corners = {{0, 0}, {2, 0}, {2, 1}, {0, 1}};
  c.width = c.height = 1;
  return c;
}

TEST(Homography, OfTheUnitSquareToTwiceItsWidth) {
  const auto map = wallToPhotograph(square());
  ASSERT_TRUE(map);
  const double expected[] = {2, 0, 0, 0, 1, 0, 0, 0, 1};
  for (std::size_t i = 0; i < 9; ++i) EXPECT_NEAR((*map)[i], expected[i], 1e-9) << i;
}

/// A wall seen at an angle: a window of 1200 x 1500 in a picture of 1600 x 1200.
Calibration slanted() {
  Calibration c;
  c.corners = {{420, 830}, {760, 790}, {748, 350}, {402, 300}};
  c.width = 1200;
  c.height = 1500;
  c.u = 900;
  c.v = 800;
  return c;
}

TEST(Homography, IsTheSolutionOfItsEightEquations) {
  std::printf("seed %u\n", kSeed);
  std::mt19937 random(kSeed);
  std::uniform_real_distribution<double> shift(-60, 60);
  for (int k = 0; k < 200; ++k) {
    Calibration c = slanted();
    for (Vec2& p : c.corners) p += Vec2{shift(random), shift(random)};
    const auto map = wallToPhotograph(c);
    ASSERT_TRUE(map) << "seed " << kSeed << ", case " << k;
    const Vec2 wall[] = {{c.u, c.v}, {c.u + c.width, c.v}, {c.u + c.width, c.v + c.height}, {c.u, c.v + c.height}};
    double a[64], b[8];
    for (std::size_t i = 0; i < 4; ++i) {
      const Vec2 p = wall[i], q = c.corners[i];
      const double rows[2][8] = {{p.x, p.y, 1, 0, 0, 0, -q.x * p.x, -q.x * p.y},
                                 {0, 0, 0, p.x, p.y, 1, -q.y * p.x, -q.y * p.y}};
      for (std::size_t r = 0; r < 2; ++r)
        for (std::size_t j = 0; j < 8; ++j) a[(2 * i + r) * 8 + j] = rows[r][j];
      b[2 * i] = q.x;
      b[2 * i + 1] = q.y;
    }
    gsl_matrix_view m = gsl_matrix_view_array(a, 8, 8);
    gsl_vector_view v = gsl_vector_view_array(b, 8);
    gsl_vector* x = gsl_vector_alloc(8);
    gsl_permutation* p = gsl_permutation_alloc(8);
    int sign = 0;
    gsl_linalg_LU_decomp(&m.matrix, p, &sign);
    gsl_linalg_LU_solve(&m.matrix, p, &v.vector, x);
    for (std::size_t i = 0; i < 8; ++i) {
      const double theirs = gsl_vector_get(x, i);
      EXPECT_NEAR((*map)[i], theirs, 1e-7 * std::max(1.0, std::abs(theirs))) << "seed " << kSeed << ", case " << k;
    }
    gsl_permutation_free(p);
    gsl_vector_free(x);
  }
}

TEST(PhotographLength, HasTheDoubtOfTwentyThousandDraws) {
  std::printf("seed %u\n", kSeed);
  std::mt19937 random(kSeed);
  const Calibration c = slanted();
  const Homography map = *wallToPhotograph(c);
  std::normal_distribution<double> pick(0, c.u95 / 2);
  const std::pair<Vec2, Vec2> sides[] = {
      {{2400, 1500}, {3900, 1500}}, {{1200, 1100}, {1200, 2000}}, {{400, 900}, {3000, 2300}}};
  for (const auto& [a, b] : sides) {
    const PhotographLength ours = lengthIn(c, map, a, b);
    EXPECT_NEAR(ours.mm, distance(a, b), 1e-9);
    const Vec2 pa = mapped(map, a), pb = mapped(map, b);
    double sum = 0, squares = 0;
    constexpr int kDraws = 20'000;
    for (int i = 0; i < kDraws; ++i) {
      Calibration drawn = c;
      for (Vec2& p : drawn.corners) p += Vec2{pick(random), pick(random)};
      const Homography back = *backwards(*wallToPhotograph(drawn));
      const double length = distance(mapped(back, pa), mapped(back, pb));
      sum += length;
      squares += length * length;
    }
    const double mean = sum / kDraws, u95 = 2 * std::sqrt(squares / kDraws - mean * mean);
    EXPECT_NEAR(ours.u95, u95, 0.1 * u95) << "seed " << kSeed;
    EXPECT_GT(ours.u95, 1) << "a photograph is never exact";
  }
}

TEST(Homography, IsRefusedOfCornersInALine) {
  Calibration c = slanted();
  c.corners[1] = {(c.corners[0].x + c.corners[2].x) / 2, (c.corners[0].y + c.corners[2].y) / 2};
  EXPECT_FALSE(wallToPhotograph(c));
  c.corners.pop_back();
  EXPECT_FALSE(wallToPhotograph(c));
}

}  // namespace photograph_test
}  // namespace mezzet
