// Carpet strips, areas and hulls against an independent geometry library, GEOS (Debian's libgeos), on random floors;
// the seed is printed. The pile on an access route: 2010 ADA Standards for Accessible Design, 302.2, 1/2 inch at most.
#include <geos_c.h>
#include <gtest/gtest.h>

#include <cmath>
#include <memory>
#include <numbers>
#include <random>

#include "core/rules/check.h"
#include "core/rugs/broadloom.h"
#include "io/json/rulebook_json.h"
#include "support/geos.h"

namespace mezzet {
namespace rugs_against_geos_test {

constexpr unsigned kSeed = 14'142;

class CarpetAgainstGeos : public testing::Test {
 protected:
  CarpetAgainstGeos() { std::printf("seed %u\n", kSeed); }
  double from(double low, double high) { return std::uniform_real_distribution<double>(low, high)(random_); }
  /// A floor whose corners are seen from its middle, notched anywhere.
  Polygon floor() {
    Polygon out;
    const int n = 5 + static_cast<int>(from(0, 8));
    for (int i = 0; i < n; ++i)
      out.push_back(Vec2{4000, 3000} + rotated({from(1200, 4000), 0}, turnOf(360.0 * (i + from(0.1, 0.9)) / n)));
    return out;
  }
  test::Geos geos_;
  std::mt19937 random_{kSeed};
};

TEST_F(CarpetAgainstGeos, StripsAreAsLongAsWhatTheyCover) {
  for (int i = 0; i < 120; ++i) {
    const Polygon region = floor();
    const Broadloom cloth{from(900, 5000), from(0, 360), std::nullopt, from(0, 100)};
    const auto cut = cutCarpet({{region, {}}}, cloth, {});
    ASSERT_TRUE(cut) << i;
    Polygon upright;  // the pile along +y, the least point at 0
    for (const Vec2 p : region) upright.push_back(rotated(p, turnOf(90 - cloth.pile)));
    double least = upright[0].x, most = upright[0].x;
    for (const Vec2 p : upright) {
      least = std::min(least, p.x);
      most = std::max(most, p.x);
    }
    const auto shape = geos_.polygon(upright);
    ASSERT_NEAR(cut->area / geos_.area(shape), 1, 1e-5) << i;
    double covered = 0, bought = 0;
    for (const CarpetStrip& strip : cut->strips) {
      const auto band = geos_.polygon(
          {{least + strip.from, -1e6}, {least + strip.to, -1e6}, {least + strip.to, 1e6}, {least + strip.from, 1e6}});
      const auto part = geos_.own(GEOSIntersection_r(geos_.handle, shape.get(), band.get()));
      double low = 0, high = 0;
      ASSERT_EQ(GEOSGeom_getYMin_r(geos_.handle, part.get(), &low), 1);
      ASSERT_EQ(GEOSGeom_getYMax_r(geos_.handle, part.get(), &high), 1);
      ASSERT_NEAR(strip.length, high - low + 2 * cloth.trim, 0.01) << i;
      ASSERT_LE(strip.to - strip.from, cloth.roll + 0.01) << i;
      covered += geos_.area(part);
      bought += strip.length;
    }
    ASSERT_NEAR(covered / geos_.area(shape), 1, 1e-5) << "the strips cover the floor, " << i;
    ASSERT_NEAR(bought, cut->bought, 1e-6) << i;
    // Source: common practice, strips = ceil((width + trims) / roll).
    ASSERT_EQ(static_cast<double>(cut->strips.size()), std::ceil((most - least + 2 * cloth.trim) / cloth.roll - 1e-6))
        << i;
  }
}
TEST_F(CarpetAgainstGeos, HullsAgree) {
  for (int i = 0; i < 300; ++i) {
    std::vector<Vec2> points;
    for (int k = 0; k < 4 + i % 30; ++k) points.push_back({std::round(from(0, 40)), std::round(from(0, 40))});
    std::vector<GEOSGeometry*> all;
    for (const Vec2 p : points) all.push_back(GEOSGeom_createPointFromXY_r(geos_.handle, p.x, p.y));
    const auto cloud = geos_.own(
        GEOSGeom_createCollection_r(geos_.handle, GEOS_MULTIPOINT, all.data(), static_cast<unsigned>(all.size())));
    const auto hull = geos_.own(GEOSConvexHull_r(geos_.handle, cloud.get()));
    const Polygon ours = hullOf(points);
    ASSERT_NEAR(ours.size() < 3 ? 0 : signedArea(ours), geos_.area(hull), 1e-9) << i;
  }
}

// Source: 2010 ADA Standards for Accessible Design, 302.2: pile height 1/2 inch (13 mm) maximum.
TEST(PublishedPile, IsHalfAnInch) {
  const Rule* rule = findRule(builtInRulebook(), "rug-pile");
  ASSERT_NE(rule, nullptr);
  Job job;
  const Asked asked = askedOf(*rule, job);
  ASSERT_TRUE(asked.tolerated.high);
  EXPECT_DOUBLE_EQ(*asked.tolerated.high, 12.7);
  EXPECT_EQ(rule->source.kind, "published");
}

}  // namespace rugs_against_geos_test
}  // namespace mezzet
