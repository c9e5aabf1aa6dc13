// What is seen, against GEOS (Debian's libgeos): lines of sight cut by GEOS with each body, heights followed along
// them. Random bodies; the seed is printed.
#include <geos_c.h>
#include <gtest/gtest.h>

#include <cmath>
#include <memory>
#include <random>

#include "core/sight/sight.h"

namespace mezzet {
namespace sight_test {

constexpr unsigned kSeed = 16'180;

struct AgainstGeosSight : testing::Test {
  AgainstGeosSight() { std::printf("seed %u\n", kSeed); }
  ~AgainstGeosSight() override { GEOS_finish_r(handle); }
  struct Free {
    GEOSContextHandle_t handle;
    void operator()(GEOSGeometry* g) const { GEOSGeom_destroy_r(handle, g); }
  };
  using Shape = std::unique_ptr<GEOSGeometry, Free>;
  Shape own(GEOSGeometry* g) const { return Shape(g, Free{handle}); }
  Shape line(Vec2 a, Vec2 b) const {
    GEOSCoordSequence* s = GEOSCoordSeq_create_r(handle, 2, 2);
    GEOSCoordSeq_setXY_r(handle, s, 0, a.x, a.y);
    GEOSCoordSeq_setXY_r(handle, s, 1, b.x, b.y);
    return own(GEOSGeom_createLineString_r(handle, s));
  }
  Shape body(const Convex& c) const {
    if (c.core.size() == 2) return line(c.core[0], c.core[1]);
    const auto n = static_cast<unsigned>(c.core.size());
    GEOSCoordSequence* s = GEOSCoordSeq_create_r(handle, n + 1, 2);
    for (unsigned i = 0; i <= n; ++i) GEOSCoordSeq_setXY_r(handle, s, i, c.core[i % n].x, c.core[i % n].y);
    return own(GEOSGeom_createPolygon_r(handle, GEOSGeom_createLinearRing_r(handle, s), nullptr, 0));
  }
  /// Whether a body hides the far end of a line that rises evenly from one height to another; `near` when it is a close
  /// thing.
  bool hides(const Occluder& o, const Eye& eye, Vec2 to, double height, bool& near) const {
    const Shape sight = line(eye.at, to), shape = body(o.shape);
    const Shape cut = own(GEOSIntersection_r(handle, sight.get(), shape.get()));
    if (cut == nullptr || GEOSisEmpty_r(handle, cut.get()) == 1) {
      double away = 0;
      GEOSDistance_r(handle, sight.get(), shape.get(), &away);
      near = near || away < 2;
      return false;
    }
    double low = 0, high = 0, minX = 0, maxX = 0, length = 0;
    GEOSLength_r(handle, cut.get(), &length);
    GEOSGeom_getXMin_r(handle, cut.get(), &minX);
    GEOSGeom_getXMax_r(handle, cut.get(), &maxX);
    GEOSGeom_getYMin_r(handle, cut.get(), &low);
    GEOSGeom_getYMax_r(handle, cut.get(), &high);
    const Vec2 d = to - eye.at;
    const bool byX = std::abs(d.x) > std::abs(d.y);
    double from = byX ? (minX - eye.at.x) / d.x : (low - eye.at.y) / d.y,
           until = byX ? (maxX - eye.at.x) / d.x : (high - eye.at.y) / d.y;
    if (from > until) std::swap(from, until);
    const double a = eye.height + (height - eye.height) * from, b = eye.height + (height - eye.height) * until;
    const double least = std::min(a, b), most = std::max(a, b);
    near =
        near || (o.shape.core.size() > 2 && length < 4) || std::abs(least - o.top) < 2 || std::abs(most - o.bottom) < 2;
    return least < o.top && most > o.bottom;
  }
  double uniform(double a, double b) { return std::uniform_real_distribution(a, b)(random); }
  std::vector<Occluder> things(int count) {
    std::vector<Occluder> out;
    for (int i = 0; i < count; ++i) {
      const Vec2 at{uniform(-2500, 2500), uniform(400, 4200)};
      const Turn turn = turnOf(uniform(0, 360));
      const double w = uniform(50, 600), h = uniform(30, 300), bottom = random() % 4 == 0 ? uniform(500, 2000) : 0;
      Convex shape;
      if (random() % 5 == 0) shape.core = {at, at + rotated({w, 0}, turn)};
      else
        for (const Vec2 p : {Vec2{-w, -h}, Vec2{w, -h}, Vec2{w, h}, Vec2{-w, h}})
          shape.core.push_back(at + rotated(p, turn));
      out.push_back({shape, bottom, bottom + uniform(200, 1900), "o" + std::to_string(i)});
    }
    return out;
  }
  GEOSContextHandle_t handle = GEOS_init_r();
  std::mt19937 random{kSeed};
};

TEST_F(AgainstGeosSight, WhatIsSeenOfAnEdgeIsWhatNoLineIsCutBefore) {
  int seen = 0, hidden = 0, close = 0;
  for (int i = 0; i < 250; ++i) {
    const std::vector<Occluder> occluders = things(2 + i % 9);
    const Eye eye{{uniform(-400, 400), uniform(-300, 100)}, uniform(900, 1800)};
    const Vec2 a{uniform(-2500, -800), uniform(4600, 5200)}, b{uniform(800, 2500), uniform(4600, 5200)};
    const double height = uniform(0, 2200);
    const std::vector<Stretch> stretches = seenOf(eye, a, b, height, occluders);
    for (int k = 0; k < 12; ++k) {
      const double s = uniform(0, 1);
      bool near = false, cut = false;
      for (const Occluder& o : occluders) cut = hides(o, eye, a + (b - a) * s, height, near) || cut;
      for (const Stretch& stretch : stretches)
        near = near || std::abs(stretch.from - s) < 1e-3 || std::abs(stretch.to - s) < 1e-3;
      const bool sees =
          std::any_of(stretches.begin(), stretches.end(), [&](const Stretch& t) { return s >= t.from && s <= t.to; });
      if (near) {
        ++close;
        continue;
      }
      ASSERT_EQ(sees, !cut) << "room " << i << ", share " << s;
      ++(sees ? seen : hidden);
    }
  }
  EXPECT_GT(seen, 400);
  EXPECT_GT(hidden, 400);
  EXPECT_LT(close, 300);
}

TEST_F(AgainstGeosSight, TheRegionHoldsJustWhatALineReaches) {
  int inside = 0, outside = 0;
  for (int i = 0; i < 120; ++i) {
    std::vector<Occluder> occluders = things(2 + i % 8);
    for (Occluder& o : occluders) o = {o.shape, 0, random() % 3 == 0 ? 1000.0 : 2000.0, o.owner};
    const Eye eye{{uniform(-400, 400), uniform(-300, 100)}, 1500};
    const Polygon region = sightRegion(eye, occluders, 6000);
    for (int k = 0; k < 20; ++k) {
      const Vec2 p{uniform(-3000, 3000), uniform(0, 5000)};
      if (distance(p, eye.at) > 5900 || distanceToEdge(region, p) < 3) continue;
      bool near = false, cut = false;
      for (const Occluder& o : occluders)
        if (o.top > eye.height) cut = hides(o, eye, p, eye.height, near) || cut;
      if (near) continue;
      ASSERT_EQ(contains(region, p), !cut) << "room " << i << " at " << p.x << ", " << p.y;
      ++(cut ? outside : inside);
    }
  }
  EXPECT_GT(inside, 500);
  EXPECT_GT(outside, 200);
}

}  // namespace sight_test
}  // namespace mezzet
