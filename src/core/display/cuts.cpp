#include "core/display/cuts.h"

#include <algorithm>
#include <cmath>
#include <numeric>
#include <random>

namespace mezzet {
namespace {

constexpr double kSame = 1e-6;
constexpr double kLongest = 1e6;    // of a board, mm
constexpr int kRepacks = 4000;      // tries at packing some bars anew
constexpr std::size_t kAtOnce = 4;  // bars opened for each
using Bars = std::vector<std::vector<std::size_t>>;

struct Packer {
  const std::vector<double>& lengths;  // with their kerf
  double room;                         // of the longest stock, with one kerf more

  [[nodiscard]] double sum(const std::vector<std::size_t>& bar) const {
    double out = 0;
    for (const std::size_t i : bar) out += lengths[i];
    return out;
  }

  /// The longest first, each into the bar that it fills best.
  [[nodiscard]] Bars bestFit(const std::vector<std::size_t>& order) const {
    Bars bars;
    std::vector<double> used;
    for (const std::size_t i : order) {
      std::size_t best = bars.size();
      for (std::size_t b = 0; b < bars.size(); ++b)
        if (used[b] + lengths[i] <= room + kSame && (best == bars.size() || used[b] > used[best])) best = b;
      if (best == bars.size()) bars.emplace_back(), used.push_back(0);
      bars[best].push_back(i);
      used[best] += lengths[i];
    }
    return bars;
  }

  /// Squares of what is left: full bars and one empty one count more than evenly filled ones.
  [[nodiscard]] double worth(const Bars& bars) const {
    double out = 0;
    for (const auto& bar : bars) out += std::pow(sum(bar), 2);
    return out;
  }

  /// Some bars opened and filled anew, the fullest combination first; kept when no more bars come of it.
  void improve(Bars& bars, std::mt19937_64& random) const {
    for (int round = 0; round < kRepacks && bars.size() > 1; ++round) {
      std::vector<std::size_t> chosen(bars.size());
      std::iota(chosen.begin(), chosen.end(), std::size_t{0});
      for (std::size_t k = 0; k < std::min(kAtOnce, chosen.size()); ++k)
        std::swap(chosen[k], chosen[k + random() % (chosen.size() - k)]);
      chosen.resize(std::min(kAtOnce, bars.size()));
      std::vector<std::size_t> loose;
      Bars before;
      for (const std::size_t b : chosen) {
        loose.insert(loose.end(), bars[b].begin(), bars[b].end());
        before.push_back(bars[b]);
      }
      for (std::size_t k = 0; k + 1 < loose.size(); ++k) std::swap(loose[k], loose[k + random() % (loose.size() - k)]);
      if (random() % 2 == 0)
        std::stable_sort(loose.begin(), loose.end(), [&](auto a, auto b) { return lengths[a] > lengths[b]; });
      Bars after = bestFit(loose);
      if (after.size() > before.size() || (after.size() == before.size() && worth(after) < worth(before))) continue;
      std::sort(chosen.begin(), chosen.end(), std::greater<>());
      for (const std::size_t b : chosen) bars.erase(bars.begin() + static_cast<std::ptrdiff_t>(b));
      bars.insert(bars.end(), after.begin(), after.end());
    }
  }
};

}  // namespace

double CutList::waste() const {
  double bought = 0, used = 0;
  for (const CutBar& bar : bars) bought += bar.stock;
  for (const Cut& cut : cuts) used += cut.length;
  return bought > 0 ? 1 - used / bought : 0;
}

Result<CutList> cutFrom(std::vector<Cut> cuts, std::vector<double> stock, double kerf) {
  const auto isLength = [](double v) { return v > 0 && v <= kLongest; };
  if (stock.empty() || !std::all_of(stock.begin(), stock.end(), isLength))
    return Error{"stock", "has a length that is none", "Give the lengths boards are sold in, in mm"};
  if (!(kerf >= 0 && kerf <= 50)) return Error{"kerf", "is not 0 to 50 mm", "A table saw takes 3.2 mm (1/8 in)"};
  if (cuts.size() > kMostCuts) return Error{"boards", "are more than 1000", "Cut them in several lists"};
  std::sort(stock.begin(), stock.end());
  for (const Cut& cut : cuts) {
    if (!isLength(cut.length)) return Error{cut.what, "has a length that is none", "Type more than 0"};
    if (cut.length > stock.back() + kSame)
      return Error{cut.what, "is longer than every stock length", "Join it from two boards, or buy a longer one"};
  }
  CutList out;
  out.kerf = kerf;
  std::vector<double> lengths;
  for (const Cut& cut : cuts) lengths.push_back(cut.length + kerf);
  const Packer packer{lengths, stock.back() + kerf};
  std::vector<std::size_t> order(cuts.size());
  std::iota(order.begin(), order.end(), std::size_t{0});
  std::stable_sort(order.begin(), order.end(), [&](auto a, auto b) { return lengths[a] > lengths[b]; });
  Bars bars = packer.bestFit(order);
  const double total = std::accumulate(lengths.begin(), lengths.end(), 0.0);
  out.bound = static_cast<int>(std::ceil(total / packer.room - kSame));
  std::mt19937_64 random(1);
  if (static_cast<int>(bars.size()) > out.bound) packer.improve(bars, random);
  for (std::vector<std::size_t>& bar : bars) {
    std::stable_sort(bar.begin(), bar.end(), [&](auto a, auto b) { return lengths[a] > lengths[b]; });
    const double used = packer.sum(bar) - kerf;
    const auto length = std::find_if(stock.begin(), stock.end(), [&](double s) { return s >= used - kSame; });
    out.bars.push_back({*length, bar, std::max(0.0, *length - used - kerf)});
  }
  std::stable_sort(out.bars.begin(), out.bars.end(), [](const CutBar& a, const CutBar& b) { return a.left < b.left; });
  out.cuts = std::move(cuts);
  return out;
}

}  // namespace mezzet
