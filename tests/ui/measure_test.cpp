#include <QComboBox>
#include <QLabel>

#include "app/widgets/length_field.h"
#include "core/site/fixed_things.h"
#include "support.h"

namespace mezzet {
namespace measure_test {
using namespace test;

class Measure : public WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    work().showStage(Stage::Measure);
    QApplication::processEvents();
  }
  QLineEdit* run(const char* letter) {
    QApplication::processEvents();
    for (auto* field : window_->findChildren<QLineEdit*>(QStringLiteral("run") + QString::fromUtf8(letter)))
      if (field->isVisible()) return field;
    return nullptr;
  }
  void typeRun(const char* letter, const char* text) {
    QLineEdit* field = run(letter);
    ASSERT_NE(field, nullptr);
    field->setFocus();
    field->selectAll();
    QTest::keyClicks(field, QString::fromUtf8(text));
    QTest::keyClick(field, Qt::Key_Return);
  }
  QString state() { return find<QLabel>("outlineState")->text(); }
};

TEST_F(Measure, ShowsTheRunsOfTheRoom) {
  EXPECT_EQ(run("A")->text(), QStringLiteral("222 in"));
  EXPECT_EQ(state(), QStringLiteral("The outline closes."));
}
TEST_F(Measure, AWallThatDoesNotCloseLeavesTheRoomAsItWas) {
  const Job before = job();
  typeRun("A", "226");
  EXPECT_TRUE(state().startsWith(QStringLiteral("The walk does not close"))) << state().toStdString();
  EXPECT_EQ(job(), before);
}
TEST_F(Measure, AnOfferedLengthClosesIt) {
  typeRun("A", "226");
  QPushButton* offer = button(QStringLiteral("closing"));
  ASSERT_NE(offer, nullptr);
  QTest::mouseClick(offer, Qt::LeftButton);
  QPushButton* use = button(QStringLiteral("primary"));
  ASSERT_NE(use, nullptr);
  EXPECT_TRUE(use->isEnabled());
  QTest::mouseClick(use, Qt::LeftButton);
  EXPECT_NEAR(findWall(*work().room(), CornerId("A"))->length(), 226 * kInch, 1e-6);
  undo();
  EXPECT_NEAR(findWall(*work().room(), CornerId("A"))->length(), 222 * kInch, 1e-6);
  EXPECT_EQ(run("A")->text(), QStringLiteral("222 in"));
}
TEST_F(Measure, AnotherRoomIsMeasuredBesideTheFirst) {
  find<QAction>("room-new")->trigger();
  EXPECT_EQ(work().room(), nullptr);
  for (const auto& [letter, length] : {std::pair{"A", "120"}, {"B", "100"}, {"C", "120"}, {"D", "100"}})
    typeRun(letter, length);
  QTest::mouseClick(button(QStringLiteral("primary")), Qt::LeftButton);
  ASSERT_EQ(job().rooms.size(), 2U);
  ASSERT_NE(work().room(), nullptr);
  EXPECT_EQ(work().room()->name, "Room 2");
  EXPECT_NE(work().scheme(), nullptr);
  find<QAction>("room-next")->trigger();
  EXPECT_EQ(work().room()->name, "Guests' parlour");
  undo();  // the room that is looked at stays
  EXPECT_EQ(job().rooms.size(), 1U);
  EXPECT_EQ(work().room()->name, "Guests' parlour");
}
TEST_F(Measure, AnotherRoomCanBeLeftForTheFirst) {
  find<QAction>("room-new")->trigger();
  find<QAction>("room-next")->trigger();
  EXPECT_EQ(work().room()->name, "Guests' parlour");
  EXPECT_EQ(run("A")->text(), QStringLiteral("222 in"));
}
TEST_F(Measure, NonsenseStaysInTheFieldWithASentence) {
  typeRun("A", "twelve");
  EXPECT_EQ(run("A")->text(), QStringLiteral("twelve"));
  bool said = false;
  for (QLabel* label : window_->findChildren<QLabel*>(QStringLiteral("fieldComplaint")))
    said = said || label->text() == QStringLiteral("A number is wanted here.");
  EXPECT_TRUE(said);
}
TEST_F(Measure, AZeroWallIsRefused) {
  typeRun("A", "0");
  EXPECT_EQ(run("A")->text(), QStringLiteral("0"));
  EXPECT_FALSE(button(QStringLiteral("primary")));
}
TEST_F(Measure, ANewRoomIsTypedFromNothing) {
  window_->newJob();
  QApplication::processEvents();
  EXPECT_EQ(work().room(), nullptr);
  typeRun("A", "12'6\"");
  typeRun("B", "10'");
  QTest::mouseClick(button(QStringLiteral("closing")), Qt::LeftButton);
  QTest::mouseClick(button(QStringLiteral("primary")), Qt::LeftButton);
  ASSERT_NE(work().room(), nullptr);
  EXPECT_NEAR(findWall(*work().room(), CornerId("C"))->length(), 150 * kInch, 1e-6);
  EXPECT_NE(work().scheme(), nullptr);
  undo();
  EXPECT_EQ(work().room(), nullptr);
}
TEST_F(Measure, ACeilingBelowAWindowIsRefused) {
  auto* ceiling = find<QLineEdit>("ceiling");
  ceiling->setFocus();
  ceiling->setText(QStringLiteral("70"));
  ceiling->setModified(true);
  QTest::keyClick(ceiling, Qt::Key_Return);
  EXPECT_NEAR(work().room()->ceilingHeight, 98 * kInch, 1e-9);
}
TEST_F(Measure, ADoorIsAddedAndTakenBack) {
  work().showTopic(Topic::Openings);
  const std::size_t before = work().room()->openings.size();
  QTest::mouseClick(find<QPushButton>("addDoor"), Qt::LeftButton);
  EXPECT_EQ(work().room()->openings.size(), before + 1);
  undo();
  EXPECT_EQ(work().room()->openings.size(), before);
}

class Openings : public Measure {
 protected:
  void SetUp() override {
    Measure::SetUp();
    work().showTopic(Topic::Openings);
  }
  /// Opens the fields of the opening whose line begins with these words.
  void openFields(const char* words) {
    for (QPushButton* b : window_->findChildren<QPushButton*>(QStringLiteral("fold")))
      if (b->isVisible() && b->text().startsWith(QString::fromUtf8(words))) {
        QTest::mouseClick(b, Qt::LeftButton);
        break;
      }
    QApplication::processEvents();
    QApplication::processEvents();
  }
  void typeField(const char* name, const char* text) {
    for (auto* field : window_->findChildren<QLineEdit*>(QString::fromUtf8(name)))
      if (field->isVisible()) {
        field->setFocus();
        field->selectAll();
        QTest::keyClicks(field, QString::fromUtf8(text));
        QTest::keyClick(field, Qt::Key_Return);
        return;
      }
    FAIL() << name << " is not on show";
  }
  bool complains(const char* words) {
    for (QLabel* label : window_->findChildren<QLabel*>(QStringLiteral("fieldComplaint")))
      if (label->isVisible() && label->text() == QString::fromUtf8(words)) return true;
    return false;
  }
};

TEST_F(Openings, TheWidthOfADoorIsTyped) {
  openFields("Door on wall F");
  typeField("openingWidth", "32");
  EXPECT_NEAR(work().room()->openings[0].width, 32 * kInch, 1e-9);
  undo();
  EXPECT_NEAR(work().room()->openings[0].width, 34 * kInch, 1e-9);
}
TEST_F(Openings, ADoorWiderThanItsWallIsRefusedInPlace) {
  openFields("Door on wall F");
  const Job before = job();
  typeField("openingWidth", "230");
  EXPECT_TRUE(
      complains("door on wall F: is 230 in wide on a wall of 198 in. Check the width, or choose another wall."));
  EXPECT_EQ(job(), before);
}
TEST_F(Openings, AnOffsetPastTheEndIsRefusedInPlace) {
  openFields("Window on wall C");
  typeField("openingOffset", "100");
  EXPECT_TRUE(complains("window on wall C: ends 44 in past the end of wall C. Its offset can be at most 56 in."));
}
TEST_F(Openings, AWindowIsRemoved) {
  openFields("Window on wall C");
  QTest::mouseClick(button(QStringLiteral("removeOpening")), Qt::LeftButton);
  EXPECT_EQ(work().room()->openings.size(), 1u);
}
TEST_F(Measure, AnLIsTypedFromNothingByTheKeyboardAlone) {
  window_->newJob();
  QApplication::processEvents();
  QTest::mouseClick(find<QPushButton>("addWall"), Qt::LeftButton);
  QTest::mouseClick(find<QPushButton>("addWall"), Qt::LeftButton);
  QApplication::processEvents();
  for (auto* combo : window_->findChildren<QComboBox*>(QStringLiteral("turnC")))
    if (combo->isVisible()) combo->setCurrentIndex(1);
  const std::pair<const char*, const char*> walls[] = {{"A", "18' 6\""}, {"B", "12' 6\""}, {"C", "3.2004 m"},
                                                       {"D", "48"},      {"E", "8'"},      {"F", "198"}};
  for (const auto& [letter, length] : walls) typeRun(letter, length);
  QPushButton* use = button(QStringLiteral("primary"));
  ASSERT_NE(use, nullptr) << state().toStdString();
  ASSERT_TRUE(use->isEnabled()) << state().toStdString();
  use->setFocus();
  QTest::keyClick(use, Qt::Key_Space);
  ASSERT_NE(work().room(), nullptr);
  EXPECT_EQ(work().room()->corners.size(), 6u);
}

class Fixed : public test::WindowTest {
 protected:
  void SetUp() override {
    test::WindowTest::SetUp();
    work().showTopic(Topic::Fixed);
  }
  /// Types into a field of the panel that is on show now.
  void typeInto(const char* name, const char* text) {
    QApplication::processEvents();
    for (auto* field : window_->findChildren<LengthField*>(QString::fromUtf8(name)))
      if (field->isVisible()) {
        field->setFocus();
        field->setText(QString::fromUtf8(text));
        QTest::keyClick(field, Qt::Key_Return);
        return;
      }
    FAIL() << "no field " << name;
  }
  void choose(const char* name, int index) {
    QApplication::processEvents();
    for (auto* box : window_->findChildren<QComboBox*>(QString::fromUtf8(name)))
      if (box->isVisible()) return box->setCurrentIndex(index);
    FAIL() << "no choice " << name;
  }
  [[nodiscard]] const Room& room() { return *job().rooms.front(); }
};

TEST_F(Fixed, AHearthIsMeasuredAgainstItsWall) {
  const std::size_t before = room().features.size();
  button(QStringLiteral("addHearth"))->click();
  ASSERT_EQ(room().features.size(), before + 1);
  typeInto("fixedOffset", "20");
  typeInto("fixedDepth", "12 1/2");
  const auto measures = measuresOf(room(), room().features.back().outline);
  ASSERT_TRUE(measures);
  EXPECT_NEAR(std::get<AgainstWall>(*measures).offset, 20 * kInch, 1e-6);
  EXPECT_NEAR(std::get<AgainstWall>(*measures).depth, 12.5 * kInch, 1e-6);
  typeInto("fixedClear", "30");
  EXPECT_EQ(room().features.back().clear, 30 * kInch);
}

TEST_F(Fixed, AHearthCanStandAcrossACorner) {
  button(QStringLiteral("addHearth"))->click();
  choose("fixedStands", 1);
  QApplication::processEvents();
  typeInto("fixedBefore", "30");
  const auto measures = measuresOf(room(), room().features.back().outline);
  ASSERT_TRUE(measures);
  EXPECT_NEAR(std::get<AcrossCorner>(*measures).before, 30 * kInch, 1e-6);
}

TEST_F(Fixed, WhatReachesOutsideIsRefusedInPlace) {
  button(QStringLiteral("addColumn"))->click();
  const Job before = job();
  typeInto("fixedDepth", "400");
  EXPECT_EQ(job(), before);
  bool said = false;
  for (QLabel* label : window_->findChildren<QLabel*>(QStringLiteral("fieldComplaint")))
    said = said || (label->isVisible() && label->text().startsWith(QStringLiteral("It reaches outside the room.")));
  EXPECT_TRUE(said);
}

TEST_F(Fixed, AWallHasItsOwnThickness) {
  for (QPushButton* fold : window_->findChildren<QPushButton*>(QStringLiteral("fold")))
    if (fold->isVisible() && fold->text().startsWith(QStringLiteral("Thickness"))) fold->click();
  QApplication::processEvents();
  typeInto("thickA", "9 1/2");
  EXPECT_EQ(room().corners.front().wallThickness, 9.5 * kInch);
  undo();
  EXPECT_FALSE(room().corners.front().wallThickness);
}

TEST_F(Fixed, ACornerOfAnyAngleIsTyped) {
  work().showTopic(Topic::Walls);
  auto* turn = find<QComboBox>("turnA");
  turn->lineEdit()->setText(QStringLiteral("135"));
  QTest::keyClick(turn->lineEdit(), Qt::Key_Return);
  EXPECT_EQ(turn->currentText(), QStringLiteral("then left 45\u00b0"));
  turn->lineEdit()->setText(QStringLiteral("sideways"));
  QTest::keyClick(turn->lineEdit(), Qt::Key_Return);
  EXPECT_EQ(turn->currentText(), QStringLiteral("sideways")) << "what was typed stays";
}

}  // namespace measure_test
}  // namespace mezzet
