// GEOS (Debian's libgeos) as an independent opinion on shapes.
#pragma once

#include <geos_c.h>
#include <gtest/gtest.h>

#include <memory>
#include <vector>

#include "core/geometry/vec.h"

namespace mezzet::test {

struct Geos {
  GEOSContextHandle_t handle = GEOS_init_r();
  ~Geos() { GEOS_finish_r(handle); }
  struct Free {
    GEOSContextHandle_t handle;
    void operator()(GEOSGeometry* g) const { GEOSGeom_destroy_r(handle, g); }
  };
  using Shape = std::unique_ptr<GEOSGeometry, Free>;

  Shape own(GEOSGeometry* g) const { return Shape(g, Free{handle}); }
  Shape polygon(const std::vector<Vec2>& points) const {
    GEOSCoordSequence* sequence = GEOSCoordSeq_create_r(handle, static_cast<unsigned>(points.size()) + 1, 2);
    for (unsigned i = 0; i <= points.size(); ++i)
      GEOSCoordSeq_setXY_r(handle, sequence, i, points[i % points.size()].x, points[i % points.size()].y);
    return own(GEOSGeom_createPolygon_r(handle, GEOSGeom_createLinearRing_r(handle, sequence), nullptr, 0));
  }
  Shape segment(Vec2 a, Vec2 b) const {
    GEOSCoordSequence* sequence = GEOSCoordSeq_create_r(handle, 2, 2);
    GEOSCoordSeq_setXY_r(handle, sequence, 0, a.x, a.y);
    GEOSCoordSeq_setXY_r(handle, sequence, 1, b.x, b.y);
    return own(GEOSGeom_createLineString_r(handle, sequence));
  }
  double area(const Shape& s) const {
    double out = -1;
    EXPECT_EQ(GEOSArea_r(handle, s.get(), &out), 1);
    return out;
  }
};

}  // namespace mezzet::test
