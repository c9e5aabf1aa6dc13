// Typing pieces, the tray, schemes, keeping on purpose, the brief: in the real window.
#include <QAction>
#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QTimer>

#include "app/view/compare_view.h"
#include "app/dialogs/piece_rules.h"
#include "app/dialogs/set_out_dialog.h"
#include "app/dialogs/shortcut_sheet.h"
#include "app/stages/floor/tray.h"
#include "core/decide/adding.h"
#include "support/findings.h"
#include "ui/support.h"

namespace mezzet {
namespace schemes_test {
using namespace test;

class Planning : public WindowTest {
 protected:
  QLineEdit& line() { return *find<QLineEdit>("pieceLine"); }
  QString echo() {
    const auto* fault = find<QWidget>("tray")->findChild<QLabel*>(QStringLiteral("barFault"));
    return (fault != nullptr ? fault : find<QWidget>("tray")->findChild<QLabel*>(QStringLiteral("barHint")))->text();
  }
  void typeLine(const char* text) {
    find<QAction>("type-piece")->trigger();
    line().clear();
    QTest::keyClicks(&line(), QString::fromUtf8(text));
  }
  CutOut* cutOut() {
    QApplication::processEvents();
    for (CutOut* c : window_->findChildren<CutOut*>())
      if (c->isVisible()) return c;
    return nullptr;
  }
};

TEST_F(Planning, ATypedLineIsEchoedBeforeEnter) {
  typeLine("side table 18 x 18 x 22");
  EXPECT_EQ(echo().remove(QChar(0xA0)).remove(QChar(' ')), QStringLiteral("Sidetable,18inwide,18indeep,22inhigh."));
  EXPECT_TRUE(trayOf(job(), work().schemeId()).empty());
}
TEST_F(Planning, EnterPutsACutOutIntoTheTray) {
  typeLine("rug 8x10");
  QTest::keyClick(&line(), Qt::Key_Return);
  const auto tray = trayOf(job(), work().schemeId());
  ASSERT_EQ(tray.size(), 1u);
  EXPECT_NEAR(findPiece(job(), tray[0].piece)->width, 96 * kInch, 1e-6);
  ASSERT_NE(cutOut(), nullptr);
  EXPECT_TRUE(line().text().isEmpty());
}
TEST_F(Planning, EnterOnACutOutPlacesIt) {
  typeLine("4 chairs 18 x 20 x 34");
  QTest::keyClick(&line(), Qt::Key_Return);
  const std::size_t before = work().scheme()->placements.size();
  ASSERT_NE(cutOut(), nullptr);
  QTest::keyClick(cutOut(), Qt::Key_Return);
  QApplication::processEvents();
  EXPECT_EQ(work().scheme()->placements.size(), before + 1);
  EXPECT_EQ(trayOf(job(), work().schemeId())[0].left, 3);
  undo();
  EXPECT_EQ(work().scheme()->placements.size(), before);
}
TEST_F(Planning, ControlEnterPlacesAtOnce) {
  typeLine("side table 18 x 18 x 22");
  const std::size_t before = work().scheme()->placements.size();
  QTest::keyClick(&line(), Qt::Key_Return, Qt::ControlModifier);
  EXPECT_EQ(work().scheme()->placements.size(), before + 1);
  EXPECT_FALSE(work().selected().empty());
  EXPECT_TRUE(trayOf(job(), work().schemeId()).empty());
}
TEST_F(Planning, TabCompletesTheLine) {
  typeLine("si");
  QTest::keyClick(&line(), Qt::Key_Tab);
  EXPECT_EQ(line().text(), QStringLiteral("side table"));
}
TEST_F(Planning, F8SwapsAPicture) {
  typeLine("art 40 x 30");
  QTest::keyClick(&line(), Qt::Key_F8);
  QTest::keyClick(&line(), Qt::Key_Return);
  const Piece& art = *job().pieces.back();
  EXPECT_NEAR(art.width, 30 * kInch, 1e-6);
  EXPECT_NEAR(*art.height, 40 * kInch, 1e-6);
}
TEST_F(Planning, ABadLineStaysAndSaysWhy) {
  typeLine("sofa 84 36");
  const Job before = job();
  QTest::keyClick(&line(), Qt::Key_Return);
  EXPECT_EQ(job(), before);
  EXPECT_EQ(line().text(), QStringLiteral("sofa 84 36"));
  EXPECT_TRUE(echo().startsWith(QStringLiteral("What is this size?")));
}

TEST_F(Planning, ALockedPieceStays) {
  work().select(PlacementId("p2"));
  find<QAction>("lock")->trigger();
  const FloorPlace before = floor("p2");
  work().nudge({100, 0});
  work().turnBy(90);
  drag(before.at, {300, 0});
  EXPECT_EQ(floor("p2"), before);
  work().select(PlacementId("p2"));
  find<QAction>("lock")->trigger();
  work().nudge({100, 0});
  EXPECT_NEAR(floor("p2").at.x, before.at.x + 100, 1e-9);
}
TEST_F(Planning, OneMoreOfAPieceExistsOnceMore) {
  work().select(PlacementId("p2"));
  find<QAction>("copy-piece")->trigger();
  EXPECT_NE(work().selected(), PlacementId("p2"));
  EXPECT_EQ(pieceOf(job(), *work().selectedPlacement()).count, 2);
  for (const Finding& f : work().findings()) EXPECT_NE(f.rule, "piece-count");
}

TEST_F(Planning, ACopiedSchemeIsJudgedLikeItsOriginal) {
  const int before = broken();
  const SchemeId first = work().schemeId();
  find<QAction>("scheme-copy")->trigger();
  EXPECT_NE(work().schemeId(), first);
  EXPECT_EQ(broken(), before);
  undo();
  EXPECT_EQ(work().schemeId(), first);
}
TEST_F(Planning, ANewSchemeIsEmpty) {
  find<QAction>("scheme-new")->trigger();
  EXPECT_TRUE(work().scheme()->placements.empty());
  EXPECT_FALSE(trayOf(job(), work().schemeId()).empty());
}
TEST_F(Planning, TwoSchemesAreSeenBesideEachOther) {
  CompareView view(work());
  view.show();
  QApplication::processEvents();
  const QString list = view.findChild<QLabel*>(QStringLiteral("differences"))->text();
  EXPECT_TRUE(list.contains(QStringLiteral("Broken: 0 instead of 4"))) << list.toStdString();
  view.findChild<QLineEdit*>(QStringLiteral("logText"))->setText(QStringLiteral("leaves no wall for a sideboard"));
  view.findChild<QPushButton*>(QStringLiteral("logRejection"))->click();
  ASSERT_EQ(work().scheme()->log.size(), 1u);
  EXPECT_EQ(work().scheme()->log[0].kind, LogKind::Rejection);
}

TEST_F(Planning, AFindingIsKeptWithItsReason) {
  const int before = broken();
  QPushButton* keep = button(QStringLiteral("keep"));
  ASSERT_NE(keep, nullptr);
  QTimer::singleShot(0, [] {
    QDialog* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget());
    ASSERT_NE(dialog, nullptr);
    dialog->accept();  // without a reason it stays open
    EXPECT_TRUE(dialog->isVisible());
    dialog->findChild<QLineEdit*>(QStringLiteral("keepReason"))->setText(QStringLiteral("it turns to the window"));
    dialog->accept();
  });
  keep->click();
  EXPECT_EQ(broken(), before - 1);
  ASSERT_EQ(work().scheme()->kept.size(), 1u);
  EXPECT_EQ(work().scheme()->kept[0].reason, "it turns to the window");
  EXPECT_EQ(work().scheme()->kept[0].date.size(), 10u);
}
TEST_F(Planning, AKeptFindingComesBackWhenItGetsWorse) {
  for (const Finding& f : std::vector<Finding>(work().findings()))
    if (f.id == "table-reach:p2,p4")
      window_->document().edit(QStringLiteral("keep"), withKept(job(), work().schemeId(), {f.id, "why", f.margin, {}}));
  const auto verdict = [&] { return test::verdictIn(work().findings(), "table-reach:p2,p4"); };
  EXPECT_EQ(verdict(), Verdict::Kept);
  work().select(PlacementId("p4"));
  work().nudge({300, 0});
  EXPECT_EQ(verdict(), Verdict::Breaks);
}

TEST_F(Planning, ViewersTurnPicturesToTheirEyes) {
  find<QAction>("stage-brief")->trigger();
  auto* viewers = find<QLineEdit>("viewers");
  ASSERT_NE(viewers, nullptr);
  viewers->setFocus();
  viewers->clear();
  QTest::keyClicks(viewers, QStringLiteral("5' 6\"; 70"));
  QTest::keyClick(viewers, Qt::Key_Return);
  ASSERT_EQ(job().brief.statures.size(), 2u);
  EXPECT_NEAR(job().brief.statures[0], 66 * kInch, 1e-6);
  EXPECT_EQ(job().houseRules.schools.at("art-centre"), "c");
}
TEST_F(Planning, AHouseRuleTakesARangeOfItsOwn) {
  find<QAction>("stage-brief")->trigger();
  QApplication::processEvents();
  auto* high = find<QLineEdit>("high:table-reach");
  ASSERT_NE(high, nullptr);
  high->setFocus();
  high->clear();
  QTest::keyClicks(high, QStringLiteral("24"));
  QTest::keyClick(high, Qt::Key_Return);
  EXPECT_NEAR(*job().houseRules.ranges.at("table-reach").high, 24 * kInch, 1e-6);
  EXPECT_NEAR(*job().houseRules.ranges.at("table-reach").low, 12 * kInch, 1e-6);
}

TEST_F(Planning, EveryShortcutStandsOnTheSheetOfKeys) {
  ShortcutSheet sheet;
  QStringList words;
  for (QLabel* label : sheet.findChildren<QLabel*>()) words << label->text();
  for (const char* id : {"undo", "type-piece", "compare", "stage-brief"}) {
    const QString keys = find<QAction>(id)->shortcut().toString(QKeySequence::NativeText);
    EXPECT_TRUE(words.contains(keys)) << id;
  }
}

TEST_F(Planning, AHundredSwitchesOfUnitLoseNothing) {
  const Job before = job();
  for (int i = 0; i < 200; ++i) work().switchUnits();
  EXPECT_EQ(job(), before);
}

TEST_F(Planning, APieceIsSetOutFromChosenWalls) {
  work().select(PlacementId("p2"));
  SetOutDialog dialog(work());
  dialog.show();
  const auto choose = [&](const char* name, const char* wall) {
    auto* combo = dialog.findChild<QComboBox*>(QString::fromUtf8(name));
    combo->setCurrentIndex(combo->findData(QString::fromUtf8(wall)));
  };
  auto* take = dialog.findChild<QPushButton*>(QStringLiteral("primary"));
  choose("setOutFirst", "B");
  take->click();
  EXPECT_TRUE(dialog.isVisible()) << "one wall alone is not enough";
  choose("setOutSecond", "A");
  take->click();
  EXPECT_FALSE(dialog.isVisible());
  EXPECT_EQ(findPlacement(*work().scheme(), PlacementId("p2"))->setOut,
            (std::vector<CornerId>{CornerId("B"), CornerId("A")}));
}
TEST_F(Planning, ARuleIsBentForOnePieceOnly) {
  work().select(PlacementId("p2"));
  PieceRules rules(work());
  rules.show();
  rules.activateWindow();
  ASSERT_TRUE(QTest::qWaitForWindowActive(&rules));
  auto* low = rules.findChild<QLineEdit*>(QStringLiteral("low:table-reach"));
  ASSERT_NE(low, nullptr);
  low->setFocus();
  low->setText(QStringLiteral("10"));
  QTest::keyClick(low, Qt::Key_Return);
  const PieceId table = findPlacement(*work().scheme(), PlacementId("p2"))->piece;
  EXPECT_EQ(findPiece(job(), table)->ownRules.at("table-reach").range->low, 10 * kInch);
  QApplication::processEvents();
  EXPECT_EQ(QApplication::focusWidget()->objectName(), QStringLiteral("low:table-reach"))
      << "the keyboard stays where it was";
  auto* school = rules.findChild<QComboBox*>(QStringLiteral("school:table-reach"));
  ASSERT_NE(school, nullptr);
  school->setCurrentIndex(0);
  emit school->activated(0);
  EXPECT_FALSE(findPiece(job(), table)->ownRules.contains("table-reach")) << "as this house asks again";
}

TEST_F(Planning, ANewerRulebookSaysWhatItBrings) {
  Job old = withRulebook(job(), 1);
  ASSERT_TRUE(window_->document().edit(QStringLiteral("older"), old));
  ASSERT_TRUE(window_->document().save(path_).ok());
  window_->openPath(path_);
  EXPECT_TRUE(
      window_->notices().sentence().startsWith(QStringLiteral("Rulebook 11 brings 106 rules that rulebook 1 had not")))
      << window_->notices().sentence().toStdString();
  EXPECT_EQ(job().houseRules.rulebook, 1);
  for (QPushButton* b : window_->notices().findChildren<QPushButton*>())
    if (b->text() == QStringLiteral("I have seen it")) b->click();
  EXPECT_EQ(job().houseRules.rulebook, 11);
}

}  // namespace schemes_test
}  // namespace mezzet
