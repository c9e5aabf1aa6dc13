#include "core/hang/free_wall.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <random>

#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace free_wall_test {
using namespace test;

Wall wallA(const Job& job) { return *findWall(*job.rooms.front(), CornerId("A")); }
WallFace faceOf(const Job& job) { return wallFace(job, *job.rooms.front(), &scheme(job), wallA(job)); }
Job withSofa() { return with(emptyRoom(), piece("sofa", "sofa", 84, 36, 34), "p1", 111, 18, 180); }

TEST(FreeWall, OfABareWallIsTheWall) {
  const auto free = freeRectangles(faceOf(emptyRoom()));
  ASSERT_EQ(free.size(), 1u);
  EXPECT_NEAR(free[0].width(), in(222), 1e-9);
  EXPECT_NEAR(free[0].height(), in(96), 1e-9);
}
TEST(FreeWall, GoesOverAndBesideTheSofa) {
  const auto free = freeRectangles(faceOf(withSofa()));
  ASSERT_EQ(free.size(), 3u);
  EXPECT_NEAR(free[0].width(), in(222), 1e-9);
  EXPECT_NEAR(free[0].bottom, in(34), 1e-9);
  EXPECT_NEAR(free[1].width(), in(69), 1e-9);
  EXPECT_NEAR(free[1].left, 0, 1e-9);  // of two alike the left one first
  EXPECT_NEAR(free[2].right, in(222), 1e-9);
}
TEST(FreeWall, OverASofaAsksForItsShape) {
  const Job job = withSofa();
  const auto above = freeAboveEach(job, *job.rooms.front(), scheme(job), wallA(job), faceOf(job));
  ASSERT_EQ(above.size(), 1u);
  EXPECT_NEAR(above[0].free.width(), in(84), 1e-9);
  EXPECT_NEAR(above[0].free.height(), in(62), 1e-9);
  EXPECT_EQ(above[0].proposed.width, 3);
  EXPECT_EQ(above[0].proposed.height, 2);
  EXPECT_NEAR(above[0].widthLow, in(50.4), 1e-9);
  EXPECT_NEAR(above[0].widthHigh, in(63), 1e-9);
  EXPECT_TRUE(above[0].houseSizes.empty());
}
TEST(FreeWall, OverALongSofaOffersTheHouseSizes) {
  for (const auto& [width, sizes] : {std::pair{94.0, 0u}, {95.0, 1u}, {106.0, 2u}}) {
    const Job job = with(emptyRoom(), piece("sofa", "sofa", width, 36, 34), "p1", 111, 18, 180);
    EXPECT_EQ(freeAboveEach(job, *job.rooms.front(), scheme(job), wallA(job), faceOf(job))[0].houseSizes.size(), sizes);
  }
}
TEST(FreeWall, OpeningsTakeTheirTrimAndTheirCurtains) {
  Job job = emptyRoom();
  Room room = *job.rooms.front();
  Opening window;
  window.id = OpeningId("w");
  window.kind = OpeningKind::Window;
  window.wall = CornerId("A");
  window.offset = in(80);
  window.width = in(40);
  window.sill = in(30);
  window.height = in(40);
  window.trim = in(4);
  room.openings = {window};
  job = withRoom(job, room).value();
  auto free = freeRectangles(faceOf(job));
  ASSERT_EQ(free.size(), 4u);  // left, right, over, under
  EXPECT_NEAR(free[0].width() + free[1].width() + free[2].width() + free[3].width(), in(2 * 222 + 98 + 76), 1e-6);
  room.openings[0].curtainStack = in(10);
  job = withRoom(job, room).value();
  free = freeRectangles(faceOf(job));
  // Curtains hang from the head to the floor: under the window nothing reaches past them.
  for (const WallRect& r : free)
    if (r.top < in(31)) {
      EXPECT_NEAR(r.width(), in(40), 1e-6);
    }
}
TEST(FreeWall, UnderASlopeGoesInStepsOfSixInches) {
  Job job = emptyRoom(120, 100, 96);
  Room room = *job.rooms.front();
  room.ceiling = CeilingShape::Sloped;
  // 40 in at the start corner (right), 100 in at the end: along wall A only.
  int n = 0;
  for (const auto& [x, y, z] :
       {std::tuple{0.0, 0.0, 40.0}, {120.0, 0.0, 100.0}, {0.0, 100.0, 40.0}, {120.0, 100.0, 100.0}}) {
    HeightReading h;
    h.id = ReadingId("h" + std::to_string(++n));
    h.kind = HeightKind::Clear;
    h.at = {in(x), in(y)};
    h.taken.value = in(z);
    room.heights.push_back(h);
  }
  job = withRoom(job, room).value();
  const auto free = freeRectangles(faceOf(job));
  ASSERT_FALSE(free.empty());
  for (const WallRect& r : free) {
    // u = 0 is at the end corner, where it is high; it falls 1/2 in an inch.
    const double ceilingAtRight = in(100) - r.right / 2;
    EXPECT_LE(r.top, ceilingAtRight + 1e-6);
    EXPECT_LT(ceilingAtRight - r.top, in(3) + 1e-6);
    EXPECT_NEAR(std::remainder(r.right, in(6)), 0, 1e-6);
  }
}

/// Every rectangle between any four block edges that is free and cannot grow: slow, and another way round.
std::vector<WallRect> bySearch(const std::vector<WallRect>& taken, double width, double height) {
  std::vector<double> us{0, width}, vs{0, height};
  for (const WallRect& r : taken) {
    for (const double u : {r.left, r.right}) us.push_back(std::clamp(u, 0.0, width));
    for (const double v : {r.bottom, r.top}) vs.push_back(std::clamp(v, 0.0, height));
  }
  for (auto* all : {&us, &vs}) {
    std::sort(all->begin(), all->end());
    all->erase(std::unique(all->begin(), all->end(), [](double a, double b) { return b - a < 1e-6; }), all->end());
  }
  const auto isFree = [&](const WallRect& a) {
    return std::none_of(taken.begin(), taken.end(), [&](const WallRect& b) {
      return a.left < b.right - 1e-6 && b.left < a.right - 1e-6 && a.bottom < b.top - 1e-6 && b.bottom < a.top - 1e-6;
    });
  };
  std::vector<WallRect> free;
  for (std::size_t a = 0; a < us.size(); ++a)
    for (std::size_t b = a + 1; b < us.size(); ++b)
      for (std::size_t c = 0; c < vs.size(); ++c)
        for (std::size_t d = c + 1; d < vs.size(); ++d)
          if (const WallRect r{us[a], us[b], vs[c], vs[d]}; isFree(r)) free.push_back(r);
  std::vector<WallRect> out;
  for (const WallRect& r : free) {
    const bool inside = std::any_of(free.begin(), free.end(), [&](const WallRect& o) {
      return (o.left < r.left || o.right > r.right || o.bottom < r.bottom || o.top > r.top) && o.left <= r.left &&
             o.right >= r.right && o.bottom <= r.bottom && o.top >= r.top;
    });
    if (!inside && r.width() >= kLeastFree - 1e-6 && r.height() >= kLeastFree - 1e-6) out.push_back(r);
  }
  return out;
}
TEST(FreeWall, IsWhatASearchOfAllRectanglesFinds) {
  std::mt19937 random(411);
  std::uniform_int_distribution<int> count(0, 6), u(0, 200), v(0, 80), w(1, 60), h(1, 40);
  for (int round = 0; round < 60; ++round) {
    Job job = emptyRoom();
    std::vector<WallRect> taken;
    for (int i = count(random); i > 0; --i) {
      const double left = u(random), width = std::min<double>(w(random), 222 - left), bottom = v(random),
                   height = std::min<double>(h(random), 96 - bottom);
      const std::string n = std::to_string(i);
      job = hung(job, ("a" + n).c_str(), ("p" + n).c_str(), width, height, left + width / 2, bottom + height / 2);
      taken.push_back({in(left), in(left + width), in(bottom), in(bottom + height)});
    }
    auto free = freeRectangles(faceOf(job)), found = bySearch(taken, in(222), in(96));
    ASSERT_EQ(free.size(), found.size()) << "seed 411, round " << round;
    for (const WallRect& r : free)
      EXPECT_TRUE(std::any_of(found.begin(), found.end(),
                              [&](const WallRect& o) {
                                return std::abs(o.left - r.left) + std::abs(o.right - r.right) +
                                           std::abs(o.bottom - r.bottom) + std::abs(o.top - r.top) <
                                       1e-3;
                              }))
          << "seed 411, round " << round;
    for (std::size_t i = 1; i < free.size(); ++i)
      EXPECT_GE(free[i - 1].width() * free[i - 1].height(), free[i].width() * free[i].height());
  }
}

}  // namespace free_wall_test
}  // namespace mezzet
