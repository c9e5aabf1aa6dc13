// Measure with readings: typed, taken again, named, explained; the read-out; a sketch that changes.
#include <QCheckBox>
#include <QLabel>

#include "app/stages/measure/read_out.h"
#include "app/stages/measure/survey_panel.h"
#include "core/survey/room_survey.h"
#include "support.h"

namespace mezzet {
namespace survey_test {
using namespace test;

class Survey : public WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    window_->document().close();
    window_->newJob();
    QApplication::processEvents();
    for (const auto& [letter, length] : {std::pair{"A", "222"}, {"B", "150"}, {"C", "222 1/8"}, {"D", "149 15/16"}}) {
      auto* field = find<QLineEdit>((std::string("run") + letter).c_str());
      ASSERT_NE(field, nullptr);
      field->setFocus();
      QTest::keyClicks(field, QString::fromUtf8(length));
      QTest::keyClick(field, Qt::Key_Return);
    }
    QTest::mouseClick(button(QStringLiteral("primary")), Qt::LeftButton);
    QApplication::processEvents();
  }
  QLineEdit& line() { return *find<QLineEdit>("readingLine"); }
  void read(const char* text) {
    line().setFocus();
    line().clear();
    QTest::keyClicks(&line(), QString::fromUtf8(text));
    QTest::keyClick(&line(), Qt::Key_Return);
    QApplication::processEvents();
  }
  QString said() { return find<QLabel>("closure")->text().replace(QChar(0xA0), QChar(' ')); }
  const SurveyRecord& record() { return *work().room()->survey; }
  double wallLength(const char* id) { return findWall(*work().room(), CornerId(id))->length() / kInch; }
};

TEST_F(Survey, AWalkThatNearlyClosesBecomesReadings) {
  ASSERT_TRUE(work().room()->survey);
  EXPECT_EQ(record().readings.size(), 4U);
  EXPECT_TRUE(said().startsWith(QStringLiteral("Closes"))) << said().toStdString();
  EXPECT_TRUE(line().hasFocus());
}
TEST_F(Survey, ADiagonalIsTypedAndChecksTheWalls) {
  read("AC 268");
  EXPECT_EQ(record().readings.size(), 5U);
  EXPECT_EQ(record().readings.back().typed, "AC 268");
  EXPECT_EQ(line().text(), QString());
  ASSERT_NE(find<QLineEdit>("readingAC"), nullptr);
  undo();
  EXPECT_EQ(record().readings.size(), 4U);
}
TEST_F(Survey, ASlipIsNamedExplainedAndLeftOut) {
  read("AC 268");
  read("BD 267 7/8");
  read("CD 210");
  EXPECT_TRUE(said().startsWith(
      QStringLiteral("Wall C does not fit: it reads 210 in, and 222 in would. Most likely a foot was dropped.")))
      << said().toStdString();
  EXPECT_NEAR(wallLength("C"), 222, 0.3);
}
TEST_F(Survey, ARowIsMeasuredAgainAndTheOldReadingStays) {
  auto* field = find<QLineEdit>("readingAB");
  field->setFocus();
  field->selectAll();
  QTest::keyClicks(field, QStringLiteral("222 1/4 laser"));
  QTest::keyClick(field, Qt::Key_Return);
  QApplication::processEvents();
  ASSERT_EQ(record().readings.size(), 5U);
  EXPECT_TRUE(record().readings[0].superseded);
  EXPECT_EQ(record().readings[4].instrument, Instrument::Laser);
}
TEST_F(Survey, ARefusedRowStaysWithASentence) {
  const Job before = job();
  auto* field = find<QLineEdit>("readingAB");
  field->setFocus();
  field->selectAll();
  QTest::keyClicks(field, QStringLiteral("about ten"));
  QTest::keyClick(field, Qt::Key_Return);
  EXPECT_EQ(job(), before);
  EXPECT_EQ(field->text(), QStringLiteral("about ten"));
}
TEST_F(Survey, WhatToMeasureNextIsTakenUpByTheLine) {
  QPushButton* ask = button(QStringLiteral("measureNext"));
  ASSERT_NE(ask, nullptr);
  QTest::mouseClick(ask, Qt::LeftButton);
  EXPECT_TRUE(line().hasFocus());
  QTest::keyClicks(&line(), QStringLiteral("268"));
  QTest::keyClick(&line(), Qt::Key_Return);
  ASSERT_EQ(record().readings.size(), 5U);
  EXPECT_EQ(record().readings.back().kind, ReadingKind::Corners);
}
TEST_F(Survey, ABadLineStaysAndSaysWhy) {
  const Job before = job();
  read("AQ 12");
  EXPECT_EQ(job(), before);
  EXPECT_EQ(line().text(), QStringLiteral("AQ 12"));
}
TEST_F(Survey, ACornerCanBeSetFree) {
  find<QCheckBox>("squareB")->click();
  EXPECT_FALSE(record().corners[1].square);
  undo();
  EXPECT_TRUE(record().corners[1].square);
}
TEST_F(Survey, AReadingIsTakenOut) {
  read("AC 268");
  QTest::mouseClick(button(QStringLiteral("takeOutAC")), Qt::LeftButton);
  EXPECT_EQ(record().readings.size(), 4U);
}
TEST_F(Survey, TheRowInHandIsMarkedOnThePlan) {
  read("AC 268");
  find<QLineEdit>("readingAC")->setFocus();
  EXPECT_EQ(work().shownReading(), record().readings.back().id);
}
TEST_F(Survey, TheSketchCanChangeAndKeepsWhatStillHolds) {
  read("AC 268");
  QTest::mouseClick(button(QStringLiteral("sketch")), Qt::LeftButton);
  QApplication::processEvents();
  auto* field = find<QLineEdit>("runB");
  ASSERT_TRUE(field != nullptr && field->isVisible());
  field->setFocus();
  field->selectAll();
  QTest::keyClicks(field, QStringLiteral("150 1/16"));
  QTest::keyClick(field, Qt::Key_Return);
  QTest::mouseClick(button(QStringLiteral("primary")), Qt::LeftButton);
  QApplication::processEvents();
  EXPECT_NE(find<QLineEdit>("readingAC"), nullptr);
  EXPECT_NEAR(wallLength("B"), 150, 0.1);
}
TEST_F(Survey, ReadingsComeBackAfterSavingAndOpening) {
  read("AC 268");
  const Job before = job();
  ASSERT_TRUE(window_->document().save(path_, true).ok());
  window_->openPath(path_);
  EXPECT_EQ(job(), before);
  EXPECT_TRUE(work().room()->doubt.covariance);
}
TEST_F(Survey, UnitsSwitchAHundredTimesWithoutASixteenthLost) {
  const Job before = job();
  for (int i = 0; i < 200; ++i) work().switchUnits();
  EXPECT_EQ(job(), before);
}

TEST_F(Survey, TheReadOutTakesOneWallAfterAnother) {
  ReadOut face(work());
  face.show();
  ASSERT_TRUE(QTest::qWaitForWindowExposed(&face));
  auto* figure = face.findChild<QLineEdit*>(QStringLiteral("figure"));
  QTest::keyClicks(figure, QStringLiteral("222 1/16"));
  QTest::keyClick(figure, Qt::Key_Enter);
  EXPECT_EQ(face.findChild<QLabel*>(QStringLiteral("place"))->text(), QStringLiteral("B to C"));
  EXPECT_TRUE(record().readings[0].superseded);
  QTest::keyClick(figure, Qt::Key_Plus);
  EXPECT_EQ(face.findChild<QLabel*>(QStringLiteral("place"))->text(), QStringLiteral("C to D"));
  QTest::keyClick(figure, Qt::Key_Minus);
  EXPECT_EQ(face.findChild<QLabel*>(QStringLiteral("place"))->text(), QStringLiteral("B to C"));
  QTest::keyClicks(figure, QStringLiteral("x"));
  QTest::keyClick(figure, Qt::Key_Enter);
  EXPECT_EQ(record().readings.size(), 5U) << "nonsense is not taken";
}
TEST_F(Survey, TheFiguresOfTheReadOutAreThirtyMillimetresHigh) {
  ReadOut face(work());
  face.show();
  ASSERT_TRUE(QTest::qWaitForWindowExposed(&face));
  auto* figure = face.findChild<QLineEdit*>(QStringLiteral("figure"));
  const double dpi = std::clamp(face.screen()->physicalDotsPerInchY(), 72.0, 400.0);
  EXPECT_GE(QFontMetricsF(figure->font()).tightBoundingRect(QStringLiteral("0")).height() / dpi * 25.4, 29);
  EXPECT_LE(figure->sizeHint().height(), face.height() * 2);
}

// The old parlour of the fixture has typed corners; its walls become readings on request.
class OldRoom : public WindowTest {};
TEST_F(OldRoom, KeepsItsTypedCornersUntilItsWallsAreKeptAsReadings) {
  work().showStage(Stage::Measure);
  QApplication::processEvents();
  const std::vector<Corner> before = work().room()->corners;
  EXPECT_FALSE(work().room()->survey);
  QTest::mouseClick(button(QStringLiteral("keepReadings")), Qt::LeftButton);
  ASSERT_TRUE(work().room()->survey);
  for (std::size_t i = 0; i < before.size(); ++i) EXPECT_LT(distance(work().room()->corners[i].at, before[i].at), 1e-3);
}

}  // namespace survey_test
}  // namespace mezzet
