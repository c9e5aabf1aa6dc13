#include "core/geometry/linear.h"

#include <cmath>
#include <numbers>

namespace mezzet {
namespace linear_test {

Matrix rows(std::size_t columns, const Numbers& values) {
  Matrix m(values.size() / columns, columns);
  m.values = values;
  return m;
}

TEST(Linear, APositiveSystemIsSolved) {
  const Numbers x = solvedPositive(rows(2, {4, 1, 1, 3}), {1, 2});
  EXPECT_NEAR(x[0], 1.0 / 11, 1e-15);
  EXPECT_NEAR(x[1], 7.0 / 11, 1e-15);
}
TEST(Linear, AnInverseTimesItsMatrixIsOne) {
  const auto inverse = invertedPositive(rows(2, {4, 1, 1, 3}), 1e-9);
  ASSERT_TRUE(inverse);
  EXPECT_NEAR(4 * (*inverse)(0, 0) + (*inverse)(1, 0), 1, 1e-15);
  EXPECT_NEAR(4 * (*inverse)(0, 1) + (*inverse)(1, 1), 0, 1e-15);
}
TEST(Linear, AMatrixWithASmallPivotHasNoInverse) { EXPECT_FALSE(invertedPositive(rows(2, {1, 1, 1, 1}), 1e-9)); }
TEST(Linear, ModesComeSmallestFirst) {
  const Modes m = modesOf(rows(2, {2, 1, 1, 2}));
  EXPECT_NEAR(m.values[0], 1, 1e-14);
  EXPECT_NEAR(m.values[1], 3, 1e-14);
  EXPECT_NEAR(std::abs(m.vectors(0, 1)), std::numbers::sqrt2 / 2, 1e-14);
}
// Three points 0, 1, 3 at 0, 1, 2: the line is y = 1.5 x - 1/6.
TEST(Linear, LeastSquaresIsTheLineThroughThreePoints) {
  const LeastSquares fit = leastSquares(rows(2, {1, 0, 1, 1, 1, 2}), {0, 1, 3});
  EXPECT_NEAR(fit.x[0], -1.0 / 6, 1e-14);
  EXPECT_NEAR(fit.x[1], 1.5, 1e-14);
  EXPECT_NEAR(fit.residuals[1], 1.0 / 3, 1e-14);
  EXPECT_NEAR(fit.cofactor(1, 1), 0.5, 1e-14);
}
TEST(Linear, TheShortestOfManySolutionsIsTaken) {
  const Numbers x = shortestSolution(rows(2, {1, 1}), {2});
  EXPECT_NEAR(x[0], 1, 1e-14);
  EXPECT_NEAR(x[1], 1, 1e-14);
}
TEST(Linear, ARowOfItsOwnDecidesItself) {
  const Span span = spanOf(rows(2, {1, 0, 1, 0, 0, 1}), 1e-9);
  EXPECT_NEAR(span.leverage[0], 0.5, 1e-14);
  EXPECT_NEAR(span.leverage[2], 1, 1e-14);
  EXPECT_NEAR(lengthOutside(span, {3, 4}), 0, 1e-14);
}
TEST(Linear, WhatRowsDoNotSpanLiesOutside) {
  const Span span = spanOf(rows(3, {1, 1, 0, 2, 2, 0, 0, 0, 1}), 1e-9);
  EXPECT_EQ(span.basis.rows, 2U);
  EXPECT_NEAR(lengthOutside(span, {1, -1, 5}), std::numbers::sqrt2, 1e-14);
}
TEST(Linear, ATurnIsUndoneByItsInverse) {
  const Matrix3 turn{0, -1, 2, 1, 0, 3, 0, 0, 1};
  const auto back = inverted(turn);
  ASSERT_TRUE(back);
  const Matrix3 none = product(turn, *back);
  for (std::size_t i = 0; i < 9; ++i) EXPECT_NEAR(none[i], i % 4 == 0 ? 1 : 0, 1e-14);
  EXPECT_FALSE(inverted(Matrix3{1, 2, 3, 2, 4, 6, 0, 0, 1}));
}

}  // namespace linear_test
}  // namespace mezzet
