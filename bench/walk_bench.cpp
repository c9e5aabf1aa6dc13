// Ways through furnished rooms: the gap graph beside a raster and beside offsetting with bisection, for time and for
// how far off they are. The error is the largest over the rooms of a size, against the gap graph, which tests hold to
// GEOS.
#include <benchmark/benchmark.h>

#include <algorithm>
#include <cmath>
#include <limits>
#include <numeric>
#include <random>

#include "core/walk/route_facts.h"
#include "core/rules/check.h"
#include "io/json/rulebook_json.h"
#include "made_up_room.h"

namespace mezzet {
namespace {

const SchemeId kScheme("s1");

/// A made-up room with a wide arch at either end.
Job walkedRoom(int count) {
  Job job = bench::madeUpRoom(count);
  const Room& room = *job.rooms.front();
  for (const char* wall : {"A", "C"}) {
    const double length = findWall(room, CornerId(wall))->length();
    Opening o;
    o.id = OpeningId(wall);
    o.kind = OpeningKind::Arch;
    o.wall = CornerId(wall);
    o.offset = length / 2 - 700;
    o.width = 1400;
    o.height = 2000;
    job = withOpening(job, room.id, o).value();
  }
  return job;
}
WalkSpace spaceOf(const Job& job) {
  return walkSpaceOf(PieceIndex(job), *job.rooms.front(), *job.schemes.front(), UseState::Everyday);
}
double exactWidth(const WalkSpace& space) { return widestWay({space, space.openings[0]}, space.openings[1]).width; }

// ---- a raster: distance to the nearest thing on a grid, then the path whose least distance is largest
constexpr double kCell = 10;

/// Squared distances along one line (Felzenszwalb and Huttenlocher's lower envelope of parabolas).
void alongLine(const std::vector<double>& f, std::vector<double>& out) {
  const int n = static_cast<int>(f.size());
  std::vector<int> v(f.size());
  std::vector<double> z(f.size() + 1);
  int k = 0;
  z[0] = -1e20;
  z[1] = 1e20;
  for (int q = 1; q < n; ++q) {
    const auto at = [&](int p) {
      return (f[static_cast<std::size_t>(q)] + q * q - f[static_cast<std::size_t>(p)] - p * p) / (2.0 * (q - p));
    };
    double s = at(v[static_cast<std::size_t>(k)]);
    while (s <= z[static_cast<std::size_t>(k)]) s = at(v[static_cast<std::size_t>(--k)]);
    v[static_cast<std::size_t>(++k)] = q;
    z[static_cast<std::size_t>(k)] = s;
    z[static_cast<std::size_t>(k) + 1] = 1e20;
  }
  k = 0;
  for (int q = 0; q < n; ++q) {
    while (z[static_cast<std::size_t>(k) + 1] < q) ++k;
    const int p = v[static_cast<std::size_t>(k)];
    out[static_cast<std::size_t>(q)] = (q - p) * (q - p) + f[static_cast<std::size_t>(p)];
  }
}

double rasterWidth(const WalkSpace& space) {
  const Box bounds = boundsOf(Convex{space.outline, 0});
  const auto w = static_cast<std::size_t>((bounds.high.x - bounds.low.x) / kCell) + 3,
             h = static_cast<std::size_t>((bounds.high.y - bounds.low.y) / kCell) + 3;
  const auto place = [&](std::size_t x, std::size_t y) {
    return Vec2{bounds.low.x + (static_cast<double>(x) - 1) * kCell,
                bounds.low.y + (static_cast<double>(y) - 1) * kCell};
  };
  constexpr double kFree = 1e15;
  std::vector<double> squared(w * h, kFree);
  for (const Atom& atom : space.atoms) {
    const auto cell = [&](double v, double low, std::size_t most) {
      return static_cast<std::size_t>(std::clamp((v - low) / kCell + 1, 0.0, static_cast<double>(most) - 1));
    };
    for (std::size_t y = cell(atom.bounds.low.y, bounds.low.y, h); y <= cell(atom.bounds.high.y, bounds.low.y, h); ++y)
      for (std::size_t x = cell(atom.bounds.low.x, bounds.low.x, w); x <= cell(atom.bounds.high.x, bounds.low.x, w);
           ++x)
        if (distanceTo(atom.shape, place(x, y)) <= kCell / 2) squared[y * w + x] = 0;
  }
  std::vector<double> line(std::max(w, h)), out(std::max(w, h));
  for (std::size_t y = 0; y < h; ++y) {
    line.assign(squared.begin() + static_cast<std::ptrdiff_t>(y * w),
                squared.begin() + static_cast<std::ptrdiff_t>((y + 1) * w));
    out.resize(w);
    alongLine(line, out);
    std::copy(out.begin(), out.end(), squared.begin() + static_cast<std::ptrdiff_t>(y * w));
  }
  line.resize(h);
  out.resize(h);
  for (std::size_t x = 0; x < w; ++x) {
    for (std::size_t y = 0; y < h; ++y) line[y] = squared[y * w + x];
    alongLine(line, out);
    for (std::size_t y = 0; y < h; ++y) squared[y * w + x] = out[y];
  }
  // Cells joined in descending order of their distance, until the two ends are.
  std::vector<std::uint32_t> order(w * h), root(w * h);
  std::iota(order.begin(), order.end(), 0U);
  std::iota(root.begin(), root.end(), 0U);
  std::sort(order.begin(), order.end(), [&](std::uint32_t a, std::uint32_t b) { return squared[a] > squared[b]; });
  const auto find = [&](std::uint32_t i) {
    while (root[i] != i) i = root[i] = root[root[i]];
    return i;
  };
  const auto cellOf = [&](Vec2 p) {
    return static_cast<std::uint32_t>(std::llround((p.y - bounds.low.y) / kCell + 1) * static_cast<long long>(w) +
                                      std::llround((p.x - bounds.low.x) / kCell + 1));
  };
  const std::uint32_t from = cellOf(space.openings[0].at + space.openings[0].inward * kCell),
                      to = cellOf(space.openings[1].at + space.openings[1].inward * kCell);
  std::vector<bool> in(w * h, false);
  for (const std::uint32_t c : order) {
    in[c] = true;
    const std::size_t x = c % w, y = c / w;
    const auto join = [&](bool there, std::size_t n) {
      if (there && in[n]) root[find(static_cast<std::uint32_t>(n))] = find(c);
    };
    join(x > 0, c - 1);
    join(x + 1 < w, c + 1);
    join(y > 0, c - w);
    join(y + 1 < h, c + w);
    if (in[from] && in[to] && find(from) == find(to)) return 2 * std::sqrt(squared[c]) * kCell;
  }
  return 0;
}

// ---- offsetting: bodies grown by half a width, halving the width until the ends part
double offsetWidth(const WalkSpace& space) {
  const WayEnd &a = space.openings[0], &b = space.openings[1];
  double low = 0, high = std::min(a.widest, b.widest);
  while (high - low > 0.5) {
    const double width = (low + high) / 2;
    (shortestRoute(space, a, b, width).empty() ? high : low) = width;
  }
  return low;
}

template <double (*Width)(const WalkSpace&)>
void widths(benchmark::State& state) {
  const Job job = walkedRoom(static_cast<int>(state.range(0)));
  double found = 0;
  for (auto _ : state) {
    const WalkSpace space = spaceOf(job);
    benchmark::DoNotOptimize(found = Width(space));
  }
  state.counters["width_mm"] = found;
  state.counters["off_mm"] = std::abs(found - exactWidth(spaceOf(job)));
}
BENCHMARK(widths<exactWidth>)
    ->Name("way/gapGraph")
    ->Arg(20)
    ->Arg(60)
    ->Arg(200)
    ->Arg(1000)
    ->Unit(benchmark::kMillisecond);
BENCHMARK(widths<rasterWidth>)->Name("way/raster10mm")->Arg(20)->Arg(60)->Arg(200)->Unit(benchmark::kMillisecond);
BENCHMARK(widths<offsetWidth>)->Name("way/offsetAndBisect")->Arg(20)->Arg(60)->Arg(200)->Unit(benchmark::kMillisecond);

void oneQuery(benchmark::State& state) {
  const WalkSpace space = spaceOf(walkedRoom(static_cast<int>(state.range(0))));
  for (auto _ : state) benchmark::DoNotOptimize(widestWay({space, space.openings[0]}, space.openings[1]));
}
BENCHMARK(oneQuery)->Name("way/oneQuery")->Arg(60)->Arg(1000)->Unit(benchmark::kMicrosecond);

void allWays(benchmark::State& state) {
  const Job job = walkedRoom(static_cast<int>(state.range(0)));
  const PieceIndex pieces(job);
  const WalkSpace space = spaceOf(job);
  const auto destinations = destinationsIn(pieces, *job.rooms.front(), *job.schemes.front());
  for (auto _ : state) benchmark::DoNotOptimize(waysIn(space, destinations));
}
BENCHMARK(allWays)->Name("way/allFromTheEntry")->Arg(60)->Arg(200)->Unit(benchmark::kMillisecond);

void everything(benchmark::State& state) {
  const Job job = walkedRoom(static_cast<int>(state.range(0)));
  RouteFacts routes;  // what they hold changes no work of the check
  for (auto _ : state)
    benchmark::DoNotOptimize(check(job, builtInRulebook(), kScheme, {}, {UseState::Everyday, &routes}));
}
BENCHMARK(everything)->Name("recheckWithWays")->Arg(60)->Arg(100)->Arg(200)->Arg(1000)->Unit(benchmark::kMillisecond);

void routes(benchmark::State& state) {
  const Job job = walkedRoom(static_cast<int>(state.range(0)));
  const RouteAsk ask{UseState::Everyday, true, false, {}, 24 * kInch};
  for (auto _ : state) benchmark::DoNotOptimize(routeFactsOf(job, kScheme, ask));
}
BENCHMARK(routes)->Name("routesRibbonsReach")->Arg(20)->Arg(60)->Arg(200)->Unit(benchmark::kMillisecond);

void turning(benchmark::State& state) {
  const Job job = walkedRoom(static_cast<int>(state.range(0)));
  const std::vector<Body> bodies = floorBodies(job, *job.schemes.front());
  for (auto _ : state) benchmark::DoNotOptimize(largestTurn(*job.rooms.front(), bodies));
}
BENCHMARK(turning)->Name("turningCircle")->Arg(60)->Unit(benchmark::kMillisecond);

void seeing(benchmark::State& state) {
  const Job job = walkedRoom(static_cast<int>(state.range(0)));
  const auto occluders = occludersIn(PieceIndex(job), *job.rooms.front(), *job.schemes.front());
  for (auto _ : state) benchmark::DoNotOptimize(sightRegion({{500, 500}, 400}, occluders, 20'000));
}
BENCHMARK(seeing)->Name("sightRegion")->Arg(60)->Unit(benchmark::kMillisecond);

}  // namespace
}  // namespace mezzet
