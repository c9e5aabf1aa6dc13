// Walls: arrangements, along a flight too, the free wall, a mirror of one eye, rules of 60 hung things, nails, a
// photograph.
#include <benchmark/benchmark.h>

#include "core/hang/arrangement.h"
#include "core/hang/free_wall.h"
#include "core/decide/hang_place.h"
#include "core/hang/nails.h"
#include "core/rules/check.h"
#include "core/sight/reflection.h"
#include "core/sight/wall_photograph.h"
#include "io/json/rulebook_json.h"
#include "support/frames.h"
#include "support/rooms.h"

namespace {
using namespace mezzet;
using namespace mezzet::test;

ArrangementAsk salonOf(std::size_t n) {
  Chance chance(n);
  ArrangementAsk ask{.as = HangAs::Salon, .frames = frames(randomSizes(chance, n))};
  ask.ratio = 1.5;
  ask.roomWidth = in(1000);
  ask.roomHeight = in(1000);
  ask.restarts = usualRestarts(n);
  return ask;
}
void salon(benchmark::State& state) {
  const ArrangementAsk ask = salonOf(static_cast<std::size_t>(state.range(0)));
  for (auto _ : state) benchmark::DoNotOptimize(arrangedSalon(ask, {}));
}
BENCHMARK(salon)->Arg(9)->Arg(15)->Arg(20)->Arg(60)->Unit(benchmark::kMillisecond);

/// Pictures on four walls, and a sofa.
Job withPictures(int count) {
  Piece sofa = piece("sofa", "sofa", 84, 36, 34);
  sofa.seat.edit().height = in(18);
  Job job = with(emptyRoom(), sofa, "s", 111, 18, 180);
  for (int i = 0; i < count; ++i) {
    const char* wall = std::array{"A", "B", "C", "D"}[static_cast<std::size_t>(i % 4)];
    const int k = i / 4;
    const std::string n = std::to_string(100 + i);
    job = hung(job, ("a" + n).c_str(), ("p" + n).c_str(), 10, 12, 12 + 12.0 * (k % 8), 50 + 14.0 * (k / 8), wall);
  }
  return job;
}
/// What sixty of them take is the difference to none.
void rulesOfHung(benchmark::State& state) {
  const Job job = withPictures(static_cast<int>(state.range(0)));
  for (auto _ : state)
    benchmark::DoNotOptimize(
        check(job, builtInRulebook(), SchemeId("s1"), LengthFormat{LengthStyle::Inches, 16}, kEveryDay));
}
BENCHMARK(rulesOfHung)->Arg(0)->Arg(60)->Unit(benchmark::kMicrosecond);

void freeWallOfSixty(benchmark::State& state) {
  const Job job = withPictures(60);
  const Room& room = *job.rooms.front();
  const Wall wall = *findWall(room, CornerId("A"));
  for (auto _ : state) benchmark::DoNotOptimize(freeRectangles(wallFace(job, room, &scheme(job), wall)));
}
BENCHMARK(freeWallOfSixty)->Unit(benchmark::kMicrosecond);

/// Fifteen frames on each wall: the nails of one.
void nailsOfAWall(benchmark::State& state) {
  Job job = withPictures(60);
  for (int i = 0; i < 60; ++i) {
    Piece p = *findPiece(job, PieceId("a" + std::to_string(100 + i)));
    p.hanger.edit().kind = HangerKind::Ring;
    p.hanger.edit().drop = in(2);
    job = withPiece(job, p).value();
  }
  NailAsk ask;
  ask.wall = CornerId("A");
  for (auto _ : state)
    benchmark::DoNotOptimize(nailPlan(job, *job.rooms.front(), scheme(job), builtInRulebook().fixings, ask,
                                      LengthFormat{LengthStyle::Inches, 16}));
}
BENCHMARK(nailsOfAWall)->Unit(benchmark::kMicrosecond);

/// Frames that fill a sloping wall of 3 x 2 m over a flight.
void denseOverAFlight(benchmark::State& state) {
  ArrangementAsk ask = salonOf(static_cast<std::size_t>(state.range(0)));
  ask.region = {{0, 0}, {3000, 2400}, {3000, 4600}, {0, 2200}};
  for (auto _ : state) benchmark::DoNotOptimize(arrangedSalon(ask, {}));
}
BENCHMARK(denseOverAFlight)->Arg(9)->Arg(15)->Unit(benchmark::kMillisecond);

/// Sixty pieces in a photograph, each with the doubt of its width and height.
void sixtyInAPhotograph(benchmark::State& state) {
  const Job job = withPictures(60);
  Photograph photograph;
  photograph.wall = CornerId("A");
  photograph.calibration = Calibration{{{420, 830}, {760, 790}, {748, 350}, {402, 300}}, 1200, 1500, 900, 800};
  const Homography map = *wallToPhotograph(*photograph.calibration);
  for (auto _ : state) benchmark::DoNotOptimize(piecesIn(job, scheme(job), photograph, map));
}
BENCHMARK(sixtyInAPhotograph)->Unit(benchmark::kMicrosecond);

void mirrorOfOneEye(benchmark::State& state) {
  Job job = withPictures(60);
  Piece m = piece("m", "mirror", 30, 1, 40);
  job = withPlacement(withPiece(job, m).value(), SchemeId("s1"),
                      {PlacementId("m1"), m.id, WallPlace{CornerId("C"), in(180), in(60), std::nullopt}, {}});
  for (int i = 0; i < 30; ++i) {
    const std::string n = std::to_string(i);
    job = with(job, piece(("b" + n).c_str(), "cabinet", 12, 10, 20.0 + i), ("q" + n).c_str(), 20 + 6.0 * i,
               40 + (i % 5) * 12.0, 15.0 * i);
  }
  const PieceIndex pieces(job);
  const Room& room = *job.rooms.front();
  for (auto _ : state) {
    const Glass glass = *glassOf(pieces, room, *findPlacement(scheme(job), PlacementId("m1")));
    benchmark::DoNotOptimize(shownIn(glass, {{in(60), in(80)}, 1564}, reflectedIn(pieces, room, scheme(job))));
  }
}
BENCHMARK(mirrorOfOneEye)->Unit(benchmark::kMicrosecond);

}  // namespace
