#include "core/hang/stair_hang.h"

#include <algorithm>
#include <cmath>

namespace mezzet {
namespace {

constexpr double kStairHair = 1e-6;

/// What the first `n` frames take along the climb, from the first's outer side to the last's.
double spanOf(const StairHangAsk& ask, double pitch, std::size_t n) {
  return n == 0 ? 0 : pitch * static_cast<double>(n - 1) + (ask.frames.front().width + ask.frames[n - 1].width) / 2;
}

double clearAt(const StairHangAsk& ask, double pitch) {
  double least = ask.frames.size() > 1 ? HUGE_VAL : 0;
  for (std::size_t i = 0; i + 1 < ask.frames.size(); ++i)
    least = std::min(least, pitch - (ask.frames[i].width + ask.frames[i + 1].width) / 2);
  return least;
}

/// The tread over which the first of `n` frames hangs, counted from the foot; none where they do not fit.
std::optional<int> firstTread(const StairWall& s, const StairHangAsk& ask, int treads, std::size_t n, double low,
                              double high) {
  const double pitch = treads * s.stair.going, half = ask.frames.front().width / 2, span = spanOf(ask, pitch, n);
  std::optional<int> best;
  double least = HUGE_VAL;
  const int last = std::max(0, s.stair.risers - 2);  // the last riser leads onto the landing
  for (int j = 0; j + treads * static_cast<int>(n - 1) <= last; ++j) {
    const double from = (j + 0.5) * s.stair.going - half, to = from + span;
    if (from < low - kStairHair || to > high + kStairHair) continue;
    const double off = std::abs((from + to) / 2 - (low + high) / 2);
    if (off >= least - kStairHair) continue;
    least = off;
    best = j;
  }
  return best;
}

}  // namespace

StairHang stairHang(const StairWall& s, const StairHangAsk& ask) {
  StairHang out;
  if (ask.frames.empty()) return out;
  out.treads = ask.treads;
  const auto tight = [&](int k) { return clearAt(ask, k * s.stair.going) < kStairGap - kStairHair; };
  if (out.treads == 0)
    for (out.treads = 1; ask.frames.size() > 1 && tight(out.treads) && out.treads < s.stair.risers; ++out.treads) {}
  const double pitch = out.treads * s.stair.going;
  out.clear = clearAt(ask, pitch);
  double low = std::max(0.0, s.along(s.rising ? ask.left : ask.right)),
         high = std::min(s.treads(), s.along(s.rising ? ask.right : ask.left));
  std::optional<int> first;
  for (std::size_t n = 1; n <= ask.frames.size(); ++n) {
    const auto there = firstTread(s, ask, out.treads, n, low, high);
    if (!there) break;
    out.most = n;
    first = there;
  }
  if (out.most < ask.frames.size() || !first) return out;
  for (std::size_t i = 0; i < ask.frames.size(); ++i) {
    const double along = (*first + 0.5) * s.stair.going + pitch * static_cast<double>(i), u = s.at(along);
    out.centres.push_back({u, s.walking(u) + ask.centre});
  }
  const double from = (*first + 0.5) * s.stair.going - ask.frames.front().width / 2;
  out.emptyBelow = from - low;
  out.emptyAbove = high - from - spanOf(ask, pitch, ask.frames.size());
  out.fits = true;
  return out;
}

std::vector<Vec2> denseRegion(const StairWall& s, double top, double left, double right) {
  const auto [first, last] = s.span();
  const double from = std::max(left, first), to = std::min(right, last);
  if (to - from < kStairHair) return {};
  // Cut where the lower edge meets the top.
  const double low = s.nosing(from) + kDenseOver, high = s.nosing(to) + kDenseOver;
  if (std::min(low, high) > top - kStairHair) return {};
  const double slope = (high - low) / (to - from);
  if (low > top) return {{from + (top - low) / slope, top}, {to, high}, {to, top}};
  if (high > top) return {{from, low}, {from + (top - low) / slope, top}, {from, top}};
  return {{from, low}, {to, high}, {to, top}, {from, top}};
}

WallRect largestIn(const StairWall& s, const std::vector<Vec2>& region) {
  if (region.empty()) return {};
  double from = HUGE_VAL, to = -HUGE_VAL, top = -HUGE_VAL;
  for (const Vec2 p : region) {
    from = std::min(from, p.x);
    to = std::max(to, p.x);
    top = std::max(top, p.y);
  }
  const double slope = s.stair.riser / s.stair.going;
  const double foot = s.nosing(s.rising ? from : to) + kDenseOver;
  // Of a width w from the foot's end the height left is top - foot - slope w: the area is largest at half the way.
  const double wide = std::min(to - from, (top - foot) / (2 * slope));
  const double bottom = foot + slope * wide;
  return s.rising ? WallRect{from, from + wide, bottom, top} : WallRect{to - wide, to, bottom, top};
}

}  // namespace mezzet
