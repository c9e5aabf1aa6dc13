#include "core/display/setting.h"

#include <algorithm>
#include <cmath>
#include <random>

#include "core/display/setting_search.h"

namespace mezzet {
namespace {

using setting::kStarts, setting::nameFamilies, setting::Search;

/// Whether some thing is in another bay, or in another place of its row.
bool differs(const DisplaySetting& a, const DisplaySetting& b) {
  for (std::size_t i = 0; i < a.at.size(); ++i)
    if (a.at[i].bay != b.at[i].bay || std::abs(a.at[i].left - b.at[i].left) > 1) return true;
  return false;
}

}  // namespace

std::vector<std::size_t> DisplaySetting::leftOut() const {
  std::vector<std::size_t> out;
  for (std::size_t i = 0; i < at.size(); ++i)
    if (!at[i].bay) out.push_back(i);
  return out;
}

std::vector<DisplaySetting> settingsOf(SetProblem problem, unsigned long long seed, std::size_t count,
                                       std::stop_token stop, const std::function<void(double)>& progress) {
  nameFamilies(problem);
  Search search(problem);
  search.prepare();
  std::vector<DisplaySetting> out;
  const auto starts = static_cast<int>(count) * kStarts;
  int done = 0;
  for (std::size_t k = 0; k < count && !stop.stop_requested(); ++k) {
    // Each next one is kept from the bays of those found; how good it is is told without that.
    std::optional<DisplaySetting> best;
    for (int start = 0; start < kStarts && !stop.stop_requested(); ++start) {
      std::mt19937_64 random(seed * 1000 + static_cast<unsigned long long>(done));
      auto order = search.tallestOrder();
      if (start > 0)
        for (std::size_t i = 0; i + 1 < order.size(); ++i)
          std::swap(order[i], order[i + static_cast<std::size_t>(random() % (order.size() - i))]);
      const DisplaySetting found = search.settingOf(search.anneal(search.greedy(order), random, stop));
      const bool fresh =
          std::all_of(out.begin(), out.end(), [&](const DisplaySetting& other) { return differs(found, other); });
      if (fresh && (!best || found.score < best->score)) best = found;
      // Where the search comes back to what it found before, one of its rows the other way round.
      if (!fresh && !best)
        best = search.turned(found, [&](const DisplaySetting& s) {
          return std::all_of(out.begin(), out.end(), [&](const DisplaySetting& other) { return differs(s, other); });
        });
      if (progress) progress(static_cast<double>(++done) / starts);
    }
    if (!best) break;
    search.avoid(*best);
    out.push_back(std::move(*best));
  }
  for (DisplaySetting& setting : out) setting.score = scoreOf(problem, setting);
  std::stable_sort(out.begin(), out.end(), [](const auto& a, const auto& b) { return a.score < b.score; });
  return out;
}

DisplaySetting tallestFirst(SetProblem problem) {
  nameFamilies(problem);
  Search search(problem);
  search.prepare();
  return search.settingOf(search.greedy(search.tallestOrder()));
}

double scoreOf(SetProblem problem, const DisplaySetting& setting) {
  nameFamilies(problem);
  Search search(problem);
  search.prepare();
  return search.whole(search.stateOf(setting));
}

}  // namespace mezzet
