#include "core/survey/suspects.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace mezzet {
namespace {

/// Observations that nothing checks cannot be weighed.
constexpr double kLeastRedundancy = 1e-4;
/// In large networks only the likeliest are adjusted without; for the others chi-square less w² is exact but for the
/// curvature.
constexpr std::size_t kMostExact = 60, kLikeliest = 40;
/// Above so many corners each adjustment takes longer, by the cube, and fewer of the likeliest are left out.
constexpr std::size_t kLargeRoom = 24, kFewest = 6;

std::optional<std::pair<std::size_t, std::size_t>> mostTelling(const Network& net, const std::vector<Suspect>& listed) {
  std::optional<std::pair<std::size_t, std::size_t>> best;
  double widest = 0;
  for (std::size_t a = 0; a < net.corners; ++a)
    for (std::size_t b = a + 1; b < net.corners; ++b) {
      if (isMeasured(net, a, b)) continue;
      double low = 1e300, high = -1e300;
      for (const Suspect& s : listed) {
        const double length = distance(s.corners[a], s.corners[b]);
        low = std::min(low, length);
        high = std::max(high, length);
      }
      if (high - low > widest) widest = high - low, best = {a, b};
    }
  return best;
}

}  // namespace

Network without(const Network& net, std::size_t observation) {
  Network out = net;
  out.observations.erase(out.observations.begin() + static_cast<std::ptrdiff_t>(observation));
  return out;
}

Suspects suspectsOf(const Network& net, const Adjustment& all) {
  Suspects out;
  std::vector<std::size_t> weighed;
  for (std::size_t i = 0; i < net.observations.size(); ++i)
    if (all.rows[i].redundancy > kLeastRedundancy) weighed.push_back(i);
  if (weighed.empty()) return out;
  if (net.observations.size() > kMostExact) {
    std::sort(weighed.begin(), weighed.end(),
              [&](std::size_t a, std::size_t b) { return std::abs(all.rows[a].w) > std::abs(all.rows[b].w); });
    // A clean large network need not be adjusted dozens of times to say so.
    if (std::abs(all.rows[weighed.front()].w) < 2.5 && all.withinLimit()) return out;
    const double share = static_cast<double>(kLargeRoom) / static_cast<double>(std::max(net.corners, kLargeRoom));
    const auto likeliest = std::max(kFewest, static_cast<std::size_t>(kLikeliest * share * share));
    if (weighed.size() > likeliest) weighed.resize(likeliest);
  }
  std::vector<Suspect> suspects;
  std::vector<Adjustment> adjusted;
  double least = all.chi2;
  for (const std::size_t i : weighed) {
    auto rest = readjust(without(net, i), all.corners);
    if (!rest) continue;
    Suspect s;
    s.observation = i;
    s.chi2Without = rest->chi2;
    s.predicted = wouldRead(net.observations[i], rest->corners);
    s.predictedU95 = u95Of(*rest, net.observations[i]);
    s.corners = rest->corners;
    least = std::min(least, s.chi2Without);
    suspects.push_back(std::move(s));
  }
  if (all.chi2 - least <= kDetected) return out;
  out.detected = true;
  double sum = 0;
  for (Suspect& s : suspects) sum += s.share = std::exp(-(s.chi2Without - least) / 2);
  for (Suspect& s : suspects) s.share /= sum;
  std::sort(suspects.begin(), suspects.end(), [](const Suspect& a, const Suspect& b) { return a.share > b.share; });
  if (suspects.front().share >= kNamedShare && all.redundancy >= 2) out.named = suspects.front().observation;
  double added = 0;
  for (Suspect& s : suspects) {
    if (!out.listed.empty() && (out.named || added >= kNamedShare)) break;
    added += s.share;
    out.listed.push_back(std::move(s));
  }
  if (out.listed.size() > 1) out.ask = mostTelling(net, out.listed);
  return out;
}

}  // namespace mezzet
