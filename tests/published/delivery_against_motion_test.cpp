// Boxes round corners against motion that is sampled: a rectangle put down at many turns and places inside the
// corridors, which GEOS says it lies in or not.
#include <cmath>
#include <cstdio>
#include <random>

#include "core/plan/delivery.h"
#include "support/geos.h"

namespace mezzet {
namespace delivery_against_motion_test {
using test::Geos;

/// Two corridors that meet in a right angle, their outer walls along the axes.
struct Bend {
  double a, b, reach;
  [[nodiscard]] std::vector<Vec2> outline() const {
    return {{0, 0}, {reach, 0}, {reach, b}, {a, b}, {a, reach}, {0, reach}};
  }
};
/// A rectangle whose long side runs from the outer wall of one corridor to that of the other, moved by `off`.
std::vector<Vec2> boxAt(double length, double wide, double t, Vec2 off) {
  const Vec2 p{length * std::cos(t), 0}, q{0, length * std::sin(t)}, in = Vec2{std::sin(t), std::cos(t)} * wide;
  return {p + off, p + in + off, q + in + off, q + off};
}

class Motion {
 public:
  explicit Motion(const Bend& bend) : bend_(bend), room_(geos_.polygon(grown(bend))) {}
  [[nodiscard]] bool holds(const std::vector<Vec2>& box) const {
    return GEOSContains_r(geos_.handle, room_.get(), geos_.polygon(box).get()) == 1;
  }
  /// From one corridor into the other, sliding along the outer walls.
  [[nodiscard]] bool passes(double length, double wide) const {
    constexpr int kTurns = 400;
    for (int i = 1; i < kTurns; ++i)
      if (!holds(boxAt(length, wide, M_PI / 2 * i / kTurns, {0, 0}))) return false;
    return true;
  }
  /// Whether it lies anywhere at all at a turn: places on a grid, away from the outer walls.
  [[nodiscard]] bool liesAt(double length, double wide, double t) const {
    constexpr int kSteps = 30;
    const double span = std::max(bend_.a, bend_.b);
    for (int i = 0; i <= kSteps; ++i)
      for (int k = 0; k <= kSteps; ++k)
        if (holds(boxAt(length, wide, t, Vec2{span * i / kSteps, span * k / kSteps}))) return true;
    return false;
  }

 private:
  /// A hair larger, so that what touches a wall lies inside.
  static std::vector<Vec2> grown(const Bend& bend) {
    constexpr double kHair = 1e-6;
    const double n = -kHair, r = bend.reach;
    return {{n, n}, {r, n}, {r, bend.b + kHair}, {bend.a + kHair, bend.b + kHair}, {bend.a + kHair, r}, {n, r}};
  }
  Bend bend_;
  Geos geos_;
  Geos::Shape room_;
};

TEST(DeliveryAgainstMotion, WhatIsShorterPassesAndWhatIsLongerDoesNot) {
  std::printf("seed 21\n");
  std::mt19937 random(21);
  const auto uniform = [&](double low, double high) { return std::uniform_real_distribution(low, high)(random); };
  for (int i = 0; i < 60; ++i) {
    const Bend bend{uniform(700, 1600), uniform(700, 1600), 12'000};
    const double wide = uniform(0.05, 0.95) * std::min(bend.a, bend.b);
    const double longest = longestRoundCorner(bend.a, bend.b, wide);
    ASSERT_GT(longest, 0);
    const Motion motion(bend);
    EXPECT_TRUE(motion.passes(longest * 0.9995, wide)) << bend.a << " " << bend.b << " " << wide;
    const double tight = tightestTurn(bend.a, bend.b, wide) * M_PI / 180;
    EXPECT_FALSE(motion.liesAt(longest * 1.002, wide, tight)) << bend.a << " " << bend.b << " " << wide;
  }
}

TEST(DeliveryAgainstMotion, SlackIsWhatALengthMayGrowBy) {
  std::printf("seed 22\n");
  std::mt19937 random(22);
  const auto uniform = [&](double low, double high) { return std::uniform_real_distribution(low, high)(random); };
  int turned = 0;
  for (int i = 0; i < 120; ++i) {
    DeliveryLeg leg;
    leg.kind = LegKind::Turn;
    leg.width = uniform(800, 1200);
    leg.to = uniform(800, 1200);
    // Flat things that no corridor takes crosswise, and no height to tilt or stand in: only turning level remains.
    const double wide = uniform(0.3, 0.8) * std::min(*leg.width, *leg.to);
    BoxSize box{uniform(1300, 2600), wide, uniform(20, 40)};
    leg.height = box.height + 2 * kCarryRoom + 1;
    const LegSlack found = slackAt(leg, box);
    if (found.up > *leg.height) continue;  // short in height by less than it is too long: that is told
    const double slack = found.slack;
    const Motion motion({*leg.width, *leg.to, 12'000});
    const double length = box.width + 2 * kCarryRoom, across = box.depth + 2 * kCarryRoom;
    if (slack < 0) {
      EXPECT_FALSE(motion.passes(length, across)) << slack;
      EXPECT_TRUE(motion.passes(length + slack - 2, across))
          << slack << " of " << length << " x " << across << ", " << *leg.width << " into " << *leg.to;
      ++turned;
    } else if (motion.passes(length, across)) {
      ++turned;
    }
  }
  EXPECT_GT(turned, 20);
}

}  // namespace delivery_against_motion_test
}  // namespace mezzet
