#include "core/hang/art_solver.h"

#include <algorithm>
#include <cmath>

namespace mezzet {
namespace {

constexpr double kOpen = HUGE_VAL;
double lowOf(const Range& r) { return r.low.value_or(-kOpen); }
double highOf(const Range& r) { return r.high.value_or(kOpen); }
double shortOf(const Range& r, double value) { return std::max({0.0, lowOf(r) - value, value - highOf(r)}); }

/// The middle of a closed range; of a half-open one its end; of an open one the fallback.
double middle(double low, double high, double fallback) {
  if (std::isfinite(low) && std::isfinite(high)) return (low + high) / 2;
  return std::isfinite(low) ? low : std::isfinite(high) ? high : fallback;
}

}  // namespace

ArtSolution solveArt(const ArtQuestion& q) {
  ArtSolution out;
  const double rest = q.top + q.frame / 2;  // centre = gap + rest
  out.centreBand = q.centre;
  if (q.gap.low) out.gapBand.low = *q.gap.low + rest;
  if (q.gap.high) out.gapBand.high = *q.gap.high + rest;

  const double low = std::max(lowOf(out.centreBand), lowOf(out.gapBand));
  const double high = std::min(highOf(out.centreBand), highOf(out.gapBand));
  // Ends belong to the range: bands that only touch, up to rounding, still have one common height.
  constexpr double kRounding = 1e-6;
  out.both = low <= high + kRounding;
  // Where they do not meet, low is the lower end of the upper band and high the upper end of the lower one: half way
  // between them both rules fall short by the same, so that the larger shortfall is as small as it can be.
  out.centre = middle(low, high, rest);
  out.gap = out.centre - rest;
  out.apart = out.both ? 0 : low - high;
  if (!out.both) {
    out.shortCentre = shortOf(q.centre, out.centre);
    out.shortGap = shortOf(q.gap, out.gap);
  }

  // h / 2 = C - S - g over both ranges
  Range heights{0.0, std::nullopt};
  if (q.centre.low && q.gap.high) heights.low = std::max(0.0, 2 * (*q.centre.low - q.top - *q.gap.high));
  if (q.centre.high && q.gap.low) heights.high = 2 * (*q.centre.high - q.top - *q.gap.low);
  if (!heights.high || (*heights.high > 0 && *heights.high >= *heights.low)) out.frameHeights = heights;
  return out;
}

}  // namespace mezzet
