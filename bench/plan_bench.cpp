// Handing over: the way in, dates, what changed, packs, the hash of a job.
#include <benchmark/benchmark.h>

#include "core/edit/edits.h"
#include "core/plan/changes.h"
#include "core/plan/dates.h"
#include "core/plan/delivery.h"
#include "core/sheets/pack.h"
#include "io/files/file_system.h"
#include "io/files/issue.h"
#include "io/files/job_file.h"
#include "io/json/rulebook_json.h"

namespace mezzet {
namespace {

constexpr LengthFormat kInches{LengthStyle::Inches, 16};

/// The Ferry House: five rooms, 25 schemes, 93 pieces.
const Job& house() {
  static const Job job = readJobText(*readFile(MEZZET_DEMO_JSON, kMostJobBytes), "demo")->job;
  return job;
}

void deliverTheHouse(benchmark::State& state) {
  const std::vector<PieceId> pieces = carriedPieces(house());
  for (auto _ : state)
    for (const PieceId& id : pieces) benchmark::DoNotOptimize(deliver(house(), id, kInches));
  state.counters["pieces"] = static_cast<double>(pieces.size());
}
BENCHMARK(deliverTheHouse)->Unit(benchmark::kMillisecond);

void datesOfTheHouse(benchmark::State& state) {
  for (auto _ : state) benchmark::DoNotOptimize(datesOf(house(), builtInRulebook(), {}, std::nullopt));
}
BENCHMARK(datesOfTheHouse)->Unit(benchmark::kMillisecond);

void figuresOfAnIssue(benchmark::State& state) {
  const auto schemes = schemesToBuild(house(), {});
  for (auto _ : state) benchmark::DoNotOptimize(figuresToIssue(house(), builtInRulebook(), schemes, kInches));
}
BENCHMARK(figuresOfAnIssue)->Unit(benchmark::kMillisecond);

void hashOfTheJob(benchmark::State& state) {
  for (auto _ : state) benchmark::DoNotOptimize(jobHash(house()));
}
BENCHMARK(hashOfTheJob)->Unit(benchmark::kMillisecond);

/// 0 the owner's, 1 the installer's, 3 the shop's, which has the size cards.
void composeAPack(benchmark::State& state) {
  PackRequest request;
  request.reader = static_cast<PackReader>(state.range(0));
  request.sheet.paper = findPaper("letter");
  request.sheet.format = kInches;
  request.sheet.book = &builtInRulebook();
  double sheets = 0;
  for (auto _ : state) sheets = static_cast<double>(composePack(house(), request)->pages.size());
  state.counters["sheets"] = sheets;
}
BENCHMARK(composeAPack)->Arg(0)->Arg(1)->Arg(3)->Unit(benchmark::kMillisecond)->UseRealTime();

/// A job of a hundred rooms is opened, one thing is moved, and it is saved.
void openEditSaveHundredRooms(benchmark::State& state) {
  Job job;
  job.name = "Hundred";
  const Room& room = *house().rooms.front();
  const Scheme* scheme = nullptr;
  for (const auto& s : house().schemes)
    if (scheme == nullptr && s->room == room.id) scheme = s.get();
  job.pieces = house().pieces;
  for (int i = 0; i < 100; ++i) {
    Room copy = room;
    copy.id = RoomId("r" + std::to_string(i));
    for (Opening& o : copy.openings) o.leadsTo.reset();
    Scheme here = *scheme;
    here.id = SchemeId("s" + std::to_string(i));
    here.room = copy.id;
    job.rooms.push_back(std::make_shared<const Room>(copy));
    job.schemes.push_back(std::make_shared<const Scheme>(here));
  }
  for (const auto& storey : house().storeys) job.storeys.push_back(storey);
  const Bytes bytes = writeJobBytes({job, 1, {}}).value();
  for (auto _ : state) {
    auto file = readJobBytes(bytes, "hundred");
    if (!file) return state.SkipWithError(file.error().text().c_str());
    const Scheme& first = *file->job.schemes.front();
    const Placement& p = first.placements.front();
    Place there = p.on;
    if (auto* floor = onFloor(there)) floor->at.x += 10;
    file = JobFile{placed(file->job, first.id, p.id, there), file->nextId, {}};
    benchmark::DoNotOptimize(writeJobBytes(*file));
  }
}
BENCHMARK(openEditSaveHundredRooms)->Unit(benchmark::kMillisecond);

}  // namespace
}  // namespace mezzet
