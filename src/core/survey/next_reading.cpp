#include "core/survey/next_reading.h"

#include <algorithm>
#include <cmath>

#include "core/survey/rows.h"

namespace mezzet {
namespace {

constexpr std::size_t kMostPairs = 700;

struct Pair {
  std::size_t a, b;
  Gradient g;
  double variance;
};

}  // namespace

std::optional<NextReading> nextReading(const Network& net, const Adjustment& all) {
  const std::size_t columns = 2 * net.corners;
  std::vector<Pair> pairs;
  for (std::size_t a = 0; a < net.corners; ++a)
    for (std::size_t b = a + 1; b < net.corners; ++b) {
      const Gradient g = lengthGradient(a, b, all.corners);
      pairs.push_back({a, b, g, std::max(0.0, product(g, all.covariance, columns, g))});
    }
  std::sort(pairs.begin(), pairs.end(), [](const Pair& x, const Pair& y) { return x.variance > y.variance; });
  if (pairs.empty()) return std::nullopt;
  if (pairs.size() > kMostPairs) pairs.resize(kMostPairs);
  const double before = 2 * std::sqrt(pairs.front().variance);
  std::optional<NextReading> best;
  for (const Pair& candidate : pairs) {
    if (isMeasured(net, candidate.a, candidate.b)) continue;
    const double sigma = tapeU95(distance(all.corners[candidate.a], all.corners[candidate.b])) / 2;
    const double spread = sigma * sigma + candidate.variance;
    double worst = 0;
    for (const Pair& p : pairs) {
      if (p.variance <= worst) break;  // sorted: a reading never makes anything worse
      const double shared = product(p.g, all.covariance, columns, candidate.g);
      worst = std::max(worst, p.variance - shared * shared / spread);
    }
    const double after = 2 * std::sqrt(std::max(0.0, worst));
    if (!best || after < best->worstAfter) best = NextReading{candidate.a, candidate.b, before, after};
  }
  if (best && best->worstAfter > before - 0.1) return std::nullopt;
  return best;
}

}  // namespace mezzet
