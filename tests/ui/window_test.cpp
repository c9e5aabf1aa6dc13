#include "support.h"
#include "support/findings.h"

namespace mezzet {
namespace window_test {
using namespace test;

constexpr Vec2 kTable{112 * kInch, 65 * kInch};

using Window = WindowTest;

TEST_F(Window, OpensTheDemoOnTheFloor) {
  EXPECT_EQ(work().stage(), Stage::Floor);
  EXPECT_EQ(work().room()->id.value, "parlour");
  EXPECT_EQ(broken(), 4);
}
TEST_F(Window, ADragMovesThePieceByWhatTheHandMoved) {
  const FloorPlace before = floor("p2");
  drag(kTable, {0, 254});
  EXPECT_NEAR(floor("p2").at.y - before.at.y, 254, 12);
  EXPECT_EQ(floor("p2").at.x, before.at.x);
}
TEST_F(Window, TheGapChangesWhileDragging) {
  click(kTable);
  const double before = tape("p2", Side::Front);
  const auto label = sheet().labelAt(tapeItem(Side::Front));
  ASSERT_TRUE(label);
  drag(kTable, {0, 254}, false);
  EXPECT_TRUE(sheet().dragging());
  const auto moved = sheet().labelAt(tapeItem(Side::Front));
  ASSERT_TRUE(moved);
  EXPECT_GT(QLineF(*moved, *label).length(), 1);  // the figure goes with the tape, which is drawn longer
  EXPECT_EQ(tape("p2", Side::Front), before);     // the job has not changed yet
  QTest::mouseRelease(&sheet(), Qt::LeftButton, {}, at(kTable + Vec2{0, 254}));
  EXPECT_NEAR(tape("p2", Side::Front), before + 254, 12);
}
TEST_F(Window, EscapeLetsGoOfADragWithoutAnEdit) {
  const Job before = job();
  drag(kTable, {300, 0}, false);
  QTest::keyClick(&sheet(), Qt::Key_Escape);
  EXPECT_FALSE(sheet().dragging());
  EXPECT_EQ(job(), before);
  EXPECT_FALSE(window_->document().undoStack().canUndo());
}
TEST_F(Window, TwoDragsAreTwoStepsOfUndo) {
  const Job start = job();
  drag(kTable, {0, 254});
  const Job middle = job();
  drag(kTable + Vec2{0, 254}, {0, 254});
  undo();
  EXPECT_EQ(job(), middle);
  undo();
  EXPECT_EQ(job(), start);
  EXPECT_EQ(window_->document().undoStack().redoText(), QStringLiteral("move low table"));
}
TEST_F(Window, AClickedTapeTakesAReading) {
  click(kTable);
  QTest::mouseClick(&sheet(), Qt::LeftButton, {}, sheet().labelAt(tapeItem(Side::Front))->toPoint());
  ASSERT_NE(find<QLineEdit>("tapeEditor"), nullptr);
  type("14");
  key(Qt::Key_Return);
  EXPECT_NEAR(tape("p2", Side::Front), 14 * kInch, 1e-6);
  EXPECT_EQ(window_->document().undoStack().undoText(), QStringLiteral("move low table"));
  undo();
  EXPECT_NEAR(tape("p2", Side::Front), 16 * kInch, 1e-6);
}
TEST_F(Window, NonsenseInATapeIsAnsweredInPlace) {
  click(kTable);
  ASSERT_TRUE(sheet().editTape(tapeItem(Side::Front)));
  const Job before = job();
  type("5'13\"");
  key(Qt::Key_Return);
  auto* complaint = find<QLabel>("tapeComplaint");
  ASSERT_NE(complaint, nullptr);
  EXPECT_EQ(complaint->text(), QStringLiteral("After feet, inches must be less than 12."));
  EXPECT_EQ(find<QLineEdit>("tapeEditor")->cursorPosition(), 2);
  EXPECT_EQ(job(), before);
}
TEST_F(Window, AFindingsOwnGapCanBeTyped) {
  const ItemId id(ItemId::Of::Finding, "table-reach:p2,p4");
  ASSERT_TRUE(sheet().labelAt(id));
  QTest::mouseClick(&sheet(), Qt::LeftButton, {}, sheet().labelAt(id)->toPoint());
  type("16");
  key(Qt::Key_Return);
  const Finding* typed = test::findingIn(work().findings(), "table-reach:p2,p4");
  ASSERT_NE(typed, nullptr);
  EXPECT_NEAR(typed->measured, 16 * kInch, 1e-6);
  EXPECT_EQ(broken(), 2);
}
TEST_F(Window, ZoomKeepsThePointUnderThePointer) {
  const QPointF pointer(300, 200);
  const Vec2 before = sheet().projection().unmap(pointer);
  QWheelEvent wheel(pointer, sheet().mapToGlobal(pointer), {}, {0, 240}, Qt::NoButton, Qt::NoModifier,
                    Qt::NoScrollPhase, false);
  QApplication::sendEvent(&sheet(), &wheel);
  const Vec2 after = sheet().projection().unmap(pointer);
  EXPECT_NEAR(before.x, after.x, 1e-6);
  EXPECT_NEAR(before.y, after.y, 1e-6);
}
TEST_F(Window, DraggingThePaperPans) {
  const QPointF before = sheet().projection().origin;
  QTest::mousePress(&sheet(), Qt::LeftButton, {}, {20, 300});
  QTest::mouseMove(&sheet(), {60, 320});
  QTest::mouseRelease(&sheet(), Qt::LeftButton, {}, {60, 320});
  EXPECT_NEAR(sheet().projection().origin.x() - before.x(), 40, 1);
  sheet().fit();
  EXPECT_NEAR(sheet().projection().origin.x(), before.x(), 1);
}

TEST_F(Window, TheWallTellsThatTwoRulesCannotBothHold) {
  work().showStage(Stage::Walls);
  bool said = false;
  for (const Decision& d : work().decisions()) said = said || d.conflict.find("cannot both hold") != std::string::npos;
  EXPECT_TRUE(said);
  EXPECT_EQ(work().wall().value, "A");
}
TEST_F(Window, AWayOutIsOneClickAndOneUndo) {
  work().showStage(Stage::Walls);
  const Job before = job();
  QPushButton* way = button(QStringLiteral("way:other-gap:b"));
  ASSERT_NE(way, nullptr);
  QTest::mouseClick(way, Qt::LeftButton);
  EXPECT_EQ(broken(), 2);  // the armchair is left
  EXPECT_NEAR(wall("p6").v, 57.5 * kInch, 1e-6);
  undo();
  EXPECT_EQ(job(), before);
}
TEST_F(Window, ASecondPictureIsOneClickAndOneUndo) {
  work().showStage(Stage::Walls);
  const Job before = job();
  QTest::mouseClick(button(QStringLiteral("way:second-piece")), Qt::LeftButton);
  EXPECT_EQ(work().scheme()->placements.size(), findScheme(before, SchemeId("s1"))->placements.size() + 1);
  EXPECT_EQ(broken(), 2);
  undo();
  EXPECT_EQ(job(), before);
}
TEST_F(Window, HoveringAWayOutShowsItsGhost) {
  work().showStage(Stage::Walls);
  QPushButton* way = button(QStringLiteral("way:other-gap:b"));
  QEnterEvent enter({5, 5}, {5, 5}, {5, 5});
  QApplication::sendEvent(way, &enter);
  EXPECT_TRUE(work().ghost());
  QEvent leave(QEvent::Leave);
  QApplication::sendEvent(way, &leave);
  EXPECT_FALSE(work().ghost());
}
TEST_F(Window, APictureIsDraggedOnItsWall) {
  work().showStage(Stage::Walls);
  const WallPlace before = wall("p6");
  drag({before.u, before.v}, {254, 127});
  EXPECT_NEAR(wall("p6").u - before.u, 254, 12);
  EXPECT_NEAR(wall("p6").v - before.v, 127, 12);
}
TEST_F(Window, TheHeightOfAPicturesCentreCanBeTyped) {
  work().showStage(Stage::Walls);
  click({wall("p6").u, wall("p6").v});
  ASSERT_TRUE(sheet().editTape(centreTape()));
  type("58");
  key(Qt::Key_Return);
  EXPECT_NEAR(wall("p6").v, 58 * kInch, 1e-6);
}
TEST_F(Window, SwitchingUnitsThereAndBackLosesNothing) {
  const Job before = job();
  for (int i = 0; i < 10; ++i) {
    work().switchUnits();
    work().switchUnits();
  }
  EXPECT_EQ(job(), before);
  work().switchUnits();
  EXPECT_EQ(work().format().style, LengthStyle::Millimetres);
}
TEST_F(Window, TheOtherSchemeHasNothingToDecide) {
  work().showScheme(SchemeId("s2"));
  EXPECT_EQ(broken(), 0);
  EXPECT_TRUE(work().decisions().empty());
}
TEST_F(Window, APieceCannotBeMovedWhereNoFileCouldHoldIt) {
  work().select(PlacementId("p2"));
  const Job before = job();
  work().nudge({1e7, 0});
  EXPECT_EQ(job(), before);
  EXPECT_EQ(window_->notices().sentence(),
            QStringLiteral("placement p2: is more than 200 m (656 ft) from the first corner. Check the figure."));
}
TEST_F(Window, AThousandPixelsOfDraggingLeaveOneEdit) {
  QTest::mousePress(&sheet(), Qt::LeftButton, {}, at(kTable));
  for (int i = 0; i < 200; ++i) QTest::mouseMove(&sheet(), at(kTable) + QPoint(i % 90, i % 60));
  QTest::mouseRelease(&sheet(), Qt::LeftButton, {}, at(kTable) + QPoint(40, 20));
  EXPECT_EQ(window_->document().undoStack().count(), 1);
}

// ---- the sheet comes first
TEST_F(Window, TheDrawingHasMoreThanHalfOfIt) {
  ASSERT_EQ(window_->size(), QSize(1280, 800));
  const double share = 1.0 * sheet().width() * sheet().height() / (1280 * 800);
  EXPECT_GE(share, 0.58);
}
TEST_F(Window, TheRoomWithItsDimensionsFillsTheDrawing) {
  // The outer faces of the walls, and the dimension lines 8 mm of paper off them.
  Vec2 low = work().room()->corners.front().at, high = low;
  for (const Corner& corner : work().room()->corners) {
    low = {std::min(low.x, corner.at.x), std::min(low.y, corner.at.y)};
    high = {std::max(high.x, corner.at.x), std::max(high.y, corner.at.y)};
  }
  const double perMm = sheet().projection().perMm, aside = 2 * (kUsualWall * perMm + 8 * 96 / 25.4);
  const double wide = ((high.x - low.x) * perMm + aside) / sheet().width(),
               tall = ((high.y - low.y) * perMm + aside) / sheet().height();
  EXPECT_GE(std::max(wide, tall), 0.85);
}
TEST_F(Window, OneBarShowsTheSelectedPieceElseTheLine) {
  EXPECT_TRUE(find<QLineEdit>("pieceLine")->isVisible());
  click(kTable);
  EXPECT_FALSE(find<QLineEdit>("pieceLine")->isVisible());
  EXPECT_TRUE(find<QLineEdit>("bar:tape:front")->isVisible());
}
TEST_F(Window, TheLineCanBeTypedWhileAPieceIsSelectedAndEscapeLeavesIt) {
  click(kTable);
  key(Qt::Key_A);
  EXPECT_TRUE(find<QLineEdit>("pieceLine")->hasFocus());
  key(Qt::Key_Escape);
  EXPECT_TRUE(sheet().hasFocus());
  EXPECT_FALSE(find<QLineEdit>("pieceLine")->isVisible());
}
TEST_F(Window, ATapeThatNobodyTypedIntoMovesNothing) {
  key(Qt::Key_U, Qt::ControlModifier);
  // Off a whole millimetre, as inches are.
  work().select(PlacementId("p2"));
  work().nudge({0.4, 0.4});
  const Job before = job();
  const int steps = window_->document().undoStack().count();
  ASSERT_TRUE(sheet().editTape(tapeItem(Side::Front)));
  key(Qt::Key_Return);
  EXPECT_TRUE(sheet().hasFocus());
  EXPECT_EQ(job(), before);
  EXPECT_EQ(window_->document().undoStack().count(), steps);
}

}  // namespace window_test
}  // namespace mezzet
