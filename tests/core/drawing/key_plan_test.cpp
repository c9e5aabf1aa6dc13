// The key plan: walls have their letters, and the wall that is pointed at is the nearest.
#include "core/drawing/plan/key_plan.h"

#include <gtest/gtest.h>

#include <set>

#include "core/drawing/labels/labels.h"
#include "support/rooms.h"

namespace mezzet {
namespace key_plan_test {
using namespace test;

std::vector<TextItem> letters(const Drawing& d) {
  std::vector<TextItem> out;
  for (const Item& item : d.items)
    if (const auto* text = std::get_if<TextItem>(&item.shape)) out.push_back(*text);
  return out;
}

/// A room with a chimney breast: three of its eight walls are short.
Room withABreast() {
  Room room = *emptyRoom(170, 150).rooms.front();
  room.corners = corners({{0, 0}, {170, 0}, {170, 150}, {115, 150}, {115, 136}, {55, 136}, {55, 150}, {0, 150}});
  return room;
}

TEST(KeyPlan, NamesTheWallsAndNoLetterLiesOnAnother) {
  Drawing d = composeKeyPlan(withABreast(), CornerId("E"), 35, 28);
  settle(d);
  const auto all = letters(d);
  std::set<std::string> named;
  for (const TextItem& text : all) named.insert(text.text);
  EXPECT_EQ(named, (std::set<std::string>{"A", "B", "C", "E", "G", "H"}));  // the returns D and F are too short
  for (std::size_t i = 0; i < all.size(); ++i)
    for (std::size_t k = 0; k < i; ++k) {
      const TextBox a = textBox(all[i], d.scale), b = textBox(all[k], d.scale);
      EXPECT_TRUE(a.high.x <= b.low.x || b.high.x <= a.low.x || a.high.y <= b.low.y || b.high.y <= a.low.y)
          << all[i].text << " on " << all[k].text;
    }
}
TEST(KeyPlan, FillsThePaperThatItIsGiven) {
  const Drawing d = composeKeyPlan(withABreast(), CornerId("A"), 35, 28);
  EXPECT_NEAR(d.high.x - d.low.x, 35 * d.scale, 1e-6);
  EXPECT_NEAR(d.high.y - d.low.y, 28 * d.scale, 1e-6);
  for (const Corner& corner : withABreast().corners)
    EXPECT_TRUE(corner.at.x > d.low.x && corner.at.x < d.high.x && corner.at.y > d.low.y && corner.at.y < d.high.y);
}
TEST(NearestWall, IsTheOneWhoseFaceIsNearest) {
  const Room room = withABreast();
  for (const Wall& wall : wallsOf(room))
    for (const double off : {-20.0, 20.0})
      EXPECT_EQ(nearestWall(room, (wall.start + wall.end) * 0.5 + wall.inward() * off), wall.id);
  EXPECT_EQ(nearestWall(room, {in(85), in(-500)}), CornerId("A"));
  EXPECT_FALSE(nearestWall(Room{}, {0, 0}));
}

}  // namespace key_plan_test
}  // namespace mezzet
