// Choosing in the window: candidates for one place, layouts searched, what it costs, a room in areas; by keys and
// mouse.
#include <QComboBox>
#include <QLineEdit>
#include <QPushButton>
#include <QSlider>
#include <QTableWidget>

#include "app/dialogs/area_plan.h"
#include "app/dialogs/areas_dialog.h"
#include "app/dialogs/budget_dialog.h"
#include "app/dialogs/candidates_dialog.h"
#include "app/dialogs/search_dialog.h"
#include "app/dialogs/thing_dialog.h"
#include "core/choose/budget.h"
#include "core/edit/choosing.h"
#include "ui/support.h"

namespace mezzet {
namespace choosing_test {

constexpr int kLongEnough = 60'000;  // ms, for what is worked out beside the interface

class Choosing : public test::WindowTest {
 protected:
  /// The placement of the first sofa.
  PlacementId sofa() {
    for (const Placement& p : work().scheme()->placements)
      if (pieceOf(job(), p).kind == "sofa") return p.id;
    return {};
  }
  const Placement& placed(const PlacementId& id) { return *findPlacement(*work().scheme(), id); }
  /// Two more sofas in the job.
  void addSofas() {
    Job after = job();
    for (const auto& [id, width, price] : {std::tuple{"smaller", 66.0, 1200.0}, std::tuple{"longer", 90.0, 2400.0}}) {
      Piece p = pieceOf(after, placed(sofa()));
      p.id = PieceId(id);
      p.name = std::string("Sofa, ") + id;
      p.width = width * kInch;
      p.shop.edit().price = price;
      p.thing.edit().colours = {{"#6f7b5a", 1}};
      after = withPiece(after, std::move(p)).value();
    }
    ASSERT_TRUE(window_->document().edit(QStringLiteral("sofas"), std::move(after)));
  }
  template <class D>
  static bool answered(D& dialog) {
    return QTest::qWaitFor([&] { return !dialog.working(); }, kLongEnough);
  }
};

TEST_F(Choosing, CandidatesAreHeldTurnedDownAndChosen) {
  addSofas();
  const PlacementId place = sofa();
  const PieceId was = placed(place).piece;
  CandidatesDialog dialog(work(), place);
  dialog.show();
  ASSERT_TRUE(answered(dialog));
  auto* table = dialog.findChild<QTableWidget*>(QStringLiteral("candidates"));
  auto* more = dialog.findChild<QComboBox*>(QStringLiteral("candidateMore"));
  const auto press = [&](const char* name) {
    QTest::mouseClick(dialog.findChild<QPushButton*>(QString::fromUtf8(name)), Qt::LeftButton);
    ASSERT_TRUE(answered(dialog));
  };
  EXPECT_EQ(table->rowCount(), 0);
  for (const char* name : {"smaller", "longer"}) {
    more->setCurrentIndex(more->findData(QString::fromUtf8(name)));
    press("candidateAdd");
  }
  ASSERT_EQ(table->rowCount(), 3) << "what stands there is among them";
  EXPECT_EQ(more->findData(QStringLiteral("longer")), -1);
  EXPECT_EQ(table->item(1, 2)->text(), QStringLiteral("1,200"));

  table->selectRow(1);
  press("candidateReject");
  EXPECT_EQ(placed(place).candidates[1].state, CandidateState::Open) << "a word is asked";
  EXPECT_FALSE(dialog.findChild<QLabel*>(QStringLiteral("candidateRight"))->text().isEmpty());
  auto* why = dialog.findChild<QLineEdit*>(QStringLiteral("candidateWhy"));
  why->setFocus();
  QTest::keyClicks(why, QStringLiteral("too small"));
  press("candidateReject");
  EXPECT_EQ(placed(place).candidates[1].state, CandidateState::Rejected);
  EXPECT_EQ(placed(place).candidates[1].why, "too small");
  EXPECT_EQ(table->item(2, 0)->text(), QStringLiteral("Sofa, smaller")) << "at the end";
  EXPECT_TRUE(table->item(2, 5)->text().contains(QStringLiteral("too small")));
  EXPECT_EQ(table->currentRow(), 2) << "what is looked at is followed";
  press("candidateBack");
  EXPECT_EQ(placed(place).candidates[1].state, CandidateState::Open);

  table->selectRow(2);
  auto* note = dialog.findChild<QLineEdit*>(QStringLiteral("candidateNote"));
  note->setFocus();
  QTest::keyClicks(note, QStringLiteral("room for all of us"));
  QTest::keyClick(note, Qt::Key_Return);
  ASSERT_TRUE(answered(dialog));
  EXPECT_EQ(placed(place).candidates[2].note, "room for all of us");
  press("candidateChoose");
  EXPECT_EQ(placed(place).piece, PieceId("longer"));
  EXPECT_EQ(placed(place).candidates[0].state, CandidateState::Finalist) << "the one before";
  EXPECT_EQ(work().scheme()->log.back().kind, LogKind::Decision);
  while (placed(place).piece != was) undo();
  EXPECT_EQ(placed(place).piece, was);
}

TEST_F(Choosing, TwoSelectedStandBesideEachOther) {
  addSofas();
  Job after = withCandidate(job(), work().schemeId(), sofa(), PieceId("smaller")).value();
  after = withCandidate(after, work().schemeId(), sofa(), PieceId("longer")).value();
  ASSERT_TRUE(window_->document().edit(QStringLiteral("candidates"), std::move(after)));
  CandidatesDialog dialog(work(), sofa());
  dialog.show();
  ASSERT_TRUE(answered(dialog));
  auto* table = dialog.findChild<QTableWidget*>(QStringLiteral("candidates"));
  const auto words = [&](const char* name) { return dialog.findChild<QLabel*>(QString::fromUtf8(name))->text(); };
  table->selectRow(1);
  EXPECT_TRUE(words("candidateLeft").contains(QStringLiteral("stands there now")));
  EXPECT_TRUE(words("candidateRight").startsWith(QStringLiteral("Sofa, smaller")));
  table->selectionModel()->select(
      QItemSelection(table->model()->index(1, 0), table->model()->index(2, table->columnCount() - 1)),
      QItemSelectionModel::ClearAndSelect);
  EXPECT_TRUE(words("candidateLeft").startsWith(QStringLiteral("Sofa, smaller")));
  EXPECT_TRUE(words("candidateRight").startsWith(QStringLiteral("Sofa, longer")));
}

TEST_F(Choosing, LayoutsAreSearchedAndTakenAsSchemes) {
  const std::size_t schemes = job().schemes.size();
  const Job before = job();
  SearchDialog dialog(work());
  dialog.endAfter(400);
  dialog.show();
  auto* talk = dialog.findChild<QSlider*>(QStringLiteral("wish:talk"));
  talk->setFocus();
  QTest::keyClick(talk, Qt::Key_End);
  EXPECT_EQ(talk->accessibleDescription(), QStringLiteral("above all"));
  dialog.begin();
  EXPECT_TRUE(dialog.working());
  ASSERT_TRUE(answered(dialog));
  auto* first = dialog.findChild<QPushButton*>(QStringLiteral("offer:1"));
  auto* second = dialog.findChild<QPushButton*>(QStringLiteral("offer:2"));
  ASSERT_NE(first, nullptr);
  ASSERT_NE(second, nullptr);
  EXPECT_EQ(job(), before) << "looking changes nothing";
  QTest::mouseClick(second, Qt::LeftButton);
  auto* take = dialog.findChild<QPushButton*>(QStringLiteral("primary"));
  QTest::mouseClick(take, Qt::LeftButton);
  ASSERT_EQ(job().schemes.size(), schemes + 1);
  EXPECT_EQ(work().schemeId(), job().schemes.back()->id);
  EXPECT_FALSE(take->isEnabled()) << "taken once";
  undo();
  EXPECT_EQ(job().schemes.size(), schemes);
}

TEST_F(Choosing, EscapeEndsASearchAndKeepsItsBest) {
  SearchDialog dialog(work());
  dialog.endAfter(10'000'000);
  dialog.show();
  dialog.begin();
  auto* line = dialog.findChild<QLabel*>(QStringLiteral("searchLine"));
  ASSERT_TRUE(QTest::qWaitFor([&] { return line->text().contains(QStringLiteral("The best")); }, kLongEnough));
  QTest::keyClick(&dialog, Qt::Key_Escape);
  EXPECT_TRUE(dialog.isVisible()) << "the search ends, not the dialog";
  ASSERT_TRUE(answered(dialog));
  EXPECT_NE(dialog.findChild<QPushButton*>(QStringLiteral("offer:1")), nullptr);
  QTest::keyClick(&dialog, Qt::Key_Escape);
  EXPECT_FALSE(dialog.isVisible());
}

TEST_F(Choosing, WhatItCostsIsTypedAndSummed) {
  addSofas();
  BudgetDialog dialog(work());
  dialog.show();
  auto* table = dialog.findChild<QTableWidget*>(QStringLiteral("budgetLines"));
  ASSERT_GT(table->rowCount(), 0);
  const Budget before = budgetOf(job(), work().book(), work().schemeId());
  std::size_t row = 0;
  while (before.lines[row].pieces.empty()) ++row;
  const auto at = static_cast<int>(row);
  table->item(at, 2)->setText(QStringLiteral("1,240.50"));
  EXPECT_EQ(budgetOf(job(), work().book(), work().schemeId()).lines[row].price, 1240.5);
  EXPECT_TRUE(table->item(at, 3)->text().startsWith(QStringLiteral("1,240.5")) || before.lines[row].count != 1);
  table->item(at, 2)->setText(QStringLiteral("cheap"));
  EXPECT_EQ(budgetOf(job(), work().book(), work().schemeId()).lines[row].price, 1240.5) << "no amount, no change";
  auto* when = dialog.findChild<QComboBox*>(QStringLiteral("phase:%1").arg(at));
  ASSERT_NE(when, nullptr);
  when->setFocus();
  QTest::keyClick(when, Qt::Key_Down);
  QApplication::processEvents();
  EXPECT_EQ(budgetOf(job(), work().book(), work().schemeId()).lines[row].phase, Phase::Later);
  auto* hours = dialog.findChild<QLineEdit*>(QStringLiteral("budgetHours"));
  hours->setFocus();
  QTest::keyClicks(hours, QStringLiteral("12"));
  QTest::keyClick(hours, Qt::Key_Return);
  EXPECT_EQ(job().budget.hours, 12.0);
}

TEST_F(Choosing, ARoomIsParted) {
  AreasDialog dialog(work());
  dialog.show();
  QTest::mouseClick(dialog.findChild<QPushButton*>(QStringLiteral("areasFound")), Qt::LeftButton);
  ASSERT_FALSE(work().scheme()->areas.empty());
  QApplication::processEvents();
  auto* use = dialog.findChild<QComboBox*>(QStringLiteral("areaUse:0"));
  ASSERT_NE(use, nullptr);
  use->setFocus();
  QTest::keyClick(use, Qt::Key_End);
  EXPECT_EQ(work().scheme()->areas[0].use, AreaUse::Work);

  // A wall taken out is not to build from until somebody has signed.
  QApplication::processEvents();
  auto* wall = dialog.findChild<QAbstractButton*>(QStringLiteral("takesOut:wall:A"));
  ASSERT_NE(wall, nullptr);
  wall->setChecked(true);
  QApplication::processEvents();
  EXPECT_EQ(unsignedIn(*work().scheme()).size(), 1u);
  auto* engineer = dialog.findChild<QLineEdit*>(QStringLiteral("engineer:wall:A"));
  ASSERT_NE(engineer, nullptr);
  engineer->setFocus();
  QTest::keyClicks(engineer, QStringLiteral("N. Example"));
  QTest::keyClick(engineer, Qt::Key_Return);
  EXPECT_TRUE(unsignedIn(*work().scheme()).empty());
}

TEST_F(Choosing, AnAreaIsDrawnFromCornerToCorner) {
  AreasDialog dialog(work());
  dialog.show();
  ASSERT_TRUE(QTest::qWaitForWindowExposed(&dialog));
  auto* plan = dialog.findChild<AreaPlan*>(QStringLiteral("areaPlan"));
  ASSERT_NE(plan, nullptr);
  const Vec2 from{20 * kInch, 20 * kInch}, to{80 * kInch, 60 * kInch};
  QTest::mousePress(plan, Qt::LeftButton, {}, plan->onScreen(from).toPoint());
  QTest::mouseMove(plan, plan->onScreen(midpoint(from, to)).toPoint());
  QTest::mouseRelease(plan, Qt::LeftButton, {}, plan->onScreen(to).toPoint());
  ASSERT_EQ(work().scheme()->areas.size(), 1u);
  const Box box = boundsOf(work().scheme()->areas[0].outline);
  const double pixel = 1.5 / (plan->onScreen({1, 0}).x() - plan->onScreen({0, 0}).x());
  EXPECT_NEAR(box.low.x, from.x, pixel);
  EXPECT_NEAR(box.high.y, to.y, pixel);
  // A second one over it keeps clear of it; a click draws none.
  QTest::mouseClick(plan, Qt::LeftButton, {}, plan->onScreen(from).toPoint());
  EXPECT_EQ(work().scheme()->areas.size(), 1u);
  undo();
  EXPECT_TRUE(work().scheme()->areas.empty());
}

TEST_F(Choosing, AnyPieceHasColoursAndAStory) {
  ThingDialog dialog(work(), placed(sofa()).piece);
  dialog.show();
  const auto put = [&](const char* name, const char* text) {
    auto* edit = dialog.findChild<QLineEdit*>(QString::fromUtf8(name));
    edit->setFocus();
    QTest::keyClicks(edit, QString::fromUtf8(text));
    QTest::keyClick(edit, Qt::Key_Return);
  };
  put("thingColours", "green 80, brown 20");
  put("thingStory", "bought for the old flat");
  const Piece& piece = pieceOf(job(), placed(sofa()));
  EXPECT_EQ(piece.thing->colours.size(), 2u);
  EXPECT_EQ(piece.story, "bought for the old flat");
  EXPECT_EQ(dialog.findChild<QLineEdit*>(QStringLiteral("thingFamily")), nullptr);
}

TEST_F(Choosing, IsReachedByItsKeys) {
  // Each dialog is closed by Escape as soon as it is there.
  const auto opens = [&](int key, Qt::KeyboardModifiers with, const char* name) {
    bool seen = false;
    QTimer timer;
    timer.setInterval(20);
    QObject::connect(&timer, &QTimer::timeout, window_.get(), [&] {
      auto* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget());
      if (dialog == nullptr) return;
      seen = dialog->objectName() == QString::fromUtf8(name);
      dialog->close();
    });
    window_->activateWindow();
    static_cast<void>(QTest::qWaitForWindowActive(window_.get()));
    timer.start();
    QTest::keyClick(&sheet(), static_cast<Qt::Key>(key), with);
    QApplication::processEvents();
    return seen;
  };
  work().select(sofa());
  EXPECT_TRUE(opens(Qt::Key_G, {}, "searchDialog"));
  EXPECT_TRUE(opens(Qt::Key_G, Qt::ShiftModifier, "candidatesDialog"));
  EXPECT_TRUE(opens(Qt::Key_B, Qt::ControlModifier | Qt::ShiftModifier, "budgetDialog"));
  EXPECT_TRUE(opens(Qt::Key_A, Qt::ShiftModifier, "areasDialog"));
}

}  // namespace choosing_test
}  // namespace mezzet
