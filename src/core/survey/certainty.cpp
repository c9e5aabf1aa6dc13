#include "core/survey/certainty.h"

#include <algorithm>
#include <cmath>
#include <optional>

#include "core/geometry/linear.h"
#include "core/survey/rows.h"

namespace mezzet {
namespace {

constexpr double kRank = 1e-8;       // of the largest pivot
constexpr double kCheckedBy = 0.02;  // a run's redundancy
constexpr double kFixed = 1e-6;      // what of an angle's gradient may lie outside of what was read

}  // namespace

RoomCertainty certaintyOf(const Network& net, const Polygon& corners) {
  const std::size_t n = net.corners;
  RoomCertainty out{std::vector(n, Certainty::Assumed), std::vector(n, Certainty::Assumed)};
  std::vector<std::optional<std::size_t>> place;
  std::size_t unknowns = 0;
  for (const Held& h : heldOf(net))
    for (const bool fixed : {h.x, h.y}) place.push_back(fixed ? std::nullopt : std::optional(unknowns++));
  std::vector<const Observation*> read;
  for (const Observation& o : net.observations)
    if (o.kind != ObservationKind::Square) read.push_back(&o);
  if (read.empty() || unknowns == 0) return out;
  const auto row = [&](const Gradient& g, double sigma) {
    Numbers v(unknowns, 0);
    for (std::size_t i = 0; i < g.size; ++i)
      if (const auto c = place[g.terms[i].first]) v[*c] += g.terms[i].second / sigma;
    return v;
  };
  Matrix a(read.size(), unknowns);
  for (std::size_t i = 0; i < read.size(); ++i) {
    const Numbers v = row(gradientOf(*read[i], corners), read[i]->sigma);
    std::copy(v.begin(), v.end(), a.values.begin() + static_cast<std::ptrdiff_t>(i * unknowns));
  }
  const Span span = spanOf(a, kRank);
  for (std::size_t i = 0; i < read.size(); ++i) {
    const Observation& o = *read[i];
    if (o.kind != ObservationKind::Run) continue;
    const double redundancy = 1 - span.leverage[i];
    Certainty& wall = out.walls[o.to == (o.from + 1) % n ? o.from : o.to];
    if (redundancy > kCheckedBy) wall = Certainty::Checked;
    else if (wall == Certainty::Assumed) wall = Certainty::Unchecked;
  }
  for (std::size_t i = 0; i < n; ++i) {
    Observation angle;
    angle.kind = ObservationKind::Angle;
    angle.from = i;
    const Numbers g = row(gradientOf(angle, corners), 1);
    double length = 0;
    for (const double v : g) length += v * v;
    if (lengthOutside(span, g) > kFixed * std::max(1e-12, std::sqrt(length))) continue;
    const bool both = out.walls[i] == Certainty::Checked && out.walls[(i + n - 1) % n] == Certainty::Checked;
    out.corners[i] = both ? Certainty::Checked : Certainty::Unchecked;
  }
  return out;
}

const char* certaintyWords(Certainty c) {
  return c == Certainty::Checked ? "checked" : c == Certainty::Unchecked ? "measured, unchecked" : "assumed square";
}

}  // namespace mezzet
