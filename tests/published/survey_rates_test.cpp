// How often the slip is found: seeded rooms, each with one slip, against rates that are stated beforehand.
#include <gtest/gtest.h>

#include <random>

#include "core/survey/slips.h"
#include "io/json/slips_json.h"
#include "support/survey_rooms.h"

namespace mezzet {
namespace survey_rates_test {
using namespace test;

struct Kind {
  const char* name;
  std::size_t corners;
  std::vector<std::pair<std::size_t, std::size_t>> diagonals;
  std::vector<std::size_t> angled;
  double decidedAtLeast;
};
void PrintTo(const Kind& k, std::ostream* out) { *out << k.name; }

Polygon sketchOf(std::size_t corners, std::mt19937& random) {
  const auto uniform = [&](double a, double b) { return std::uniform_real_distribution(a, b)(random); };
  const double w = uniform(3000, 6500), d = uniform(2600, 5500);
  if (corners == 4) return {{0, 0}, {w, 0}, {w, d}, {0, d}};
  if (corners == 5) {
    const double cut = uniform(700, 1600);
    return {{0, 0}, {w, 0}, {w, d - cut}, {w - cut, d}, {0, d}};
  }
  const double x = w * uniform(0.35, 0.65), y = d * uniform(0.35, 0.65);
  return {{0, 0}, {w, 0}, {w, y}, {x, y}, {x, d}, {0, d}};
}

/// One made-up survey: true corners up to 8 mm off the sketch, tape readings with their doubt.
Network readIn(const Kind& kind, std::mt19937& random) {
  const Polygon sketch = sketchOf(kind.corners, random);
  std::normal_distribution<double> noise;
  Polygon truth = sketch;
  for (Vec2& p : truth) {
    const double turn = std::uniform_real_distribution(0.0, 2 * std::acos(-1.0))(random);
    p += Vec2{std::cos(turn), std::sin(turn)} * 8;
  }
  Network net = surveyOf(sketch, kind.diagonals, kind.angled);
  for (Observation& o : net.observations)
    if (o.isLength()) {
      const double length = distance(truth[o.from], truth[o.to]);
      o.sigma = tapeU95(length) / 2;
      // Read to a sixteenth of an inch, or to a millimetre.
      const double step = random() % 2 == 0 ? kInch / 16 : 1.0;
      o.value = std::round((length + noise(random) * o.sigma) / step) * step;
    }
  return net;
}

/// A usual slip in a random run or diagonal; which one.
std::size_t slip(Network& net, std::mt19937& random) {
  for (;;) {
    const std::size_t i = random() % net.observations.size();
    Observation& o = net.observations[i];
    if (!o.isLength()) continue;
    const Slip& s = builtInSlips()[random() % builtInSlips().size()];
    const auto read = slipped(o.value, s, unitOf(o.value), random());
    if (!read || std::abs(*read - o.value) < 1) continue;
    o.value = *read;
    return i;
  }
}

class SlipRates : public testing::TestWithParam<Kind> {};

TEST_P(SlipRates, AreAsStated) {
  constexpr int kRooms = 500;
  constexpr unsigned kSeed = 20261125;
  std::mt19937 random(kSeed);
  int detected = 0, named = 0, right = 0, listed = 0, refused = 0, falseAlarms = 0;
  for (int i = 0; i < kRooms; ++i) {
    Network net = readIn(GetParam(), random);
    const auto clean = adjust(net);
    ASSERT_TRUE(clean.ok()) << clean.error().text();
    falseAlarms += suspectsOf(net, *clean).detected;
    const std::size_t wrong = slip(net, random);
    const auto all = adjust(net);
    if (!all.ok()) {
      ++refused;  // the slip is so gross that the outline cannot be drawn: that is said, and nothing is named
      continue;
    }
    const Suspects s = suspectsOf(net, *all);
    if (!s.detected) continue;
    ++detected;
    named += s.named.has_value();
    right += s.named == wrong;
    listed +=
        std::any_of(s.listed.begin(), s.listed.end(), [&](const Suspect& one) { return one.observation == wrong; });
  }
  const auto percent = [](int part, int whole) { return whole > 0 ? 100.0 * part / whole : 0; };
  std::printf(
      "%s, seed %u: %d detected of %d (%d refused); named and right %.1f %% of %d named; named or listed %.1f %% of "
      "detected; decided %.1f %%; clean rooms "
      "detected %.1f %%\n",
      GetParam().name, kSeed, detected, kRooms, refused, percent(right, named), named, percent(listed, detected),
      percent(named, detected), percent(falseAlarms, kRooms));
  ASSERT_GT(detected, kRooms / 3);
  EXPECT_GE(percent(right, std::max(1, named)), named > 20 ? 93 : 0);
  EXPECT_GE(percent(listed, detected), 95);
  EXPECT_GE(percent(named, detected), GetParam().decidedAtLeast);
  EXPECT_LE(percent(falseAlarms, kRooms), 2.5);
}
INSTANTIATE_TEST_SUITE_P(Rooms, SlipRates,
                         testing::Values(Kind{"FourCornersOneDiagonal", 4, {{0, 2}}, {}, 70},
                                         Kind{"FourCornersTwoDiagonals", 4, {{0, 2}, {1, 3}}, {}, 70},
                                         Kind{"LOneDiagonal", 6, {{0, 3}}, {}, 0},
                                         Kind{"LTwoDiagonals", 6, {{0, 3}, {1, 5}}, {}, 65},
                                         Kind{"LThreeDiagonals", 6, {{0, 3}, {1, 5}, {0, 2}}, {}, 65},
                                         Kind{"FiveTwoDiagonals", 5, {{0, 2}, {1, 4}}, {2, 3}, 45},
                                         Kind{"FiveThreeDiagonals", 5, {{0, 2}, {1, 4}, {0, 3}}, {2, 3}, 45}),
                         [](const auto& k) { return std::string(k.param.name); });

}  // namespace survey_rates_test
}  // namespace mezzet
