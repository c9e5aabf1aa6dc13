#include <random>

#include "core/geometry/convex_parts.h"

namespace mezzet {
namespace geometry_test {

Convex box(double x, double y, double w, double h) { return {{{x, y}, {x + w, y}, {x + w, y + h}, {x, y + h}}, 0}; }
Convex disc(double x, double y, double r) { return {{{x, y}}, r}; }
Convex wall(double x1, double y1, double x2, double y2) { return {{{x1, y1}, {x2, y2}}, 0}; }

TEST(Turn, QuartersAreExact) {
  for (int k = -8; k <= 8; ++k) {
    const Turn t = turnOf(90.0 * k);
    EXPECT_TRUE(t.cosine == 0 || std::abs(t.cosine) == 1) << k;
    EXPECT_EQ(std::abs(t.cosine) + std::abs(t.sine), 1) << k;
  }
}
TEST(Turn, IsBroughtBelow360) {
  EXPECT_EQ(normalisedTurn(-90), 270);
  EXPECT_EQ(normalisedTurn(720), 0);
  EXPECT_LT(normalisedTurn(-1e-20), 360);
}

TEST(Separation, OfBoxesIsTheDistanceOfTheirFaces) {
  EXPECT_DOUBLE_EQ(separation(box(0, 0, 10, 10), box(25, 2, 10, 10)).gap, 15);
}
TEST(Separation, WitnessesStandAtTheMiddleOfWhatFacesEachOther) {
  const Separation s = separation(box(0, 0, 10, 10), box(25, 4, 10, 10));
  EXPECT_EQ(s.a, (Vec2{10, 7}));
  EXPECT_EQ(s.b, (Vec2{25, 7}));
}
TEST(Separation, OfCornersIsDiagonal) { EXPECT_DOUBLE_EQ(separation(box(0, 0, 1, 1), box(4, 5, 1, 1)).gap, 5); }
TEST(Separation, TouchingIsZero) { EXPECT_NEAR(separation(box(0, 0, 10, 10), box(10, 0, 5, 5)).gap, 0, 1e-12); }
TEST(Separation, OverlapIsTheLeastPush) { EXPECT_DOUBLE_EQ(separation(box(0, 0, 10, 10), box(7, 1, 10, 5)).gap, -3); }
TEST(Separation, OfDiscs) { EXPECT_DOUBLE_EQ(separation(disc(0, 0, 3), disc(10, 0, 2)).gap, 5); }
TEST(Separation, OfDiscsWithOneCentre) { EXPECT_DOUBLE_EQ(separation(disc(1, 1, 3), disc(1, 1, 2)).gap, -5); }
TEST(Separation, OfADiscInABoxIsItsWayOut) { EXPECT_DOUBLE_EQ(separation(disc(2, 5, 1), box(0, 0, 10, 10)).gap, -3); }
TEST(Separation, OfCollinearWallsApartIsNotOverlap) {
  EXPECT_DOUBLE_EQ(separation(wall(0, 0, 10, 0), wall(14, 0, 20, 0)).gap, 4);
}
TEST(Separation, OfAWallThroughABox) { EXPECT_DOUBLE_EQ(separation(wall(-5, 2, 20, 2), box(0, 0, 10, 10)).gap, -2); }

class RandomPairs : public testing::Test {
 protected:
  RandomPairs() { std::printf("seed %u\n", kSeed); }
  static constexpr unsigned kSeed = 4711;
  std::mt19937 random_{kSeed};
  double uniform(double a, double b) { return std::uniform_real_distribution(a, b)(random_); }
  Convex any() {
    if (random_() % 3 == 0) return disc(uniform(-2000, 2000), uniform(-2000, 2000), uniform(50, 500));
    return moved(box(uniform(-2000, 2000), uniform(-2000, 2000), uniform(50, 1500), uniform(50, 900)), uniform(0, 360),
                 {});
  }
  static Convex moved(Convex c, double degrees, Vec2 by) {
    const Turn t = turnOf(degrees);
    for (Vec2& p : c.core) p = rotated(p, t) + by;
    return c;
  }
};

TEST_F(RandomPairs, SeparationIsSymmetric) {
  for (int i = 0; i < 5000; ++i) {
    const Convex a = any(), b = any();
    ASSERT_NEAR(separation(a, b).gap, separation(b, a).gap, 1e-9);
  }
}
TEST_F(RandomPairs, SeparationIsUnmovedByRigidMotion) {
  for (int i = 0; i < 5000; ++i) {
    const Convex a = any(), b = any();
    const double turn = uniform(0, 360);
    const Vec2 by{uniform(-5000, 5000), uniform(-5000, 5000)};
    ASSERT_NEAR(separation(a, b).gap, separation(moved(a, turn, by), moved(b, turn, by)).gap, 1e-6);
  }
}
TEST_F(RandomPairs, WitnessesLieTheGapApart) {
  for (int i = 0; i < 5000; ++i) {
    const Separation s = separation(any(), any());
    ASSERT_NEAR(distance(s.a, s.b), std::abs(s.gap), 1e-6);
  }
}
TEST_F(RandomPairs, SlidingBySlideUntilTouchTouches) {
  int met = 0;
  for (int i = 0; i < 5000; ++i) {
    Convex a = any();
    const Convex b = any();
    const double angle = uniform(0, 360);
    const Vec2 along{turnOf(angle).cosine, turnOf(angle).sine};
    const auto slide = slideUntilTouch(a, b, along, 0);
    if (!slide || separation(a, b).gap < 0) continue;
    ++met;
    for (Vec2& p : a.core) p += along * *slide;
    ASSERT_NEAR(separation(a, b).gap, 0, 1e-5);
    for (Vec2& p : a.core) p = p - along * 1.0;
    ASSERT_GE(separation(a, b).gap, -1e-6);
  }
  EXPECT_GT(met, 300);
}

TEST(Slide, PastAnEdgeThatOnlyGrazesIsFree) {
  EXPECT_FALSE(slideUntilTouch(box(0, 0, 10, 10), box(50, 10, 10, 10), {1, 0}, 0.5));
}
TEST(Slide, BackOutOfAnOverlapIsNegative) {
  EXPECT_DOUBLE_EQ(*slideUntilTouch(box(0, 0, 10, 10), box(8, 0, 100, 10), {1, 0}, 0.5), -2);
}

TEST(Polygon, FindsWhereItCrossesItself) {
  EXPECT_FALSE(selfCrossing({{0, 0}, {10, 0}, {10, 10}, {0, 10}}));
  const auto crossing = selfCrossing({{0, 0}, {10, 10}, {10, 0}, {0, 10}});
  ASSERT_TRUE(crossing);
  EXPECT_EQ(*crossing, (std::pair<std::size_t, std::size_t>{0, 2}));
}
TEST(Polygon, AnLIsSplitIntoPartsOfTheSameArea) {
  const Polygon l{{0, 0}, {6, 0}, {6, 1}, {1, 1}, {1, 6}, {0, 6}};
  double area = 0;
  for (const Convex& part : convexParts(l)) area += signedArea(part.core);
  EXPECT_DOUBLE_EQ(area, signedArea(l));
}
TEST(Polygon, AConvexOutlineStaysWhole) { EXPECT_EQ(convexParts({{0, 0}, {0, 4}, {4, 4}, {4, 0}}).size(), 1u); }

}  // namespace geometry_test
}  // namespace mezzet
