// Light: the estimate of 60 lights in a furnished room, and what 60 lights add to a check.
#include <benchmark/benchmark.h>

#include "core/light/cord.h"
#include "core/light/estimate.h"
#include "core/rules/check.h"
#include "core/rules/registry.h"
#include "io/json/rulebook_json.h"
#include "made_up_room.h"
#include "support/lights.h"

namespace mezzet {
namespace {

/// A made-up room of 60 pieces with so many lights in a raster, every third a pendant.
Job litRoom(int lights) {
  Job job = bench::madeUpRoom(60);
  const double size = job.rooms.front()->corners[2].at.x / kInch;
  Piece down = test::roundPiece("down", "downlight", 4), pendant = test::roundPiece("hang", "pendant", 16, 12);
  down.light.edit().lumens = 600;
  down.light.edit().beam = 60;
  pendant.light.edit().lumens = 800;
  down.count = pendant.count = lights;
  const int side = static_cast<int>(std::ceil(std::sqrt(lights)));
  for (int i = 0; i < lights; ++i) {
    const double x = size * (i % side + 0.5) / side, y = size * (i / side + 0.5) / side;
    job = test::lit(job, i % 3 == 0 ? pendant : down, ("l" + std::to_string(i)).c_str(), x, y, i % 3 == 0 ? 14 : 0);
  }
  return job;
}

void estimateOfLights(benchmark::State& state) {
  const Job job = litRoom(static_cast<int>(state.range(0)));
  std::size_t points = 0;
  for (auto _ : state) {
    const LightEstimate e = estimateLight(job, *job.schemes.front(), {});
    points = e.lx.size();
    benchmark::DoNotOptimize(e.average);
  }
  state.counters["points"] = static_cast<double>(points);
  state.counters["us a thousand points"] = benchmark::Counter(
      static_cast<double>(points) / 1000, benchmark::Counter::kIsIterationInvariantRate | benchmark::Counter::kInvert);
}
BENCHMARK(estimateOfLights)->Arg(6)->Arg(60)->Unit(benchmark::kMillisecond);

/// Every rule about light, on facts that are worked out anew.
void rulesOfLights(benchmark::State& state) {
  const Job job = litRoom(static_cast<int>(state.range(0)));
  const Scheme& scheme = *job.schemes.front();
  const Rulebook& book = builtInRulebook();
  std::vector<const RuleRow*> rows;
  for (const RuleRows family : ruleFamilies())
    for (const RuleRow& row : family)
      if (const Rule* rule = findRule(book, std::string(row.id)); rule != nullptr && rule->since == 7)
        rows.push_back(&row);
  for (auto _ : state) {
    const Situation s(job, book, scheme, {}, kEveryDay);
    std::vector<Finding> out;
    for (const RuleRow* row : rows) row->evaluate(s, *findRule(book, std::string(row->id)), out);
    benchmark::DoNotOptimize(out.size());
  }
}
BENCHMARK(rulesOfLights)->Arg(0)->Arg(6)->Arg(60)->Unit(benchmark::kMicrosecond);

}  // namespace
}  // namespace mezzet
