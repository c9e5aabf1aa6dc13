// Ways out, size cards and which rug, in made-up rooms of 20 and 60 pieces.
#include <benchmark/benchmark.h>

#include "core/decide/size_card.h"
#include "core/decide/ways_out.h"
#include "core/decide/which_rug.h"
#include "core/model/kinds.h"
#include "io/json/rulebook_json.h"
#include "made_up_room.h"

namespace mezzet {
namespace {

const LengthFormat kFormat{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

struct Furnished {
  explicit Furnished(int pieces)
      : job(bench::madeUpRoom(pieces)),
        routes(routeFactsOf(job, kScheme, UseState::Everyday)),
        findings(check(job, builtInRulebook(), kScheme, kFormat, with())) {}
  [[nodiscard]] CheckWith with() const { return {UseState::Everyday, &routes}; }
  Job job;
  RouteFacts routes;
  std::vector<Finding> findings;
};

/// Of the worst decision.
void firstWayOut(benchmark::State& state) {
  const Furnished room(static_cast<int>(state.range(0)));
  const auto decisions = decisionsOf(room.findings, room.job, builtInRulebook(), kScheme, kFormat);
  if (decisions.empty()) return state.SkipWithError("nothing breaks");
  const Finding& worst = room.findings[decisions.front().findings.front()];
  for (auto _ : state)
    benchmark::DoNotOptimize(
        waysOutOf(worst, room.findings, room.job, builtInRulebook(), kScheme, IdSource(999), kFormat, room.with()));
}
BENCHMARK(firstWayOut)->Name("waysOut/ofTheWorstFinding")->Arg(20)->Arg(60)->Unit(benchmark::kMillisecond);

/// Of the five that the ledger shows.
void allWaysOut(benchmark::State& state) {
  const Furnished room(static_cast<int>(state.range(0)));
  const auto decisions = decisionsOf(room.findings, room.job, builtInRulebook(), kScheme, kFormat);
  for (auto _ : state)
    for (std::size_t i = 0; i < std::min(decisions.size(), kMostDecisions); ++i)
      benchmark::DoNotOptimize(waysOutOf(decisions[i], room.findings, room.job, builtInRulebook(), kScheme,
                                         IdSource(999), kFormat, room.with()));
}
BENCHMARK(allWaysOut)->Name("waysOut/ofFiveDecisions")->Arg(20)->Arg(60)->Unit(benchmark::kMillisecond);

void sizeCard(benchmark::State& state) {
  const Furnished room(static_cast<int>(state.range(0)));
  const Placement* table = nullptr;
  for (const Placement& p : room.job.schemes.front()->placements)
    if (table == nullptr && isLowTable(pieceOf(room.job, p).kind)) table = &p;
  if (table == nullptr) return state.SkipWithError("no low table");
  for (auto _ : state)
    benchmark::DoNotOptimize(sizeCardOf(room.job, builtInRulebook(), kScheme, table->id, kFormat, kEveryDay));
}
BENCHMARK(sizeCard)->Name("sizeCard")->Arg(20)->Arg(60)->Unit(benchmark::kMillisecond);

void rugForAll(benchmark::State& state) {
  const Furnished room(static_cast<int>(state.range(0)));
  PlacementIds group;
  for (const Placement& p : room.job.schemes.front()->placements)
    if (onFloor(p.on) != nullptr && isSeat(pieceOf(room.job, p).kind) && group.size() < 4) group.push_back(p.id);
  for (auto _ : state)
    benchmark::DoNotOptimize(whichRug(room.job, builtInRulebook(), kScheme, group, kFormat, room.with()));
}
BENCHMARK(rugForAll)->Name("whichRug")->Arg(20)->Arg(60)->Unit(benchmark::kMillisecond);

}  // namespace
}  // namespace mezzet
