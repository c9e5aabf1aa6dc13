#include "core/survey/report.h"

#include <algorithm>
#include <cmath>

namespace mezzet {
namespace {

/// After so many named slips the survey is better taken anew.
constexpr std::size_t kMostNamed = 3;
constexpr double kUnchecked = 1e-4;

}  // namespace

const char* statusWord(ReadingStatus s) {
  switch (s) {
    case ReadingStatus::Ok: return "ok";
    case ReadingStatus::Suspect: return "suspect";
    case ReadingStatus::Named: return "named";
    case ReadingStatus::Unchecked: return "unchecked";
  }
  return "";
}

Result<SurveyReport> reportOf(const Network& net, const std::vector<Slip>& slips, LengthFormat format) {
  SurveyReport out;
  auto all = adjust(net, std::nullopt, format);
  if (all) {
    out.all = std::move(all).value();
  } else {
    // A gross slip can spoil the outline itself: then it is weighed regardless, and must be named for the rest to
    // stand.
    auto rough = adjustRegardless(net);
    if (!rough) return all.error();
    out.refused = all.error();
    out.all = *std::move(rough);
  }
  out.suspects = suspectsOf(net, out.all);
  out.explanations = explanationsOf(net, out.all, out.suspects, slips);

  std::vector<std::size_t> kept(net.observations.size());
  for (std::size_t i = 0; i < kept.size(); ++i) kept[i] = i;
  Network rest = net;
  out.best = out.all;
  for (std::optional<std::size_t> next = out.suspects.named; next && out.named.size() < kMostNamed;) {
    out.named.push_back(kept[*next]);
    rest = without(rest, *next);
    kept.erase(kept.begin() + static_cast<std::ptrdiff_t>(*next));
    const auto adjusted = adjust(rest, std::nullopt, format);
    if (!adjusted) {
      if (auto rough = readjust(rest, out.best.corners)) out.best = *std::move(rough);
      break;
    }
    out.best = *adjusted;
    next = suspectsOf(rest, out.best).named;
  }
  if (out.refused && out.named.empty() && !out.suspects.detected) return *out.refused;

  for (std::size_t i = 0; i < net.observations.size(); ++i) {
    const bool isNamed = std::find(out.named.begin(), out.named.end(), i) != out.named.end();
    const bool isListed = std::any_of(out.suspects.listed.begin(), out.suspects.listed.end(),
                                      [&](const Suspect& s) { return s.observation == i; });
    out.status.push_back(isNamed                                    ? ReadingStatus::Named
                         : isListed && !out.suspects.named          ? ReadingStatus::Suspect
                         : out.all.rows[i].redundancy <= kUnchecked ? ReadingStatus::Unchecked
                                                                    : ReadingStatus::Ok);
  }
  out.rows.resize(net.observations.size());
  for (std::size_t i = 0; i < kept.size() && i < out.best.rows.size(); ++i) out.rows[kept[i]] = out.best.rows[i];
  for (const std::size_t i : out.named) {
    const Observation& o = net.observations[i];
    const double expected = wouldRead(o, out.best.corners), sigma = std::hypot(o.sigma, u95Of(out.best, o) / 2);
    out.rows[i] = {expected - o.value, o.sigma, 1, (expected - o.value) / sigma};
  }
  out.certainty = certaintyOf(rest, out.best.corners);
  out.next = nextReading(rest, out.best);
  return out;
}

}  // namespace mezzet
