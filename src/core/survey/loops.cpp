#include "core/survey/loops.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <numeric>
#include <unordered_map>

namespace mezzet {
namespace {

constexpr double kInLine = 0.5;    // mm off the line of its neighbours below which a corner is none
constexpr double kSameEnd = 0.01;  // ends nearer than this met
constexpr std::size_t kMostLoops = 1'000;

struct Sets {
  std::vector<std::size_t> parent;
  explicit Sets(std::size_t n) : parent(n) { std::iota(parent.begin(), parent.end(), std::size_t{0}); }
  std::size_t find(std::size_t i) {
    while (parent[i] != i) i = parent[i] = parent[parent[i]];
    return i;
  }
};

std::uint64_t cellOf(double x, double y, double size) {
  const auto cx = static_cast<std::uint64_t>(static_cast<std::int64_t>(std::floor(x / size))),
             cy = static_cast<std::uint64_t>(static_cast<std::int64_t>(std::floor(y / size)));
  return (cx << 32) ^ (cy & 0xffffffffU);
}

/// Back-and-forth parts and corners in line are no corners.
Polygon cleaned(Polygon p) {
  bool changed = true;
  while (changed && p.size() >= 3) {
    changed = false;
    Polygon out;
    for (std::size_t i = 0; i < p.size(); ++i) {
      const Vec2 before = out.empty() ? p.back() : out.back(), here = p[i], after = p[(i + 1) % p.size()];
      const Vec2 chord = after - before;
      const double length = norm(chord);
      const bool folded = distance(before, after) < kSameEnd || distance(before, here) < kSameEnd;
      const bool inLine = length > 0 && std::abs(cross(chord, here - before)) / length < kInLine;
      if (folded || inLine) changed = true;
      else out.push_back(here);
    }
    p = std::move(out);
  }
  return p;
}

/// Ends of lines that lie together, as corners.
struct Corners {
  std::vector<Vec2> at;
  std::vector<std::size_t> of;  ///< by end: 2i and 2i + 1 of line i
  std::size_t open = 0;
  int closed = 0;
  double largestGap = 0;
};

/// Absent when it was stopped.
std::optional<Corners> cornersOf(const std::vector<LooseLine>& lines, double tolerance, const std::stop_token& stop) {
  const std::size_t n = lines.size() * 2;
  const auto end = [&](std::size_t i) { return i % 2 == 0 ? lines[i / 2].a : lines[i / 2].b; };
  Sets sets(n);
  std::unordered_map<std::uint64_t, std::vector<std::size_t>> grid;
  for (std::size_t i = 0; i < n; ++i) {
    if (stop.stop_requested()) return std::nullopt;
    const Vec2 p = end(i);
    for (int dx = -1; dx <= 1; ++dx)
      for (int dy = -1; dy <= 1; ++dy) {
        const auto cell = grid.find(cellOf(p.x + dx * tolerance, p.y + dy * tolerance, tolerance));
        if (cell == grid.end()) continue;
        // A crowd of ends in one cell is one corner anyway: its first few speak for all.
        const std::size_t most = std::min<std::size_t>(cell->second.size(), 32);
        for (std::size_t k = 0; k < most; ++k)
          if (distance(end(cell->second[k]), p) <= tolerance) sets.parent[sets.find(i)] = sets.find(cell->second[k]);
      }
    grid[cellOf(p.x, p.y, tolerance)].push_back(i);
  }
  Corners out;
  std::unordered_map<std::size_t, std::size_t> numberOf;
  std::vector<double> members;
  for (std::size_t i = 0; i < n; ++i) {
    const auto [at, fresh] = numberOf.try_emplace(sets.find(i), out.at.size());
    if (fresh) {
      out.at.push_back({});
      members.push_back(0);
    }
    out.of.push_back(at->second);
    out.at[at->second] += end(i);
    members[at->second] += 1;
  }
  for (std::size_t k = 0; k < out.at.size(); ++k) out.at[k] = out.at[k] * (1 / members[k]);
  std::vector<double> spread(out.at.size(), 0);
  for (std::size_t i = 0; i < n; ++i)
    spread[out.of[i]] = std::max(spread[out.of[i]], 2 * distance(end(i), out.at[out.of[i]]));
  for (std::size_t k = 0; k < out.at.size(); ++k) {
    if (members[k] < 2) ++out.open;
    if (spread[k] <= kSameEnd) continue;
    ++out.closed;
    out.largestGap = std::max(out.largestGap, std::min(spread[k], tolerance));
  }
  return out;
}

/// Lines between corners, each seen from either end; the two halves of a line stand side by side.
struct Half {
  std::size_t from, to;
  double angle;
  bool used = false;
};
std::vector<Half> halvesOf(const Corners& corners) {
  std::vector<std::pair<std::size_t, std::size_t>> seen;
  for (std::size_t i = 0; i + 1 < corners.of.size(); i += 2)
    if (const std::size_t a = corners.of[i], b = corners.of[i + 1]; a != b)
      seen.emplace_back(std::min(a, b), std::max(a, b));
  std::sort(seen.begin(), seen.end());
  seen.erase(std::unique(seen.begin(), seen.end()), seen.end());  // a line drawn twice bounds nothing
  std::vector<Half> halves;
  for (const auto& [a, b] : seen) {
    const Vec2 d = corners.at[b] - corners.at[a];
    halves.push_back({a, b, std::atan2(d.y, d.x)});
    halves.push_back({b, a, std::atan2(-d.y, -d.x)});
  }
  return halves;
}

}  // namespace

LoopSearch loopsOf(const std::vector<LooseLine>& lines, double tolerance, std::stop_token stop) {
  LoopSearch out;
  const auto corners = cornersOf(lines, std::max(tolerance, kSameEnd), stop);
  if (!corners) return out;
  out.openEnds = corners->open;
  out.gapsClosed = corners->closed;
  out.largestGap = corners->largestGap;
  // A face keeps turning as far right as it can, seen from where it came.
  std::vector<Half> halves = halvesOf(*corners);
  std::vector<std::vector<std::size_t>> leaving(corners->at.size());
  for (std::size_t h = 0; h < halves.size(); ++h) leaving[halves[h].from].push_back(h);
  std::vector<std::size_t> placeOf(halves.size());
  for (auto& fan : leaving) {
    std::sort(fan.begin(), fan.end(), [&](std::size_t x, std::size_t y) { return halves[x].angle < halves[y].angle; });
    for (std::size_t k = 0; k < fan.size(); ++k) placeOf[fan[k]] = k;
  }
  const auto next = [&](std::size_t h) {
    const std::vector<std::size_t>& fan = leaving[halves[h].to];
    const std::size_t back = placeOf[h ^ 1U];
    return fan[(back + fan.size() - 1) % fan.size()];
  };
  for (std::size_t h = 0; h < halves.size(); ++h) {
    if (stop.stop_requested()) return out;
    if (halves[h].used) continue;
    Polygon loop;
    for (std::size_t at = h; !halves[at].used; at = next(at)) {
      halves[at].used = true;
      loop.push_back(corners->at[halves[at].from]);
    }
    loop = cleaned(std::move(loop));
    if (loop.size() >= 3 && signedArea(loop) > 0) out.loops.push_back(std::move(loop));
  }
  std::stable_sort(out.loops.begin(), out.loops.end(),
                   [](const Polygon& a, const Polygon& b) { return signedArea(a) > signedArea(b); });
  if (out.loops.size() > kMostLoops) out.loops.resize(kMostLoops);
  return out;
}

}  // namespace mezzet
