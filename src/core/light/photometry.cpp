#include "core/light/photometry.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace mezzet {
namespace {

constexpr double kRadian = std::numbers::pi / 180;

/// The place of a value between ascending ones: index of the lower neighbour, and the share past it.
struct Between {
  std::size_t low = 0;
  double share = 0;
};
std::optional<Between> between(const std::vector<double>& values, double at) {
  constexpr double kSlack = 1e-9;
  if (values.empty() || at < values.front() - kSlack || at > values.back() + kSlack) return std::nullopt;
  const auto above = std::upper_bound(values.begin(), values.end(), at);
  if (above == values.begin()) return Between{0, 0};
  const auto low = static_cast<std::size_t>(above - values.begin()) - 1;
  if (low + 1 == values.size()) return Between{low, 0};
  return Between{low, (at - values[low]) / (values[low + 1] - values[low])};
}

double inPlane(const Photometry& p, std::size_t plane, const Between& v) {
  const double* row = p.candela.data() + plane * p.vertical.size();
  return v.share > 0 ? row[v.low] + (row[v.low + 1] - row[v.low]) * v.share : row[v.low];
}

/// The same direction within the planes that the file has.
double folded(const Photometry& p, double around) {
  double c = std::fmod(around, 360);
  if (c < 0) c += 360;
  const double last = p.horizontal.back();
  if (last <= 90 && c > 180) c = 360 - c;
  if (last <= 90 && c > 90) c = 180 - c;
  if (last <= 180 && c > 180) c = 360 - c;
  return c;
}

/// The mean over the circle of each vertical angle: planes weighted by the angle they stand for.
std::vector<double> meanByVertical(const Photometry& p) {
  const std::size_t n = p.vertical.size();
  std::vector<double> out(n, 0.0);
  if (p.horizontal.size() == 1) {
    std::copy_n(p.candela.begin(), n, out.begin());
    return out;
  }
  const double whole = p.horizontal.back() - p.horizontal.front();
  for (std::size_t h = 0; h < p.horizontal.size(); ++h) {
    const double before = h > 0 ? p.horizontal[h] - p.horizontal[h - 1] : 0,
                 after = h + 1 < p.horizontal.size() ? p.horizontal[h + 1] - p.horizontal[h] : 0;
    for (std::size_t v = 0; v < n; ++v) out[v] += p.candela[h * n + v] * (before + after) / (2 * whole);
  }
  return out;
}

}  // namespace

WebSymmetry symmetryOf(const Photometry& p) {
  const double last = p.horizontal.back();
  return last <= 0     ? WebSymmetry::Rotational
         : last <= 90  ? WebSymmetry::Quadrant
         : last <= 180 ? WebSymmetry::Bilateral
                       : WebSymmetry::None;
}

double intensityAt(const Photometry& p, double fromNadir, double around) {
  const auto v = between(p.vertical, fromNadir);
  if (!v) return 0;
  if (p.horizontal.size() == 1) return inPlane(p, 0, *v);
  const auto h = between(p.horizontal, folded(p, around));
  if (!h) return 0;
  const double low = inPlane(p, h->low, *v);
  return h->share > 0 ? low + (inPlane(p, h->low + 1, *v) - low) * h->share : low;
}

double fluxOf(const Photometry& p) {
  const std::vector<double> mean = meanByVertical(p);
  double flux = 0;
  for (std::size_t v = 0; v + 1 < mean.size(); ++v)
    flux += (mean[v] + mean[v + 1]) / 2 * 2 * std::numbers::pi *
            (std::cos(p.vertical[v] * kRadian) - std::cos(p.vertical[v + 1] * kRadian));
  return flux;
}

double peakOf(const Photometry& p) {
  return p.candela.empty() ? 0 : *std::max_element(p.candela.begin(), p.candela.end());
}

std::optional<double> spreadOf(const Photometry& p, double share) {
  const std::vector<double> mean = meanByVertical(p);
  if (mean.empty() || p.vertical.front() > 0 || mean.front() <= 0) return std::nullopt;
  const double limit = share * *std::max_element(mean.begin(), mean.end());
  if (mean.front() < limit) return std::nullopt;
  for (std::size_t v = 0; v + 1 < mean.size(); ++v)
    if (mean[v] >= limit && mean[v + 1] < limit)
      return 2 * (p.vertical[v] + (p.vertical[v + 1] - p.vertical[v]) * (mean[v] - limit) / (mean[v] - mean[v + 1]));
  return std::nullopt;
}

Beam beamOf(double lumens, double fullAngle) {
  const double m = std::log(0.5) / std::log(std::cos(fullAngle / 2 * kRadian));
  return {m, lumens * (m + 1) / (2 * std::numbers::pi)};
}

}  // namespace mezzet
