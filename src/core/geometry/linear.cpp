#include "core/geometry/linear.h"

#include <Eigen/Dense>
#include <cmath>

namespace mezzet {
namespace {

using RowMajor = Eigen::Matrix<double, Eigen::Dynamic, Eigen::Dynamic, Eigen::RowMajor>;
using Square3 = Eigen::Matrix<double, 3, 3, Eigen::RowMajor>;

Eigen::Index index(std::size_t n) { return static_cast<Eigen::Index>(n); }
Eigen::Map<const RowMajor> map(const Matrix& m) { return {m.values.data(), index(m.rows), index(m.columns)}; }
Eigen::Map<const Eigen::VectorXd> map(const Numbers& v) { return {v.data(), index(v.size())}; }
Eigen::Map<const Square3> map(const Matrix3& m) { return Eigen::Map<const Square3>(m.data()); }
Numbers numbers(const Eigen::VectorXd& v) { return {v.data(), v.data() + v.size()}; }
Matrix matrix(const RowMajor& m) {
  Matrix out(static_cast<std::size_t>(m.rows()), static_cast<std::size_t>(m.cols()));
  std::copy(m.data(), m.data() + m.size(), out.values.begin());
  return out;
}
Matrix3 matrix3(const Square3& m) {
  Matrix3 out;
  std::copy(m.data(), m.data() + 9, out.begin());
  return out;
}

}  // namespace

Numbers solvedPositive(const Matrix& a, const Numbers& b) {
  const Eigen::MatrixXd m = map(a);
  return numbers(m.ldlt().solve(map(b)));
}

std::optional<Matrix> invertedPositive(const Matrix& a, double leastPivot) {
  if (a.rows == 0) return a;
  const Eigen::MatrixXd m = map(a);
  const Eigen::LDLT<Eigen::MatrixXd> factors(m);
  if (factors.info() != Eigen::Success || factors.vectorD().minCoeff() < leastPivot) return std::nullopt;
  return matrix(factors.solve(Eigen::MatrixXd::Identity(m.rows(), m.cols())));
}

Modes modesOf(const Matrix& symmetric) {
  const Eigen::MatrixXd m = map(symmetric);
  const Eigen::SelfAdjointEigenSolver<Eigen::MatrixXd> modes(m);
  return {numbers(modes.eigenvalues()), matrix(modes.eigenvectors())};
}

LeastSquares leastSquares(const Matrix& a, const Numbers& b) {
  const Eigen::MatrixXd m = map(a);
  const Eigen::VectorXd x = m.colPivHouseholderQr().solve(map(b));
  const Eigen::MatrixXd normal = m.transpose() * m;
  return {numbers(x), numbers(m * x - map(b)),
          matrix(normal.ldlt().solve(Eigen::MatrixXd::Identity(m.cols(), m.cols())))};
}

Numbers shortestSolution(const Matrix& a, const Numbers& b) {
  const Eigen::MatrixXd m = map(a);
  return numbers(m.completeOrthogonalDecomposition().solve(map(b)));
}

Numbers solved(const Matrix& a, const Numbers& b) {
  const Eigen::MatrixXd m = map(a);
  return numbers(m.colPivHouseholderQr().solve(map(b)));
}

Span spanOf(const Matrix& a, double share) {
  const Eigen::MatrixXd m = map(a);
  Eigen::CompleteOrthogonalDecomposition<Eigen::MatrixXd> parts;
  parts.setThreshold(share);
  parts.compute(m);
  // A P = Q T Z: the first columns of Q span A's columns, the first rows of Z Pᵀ its rows.
  const Eigen::MatrixXd q = parts.householderQ() * Eigen::MatrixXd::Identity(m.rows(), parts.rank());
  // At full rank there is no Z, and everything is spanned.
  const Eigen::MatrixXd z = parts.rank() == m.cols()
                                ? Eigen::MatrixXd(Eigen::MatrixXd::Identity(m.cols(), m.cols()))
                                : Eigen::MatrixXd(parts.matrixZ() * parts.colsPermutation().transpose());
  return {numbers(q.rowwise().squaredNorm()), matrix(z.topRows(parts.rank()))};
}

double lengthOutside(const Span& span, const Numbers& v) {
  const auto rows = map(span.basis);
  return (map(v) - rows.transpose() * (rows * map(v))).norm();
}

Matrix3 product(const Matrix3& a, const Matrix3& b) { return matrix3(map(a) * map(b)); }

Matrix3 transposed(const Matrix3& a) { return matrix3(map(a).transpose()); }

std::optional<Matrix3> inverted(const Matrix3& a) {
  Square3 inverse;
  bool good = false;
  map(a).computeInverseWithCheck(inverse, good, 0.0);
  if (!good || !inverse.allFinite()) return std::nullopt;
  return matrix3(inverse);
}

}  // namespace mezzet
