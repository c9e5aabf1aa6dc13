// Gaps against an independent geometry library: GEOS (Debian's libgeos). Random shapes; the seed is printed.
// Circles are given to GEOS as polygons of many sides, whose sagitta bounds the difference.
#include <geos_c.h>

#include <cmath>
#include <memory>
#include <numbers>
#include <random>

#include "core/geometry/convex.h"
#include "core/rules/check.h"
#include "support/geos.h"

namespace mezzet {
namespace gaps_against_geos_test {

constexpr unsigned kSeed = 31'415;
constexpr int kSides = 2048;  // sagitta of a 600 mm radius: 600 (1 - cos(pi / 2048)) = 0.0007 mm

struct Geos : test::Geos {
  Shape shape(const Convex& c) const {
    if (c.core.size() == 2) return segment(c.core[0], c.core[1]);
    if (c.radius == 0) return polygon(c.core);
    std::vector<Vec2> ring;
    for (int i = 0; i < kSides; ++i) {
      const double t = 2 * std::numbers::pi * i / kSides;
      ring.push_back(c.core[0] + Vec2{std::cos(t), std::sin(t)} * c.radius);
    }
    return polygon(ring);
  }
  double distance(const Convex& a, const Convex& b) const {
    double d = -1;
    EXPECT_EQ(GEOSDistance_r(handle, shape(a).get(), shape(b).get(), &d), 1);
    return d;
  }
};

class AgainstGeos : public testing::Test {
 protected:
  AgainstGeos() { std::printf("seed %u\n", kSeed); }
  double uniform(double a, double b) { return std::uniform_real_distribution(a, b)(random_); }
  Convex any() {
    const Vec2 at{uniform(-3000, 3000), uniform(-3000, 3000)};
    if (random_() % 4 == 0) return {{at}, uniform(50, 600)};
    const Turn turn = turnOf(random_() % 3 == 0 ? 90.0 * static_cast<double>(random_() % 4) : uniform(0, 360));
    const double w = uniform(20, 1500), h = uniform(20, 900);
    if (random_() % 5 == 0) return {{at, at + rotated({w, 0}, turn)}, 0};
    Convex c;
    for (const Vec2 p : {Vec2{-w, -h}, Vec2{w, -h}, Vec2{w, h}, Vec2{-w, h}})
      c.core.push_back(at + rotated(p, turn) * 0.5);
    return c;
  }
  std::mt19937 random_{kSeed};
  Geos geos_;
};

TEST_F(AgainstGeos, TheGapOfThingsApartIsTheirDistance) {
  int apart = 0;
  for (int i = 0; i < 3000; ++i) {
    const Convex a = any(), b = any();
    const double expected = geos_.distance(a, b), gap = separation(a, b).gap;
    if (expected > 0.01) {
      ++apart;
      ASSERT_NEAR(gap, expected, 0.002) << "pair " << i;
    } else {
      ASSERT_LE(gap, 0.02) << "pair " << i;
    }
  }
  EXPECT_GT(apart, 1000);
}

TEST_F(AgainstGeos, PushingByTheOverlapJustPartsThem) {
  int overlapping = 0;
  for (int i = 0; i < 8000; ++i) {
    const Convex a = any();
    Convex b = any();
    const Separation s = separation(a, b);
    if (s.gap > -1) continue;
    ++overlapping;
    ASSERT_EQ(geos_.distance(a, b), 0);
    // Witness points lie along the least push: b moves so that its point comes to where a's is.
    Convex parted = b;
    for (Vec2& p : parted.core) p += (s.a - s.b) * 1.0001 + unit(s.a - s.b) * 0.05;
    ASSERT_NEAR(geos_.distance(a, parted), 0.05, 0.1) << "pair " << i;
    ASSERT_GT(geos_.distance(a, parted), 0) << "pair " << i;
  }
  EXPECT_GT(overlapping, 100);
}

TEST_F(AgainstGeos, ReachOutsideARoomIsTheFurthestPointBeyondIt) {
  const Polygon room{{0, 0}, {5000, 0}, {5000, 4000}, {0, 4000}};
  const auto roomShape = geos_.polygon(room);
  int outside = 0;
  for (int i = 0; i < 1500; ++i) {
    Convex c = any();
    if (c.core.size() != 4) continue;
    for (Vec2& p : c.core) p += Vec2{2500, 2000};
    double furthest = 0;
    for (const Vec2 p : c.core) {
      double d = 0;
      const auto point = Geos::Shape(GEOSGeom_createPointFromXY_r(geos_.handle, p.x, p.y), Geos::Free{geos_.handle});
      ASSERT_EQ(GEOSDistance_r(geos_.handle, roomShape.get(), point.get(), &d), 1);
      furthest = std::max(furthest, d);
    }
    outside += furthest > 0;
    ASSERT_NEAR(reachOutside(Parts{c}, room), furthest, 0.02);
  }
  EXPECT_GT(outside, 100);
}

// Source: GEOS, computed for the reference list: a 2 x 1 rectangle turned 30 degrees about (0, 0) to the box x >= 3
// is 3 - 2 cos 30 = 1.2679492 away; a 1 m square turned 45 degrees in a 4 m corridor has 2 - sqrt(1/2) on each side.
TEST(PublishedGaps, ATurnedRectangleBeforeAWall) {
  Convex turned;
  for (const Vec2 p : {Vec2{0, 0}, Vec2{2, 0}, Vec2{2, 1}, Vec2{0, 1}}) turned.core.push_back(rotated(p, turnOf(30)));
  EXPECT_NEAR(separation(turned, {{{3, -5}, {3, 5}}, 0}).gap, 1.2679492, 1e-7);
}
TEST(PublishedGaps, ATurnedSquareInACorridor) {
  Convex square;
  for (const Vec2 p : {Vec2{-.5, -.5}, Vec2{.5, -.5}, Vec2{.5, .5}, Vec2{-.5, .5}})
    square.core.push_back(rotated(p, turnOf(45)));
  for (const double y : {2.0, -2.0}) EXPECT_NEAR(separation(square, {{{-10, y}, {10, y}}, 0}).gap, 1.2928932, 1e-7);
}

}  // namespace gaps_against_geos_test
}  // namespace mezzet
