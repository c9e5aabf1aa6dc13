// Linear algebra on plain values, for everything that adjusts or fits: the only place that knows the library behind it,
// which is dear to compile.
#pragma once

#include <array>
#include <cstddef>
#include <optional>
#include <vector>

namespace mezzet {

using Numbers = std::vector<double>;

/// Kept row by row; zeros at first.
struct Matrix {
  std::size_t rows = 0, columns = 0;
  Numbers values = {};

  Matrix() = default;
  Matrix(std::size_t rowCount, std::size_t columnCount)
      : rows(rowCount), columns(columnCount), values(rowCount * columnCount, 0) {}
  double& operator()(std::size_t row, std::size_t column) { return values[row * columns + column]; }
  double operator()(std::size_t row, std::size_t column) const { return values[row * columns + column]; }
};

/// x with A x = b for a symmetric A that has only positive eigenvalues (by L D Lᵀ); not finite when A has others.
[[nodiscard]] Numbers solvedPositive(const Matrix& a, const Numbers& b);
/// The inverse of such a matrix; absent when one of its pivots is below `leastPivot`.
[[nodiscard]] std::optional<Matrix> invertedPositive(const Matrix& a, double leastPivot);

/// Of a symmetric matrix: eigenvalues ascending, and the vector of each in the column below it.
struct Modes {
  Numbers values;
  Matrix vectors;
};
[[nodiscard]] Modes modesOf(const Matrix& symmetric);

/// Weighted rows A x = b with at least as many rows as columns and full rank, as nearly as they allow (by Q R).
struct LeastSquares {
  Numbers x;
  Numbers residuals;  ///< A x - b
  Matrix cofactor;    ///< (AᵀA)⁻¹
};
[[nodiscard]] LeastSquares leastSquares(const Matrix& a, const Numbers& b);

/// Of all x that bring A x nearest to b, the shortest.
[[nodiscard]] Numbers shortestSolution(const Matrix& a, const Numbers& b);

/// x with A x = b for a square A.
[[nodiscard]] Numbers solved(const Matrix& a, const Numbers& b);

/// What a set of rows spans. Rank counts pivots above `share` of the largest.
struct Span {
  Numbers leverage;  ///< by row of A: how far its own value decides what is fitted there, 0 to 1
  Matrix basis;      ///< orthonormal rows that span A's rows
};
[[nodiscard]] Span spanOf(const Matrix& a, double share);
/// The length of what of v lies outside the span.
[[nodiscard]] double lengthOutside(const Span& span, const Numbers& v);

/// Square matrices of three, row by row.
using Matrix3 = std::array<double, 9>;
[[nodiscard]] Matrix3 product(const Matrix3& a, const Matrix3& b);
[[nodiscard]] Matrix3 transposed(const Matrix3& a);
[[nodiscard]] std::optional<Matrix3> inverted(const Matrix3& a);  ///< absent when it has none

}  // namespace mezzet
