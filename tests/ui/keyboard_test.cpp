#include <QRegularExpression>
#include <QComboBox>
#include <QTimer>

#include "support.h"

namespace mezzet {
namespace keyboard_test {
using namespace test;

using Keyboard = WindowTest;

TEST_F(Keyboard, TabGoesThroughThePieces) {
  key(Qt::Key_Tab);
  EXPECT_EQ(work().selected().value, "p1");
  key(Qt::Key_Tab);
  EXPECT_EQ(work().selected().value, "p2");
  key(Qt::Key_Backtab, Qt::ShiftModifier);
  EXPECT_EQ(work().selected().value, "p1");
}
TEST_F(Keyboard, AnArrowOpensTheTapeOnThatSide) {
  key(Qt::Key_Tab);
  key(Qt::Key_Tab);  // the low table, its front towards the sofa, down the sheet
  key(Qt::Key_Down);
  ASSERT_NE(find<QLineEdit>("tapeEditor"), nullptr);
  type("15 1/2");
  key(Qt::Key_Return);
  EXPECT_NEAR(tape("p2", Side::Front), 15.5 * kInch, 1e-6);
  EXPECT_EQ(QApplication::focusWidget(), &sheet());
}
TEST_F(Keyboard, EscapeLeavesATapeAsItWas) {
  key(Qt::Key_Tab);
  key(Qt::Key_Tab);
  key(Qt::Key_Down);
  type("99");
  key(Qt::Key_Escape);
  EXPECT_NEAR(tape("p2", Side::Front), 16 * kInch, 1e-6);
  EXPECT_EQ(QApplication::focusWidget(), &sheet());
}
TEST_F(Keyboard, ControlAndAnArrowMoveAnInch) {
  key(Qt::Key_Tab);
  key(Qt::Key_Tab);
  const FloorPlace before = floor("p2");
  key(Qt::Key_Right, Qt::ControlModifier);
  EXPECT_NEAR(floor("p2").at.x - before.at.x, kInch, 1e-9);
  key(Qt::Key_Up, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_NEAR(floor("p2").at.y - before.at.y, kInch / 16, 1e-9);
}
TEST_F(Keyboard, RTurnsAQuarter) {
  key(Qt::Key_Tab);
  key(Qt::Key_Tab);
  window_->activateWindow();
  key(Qt::Key_R);
  ASSERT_TRUE(QTest::qWaitFor([&] { return floor("p2").turn == 90; }));
  key(Qt::Key_R, Qt::ShiftModifier);
  ASSERT_TRUE(QTest::qWaitFor([&] { return floor("p2").turn == 0; }));
}
TEST_F(Keyboard, AnAngleCanBeTyped) {
  key(Qt::Key_Tab);
  key(Qt::Key_Tab);
  key(Qt::Key_T);
  ASSERT_TRUE(QTest::qWaitFor([] { return QApplication::focusWidget()->objectName() == QStringLiteral("bar:turn"); }));
  type("22.5");
  key(Qt::Key_Return);
  EXPECT_EQ(floor("p2").turn, 22.5);
}
TEST_F(Keyboard, AWordForAnAngleIsRefused) {
  work().select(PlacementId("p2"));
  EXPECT_EQ(work().typeTurn(QStringLiteral("sideways")).complaint, "Type an angle in degrees, for example 90 or 22.5.");
  EXPECT_EQ(floor("p2").turn, 0);
}
TEST_F(Keyboard, StagesHaveKeys) {
  key(Qt::Key_F4);
  EXPECT_TRUE(QTest::qWaitFor([&] { return work().stage() == Stage::Walls; }));
  key(Qt::Key_F2);
  EXPECT_TRUE(QTest::qWaitFor([&] { return work().stage() == Stage::Measure; }));
}
TEST_F(Keyboard, AWayOutIsTakenByTheKeyboard) {
  ASSERT_TRUE(QTest::qWaitFor(
      [&] { return !window_->findChildren<QPushButton*>(QRegularExpression(QStringLiteral("^way:"))).isEmpty(); }));
  key(Qt::Key_F6);
  ASSERT_TRUE(
      QTest::qWaitFor([] { return QApplication::focusWidget()->objectName().startsWith(QStringLiteral("way:")); }));
  key(Qt::Key_Space);
  EXPECT_EQ(broken(), 2);
}
TEST_F(Keyboard, APictureIsHungByTheKeyboard) {
  key(Qt::Key_F4);
  ASSERT_TRUE(QTest::qWaitFor([&] { return work().stage() == Stage::Walls; }));
  sheet().setFocus();
  key(Qt::Key_Tab);
  EXPECT_EQ(work().selected().value, "p6");
  key(Qt::Key_Down);
  type("5");
  key(Qt::Key_Return);
  EXPECT_NEAR(tape("p6", Side::Down), 5 * kInch, 1e-6);
}
TEST_F(Keyboard, APieceIsAddedByItsDialog) {
  QTimer::singleShot(0, [&] {
    auto* dialog = QApplication::activeModalWidget();
    ASSERT_NE(dialog, nullptr);
    dialog->findChild<QLineEdit*>(QStringLiteral("pieceName"))->setText(QStringLiteral("Long seat"));
    dialog->findChild<QLineEdit*>(QStringLiteral("piece:width"))->setText(QStringLiteral("nonsense"));
    dialog->findChild<QPushButton*>(QStringLiteral("primary"))->click();
    EXPECT_TRUE(dialog->isVisible());
    dialog->findChild<QLineEdit*>(QStringLiteral("piece:width"))->setText(QStringLiteral("6'"));
    dialog->findChild<QPushButton*>(QStringLiteral("primary"))->click();
  });
  key(Qt::Key_Insert);
  ASSERT_TRUE(QTest::qWaitFor([&] { return job().pieces.size() == 6; }));
  EXPECT_NEAR(job().pieces.back()->width, 72 * kInch, 1e-9);
  EXPECT_FALSE(work().selected().empty());
  undo();
  EXPECT_EQ(job().pieces.size(), 5u);
}

TEST_F(Keyboard, TabGoesThroughRowsThatWereJustMadeAsTheyAreRead) {
  work().showTopic(Topic::Openings);
  QTest::mouseClick(button(QStringLiteral("addDoor")), Qt::LeftButton);
  QApplication::processEvents();
  QStringList order;
  for (int i = 0; i < 12; ++i) {
    order << QApplication::focusWidget()->objectName();
    key(Qt::Key_Tab);
  }
  EXPECT_EQ(order, QStringList({"openingWall", "openingOffset", "openingWidth", "openingEnd", "openingHeight",
                                "openingTrim", "openingUnder", "openingLeaf", "openingHinge", "openingSwing",
                                "openingEntry", "removeOpening"}))
      << order.join(' ').toStdString();
  EXPECT_EQ(QApplication::focusWidget()->objectName(), QStringLiteral("meterConnect"));
}
TEST_F(Keyboard, UndoInAnEmptyLineIsTheJobs) {
  const Job before = job();
  work().select(PlacementId("p2"));
  work().nudge({100, 0});
  key(Qt::Key_A);
  auto* line = find<QLineEdit>("pieceLine");
  ASSERT_TRUE(line->hasFocus());
  key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(job(), before);
}
TEST_F(Keyboard, UndoInALineThatWasTypedTakesBackTheTyping) {
  work().select(PlacementId("p2"));
  work().nudge({100, 0});
  const Job after = job();
  key(Qt::Key_A);
  type("sofa");
  key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(job(), after);
  EXPECT_EQ(find<QLineEdit>("pieceLine")->text(), QString());
}

TEST_F(Keyboard, UnitsSwitchAlsoFromAField) {
  key(Qt::Key_A);
  ASSERT_TRUE(find<QLineEdit>("pieceLine")->hasFocus());
  key(Qt::Key_U, Qt::ControlModifier);
  EXPECT_EQ(job().units, Unit::Millimetre);
}

}  // namespace keyboard_test
}  // namespace mezzet
