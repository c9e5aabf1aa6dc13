// The loose hang: rows that are never straight. A frame stands at each corner; the two corner frames of a side are out
// of line by another amount on each of the four sides, and the others fill what is between at gaps that vary.
#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

#include "core/hang/arrangement.h"

namespace mezzet {
namespace {

constexpr int kTriesEach = 120;  ///< throws for one restart
/// Two sides are out of line by amounts that differ by this at least.
constexpr double kDiffers = kInch / 4;

struct Box4 {
  double left, right, bottom, top;
};
double gapOf(const Box4& a, const Box4& b) {
  const double dx = std::max({0.0, a.left - b.right, b.left - a.right}),
               dy = std::max({0.0, a.bottom - b.top, b.bottom - a.top});
  return std::hypot(dx, dy);
}

/// One throw: rows from the top, each hung under what is over it. Empty when it does not come out.
std::vector<Box4> thrown(const std::vector<Frame>& frames, const std::vector<std::vector<std::size_t>>& rows,
                         Chance& chance) {
  std::vector<Box4> out(frames.size());
  std::vector<std::size_t> hung;
  const auto off = [&] { return chance.between(kLooseOffLow, kLooseOffHigh); };
  for (std::size_t r = 0; r < rows.size(); ++r) {
    const std::size_t first = hung.size();
    double x = r == 0                 ? 0
               : r + 1 == rows.size() ? (chance.unit() < 0.5 ? off() : -off())
                                      : chance.between(0, kLooseOffHigh);
    const double down = off();
    const bool leftLower = chance.unit() < 0.5;
    for (std::size_t k = 0; k < rows[r].size(); ++k) {
      const std::size_t i = rows[r][k];
      const Frame& f = frames[i];
      if (k > 0) x += chance.between(kLooseGapLow, kLooseGapHigh);
      double top = std::numeric_limits<double>::infinity();
      if (r == 0) {
        const bool corner = k == 0 || k + 1 == rows[r].size();
        top = corner ? ((k == 0) == leftLower ? -down : 0) : -chance.between(0, kLooseOffHigh);
      } else {
        const double gap = chance.between(kLooseGapLow, kLooseGapHigh);
        for (std::size_t h = 0; h < first; ++h) {
          const Box4& o = out[hung[h]];
          if (o.left < x + f.width + kLooseGapLow && o.right > x - kLooseGapLow) top = std::min(top, o.bottom - gap);
        }
        if (!std::isfinite(top)) return {};
      }
      out[i] = {x, x + f.width, top - f.height, top};
      hung.push_back(i);
      x += f.width;
    }
  }
  return out;
}

/// Out of line on all four sides, each otherwise, and everything tied by gaps that are neither narrow nor wide.
bool isLoose(const std::vector<Box4>& b, const std::vector<std::vector<std::size_t>>& rows) {
  const Box4 &tl = b[rows.front().front()], &tr = b[rows.front().back()], &bl = b[rows.back().front()],
             &br = b[rows.back().back()];
  const std::array<double, 4> off{std::abs(tl.top - tr.top), std::abs(bl.bottom - br.bottom),
                                  std::abs(tl.left - bl.left), std::abs(tr.right - br.right)};
  for (std::size_t i = 0; i < 4; ++i) {
    if (off[i] < kLooseOffLow || off[i] > kLooseOffHigh) return false;
    for (std::size_t j = 0; j < i; ++j)
      if (std::abs(off[i] - off[j]) < kDiffers) return false;
  }
  const double left = std::min(tl.left, bl.left), right = std::max(tr.right, br.right), top = std::max(tl.top, tr.top),
               bottom = std::min(bl.bottom, br.bottom);
  std::vector<std::size_t> open{0};
  std::vector<bool> tied(b.size(), false);
  tied[0] = true;
  for (std::size_t i = 0; i < b.size(); ++i) {
    if (b[i].left < left || b[i].right > right || b[i].top > top || b[i].bottom < bottom) return false;
    for (std::size_t j = 0; j < i; ++j)
      if (gapOf(b[i], b[j]) < kLooseGapLow - 1e-9) return false;
  }
  while (!open.empty()) {
    const std::size_t at = open.back();
    open.pop_back();
    for (std::size_t j = 0; j < b.size(); ++j)
      if (!tied[j] && gapOf(b[at], b[j]) <= kLooseGapHigh + 1e-9) {
        tied[j] = true;
        open.push_back(j);
      }
  }
  return std::all_of(tied.begin(), tied.end(), [](bool t) { return t; });
}

/// Frames dealt into rows of about equal length, two at least in the first and the last.
std::vector<std::vector<std::size_t>> dealt(const std::vector<Frame>& frames, std::size_t count, Chance& chance) {
  std::vector<std::size_t> order(frames.size());
  for (std::size_t i = 0; i < order.size(); ++i) order[i] = i;
  for (std::size_t i = order.size(); i > 1; --i) std::swap(order[i - 1], order[chance.below(i)]);
  std::vector<std::vector<std::size_t>> rows(count);
  std::vector<double> lengths(count, 0);
  std::stable_sort(order.begin(), order.end(),
                   [&](std::size_t a, std::size_t b) { return frames[a].width > frames[b].width + 4 * kInch; });
  for (const std::size_t i : order) {
    const std::size_t r = static_cast<std::size_t>(std::min_element(lengths.begin(), lengths.end()) - lengths.begin());
    rows[r].push_back(i);
    lengths[r] += frames[i].width + kHangGap;
  }
  for (auto& row : rows)
    for (std::size_t i = row.size(); i > 1; --i) std::swap(row[i - 1], row[chance.below(i)]);
  return rows;
}

}  // namespace

Arrangement arrangedLoose(const ArrangementAsk& ask, LengthFormat, const std::stop_token& stop) {
  Arrangement out;
  if (ask.frames.size() < 4) {
    out.unmet.emplace_back("A loose hang has a frame at each corner: it takes four at least.");
    return out;
  }
  Chance chance(ask.seed);
  const double ratio = ask.ratio.value_or(1.5);
  double area = 0;
  for (const Frame& f : ask.frames) area += (f.width + kHangGap) * (f.height + kHangGap);
  double mean = 0;
  for (const Frame& f : ask.frames) mean += f.height / static_cast<double>(ask.frames.size());
  const auto usual = std::max(2.0, std::round(std::sqrt(area / ratio) / (mean + kHangGap)));
  double best = -std::numeric_limits<double>::infinity();
  for (int restart = 0; restart < std::max(1, ask.restarts) && (restart == 0 || !stop.stop_requested()); ++restart) {
    ++out.restarts;
    const std::size_t most = ask.frames.size() / 2;
    const std::size_t count = std::clamp<std::size_t>(
        static_cast<std::size_t>(usual) + (restart % 3 == 1 ? 1 : 0) - (restart % 3 == 2 ? 1 : 0), 2,
        std::max<std::size_t>(2, most));
    const auto rows = dealt(ask.frames, count, chance);
    if (rows.front().size() < 2 || rows.back().size() < 2) continue;
    for (int one = 0; one < kTriesEach; ++one) {
      const std::vector<Box4> boxes = thrown(ask.frames, rows, chance);
      if (boxes.empty() || !isLoose(boxes, rows)) continue;
      Box4 whole = boxes.front();
      double covered = 0;
      for (const Box4& b : boxes) {
        whole = {std::min(whole.left, b.left), std::max(whole.right, b.right), std::min(whole.bottom, b.bottom),
                 std::max(whole.top, b.top)};
        covered += (b.right - b.left) * (b.top - b.bottom);
      }
      const double w = whole.right - whole.left, h = whole.top - whole.bottom;
      const double score = covered / (w * h) - std::abs(std::log(w / h / ratio));
      if (score <= best) continue;
      best = score;
      out.made = true;
      out.width = w;
      out.height = h;
      out.centres.clear();
      for (const Box4& b : boxes)
        out.centres.push_back({(b.left + b.right) / 2 - whole.left, (b.bottom + b.top) / 2 - whole.bottom});
    }
  }
  if (!out.made)
    out.unmet.emplace_back(
        "These frames do not hang loosely with gaps of 1 1/2 to 3 in: try a salon, or more restarts.");
  return out;
}

namespace {

/// Frames of one size, two and two; what is left over has no partner.
struct Pairs {
  std::vector<std::pair<std::size_t, std::size_t>> pairs;
  std::vector<std::size_t> alone;
};
Pairs pairedUp(const std::vector<Frame>& frames) {
  Pairs out;
  std::vector<bool> taken(frames.size(), false);
  for (std::size_t i = 0; i < frames.size(); ++i) {
    if (taken[i]) continue;
    taken[i] = true;
    std::size_t partner = i;
    for (std::size_t j = i + 1; j < frames.size() && partner == i; ++j)
      if (!taken[j] && std::abs(frames[i].width - frames[j].width) <= kEqualFrames &&
          std::abs(frames[i].height - frames[j].height) <= kEqualFrames)
        partner = j;
    if (partner == i) out.alone.push_back(i);
    else {
      taken[partner] = true;
      out.pairs.emplace_back(i, partner);
    }
  }
  return out;
}

}  // namespace

Arrangement arrangedMirrored(const ArrangementAsk& ask, LengthFormat) {
  Arrangement out;
  const Pairs found = pairedUp(ask.frames);
  if (found.pairs.empty()) {
    out.unmet.emplace_back("No two frames are of one size: nothing can be mirrored.");
    return out;
  }
  const double gap = ask.gap.value_or(kHangGap);
  // Columns from the left: half of the pairs, what stands on the line, the other half. The largest pairs in the middle.
  std::vector<std::pair<std::size_t, std::size_t>> pairs = found.pairs;
  const auto areaOf = [&](std::size_t i) { return ask.frames[i].width * ask.frames[i].height; };
  std::stable_sort(pairs.begin(), pairs.end(),
                   [&](const auto& a, const auto& b) { return areaOf(a.first) > areaOf(b.first); });
  std::vector<std::pair<std::size_t, std::size_t>> left, right, columns;
  for (std::size_t k = 0; k < pairs.size(); ++k) (k % 2 == 0 ? left : right).push_back(pairs[k]);
  columns.assign(left.rbegin(), left.rend());
  for (const std::size_t i : found.alone) columns.emplace_back(i, i);
  columns.insert(columns.end(), right.begin(), right.end());

  out.centres.resize(ask.frames.size());
  double highest = 0;
  for (const auto& [upper, lower] : columns) {
    const Frame& f = ask.frames[upper];
    const double other = ask.frames[lower].width, wide = std::max(f.width, other);
    if (out.width > 0) out.width += gap;
    const double x = out.width + wide / 2;
    out.width += wide;
    if (upper == lower) {
      out.centres[upper] = {x, 0};
      highest = std::max(highest, f.height / 2);
      continue;
    }
    const double half = std::max(f.height, ask.frames[lower].height) / 2, off = gap / 2 + half;
    out.centres[upper] = {x, off};
    out.centres[lower] = {x, -off};
    highest = std::max(highest, off + half);
  }
  for (Vec2& c : out.centres) c.y += highest;
  out.height = 2 * highest;
  out.made = true;
  if (!found.alone.empty()) {
    std::string ids;
    for (const std::size_t i : found.alone)
      ids += (ids.empty() ? "" : ", ") + (ask.frames[i].name.empty() ? ask.frames[i].id : ask.frames[i].name);
    out.unmet.push_back("Without a partner of its size, on the line: " + ids + ".");
  }
  return out;
}

}  // namespace mezzet
