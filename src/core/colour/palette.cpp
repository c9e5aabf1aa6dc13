#include "core/colour/palette.h"

#include <algorithm>
#include <limits>
#include <random>

namespace mezzet {
namespace {

constexpr int kRounds = 40;
constexpr double kSeenAsOne = 2;  // CIEDE2000: two centres nearer than this are one colour [D]

double squared(const Lab& a, const Lab& b) {
  return (a.l - b.l) * (a.l - b.l) + (a.a - b.a) * (a.a - b.a) + (a.b - b.b) * (a.b - b.b);
}

std::size_t nearest(const std::vector<Lab>& centres, const Lab& point) {
  std::size_t best = 0;
  for (std::size_t i = 1; i < centres.size(); ++i)
    if (squared(centres[i], point) < squared(centres[best], point)) best = i;
  return best;
}

/// Each next centre is a point drawn by the square of its distance from those there are.
std::vector<Lab> firstCentres(const std::vector<Lab>& points, std::size_t count, std::mt19937_64& random) {
  // The engine's own numbers, so that the same seed gives the same centres with every library.
  const auto draw = [&](double below) {
    return below * static_cast<double>(random() >> 11) / static_cast<double>(std::uint64_t{1} << 53);
  };
  std::vector<Lab> centres{points[random() % points.size()]};
  std::vector<double> far(points.size(), std::numeric_limits<double>::max());
  while (centres.size() < count) {
    double sum = 0;
    for (std::size_t i = 0; i < points.size(); ++i)
      sum += far[i] = std::min(far[i], squared(points[i], centres.back()));
    if (sum <= 0) break;  // no more different points
    double at = draw(sum);
    std::size_t chosen = 0;
    while (chosen + 1 < points.size() && (at -= far[chosen]) > 0) ++chosen;
    centres.push_back(points[chosen]);
  }
  return centres;
}

}  // namespace

std::vector<PaletteColour> paletteOf(std::span<const Srgb> pixels, int colours, unsigned long long seed) {
  if (pixels.empty()) return {};
  std::vector<Lab> points;
  points.reserve(pixels.size());
  for (const Srgb& pixel : pixels) points.push_back(labOf(pixel));
  std::mt19937_64 random(seed);
  std::vector<Lab> centres =
      firstCentres(points, static_cast<std::size_t>(std::clamp(colours, 1, kMostPaletteColours)), random);
  std::vector<std::size_t> of(points.size(), 0);
  std::vector<std::size_t> counts;
  for (int round = 0; round < kRounds; ++round) {
    bool moved = round == 0;
    for (std::size_t i = 0; i < points.size(); ++i)
      if (const std::size_t now = nearest(centres, points[i]); now != of[i]) of[i] = now, moved = true;
    std::vector<Lab> sums(centres.size());
    counts.assign(centres.size(), 0);
    for (std::size_t i = 0; i < points.size(); ++i) {
      sums[of[i]].l += points[i].l;
      sums[of[i]].a += points[i].a;
      sums[of[i]].b += points[i].b;
      ++counts[of[i]];
    }
    for (std::size_t c = 0; c < centres.size(); ++c)
      if (const auto n = static_cast<double>(counts[c]); n > 0)
        centres[c] = {sums[c].l / n, sums[c].a / n, sums[c].b / n};
    if (!moved) break;
  }
  std::vector<PaletteColour> out;
  for (std::size_t c = 0; c < centres.size(); ++c) {
    if (counts[c] == 0) continue;
    const double share = static_cast<double>(counts[c]) / static_cast<double>(points.size());
    const auto same = std::find_if(out.begin(), out.end(),
                                   [&](const PaletteColour& p) { return deltaE00(p.lab, centres[c]) < kSeenAsOne; });
    if (same != out.end()) same->share += share;
    else out.push_back({writeColour(srgbOf(centres[c])), centres[c], share});
  }
  std::stable_sort(out.begin(), out.end(), [](const auto& a, const auto& b) { return a.share > b.share; });
  return out;
}

}  // namespace mezzet
