// Re-checking, gaps, saving and loading.
#include <benchmark/benchmark.h>

#include "core/space/gaps.h"
#include "core/space/tapes.h"
#include "core/drawing/plan/plan.h"
#include "core/decide/ways_out.h"
#include "core/site/studs.h"
#include "io/tables/dxf.h"
#include "io/files/file_system.h"
#include "io/files/job_file.h"
#include "core/survey/report.h"
#include "io/json/rulebook_json.h"
#include "io/json/slips_json.h"
#include "made_up_room.h"
#include "support/survey_rooms.h"

namespace mezzet {
namespace {

const LengthFormat kFormat{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

Job demo() { return readJobBytes(readFile(MEZZET_DEMO_JSON, 1 << 24).value(), "demo").value().job; }

void recheckDemo(benchmark::State& state) {
  const Job job = demo();
  for (auto _ : state) benchmark::DoNotOptimize(check(job, builtInRulebook(), kScheme, kFormat, kEveryDay));
}
BENCHMARK(recheckDemo)->Unit(benchmark::kMillisecond);

void decideDemo(benchmark::State& state) {
  const Job job = demo();
  const auto findings = check(job, builtInRulebook(), kScheme, kFormat, kEveryDay);
  for (auto _ : state)
    for (const Decision& d : decisionsOf(findings, job, builtInRulebook(), kScheme, kFormat))
      benchmark::DoNotOptimize(
          waysOutOf(d, findings, job, builtInRulebook(), kScheme, IdSource(99), kFormat, kEveryDay));
}
BENCHMARK(decideDemo)->Unit(benchmark::kMillisecond);

void recheckMadeUp(benchmark::State& state) {
  const Job job = bench::madeUpRoom(static_cast<int>(state.range(0)));
  for (auto _ : state) benchmark::DoNotOptimize(check(job, builtInRulebook(), kScheme, kFormat, kEveryDay));
}
BENCHMARK(recheckMadeUp)->Arg(60)->Arg(100)->Arg(1000)->Unit(benchmark::kMillisecond);

void allGaps(benchmark::State& state) {
  const Job job = bench::madeUpRoom(static_cast<int>(state.range(0)));
  for (auto _ : state) benchmark::DoNotOptimize(gapsIn(job, *job.schemes.front(), kGapListCap));
}
BENCHMARK(allGaps)->Arg(60)->Arg(1000)->Unit(benchmark::kMillisecond);

void tapesWhileDragging(benchmark::State& state) {
  const Job job = bench::madeUpRoom(60);
  for (auto _ : state) benchmark::DoNotOptimize(tapesOf(job, *job.schemes.front(), PlacementId("p30")));
}
BENCHMARK(tapesWhileDragging)->Unit(benchmark::kMicrosecond);

void composePlanOfSixty(benchmark::State& state) {
  const Job job = bench::madeUpRoom(60);
  PlanOptions options;
  for (auto _ : state)
    benchmark::DoNotOptimize(composePlan(job, *job.rooms.front(), job.schemes.front().get(), options));
}
BENCHMARK(composePlanOfSixty)->Unit(benchmark::kMillisecond);

JobFile hundredRooms() {
  JobFile file;
  file.job = bench::madeUpRoom(20);
  for (int i = 1; i < 100; ++i) {
    Job more = bench::madeUpRoom(20, static_cast<unsigned>(i) + 100);
    const std::string suffix = "-" + std::to_string(i);
    Room room = *more.rooms.front();
    room.id = RoomId(room.id.value + suffix);
    file.job.rooms.push_back(std::make_shared<const Room>(room));
    Scheme scheme = *more.schemes.front();
    scheme.id = SchemeId(scheme.id.value + suffix);
    scheme.room = room.id;
    file.job.schemes.push_back(std::make_shared<const Scheme>(scheme));
  }
  return file;
}
void saveAndLoadHundredRooms(benchmark::State& state) {
  const JobFile file = hundredRooms();
  for (auto _ : state) {
    const auto bytes = writeJobBytes(file);
    if (!readJobBytes(*bytes, "bench").ok()) state.SkipWithError("the job did not come back");
  }
}
BENCHMARK(saveAndLoadHundredRooms)->Unit(benchmark::kMillisecond);

/// A room with `alcoves` along its top, 4 + 4 a corner each, taped round and corner to corner until there are
/// `readings`.
Network combRoom(int alcoves, std::size_t readings) {
  Polygon p{{0, 0}, {1500.0 * (alcoves + 1), 0}, {1500.0 * (alcoves + 1), 4000}};
  for (int k = alcoves; k > 0; --k)
    p.insert(p.end(),
             {{1500.0 * k + 400, 4000}, {1500.0 * k + 400, 3400}, {1500.0 * k - 400, 3400}, {1500.0 * k - 400, 4000}});
  p.push_back({0, 4000});
  Network net = test::surveyOf(p, {});
  std::mt19937 random(11);
  std::normal_distribution<double> noise;
  while (net.observations.size() < readings) {
    const std::size_t a = random() % p.size(), b = random() % p.size();
    if (a != b) net.observations.push_back(test::length(a, b, p.size(), distance(p[a], p[b])));
  }
  for (Observation& o : net.observations)
    if (o.isLength()) o.value += noise(random) * o.sigma;
  return net;
}
void adjustThirtyCorners(benchmark::State& state) {
  const Network net = combRoom(7, 120);
  for (auto _ : state)
    if (!adjust(net).ok()) state.SkipWithError("it was not adjusted");
}
BENCHMARK(adjustThirtyCorners)->Unit(benchmark::kMillisecond);
void adjustTwoHundredCorners(benchmark::State& state) {
  const Network net = combRoom(49, 800);
  for (auto _ : state)
    if (!adjust(net).ok()) state.SkipWithError("it was not adjusted");
}
BENCHMARK(adjustTwoHundredCorners)->Unit(benchmark::kMillisecond);
void suspectsWithSlipsOfAnOrdinaryRoom(benchmark::State& state) {
  Network net = test::surveyOf({{0, 0}, {5000, 0}, {5000, 2000}, {2000, 2000}, {2000, 4500}, {0, 4500}},
                               {{0, 3}, {1, 5}, {0, 2}});
  net.observations[0].value -= 304.8;
  for (auto _ : state) benchmark::DoNotOptimize(reportOf(net, builtInSlips()));
}
BENCHMARK(suspectsWithSlipsOfAnOrdinaryRoom)->Unit(benchmark::kMillisecond);
void reportOfThirtyCorners(benchmark::State& state) {
  Network net = combRoom(7, 120);
  net.observations[0].value -= 304.8;
  for (auto _ : state) benchmark::DoNotOptimize(reportOf(net, builtInSlips()));
}
BENCHMARK(reportOfThirtyCorners)->Unit(benchmark::kMillisecond);

/// A drawing of so many lines, the room's outline among them: read, and its outline found.
void readDrawing(benchmark::State& state) {
  std::string entities = "0\nSECTION\n2\nENTITIES\n";
  const auto line = [&](const char* layer, double x1, double y1, double x2, double y2) {
    entities += std::string("0\nLINE\n8\n") + layer + "\n10\n" + std::to_string(x1) + "\n20\n" + std::to_string(y1) +
                "\n11\n" + std::to_string(x2) + "\n21\n" + std::to_string(y2) + "\n";
  };
  for (int i = 0; i < state.range(0); ++i) line("OTHER", i, 0, i + 0.5, 10);
  line("ROOM", 0, 0, 5000, 0);
  line("ROOM", 5000, 0, 5000, 3000);
  line("ROOM", 5000, 3000, 0, 3000);
  line("ROOM", 0, 3000, 0, 0);
  entities += "0\nENDSEC\n0\nEOF\n";
  for (auto _ : state) {
    const auto read = readDxf(entities, "bench.dxf");
    benchmark::DoNotOptimize(outlineFromDxf(*read, "ROOM", 1, 10, 0, {}));
  }
}
BENCHMARK(readDrawing)->Arg(10000)->Arg(100000)->Unit(benchmark::kMillisecond);

void fitThirtyStudHits(benchmark::State& state) {
  StudRecord record{CornerId("A"), {}, std::nullopt};
  for (int i = 0; i < 30; ++i)
    record.hits.push_back({ReadingId("k" + std::to_string(i)), 60 + i * 487.0 + (i % 3) * 4, 0.9, false});
  for (auto _ : state) benchmark::DoNotOptimize(fitStuds(record, 15'000));
}
BENCHMARK(fitThirtyStudHits)->Unit(benchmark::kMicrosecond);

}  // namespace
}  // namespace mezzet
