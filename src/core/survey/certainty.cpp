#include "core/survey/certainty.h"

#include <Eigen/SVD>

#include "core/survey/rows.h"

namespace mezzet {
namespace {

constexpr double kRank = 1e-8;       // of the largest singular value
constexpr double kCheckedBy = 0.02;  // a run's redundancy
constexpr double kFixed = 1e-6;      // what of an angle's gradient may lie outside of what was read

}  // namespace

RoomCertainty certaintyOf(const Network& net, const Polygon& corners) {
  const std::size_t n = net.corners;
  RoomCertainty out{std::vector(n, Certainty::Assumed), std::vector(n, Certainty::Assumed)};
  std::vector<Eigen::Index> place;
  Eigen::Index unknowns = 0;
  for (const Held& h : heldOf(net))
    for (const bool fixed : {h.x, h.y}) place.push_back(fixed ? -1 : unknowns++);
  std::vector<const Observation*> read;
  for (const Observation& o : net.observations)
    if (o.kind != ObservationKind::Square) read.push_back(&o);
  if (read.empty() || unknowns == 0) return out;
  const auto row = [&](const Gradient& g) {
    Eigen::VectorXd v = Eigen::VectorXd::Zero(unknowns);
    for (std::size_t i = 0; i < g.size; ++i)
      if (const Eigen::Index c = place[g.terms[i].first]; c >= 0) v[c] += g.terms[i].second;
    return v;
  };
  Eigen::MatrixXd a(static_cast<Eigen::Index>(read.size()), unknowns);
  for (std::size_t i = 0; i < read.size(); ++i) a.row(static_cast<Eigen::Index>(i)) = row(gradientOf(*read[i], corners)).transpose() / read[i]->sigma;
  const Eigen::BDCSVD<Eigen::MatrixXd> svd(a, Eigen::ComputeThinU | Eigen::ComputeThinV);
  Eigen::Index rank = 0;
  while (rank < svd.singularValues().size() && svd.singularValues()[rank] > kRank * svd.singularValues()[0]) ++rank;
  const auto u = svd.matrixU().leftCols(rank), v = svd.matrixV().leftCols(rank);
  for (std::size_t i = 0; i < read.size(); ++i) {
    const Observation& o = *read[i];
    if (o.kind != ObservationKind::Run) continue;
    const double redundancy = 1 - u.row(static_cast<Eigen::Index>(i)).squaredNorm();
    Certainty& wall = out.walls[o.to == (o.from + 1) % n ? o.from : o.to];
    if (redundancy > kCheckedBy) wall = Certainty::Checked;
    else if (wall == Certainty::Assumed) wall = Certainty::Unchecked;
  }
  for (std::size_t i = 0; i < n; ++i) {
    Observation angle;
    angle.kind = ObservationKind::Angle;
    angle.from = i;
    const Eigen::VectorXd g = row(gradientOf(angle, corners));
    const bool fixed = (g - v * (v.transpose() * g)).norm() <= kFixed * std::max(1e-12, g.norm());
    if (!fixed) continue;
    const bool both = out.walls[i] == Certainty::Checked && out.walls[(i + n - 1) % n] == Certainty::Checked;
    out.corners[i] = both ? Certainty::Checked : Certainty::Unchecked;
  }
  return out;
}

const char* certaintyWords(Certainty c) { return c == Certainty::Checked ? "checked" : c == Certainty::Unchecked ? "measured, unchecked" : "assumed square"; }

}  // namespace mezzet
