// Ways and circles against worked cases and against GEOS (Debian's libgeos) on random rooms; the seed is printed.
#include <geos_c.h>
#include <gtest/gtest.h>

#include <cmath>
#include <memory>
#include <numbers>
#include <random>

#include "core/walk/approach.h"
#include "core/walk/free_space.h"
#include "support/rooms.h"

namespace mezzet {
namespace walkways_test {

constexpr unsigned kSeed = 27'182;

Room roomOf(const std::vector<Vec2>& corners) {
  Room room;
  room.id = RoomId("r");
  room.ceilingHeight = 2400;
  for (std::size_t i = 0; i < corners.size(); ++i) room.corners.push_back({cornerName(i), corners[i]});
  return room;
}
Opening opening(const char* id, OpeningKind kind, const char* wall, double offset, double width) {
  Opening o;
  o.id = OpeningId(id);
  o.kind = kind;
  o.wall = CornerId(wall);
  o.offset = offset;
  o.width = width;
  o.height = 2000;
  return o;
}
Body boxBody(const char* id, Vec2 low, Vec2 high) {
  Body body{id, {Convex{{low, {high.x, low.y}, high, {low.x, high.y}}, 0}}, false, {}};
  body.bounds = boundsOf(body.parts);
  return body;
}

// Source: computed for the reference list (a distance transform on a 10 mm grid agrees): room 5 x 4 m, table x 2 to 3
// and y 1.2 to 2.4; from left to right 1.6 m, over the top. A cabinet x 2.2 to 2.8, y 3.5 to 4 leaves 1.1 there:
// then 1.2, below.
struct WidestPath : testing::Test {
  WidestPath() {
    room.openings = {opening("right", OpeningKind::Arch, "B", 0, 4000),
                     opening("left", OpeningKind::Arch, "D", 0, 4000)};
  }
  Way way(const std::vector<Body>& bodies) const {
    const WalkSpace space = walkSpace(room, bodies);
    return widestWay({space, space.openings[0]}, space.openings[1]);
  }
  Room room = roomOf({{0, 0}, {5000, 0}, {5000, 4000}, {0, 4000}});
  Body table = boxBody("table", {2000, 1200}, {3000, 2400});
};
TEST_F(WidestPath, GoesOverTheTop) {
  const Way found = way({table});
  EXPECT_NEAR(found.width, 1600, 0.001);
  ASSERT_TRUE(found.pinch);
  EXPECT_EQ(found.pinch->first, "table");
  EXPECT_EQ(found.pinch->second, "wall:C");
}
TEST_F(WidestPath, GoesBelowWhenACabinetStandsAbove) {
  const Way found = way({table, boxBody("cabinet", {2200, 3500}, {2800, 4000})});
  EXPECT_NEAR(found.width, 1200, 0.001);
  ASSERT_TRUE(found.pinch);
  EXPECT_EQ(found.pinch->first, "table");
  EXPECT_EQ(found.pinch->second, "wall:A");
}

// Source: computed for the reference list and confirmed there by GEOS: largest inscribed circles of a 3-4-5 triangle
// (radius 1), a 5 x 3 rectangle (1.5), an L corridor of width 1 (2 - sqrt 2) and a hexagon of side 1 (0.8660254).
struct Inscribed {
  const char* name;
  std::vector<Vec2> corners;
  double radius;
};
void PrintTo(const Inscribed& c, std::ostream* out) { *out << c.name; }
class InscribedCircle : public testing::TestWithParam<Inscribed> {};
TEST_P(InscribedCircle, IsTheLargestTurn) {
  std::vector<Vec2> corners = GetParam().corners;
  for (Vec2& p : corners) p = p * 1000;
  EXPECT_NEAR(largestTurn(roomOf(corners), {}).diameter, 2000 * GetParam().radius, 0.06);
}
INSTANTIATE_TEST_SUITE_P(
    Shapes, InscribedCircle,
    testing::Values(
        Inscribed{"triangle", {{0, 0}, {4, 0}, {0, 3}}, 1},
        Inscribed{"rectangle", {{0, 0}, {5, 0}, {5, 3}, {0, 3}}, 1.5},
        Inscribed{"corridor", {{0, 0}, {5, 0}, {5, 1}, {1, 1}, {1, 5}, {0, 5}}, 2 - std::numbers::sqrt2},
        Inscribed{"hexagon",
                  {{0, 0}, {1, 0}, {1.5, 0.8660254038}, {1, 1.7320508076}, {0, 1.7320508076}, {-0.5, 0.8660254038}},
                  0.8660254}),
    [](const auto& i) { return std::string(i.param.name); });

// ---- random rooms against GEOS
struct Geos {
  GEOSContextHandle_t handle = GEOS_init_r();
  Geos() = default;
  Geos(const Geos&) = delete;
  Geos& operator=(const Geos&) = delete;
  ~Geos() { GEOS_finish_r(handle); }
  struct Free {
    GEOSContextHandle_t handle;
    void operator()(GEOSGeometry* g) const { GEOSGeom_destroy_r(handle, g); }
  };
  using Shape = std::unique_ptr<GEOSGeometry, Free>;
  Shape own(GEOSGeometry* g) const { return Shape(g, Free{handle}); }
  GEOSCoordSequence* sequence(const std::vector<Vec2>& points, bool closed) const {
    const auto n = static_cast<unsigned>(points.size());
    GEOSCoordSequence* s = GEOSCoordSeq_create_r(handle, n + (closed ? 1 : 0), 2);
    for (unsigned i = 0; i < n + (closed ? 1 : 0); ++i)
      GEOSCoordSeq_setXY_r(handle, s, i, points[i % n].x, points[i % n].y);
    return s;
  }
  Shape polygon(const std::vector<Vec2>& points) const {
    return own(
        GEOSGeom_createPolygon_r(handle, GEOSGeom_createLinearRing_r(handle, sequence(points, true)), nullptr, 0));
  }
  Shape point(Vec2 p) const { return own(GEOSGeom_createPointFromXY_r(handle, p.x, p.y)); }
  Shape core(const Convex& c) const {
    if (c.core.size() == 1) return point(c.core[0]);
    if (c.core.size() == 2) return own(GEOSGeom_createLineString_r(handle, sequence(c.core, false)));
    return polygon(c.core);
  }
  Shape buffered(const Convex& c, double by) const {
    constexpr int kQuarter = 128;  // its chords lie at most 0.02 mm inside an arc of 500 mm
    const Shape shape = core(c);
    return own(GEOSBuffer_r(handle, shape.get(), c.radius + by, kQuarter));
  }
  /// What is left of the floor, and of a passage outside each opening, to the centre of a disc.
  Shape floor(const WalkSpace& space, double radius) const {
    Shape left = polygon(space.outline);
    std::vector<Convex> sides;
    for (const WayEnd& end : space.openings) {
      const Vec2 a = end.at + leftOf(end.inward) * (end.widest / 2), b = end.at - leftOf(end.inward) * (end.widest / 2),
                 out = end.inward * -end.widest;
      const Shape passage = polygon({a, b, b + out, a + out});
      left = own(GEOSUnion_r(handle, left.get(), passage.get()));
      for (const auto& [p, q] : {std::pair{a, a + out}, std::pair{a + out, b + out}, std::pair{b + out, b}})
        sides.push_back({{p, q}, 0});
    }
    for (const Convex& side : sides) {
      const Shape body = buffered(side, radius);
      left = own(GEOSDifference_r(handle, left.get(), body.get()));
    }
    for (const Atom& atom : space.atoms) {
      const Shape body = buffered(atom.shape, radius);
      left = own(GEOSDifference_r(handle, left.get(), body.get()));
    }
    return left;
  }
  /// Whether two points lie in one piece of a region.
  bool together(const Shape& region, Vec2 a, Vec2 b) const {
    const Shape p = point(a), q = point(b);
    for (int i = 0; i < GEOSGetNumGeometries_r(handle, region.get()); ++i) {
      const GEOSGeometry* part = GEOSGetGeometryN_r(handle, region.get(), i);
      double toP = 1, toQ = 1;
      GEOSDistance_r(handle, part, p.get(), &toP);
      GEOSDistance_r(handle, part, q.get(), &toQ);
      if (toP <= 0.06 && toQ <= 0.06) return true;
    }
    return false;
  }
};

struct RandomRooms : testing::Test {
  RandomRooms() {
    std::printf("seed %u\n", kSeed);
    room.openings = {opening("d1", OpeningKind::Arch, "A", 600, 1400),
                     opening("d2", OpeningKind::Arch, "C", 900, 1300)};
  }
  double uniform(double a, double b) { return std::uniform_real_distribution(a, b)(random); }
  std::vector<Body> furnished(int count) {
    std::vector<Body> bodies;
    for (int i = 0; i < count; ++i) {
      const Vec2 at{uniform(300, 6700), uniform(1200, 4000)};
      Convex shape;
      if (random() % 4 == 0) {
        shape = {{at}, uniform(100, 450)};
      } else {
        const Turn turn = turnOf(random() % 3 == 0 ? 90.0 * static_cast<double>(random() % 4) : uniform(0, 360));
        const double w = uniform(100, 900), h = uniform(60, 500);
        for (const Vec2 p : {Vec2{-w, -h}, Vec2{w, -h}, Vec2{w, h}, Vec2{-w, h}})
          shape.core.push_back(at + rotated(p, turn));
      }
      Body body{"p" + std::to_string(i), {shape}, false, {}};
      body.bounds = boundsOf(body.parts);
      bodies.push_back(std::move(body));
    }
    return bodies;
  }
  // A room with a corner that juts in, so that ways go round it.
  Room room =
      roomOf({{0, 0}, {7000, 0}, {7000, 5200}, {4200, 5200}, {4200, 3900}, {2600, 3900}, {2600, 5200}, {0, 5200}});
  std::mt19937 random{kSeed};
  Geos geos;
};

TEST_F(RandomRooms, TheWidestWayIsWhereGeosLosesTheConnection) {
  room.openings[1] = opening("d2", OpeningKind::Arch, "C", 700, 1300);
  int pinched = 0, shut = 0, open = 0;
  for (int i = 0; i < 150; ++i) {
    const WalkSpace space = walkSpace(room, furnished(4 + i % 40));
    const WayEnd &a = space.openings[0], &b = space.openings[1];
    const Way way = widestWay({space, a}, b);
    const auto passes = [&](double width) {
      return geos.together(geos.floor(space, width / 2), a.at - a.inward * (a.widest / 2),
                           b.at - b.inward * (b.widest / 2));
    };
    constexpr double kSlack = 0.15;
    if (way.width > kClosedGap) {
      ASSERT_TRUE(passes(way.width - kSlack)) << "room " << i << ", " << way.width << " mm";
    }
    if (way.pinch && way.width > 0) {
      ++pinched;
      ASSERT_FALSE(passes(way.width + kSlack))
          << "room " << i << ", " << way.width << " mm between " << way.pinch->first << " and " << way.pinch->second;
      ASSERT_NEAR(distance(way.pinch->at[0], way.pinch->at[1]), way.width, 0.01);
    } else if (way.pinch) {
      ++shut;
      ASSERT_FALSE(passes(kClosedGap + kSlack)) << "room " << i;
    } else {
      ++open;
      ASSERT_EQ(way.cappedBy, "d2");
    }
  }
  EXPECT_GT(pinched, 60);
  EXPECT_GT(shut, 3);
  EXPECT_GT(open, 0);
}

TEST_F(RandomRooms, TheLargestTurnIsGeossLargestEmptyCircle) {
  int judged = 0;
  for (int i = 0; i < 40; ++i) {
    const std::vector<Body> bodies = furnished(3 + i % 9);
    Geos::Shape left = geos.polygon(outlineOf(room));
    for (const Body& body : bodies) {
      const Geos::Shape shape =
          body.parts[0].core.size() == 1 ? geos.buffered(body.parts[0], 0) : geos.core(body.parts[0]);
      left = geos.own(GEOSDifference_r(geos.handle, left.get(), shape.get()));
    }
    const TurningCircle turn = largestTurn(room, bodies);
    double expected = 0;
    // GEOS takes one polygon: the largest circle of all the pieces of the floor.
    for (int k = 0; k < GEOSGetNumGeometries_r(geos.handle, left.get()); ++k) {
      const Geos::Shape radius =
          geos.own(GEOSMaximumInscribedCircle_r(geos.handle, GEOSGetGeometryN_r(geos.handle, left.get(), k), 0.02));
      double length = 0;
      if (radius != nullptr && GEOSLength_r(geos.handle, radius.get(), &length) == 1)
        expected = std::max(expected, length);
    }
    ASSERT_GT(expected, 0);
    ASSERT_NEAR(turn.diameter, 2 * expected, 0.15) << "room " << i;
    ++judged;
  }
  EXPECT_EQ(judged, 40);
}

TEST_F(RandomRooms, ADrawnRouteKeepsItsDiscClear) {
  int drawn = 0;
  for (int i = 0; i < 300; ++i) {
    const WalkSpace space = walkSpace(room, furnished(4 + i % 16));
    const WayEnd &a = space.openings[0], &b = space.openings[1];
    const Way way = widestWay({space, a}, b);
    if (way.width < 50) continue;
    const std::vector<Vec2> route = shortestRoute(space, a, b, way.width - 1);
    ASSERT_GE(route.size(), 2U) << "room " << i << ", " << way.width << " mm";
    ++drawn;
    // An independent clearance: GEOS's distance from the line to everything that stands there.
    const Geos::Shape line = geos.own(GEOSGeom_createLineString_r(geos.handle, geos.sequence(route, false)));
    for (const Atom& atom : space.atoms) {
      double away = 0;
      const Geos::Shape core = geos.core(atom.shape);
      ASSERT_EQ(GEOSDistance_r(geos.handle, line.get(), core.get(), &away), 1);
      ASSERT_GE(away - atom.shape.radius, (way.width - 1) / 2 - 0.02) << "room " << i;
    }
    // No longer than it need be: a line cannot be shorter than the way straight across.
    double length = 0;
    GEOSLength_r(geos.handle, line.get(), &length);
    ASSERT_GE(length, distance(route.front(), route.back()) - 1e-6);
  }
  EXPECT_GT(drawn, 150);
}

}  // namespace walkways_test
}  // namespace mezzet
