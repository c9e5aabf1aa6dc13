// Several pieces at once, what a dragged piece lines up with, and turning by hand.
#include "core/space/snapping.h"
#include "core/drawing/base/working.h"
#include "ui/support.h"

namespace mezzet {
namespace arrange_test {

class Arranging : public test::WindowTest {
 protected:
  void shiftClick(Vec2 model) { QTest::mouseClick(&sheet(), Qt::LeftButton, Qt::ShiftModifier, at(model)); }
  void trigger(const char* id) { window_->findChild<QAction*>(QString::fromUtf8(id))->trigger(); }
};

TEST_F(Arranging, ShiftAndAClickSelectOneMore) {
  click(floor("p3").at);
  shiftClick(floor("p4").at);
  EXPECT_EQ(work().selection().size(), 2U);
  EXPECT_EQ(work().selected(), PlacementId("p4"));
  shiftClick(floor("p4").at);
  EXPECT_EQ(work().selection(), PlacementIds{PlacementId("p3")});
}

TEST_F(Arranging, WhatIsSelectedTogetherIsDraggedTogetherAsOneEdit) {
  click(floor("p3").at);
  shiftClick(floor("p4").at);
  const Vec2 three = floor("p3").at, four = floor("p4").at;
  drag(four, {0, 200});
  EXPECT_NEAR(floor("p3").at.y - three.y, floor("p4").at.y - four.y, 1e-9);
  EXPECT_GT(floor("p3").at.y - three.y, 150);
  undo();
  EXPECT_EQ(floor("p3").at, three);
  EXPECT_EQ(floor("p4").at, four);
}

TEST_F(Arranging, AGroupIsTakenByAnyOfIt) {
  click(floor("p3").at);
  shiftClick(floor("p4").at);
  trigger("group");
  click({200, 200});
  work().select({});
  click(floor("p3").at);
  EXPECT_EQ(work().selection().size(), 2U);
  trigger("ungroup");
  EXPECT_EQ(work().selection().size(), 1U);
}

TEST_F(Arranging, TheKeyboardAloneMarksAndLinesUp) {
  key(Qt::Key_Tab);
  const PlacementId first = work().selected();
  trigger("mark");
  key(Qt::Key_Tab);
  EXPECT_EQ(work().selection().size(), 2U);
  const Vec2 before = floor(first.value.c_str()).at;
  trigger("align-bottom");
  const auto low = [&](const PlacementId& id) { return extentOf(job(), *findPlacement(*work().scheme(), id)).low.y; };
  EXPECT_NEAR(low(first), low(work().selected()), 1e-9);
  undo();
  EXPECT_EQ(floor(first.value.c_str()).at, before);
}

TEST_F(Arranging, EverythingIsSelectedAndLetGoWithEscape) {
  trigger("select-all");
  EXPECT_EQ(work().selection().size(), work().placementsHere().size());
  key(Qt::Key_Escape);
  EXPECT_TRUE(work().selection().empty());
}

TEST_F(Arranging, AFrameDrawnRoundThingsSelectsThem) {
  const Room& room = *job().rooms.front();
  const Vec2 low{-800, -800}, high = outlineOf(room)[2] + Vec2{800, 800};
  QTest::mousePress(&sheet(), Qt::LeftButton, Qt::ShiftModifier, at(low));
  QTest::mouseMove(&sheet(), at(high));
  QTest::mouseRelease(&sheet(), Qt::LeftButton, Qt::ShiftModifier, at(high));
  EXPECT_EQ(work().selection().size(), work().placementsHere().size());
}

TEST_F(Arranging, ADraggedPieceComesToRestInLine) {
  const Vec2 sofa = floor("p1").at, table = floor("p2").at;
  click(table);
  // A little beside the sofa's middle: it lines up.
  const double beside = sofa.x - table.x + 40;
  drag(table, {beside, 300}, true, {});
  EXPECT_NEAR(floor("p2").at.x, sofa.x, 1e-6);
}

TEST_F(Arranging, TheHandleTurnsThePieceFreely) {
  click(floor("p2").at);
  ASSERT_TRUE(sheet().handle());
  const Vec2 grip = sheet().projection().unmap(*sheet().handle()), middle = floor("p2").at;
  const Vec2 to = middle + rotated(grip - middle, turnOf(37.3));
  drag(grip, to - grip);
  EXPECT_NEAR(floor("p2").turn, 37.3, 1.0);
  EXPECT_EQ(floor("p2").at, middle);
  undo();
  EXPECT_EQ(floor("p2").turn, 0);
}

TEST_F(Arranging, TheHandleStandsClearOfTheTapes) {
  for (const PlacementId& id : work().placementsHere()) {
    work().select(id);
    ASSERT_TRUE(sheet().handle());
    for (const Side side : {Side::Front, Side::Right, Side::Back, Side::Left})
      if (const auto label = sheet().labelAt(tapeItem(side))) {
        EXPECT_GT(QLineF(*label, *sheet().handle()).length(), 12) << id.value;
      }
  }
}

TEST_F(Arranging, ALockedPieceHasNoHandle) {
  click(floor("p2").at);
  work().toggleLock();
  EXPECT_FALSE(sheet().handle());
}

}  // namespace arrange_test
}  // namespace mezzet
