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
std::size_t moved(const DisplaySetting& a, const DisplaySetting& b) {
  std::size_t out = 0;
  for (std::size_t i = 0; i < a.at.size(); ++i) out += a.at[i].bay != b.at[i].bay;
  return out;
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
  std::vector<DisplaySetting> found;
  for (int start = 0; start < kStarts && !stop.stop_requested(); ++start) {
    std::mt19937_64 random(seed * 1000 + static_cast<unsigned long long>(start));
    auto order = search.tallestOrder();
    if (start > 0)
      for (std::size_t k = 0; k + 1 < order.size(); ++k)
        std::swap(order[k], order[k + static_cast<std::size_t>(random() % (order.size() - k))]);
    found.push_back(search.settingOf(search.anneal(search.greedy(order), random, stop)));
    if (progress) progress(static_cast<double>(start + 1) / kStarts);
  }
  std::stable_sort(found.begin(), found.end(),
                   [](const DisplaySetting& a, const DisplaySetting& b) { return a.score < b.score; });
  std::vector<DisplaySetting> out;
  // The best; then those that are really another idea: a fifth of the things in other bays, if there are such.
  for (const bool far : {true, false})
    for (const DisplaySetting& s : found) {
      if (out.size() >= count) break;
      const bool fresh = std::all_of(out.begin(), out.end(), [&](const DisplaySetting& other) {
        return differs(s, other) && (!far || 5 * moved(s, other) >= s.at.size());
      });
      if (fresh) out.push_back(s);
    }
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
