#include <QComboBox>
#include <QLabel>

#include "support.h"

namespace mezzet {
namespace {
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
  const std::size_t before = work().room()->openings.size();
  QTest::mouseClick(find<QPushButton>("addDoor"), Qt::LeftButton);
  EXPECT_EQ(work().room()->openings.size(), before + 1);
  undo();
  EXPECT_EQ(work().room()->openings.size(), before);
}

}  // namespace
}  // namespace mezzet
