// What can be done where it is needed, and what the window keeps in mind.
#include <QAction>
#include <QCheckBox>
#include <QComboBox>
#include <QContextMenuEvent>
#include <QMenu>
#include <QScrollArea>
#include <QScrollBar>

#include "app/dialogs/print_dialog.h"
#include "app/dialogs/rug_dialog.h"
#include "app/dialogs/size_dialog.h"
#include "app/view/compare_view.h"
#include "app/view/wall_view.h"
#include "core/edit/openings.h"
#include "core/model/kinds.h"
#include "support/findings.h"
#include "ui/support.h"

namespace mezzet {
namespace at_hand_test {
using namespace test;

constexpr Vec2 kTable{112 * kInch, 65 * kInch};

class AtHand : public WindowTest {
 protected:
  QMenu* menu() {
    QApplication::processEvents();
    for (QMenu* m : window_->findChildren<QMenu*>(QStringLiteral("sheetMenu")))
      if (m->isVisible()) return m;
    return nullptr;
  }
  static bool lists(const QMenu* menu, const char* id) {
    for (const QAction* a : menu->actions())
      if (a->objectName() == QString::fromUtf8(id)) return true;
    return false;
  }
  QPushButton* link(const char* action) {
    QApplication::processEvents();
    for (QPushButton* b : window_->findChildren<QPushButton*>(QStringLiteral("barLink")))
      if (b->isVisible() && b->property("action").toString() == QString::fromUtf8(action)) return b;
    return nullptr;
  }
};

TEST_F(AtHand, ARightClickListsWhatCanBeDoneWithThePieceUnderIt) {
  QTest::mouseClick(&sheet(), Qt::RightButton, {}, at(kTable));
  EXPECT_EQ(work().selected().value, "p2");
  ASSERT_NE(menu(), nullptr);
  for (const char* id : {"sizes", "piece-rules", "copy-piece", "lock", "remove", "set-out", "turn-left", "in-use"})
    EXPECT_TRUE(lists(menu(), id)) << id;
  for (const char* id : {"save", "chairs", "align-left", "print-plan"}) EXPECT_FALSE(lists(menu(), id)) << id;
}
TEST_F(AtHand, ARightClickBesideThePiecesListsWhatTheSheetOffers) {
  QTest::mouseClick(&sheet(), Qt::RightButton, {}, QPoint(4, 4));
  ASSERT_NE(menu(), nullptr);
  for (const char* id : {"type-piece", "add", "select-all", "zoom-fit"}) EXPECT_TRUE(lists(menu(), id)) << id;
  EXPECT_FALSE(lists(menu(), "remove"));
}
TEST_F(AtHand, ARightClickOnOneOfSeveralKeepsThemAllAndLinesThemUp) {
  work().select(PlacementId("p1"));
  work().selectAlso(PlacementId("p2"));
  QTest::mouseClick(&sheet(), Qt::RightButton, {}, at(kTable));
  EXPECT_EQ(work().selection().size(), 2U);
  ASSERT_NE(menu(), nullptr);
  EXPECT_TRUE(lists(menu(), "align-left"));
  EXPECT_TRUE(lists(menu(), "group"));
}
TEST_F(AtHand, ARightDragPansAndShowsNoMenu) {
  const QPointF before = sheet().projection().map({0, 0});
  QTest::mousePress(&sheet(), Qt::RightButton, {}, QPoint(30, 30));
  for (const int x : {40, 70}) {
    QMouseEvent move(QEvent::MouseMove, QPointF(x, 30), sheet().mapToGlobal(QPointF(x, 30)), Qt::NoButton,
                     Qt::RightButton, Qt::NoModifier);
    QApplication::sendEvent(&sheet(), &move);
  }
  QTest::mouseRelease(&sheet(), Qt::RightButton, {}, QPoint(70, 30));
  EXPECT_EQ(menu(), nullptr);
  EXPECT_NEAR(sheet().projection().map({0, 0}).x() - before.x(), 40, 1);
}
TEST_F(AtHand, TheMenuKeyDoesTheSameForTheSelectedPiece) {
  work().select(PlacementId("p2"));
  QContextMenuEvent event(QContextMenuEvent::Keyboard, QPoint(5, 5), sheet().mapToGlobal(QPoint(5, 5)));
  QApplication::sendEvent(&sheet(), &event);
  ASSERT_NE(menu(), nullptr);
  EXPECT_TRUE(lists(menu(), "remove"));
}
TEST_F(AtHand, UsualActionsStandBesideTheTapes) {
  click(kTable);
  const double turn = floor("p2").turn;
  ASSERT_NE(link("turn-left"), nullptr);
  QTest::mouseClick(link("turn-left"), Qt::LeftButton);
  EXPECT_EQ(floor("p2").turn, normalisedTurn(turn + 90));
  QTest::mouseClick(link("lock"), Qt::LeftButton);
  EXPECT_TRUE(work().selectedPlacement()->locked);
  EXPECT_EQ(link("lock")->text(), QStringLiteral("Unlock"));
  EXPECT_EQ(link("chairs"), nullptr) << "a low table has no chairs";
  const std::size_t before = work().scheme()->placements.size();
  QTest::mouseClick(link("remove"), Qt::LeftButton);
  EXPECT_EQ(work().scheme()->placements.size(), before - 1);
}
TEST_F(AtHand, MoreListsTheRest) {
  click(kTable);
  QTest::mouseClick(link("more"), Qt::LeftButton);
  ASSERT_NE(menu(), nullptr);
  EXPECT_TRUE(lists(menu(), "piece-rules"));
}

// ---- panels that grow
TEST_F(AtHand, AddingAnOpeningMovesNoButtonUnderTheMouse) {
  work().showTopic(Topic::Openings);
  for (const char* name : {"addDoor", "addWindow", "addArch"}) {
    QPushButton* add = button(QString::fromUtf8(name));
    ASSERT_NE(add, nullptr);
    const QPoint before = add->mapToGlobal(QPoint(0, 0));
    QTest::mouseClick(add, Qt::LeftButton);
    QApplication::processEvents();
    // Scrolled to its new field it may be out of view; by itself nothing that is shown of the panel has moved.
    QWidget* around = button(QString::fromUtf8(name));
    while (around != nullptr && qobject_cast<QScrollArea*>(around) == nullptr) around = around->parentWidget();
    ASSERT_NE(around, nullptr);
    const int by = qobject_cast<QScrollArea*>(around)->verticalScrollBar()->value();
    EXPECT_EQ(button(QString::fromUtf8(name))->mapToGlobal(QPoint(0, by)).y(), before.y()) << name;
  }
}
TEST_F(AtHand, AComplaintStandsUnderItsOwnField) {
  work().showTopic(Topic::Openings);
  QTest::mouseClick(button(QStringLiteral("addDoor")), Qt::LeftButton);
  QApplication::processEvents();
  auto* field = find<QLineEdit>("openingHeight");
  ASSERT_NE(field, nullptr);
  field->setFocus();
  field->setText(QStringLiteral("99'"));
  QTest::keyClick(field, Qt::Key_Return);
  QApplication::processEvents();
  field = find<QLineEdit>("openingHeight");
  QLabel* said = nullptr;
  for (QLabel* label : window_->findChildren<QLabel*>(QStringLiteral("fieldComplaint")))
    if (label->isVisible()) said = label;
  ASSERT_NE(said, nullptr);
  EXPECT_TRUE(said->text().contains(QStringLiteral("above the ceiling"))) << said->text().toStdString();
  const int below =
      said->mapTo(window_.get(), QPoint(0, 0)).y() - (field->mapTo(window_.get(), QPoint(0, 0)).y() + field->height());
  EXPECT_GE(below, 0);
  EXPECT_LT(below, 20);
}
TEST_F(AtHand, AnOpeningIsCalledByTheNameTypedForIt) {
  work().showTopic(Topic::Openings);
  QTest::mouseClick(button(QStringLiteral("addWindow")), Qt::LeftButton);
  QApplication::processEvents();
  auto* name = find<QLineEdit>("openingName");
  ASSERT_NE(name, nullptr);
  name->setFocus();
  name->setText(QStringLiteral("River window"));
  QTest::keyClick(name, Qt::Key_Return);
  QApplication::processEvents();
  EXPECT_EQ(openingName(*work().room(), work().room()->openings.back()), "river window");
}

TEST_F(AtHand, TheSizeCardSaysWhatToBuy) {
  work().select(PlacementId("p2"));
  FileSystem files;
  SizeDialog dialog(work(), files);
  dialog.show();
  ASSERT_TRUE(QTest::qWaitFor([&] { return !dialog.working(); }, 60000));
  QApplication::processEvents();
  const QString said = dialog.findChild<QLabel*>(QStringLiteral("sizeCard"))->text();
  for (const char* size : {"Width", "Depth", "Height", "mm)"})
    EXPECT_TRUE(said.contains(QString::fromUtf8(size))) << said.toStdString();
}

TEST_F(AtHand, TheSizeCardIsWrittenForWhatIsNotThereYet) {
  work().select(PlacementId("p1"));
  FileSystem files;
  SizeDialog dialog(work(), files);
  dialog.show();
  auto* what = dialog.findChild<QComboBox*>(QStringLiteral("sizeOf"));
  ASSERT_NE(what, nullptr);
  what->setCurrentIndex(what->findData(QStringLiteral("side-table")));
  ASSERT_TRUE(QTest::qWaitFor([&] { return !dialog.working(); }, 60000));
  EXPECT_TRUE(work().ghost()) << "where it would stand is shown";
  const QString path = folder_.path() + QStringLiteral("/card.pdf");
  EXPECT_FALSE(dialog.write(path));
  QFile file(path);
  ASSERT_TRUE(file.open(QIODevice::ReadOnly));
  EXPECT_TRUE(file.readAll().startsWith("%PDF"));
}

// ---- rugs and carpet
TEST_F(AtHand, TheRugForAGroupIsLaidByOneClickAndTakenBackByOneUndo) {
  work().select(PlacementId("p1"));
  const Job before = job();
  {
    RugDialog dialog(work());
    dialog.show();
    ASSERT_TRUE(QTest::qWaitFor([&] { return !dialog.working(); }, 60000));
    auto* lay = dialog.findChild<QPushButton*>(QStringLiteral("layFront"));
    ASSERT_NE(lay, nullptr) << dialog.findChild<QLabel*>(QStringLiteral("rugWords"))->text().toStdString();
    QFocusEvent keyboard(QEvent::FocusIn);
    QApplication::sendEvent(lay, &keyboard);
    EXPECT_TRUE(work().ghost());
    lay->click();
  }
  EXPECT_FALSE(work().ghost());
  const Placement* laid = work().selectedPlacement();
  ASSERT_NE(laid, nullptr);
  EXPECT_TRUE(isRug(pieceOf(job(), *laid).kind));
  for (const Finding& f : work().findings())
    if (f.rule == "rug-feet" && isAbout(f, "p1")) {
      EXPECT_NE(f.verdict, Verdict::Breaks);
    }
  undo();
  EXPECT_EQ(job(), before);
}
TEST_F(AtHand, CarpetIsCutPricedAndTakenOut) {
  RugDialog dialog(work());
  dialog.show();
  QApplication::processEvents();
  dialog.findChild<QPushButton*>(QStringLiteral("cutCarpet"))->click();
  QApplication::processEvents();
  ASSERT_TRUE(work().scheme()->carpet);
  auto* repeat = dialog.findChild<QLineEdit*>(QStringLiteral("repeat"));
  ASSERT_NE(repeat, nullptr);
  repeat->setText(QStringLiteral("no repeat"));
  QTest::keyClick(repeat, Qt::Key_Return);
  QApplication::processEvents();
  EXPECT_FALSE(work().scheme()->carpet->repeat) << "silly words change nothing";
  repeat->setText(QStringLiteral("18"));
  QTest::keyClick(repeat, Qt::Key_Return);
  QApplication::processEvents();
  ASSERT_TRUE(work().scheme()->carpet->repeat);
  auto* price = dialog.findChild<QLineEdit*>(QStringLiteral("edgePrice-machine-binding"));
  ASSERT_NE(price, nullptr);
  price->setText(QStringLiteral("2.5"));
  emit price->editingFinished();
  QApplication::processEvents();
  EXPECT_EQ(job().carpet.edgePrices.count("machine-binding"), 1U);
  EXPECT_TRUE(
      dialog.findChild<QLabel*>(QStringLiteral("carpetWords"))->text().contains(QStringLiteral("Machine binding:")));
  dialog.findChild<QPushButton*>(QStringLiteral("noCarpet"))->click();
  QApplication::processEvents();
  EXPECT_FALSE(work().scheme()->carpet);
}
TEST_F(AtHand, WhatARugMustBearRulesFibresOut) {
  RugDialog dialog(work());
  dialog.show();
  auto* pets = dialog.findChild<QCheckBox*>(QStringLiteral("use-pets"));
  ASSERT_NE(pets, nullptr);
  pets->setChecked(true);
  const QString said = dialog.findChild<QLabel*>(QStringLiteral("fibreWords"))->text();
  EXPECT_TRUE(said.contains(QStringLiteral("out: pets: claws catch in the loops"))) << said.toStdString();
}
TEST_F(AtHand, ARugIsTapedDownAndAPieceMayBeLeftOut) {
  const Result<Job> with = withPiece(job(), [] {
    Piece rug = usualPiece(kFloorRug);
    rug.id = PieceId("rug9");
    rug.name = "Rug";
    return rug;
  }());
  ASSERT_TRUE(with);
  window_->document().edit(
      QStringLiteral("lay a rug"),
      withPlacement(*with, work().schemeId(), {PlacementId("p99"), PieceId("rug9"), FloorPlace{{2000, 2000}, 0}, {}}));
  work().select(PlacementId("p99"));
  ASSERT_TRUE(isRug(pieceOf(job(), *work().selectedPlacement()).kind));
  work().toggleTaped();
  EXPECT_TRUE(work().selectedPlacement()->taped);
  work().toggleOptional();
  EXPECT_TRUE(work().selectedPlacement()->optional);
  work().toggleTaped();
  EXPECT_FALSE(work().selectedPlacement()->taped);
}

// ---- what the window keeps in mind
TEST_F(AtHand, RoomSchemeAndUseLastShownComeBack) {
  const auto schemes = job().schemes;
  const SchemeId other = schemes.at(1)->id;
  work().showScheme(other);
  work().showState(UseState::Party);
  ASSERT_TRUE(window_->document().save(path_, true).ok());
  window_->document().close();
  window_.reset();
  open();
  EXPECT_EQ(work().schemeId(), other);
  EXPECT_EQ(work().useState(), UseState::Party);
}
TEST_F(AtHand, TheTitleTakesTheSavedFilesName) {
  window_->newJob();
  EXPECT_TRUE(window_->windowTitle().startsWith(QStringLiteral("New job")));
  const QString path = folder_.path() + QStringLiteral("/boathouse.mezzet");
  ASSERT_TRUE(window_->document().save(path, true).ok());
  EXPECT_TRUE(window_->windowTitle().startsWith(QStringLiteral("boathouse (boathouse.mezzet)")))
      << window_->windowTitle().toStdString();
}
TEST_F(AtHand, TheLargestScaleThatFitsIsProposed) {
  PrintDialog dialog(work(), files_);
  const auto* scale = dialog.findChild<QComboBox*>(QStringLiteral("scale"));
  EXPECT_EQ(scale->currentText(), QStringLiteral("the largest that fits: 3/8 in = 1 ft (1:32)"));
  const auto* reader = dialog.findChild<QComboBox*>(QStringLiteral("sheetFor"));
  dialog.show();
  EXPECT_GE(reader->width(), reader->sizeHint().width());
}
TEST_F(AtHand, TheBesideViewChoosesItsSchemesFromEitherSide) {
  work().newScheme(true);
  CompareView view(work());
  auto* first = view.findChild<QComboBox*>(QStringLiteral("firstScheme"));
  auto* other = view.findChild<QComboBox*>(QStringLiteral("otherScheme"));
  const int a = first->currentIndex(), b = other->currentIndex();
  ASSERT_NE(a, b);
  first->setCurrentIndex(b);  // they change sides
  EXPECT_EQ(other->currentIndex(), a);
  for (int i = 0; i < first->count(); ++i)
    if (i != a && i != b) first->setCurrentIndex(i);
  EXPECT_EQ(other->currentIndex(), a);
}
TEST_F(AtHand, WhatAnEditCuredIsSaidOnce) {
  const auto cured = [&] {
    QApplication::processEvents();
    QStringList said;
    for (const QLabel* label : window_->findChildren<QLabel*>(QStringLiteral("cured")))
      if (label->isVisible()) said << label->text();
    return said;
  };
  EXPECT_TRUE(cured().isEmpty());
  const int before = broken();
  for (const Decision& d : std::vector<Decision>(work().decisions()))
    if (const auto ways = work().waysOutOf(d); !ways.empty() && broken() == before) work().take(ways.front());
  ASSERT_LT(broken(), before);
  EXPECT_TRUE(QTest::qWaitFor([&] { return !cured().isEmpty(); }));
  work().select(PlacementId("p2"));
  work().nudge({1, 0});
  EXPECT_TRUE(QTest::qWaitFor([&] { return cured().isEmpty(); }));
}

}  // namespace at_hand_test
}  // namespace mezzet
