// What a screen reader is told of the sheet.
#include <QAccessible>

#include "ui/support.h"

namespace mezzet {
namespace access_test {

class Access : public test::WindowTest {
 protected:
  [[nodiscard]] QAccessibleInterface* drawn() { return QAccessible::queryAccessibleInterface(&sheet()); }
  [[nodiscard]] QAccessibleInterface* named(const char* name) {
    for (int i = 0; i < drawn()->childCount(); ++i)
      if (drawn()->child(i)->text(QAccessible::Name) == QString::fromUtf8(name)) return drawn()->child(i);
    return nullptr;
  }
};

TEST_F(Access, EachPieceOnTheFloorIsAChildWithItsName) {
  ASSERT_EQ(drawn()->childCount(), static_cast<int>(work().placementsHere().size()));
  ASSERT_NE(named("Sofa"), nullptr);
  ASSERT_NE(named("Armchair 2"), nullptr);
  EXPECT_EQ(drawn()->text(QAccessible::Name), QStringLiteral("Floor plan"));
}

TEST_F(Access, AChildSaysWhatItsTapesRead) {
  const QString value = named("Low table")->text(QAccessible::Value);
  EXPECT_TRUE(value.contains(QStringLiteral("front 16 in"))) << value.toStdString();
  work().switchUnits();
  EXPECT_TRUE(named("Low table")->text(QAccessible::Value).contains(QStringLiteral("front 406 mm")))
      << named("Low table")->text(QAccessible::Value).toStdString();
}

TEST_F(Access, AChildSaysWhatBreaks) {
  const QString words = named("Armchair 2")->text(QAccessible::Description);
  EXPECT_TRUE(words.contains(QStringLiteral("breaks: The low table is 23 3/4 in from the front of armchair 2")))
      << words.toStdString();
  EXPECT_TRUE(named("Lamp table")->text(QAccessible::Description).contains(QStringLiteral("holds")) ||
              named("Lamp table")->text(QAccessible::Description).contains(QStringLiteral("Nothing is judged")));
}

TEST_F(Access, SelectionAndLocksAreStates) {
  QAccessibleInterface* table = named("Low table");
  EXPECT_FALSE(table->state().selected);
  table->actionInterface()->doAction(QAccessibleActionInterface::setFocusAction());
  EXPECT_TRUE(table->state().selected);
  EXPECT_EQ(drawn()->focusChild(), table);
  EXPECT_TRUE(table->state().movable);
  work().toggleLock();
  EXPECT_FALSE(table->state().movable);
}

TEST_F(Access, AChildIsFoundWhereItIsDrawn) {
  const QRect there = named("Sofa")->rect();
  EXPECT_TRUE(there.contains(sheet().mapToGlobal(at(floor("p1").at))));
  EXPECT_EQ(drawn()->childAt(there.center().x(), there.center().y()), named("Sofa"));
}

TEST_F(Access, AWallTellsOfWhatHangsOnIt) {
  work().showStage(Stage::Walls);
  ASSERT_EQ(drawn()->childCount(), 1);
  EXPECT_EQ(drawn()->child(0)->text(QAccessible::Name), QStringLiteral("River print"));
}

TEST_F(Access, WhatWasTakenOutIsNoLongerValid) {
  QAccessibleInterface* table = named("Low table");
  work().select(PlacementId("p2"));
  work().removeSelected();
  EXPECT_FALSE(table->isValid());
  EXPECT_EQ(table->text(QAccessible::Name), QString());
  EXPECT_EQ(named("Low table"), nullptr);
}

}  // namespace access_test
}  // namespace mezzet
