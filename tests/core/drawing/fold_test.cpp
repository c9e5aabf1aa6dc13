#include "core/drawing/fold/fold_out.h"

#include <gtest/gtest.h>

#include "core/space/bodies.h"
#include "core/drawing/wall/elevation.h"
#include "support/rooms.h"

namespace mezzet {
namespace fold_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};

Convex bodyOf(const Room& room, const FoldedWall& f) {
  const double length = findWall(room, f.wall)->length(), t = kElevationCut;
  Convex out;
  for (const Vec2 uv :
       {Vec2{-t, -t}, Vec2{length + t, -t}, Vec2{length + t, room.ceilingHeight + t}, Vec2{-t, room.ceilingHeight + t}})
    out.core.push_back(foldedOut(f, uv));
  return out;
}

TEST(FoldOut, LaysEachWallOutwardFromItsOwnEdge) {
  const Job job = emptyRoom();
  const Room& room = *job.rooms.front();
  const auto walls = foldedWalls(room, 48);
  ASSERT_EQ(walls.size(), 4u);
  for (const FoldedWall& f : walls) {
    const Wall wall = *findWall(room, f.wall);
    EXPECT_EQ(f.pushedOut, 0);
    // u = 0 lies at the end corner, u = length at the start, the ceiling further out than the floor.
    EXPECT_NEAR(dot(foldedOut(f, {0, 0}) - wall.end, wall.along()), 0, 1e-6);
    EXPECT_NEAR(dot(foldedOut(f, {wall.length(), 0}) - wall.start, wall.along()), 0, 1e-6);
    EXPECT_LT(dot(foldedOut(f, {0, 1000}) - wall.end, wall.inward()),
              dot(foldedOut(f, {0, 0}) - wall.end, wall.inward()));
    const Vec2 uv{300, 700};
    EXPECT_NEAR(distance(foldedBack(f, foldedOut(f, uv)), uv), 0, 1e-9);
  }
}
TEST(FoldOut, WallsThatWouldMeetArePushedOut) {
  // An L: the two walls of its notch fold towards each other.
  Job job = emptyRoom();
  Room room = *job.rooms.front();
  room.corners = corners({{0, 0}, {222, 0}, {222, 80}, {100, 80}, {100, 200}, {0, 200}});
  job = withRoom(job, room).value();
  const auto walls = foldedWalls(*job.rooms.front(), 48);
  double pushed = 0;
  for (const FoldedWall& f : walls) pushed = std::max(pushed, f.pushedOut);
  EXPECT_GT(pushed, 0);
  for (std::size_t i = 0; i < walls.size(); ++i)
    for (std::size_t j = 0; j < i; ++j)
      EXPECT_GE(separation(bodyOf(room, walls[i]), bodyOf(room, walls[j])).gap, kFoldedApart * 48 - 1e-3)
          << walls[i].wall.value << walls[j].wall.value;
}
TEST(FoldOut, ShowsWhatHangsOnEveryWallInsideItsBounds) {
  Job job = hung(hung(emptyRoom(), "a1", "p1", 40, 30, 100, 58), "a2", "p2", 20, 30, 60, 58, "B");
  const Drawing d = composeFoldOut(job, *job.rooms.front(), &scheme(job), 48, kInches);
  for (const char* id : {"p1", "p2"})
    EXPECT_TRUE(std::any_of(d.items.begin(), d.items.end(), [&](const Item& item) { return item.id == ItemId(id); }))
        << id;
  for (const Item& item : d.items)
    if (const auto* path = std::get_if<PathItem>(&item.shape))
      for (const Vec2 p : path->points) {
        EXPECT_GE(p.x, d.low.x - 1);
        EXPECT_LE(p.x, d.high.x + 1);
        EXPECT_GE(p.y, d.low.y - 1);
        EXPECT_LE(p.y, d.high.y + 1);
      }
}
TEST(FoldOut, WordsNeverStandOnTheirHeads) {
  const Job job = hung(emptyRoom(), "a1", "p1", 40, 30, 100, 58);
  const Drawing d = composeFoldOut(job, *job.rooms.front(), &scheme(job), 48, kInches);
  for (const Label& label : d.labels)
    for (const Label::Spot& spot : label.spots)
      for (const TextItem& text : spot) {
        EXPECT_GT(text.turn, -90);
        EXPECT_LE(text.turn, 90 + 1e-6);
      }
}

}  // namespace fold_test
}  // namespace mezzet
