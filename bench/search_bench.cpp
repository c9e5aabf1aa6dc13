// Layouts searched: how many are fully judged, how soon the first sound one is there, candidates of one place.
#include <benchmark/benchmark.h>

#include "core/choose/candidates.h"
#include "core/edit/choosing.h"
#include "core/search/moves.h"
#include "core/search/patterns.h"
#include "core/search/search.h"
#include "io/files/file_system.h"
#include "io/files/job_file.h"
#include "io/json/rulebook_json.h"

namespace mezzet {
namespace {

const SchemeId kScheme("s2");

/// The demo's parlour, round the fire.
const Job& parlour() {
  static const Job job = readJobText(*readFile(MEZZET_DEMO_JSON, kMostJobBytes), "demo")->job;
  return job;
}
SearchAsk asking(long long candidates) {
  SearchAsk ask;
  ask.scheme = kScheme;
  ask.candidates = candidates;
  return ask;
}

void judgeOneLayout(benchmark::State& state) {
  const SearchAsk ask = asking(1);
  const Ground ground = groundOf(parlour(), ask);
  Judge judge(ground, builtInRulebook(), ask);
  Chance chance(1);
  Layout layout;
  do layout = furnish(ground, patternsOf(ground, WallsWish::Both).front(), chance).layout;
  while (!judge(layout));
  for (auto _ : state) benchmark::DoNotOptimize(judge(layout));
}
BENCHMARK(judgeOneLayout)->Unit(benchmark::kMicrosecond);

/// Two threads, as the window asks for; `judged` a second of real time.
void searchTheParlour(benchmark::State& state) {
  long long judged = 0;
  for (auto _ : state)
    judged += searchLayouts(parlour(), builtInRulebook(), asking(4'000), usualFormat(Unit::Inch)).judged;
  state.counters["judged"] = benchmark::Counter(static_cast<double>(judged), benchmark::Counter::kIsRate);
}
BENCHMARK(searchTheParlour)->Unit(benchmark::kMillisecond)->UseRealTime();

void firstSoundLayout(benchmark::State& state) {
  for (auto _ : state) {
    std::stop_source over;
    benchmark::DoNotOptimize(searchLayouts(parlour(), builtInRulebook(), asking(0), usualFormat(Unit::Inch),
                                           over.get_token(), [&](const SearchProgress& so) {
                                             if (so.best->must == 0 && so.best->rule == 0) over.request_stop();
                                           }));
  }
}
BENCHMARK(firstSoundLayout)->Unit(benchmark::kMillisecond)->UseRealTime();

void furnishByPattern(benchmark::State& state) {
  const Ground ground = groundOf(parlour(), asking(1));
  const auto patterns = patternsOf(ground, WallsWish::Both);
  Chance chance(1);
  std::size_t i = 0;
  for (auto _ : state) benchmark::DoNotOptimize(furnish(ground, patterns[i++ % patterns.size()], chance));
}
BENCHMARK(furnishByPattern)->Unit(benchmark::kMicrosecond);

void fiveCandidates(benchmark::State& state) {
  Job job = parlour();
  const SchemeId scheme("s1");
  PlacementId at;
  for (const Placement& p : findScheme(job, scheme)->placements)
    if (onWall(p.on) != nullptr) at = p.id;
  for (const PieceId& id : couldBeThere(job, scheme, at))
    if (findPlacement(*findScheme(job, scheme), at)->candidates.size() < 6)
      job = withCandidate(job, scheme, at, id).value();
  for (auto _ : state)
    benchmark::DoNotOptimize(
        candidatesSeen(job, builtInRulebook(), scheme, at, usualFormat(Unit::Inch), kEveryDay, {}));
}
BENCHMARK(fiveCandidates)->Unit(benchmark::kMillisecond);

}  // namespace
}  // namespace mezzet
