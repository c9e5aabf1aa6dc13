// Displays: rules of 300 things in 20 bays, setting a case, the colours of a picture, a drag frame's picture.
#include <benchmark/benchmark.h>

#include <random>

#include "core/colour/palette.h"
#include "core/decide/display_set.h"
#include "core/display/missing.h"
#include "core/drawing/display/display_drawing.h"
#include "core/rules/check.h"
#include "io/json/rulebook_json.h"
#include "support/displays.h"

namespace {
using namespace mezzet;
using namespace mezzet::test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};

/// Five cases of four bays, and things in all of them.
Job filled(int things) {
  Job job = emptyRoom(400, 300);
  const char* colours[] = {"#232120", "#eadfc6", "#ae8b3f"};
  for (int c = 0; c < 5; ++c) {
    Piece p = withEqualBays(piece(("case" + std::to_string(c)).c_str(), "bookcase", 60, 12, 84), 4);
    Placement at{PlacementId("c" + std::to_string(c)), p.id, FloorPlace{{in(40 + 70.0 * c), in(6)}, 180}, {}};
    at.restrained = true;
    job = withPlacement(withPiece(job, p).value(), kDisplayScheme, at);
    DisplaySet set{at.id.value};
    set.palette = {{"#232120", "#eadfc6"}, {"#ae8b3f"}, {}, true};
    job = withDisplay(job, kDisplayScheme, set);
  }
  for (int i = 0; i < things; ++i) {
    const std::string id = "t" + std::to_string(i), at = "p" + std::to_string(i), carrier = "c" + std::to_string(i % 5),
                      bay = "b" + std::to_string(1 + i / 5 % 4);
    const Piece p = coloured(piece(id.c_str(), i % 2 == 0 ? "books" : "box", 3, 7, 10 + i % 6), colours[i % 3]);
    job = on(job, p, at.c_str(), bay.c_str(), 3.5 * (i / 20), 0.5 + i % 3, Lie::Standing, carrier.c_str());
  }
  return job;
}

void rulesOf300Things(benchmark::State& state) {
  const Job with = filled(300);
  for (auto _ : state) benchmark::DoNotOptimize(check(with, builtInRulebook(), kDisplayScheme, kInches, kEveryDay));
}
void rulesOfEmptyCases(benchmark::State& state) {
  const Job job = filled(0);
  for (auto _ : state) benchmark::DoNotOptimize(check(job, builtInRulebook(), kDisplayScheme, kInches, kEveryDay));
}
void setACase(benchmark::State& state) {
  const Job job = filled(100);
  for (auto _ : state)
    benchmark::DoNotOptimize(setDisplay(job, builtInRulebook(), {kDisplayScheme, "c0", {}, 1, 3}, kInches, {}));
}
void whatIsMissing(benchmark::State& state) {
  const Job job = filled(100);
  const Display d = display(job, "c0");
  for (auto _ : state) benchmark::DoNotOptimize(missingOf(d, job, *findScheme(job, kDisplayScheme)));
}
void drawACase(benchmark::State& state) {
  const Job job = filled(300);
  for (auto _ : state) {
    const Display d = display(job, "c0");
    DisplayOptions options;
    options.format = kInches;
    benchmark::DoNotOptimize(composeDisplay(d, options));
  }
}
void coloursOfAPicture(benchmark::State& state) {
  std::mt19937_64 random(1);
  std::vector<Srgb> pixels;
  for (int i = 0; i < 64 * 64; ++i)
    pixels.push_back({static_cast<double>(random() % 256) / 255, static_cast<double>(random() % 256) / 255,
                      static_cast<double>(random() % 256) / 255});
  for (auto _ : state) benchmark::DoNotOptimize(paletteOf(pixels, 6, 1));
}
BENCHMARK(rulesOf300Things)->Unit(benchmark::kMillisecond);
BENCHMARK(rulesOfEmptyCases)->Unit(benchmark::kMillisecond);
BENCHMARK(setACase)->Unit(benchmark::kMillisecond);
BENCHMARK(whatIsMissing)->Unit(benchmark::kMicrosecond);
BENCHMARK(drawACase)->Unit(benchmark::kMillisecond);
BENCHMARK(coloursOfAPicture)->Unit(benchmark::kMillisecond);

}  // namespace
