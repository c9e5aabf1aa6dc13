// Hand over in the window: what came, what hangs, orders, the way in, dates, the pack, the years after; by keys and
// mouse.
#include <QCheckBox>
#include <QComboBox>
#include <QDir>
#include <QListWidget>
#include <QTableWidget>
#include <QToolButton>

#include "app/dialogs/dates_dialog.h"
#include "app/dialogs/delivery_dialog.h"
#include "app/dialogs/orders_dialog.h"
#include "app/dialogs/pack_dialog.h"
#include "app/dialogs/years_dialog.h"
#include "app/stages/handover/hand_over_panel.h"
#include "core/edit/records.h"
#include "core/hang/as_hung.h"
#include "core/plan/carrying.h"
#include "io/files/issue.h"
#include "io/files/job_file.h"
#include "ui/support.h"

#include <QAccessible>

namespace mezzet {
namespace hand_over_test {

constexpr int kPatience = 60'000;  // ms, for what is worked out beside the interface

class HandOver : public test::WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    key(Qt::Key_F11, Qt::ShiftModifier);
    ASSERT_EQ(work().stage(), Stage::HandOver);
    sheet().setFocus();
  }
  QLineEdit* line() { return find<QLineEdit>("handLine"); }
  void typeLine(const char* text) {
    line()->setFocus();
    line()->clear();
    type(text);
    key(Qt::Key_Return);
  }
  PlacementId kind(const char* kind) {
    for (const Placement& p : work().scheme()->placements)
      if (pieceOf(job(), p).kind == kind) return p.id;
    return {};
  }
  const Placement& placement(const PlacementId& id) { return *findPlacement(*work().scheme(), id); }
  const Piece& pieceAt(const PlacementId& id) { return pieceOf(job(), placement(id)); }
};

TEST_F(HandOver, NumbersEveryThingInOrder) {
  const auto marks = work().handMarks();
  ASSERT_FALSE(marks.empty());
  for (std::size_t i = 0; i < marks.size(); ++i) EXPECT_EQ(marks[i].number, static_cast<int>(i) + 1);
  key(Qt::Key_Tab);
  EXPECT_EQ(work().selected(), marks.front().id);
  key(Qt::Key_Tab);
  EXPECT_EQ(work().selected(), marks[1].id);
}
TEST_F(HandOver, AScreenReaderIsToldTheOrderAndWhatIsThere) {
  QAccessibleInterface* all = QAccessible::queryAccessibleInterface(&sheet());
  ASSERT_NE(all, nullptr);
  ASSERT_GT(all->childCount(), 2);
  EXPECT_TRUE(all->child(0)->text(QAccessible::Value).startsWith(QStringLiteral("1 of %1, ").arg(all->childCount())));
  const PlacementId first = work().handOrder().front();
  work().select(first);
  key(Qt::Key_Return);
  EXPECT_TRUE(all->child(0)->text(QAccessible::Value).endsWith(QStringLiteral(", is there")));
}
TEST_F(HandOver, EnterSaysItCameAsPlanned) {
  const PlacementId sofa = kind("sofa");
  const double width = pieceAt(sofa).width;
  work().select(sofa);
  key(Qt::Key_Return);
  EXPECT_TRUE(isDone(job(), placement(sofa)));
  EXPECT_EQ(pieceAt(sofa).width, width);
  EXPECT_NE(work().selected(), sofa);  // on to the next that is not there
  undo();
  EXPECT_FALSE(isDone(job(), placement(sofa)));
}
TEST_F(HandOver, WhatTheTapeReadsStaysWithThePiece) {
  const PlacementId sofa = kind("sofa");
  work().select(sofa);
  key(Qt::Key_8);  // a digit begins the line
  EXPECT_EQ(line()->text(), QStringLiteral("8"));
  type("4 1/2 x 37");
  key(Qt::Key_Return);
  EXPECT_NEAR(pieceAt(sofa).width, 84.5 * kInch, 1e-6);
  EXPECT_NEAR(*pieceAt(sofa).depth, 37 * kInch, 1e-6);
  EXPECT_TRUE(
      window_->notices().sentence().replace(QChar(0xA0), QLatin1Char(' ')).contains(QStringLiteral("84 1/2 in wide")));
}
TEST_F(HandOver, TheLineNamesThePiece) {
  work().select({});
  typeLine("sofa came 85 x 37");
  EXPECT_NEAR(pieceAt(kind("sofa")).width, 85 * kInch, 1e-6);
  EXPECT_TRUE(line()->text().isEmpty());
}
TEST_F(HandOver, TheLineOfTheFloorTakesItAsWell) {
  work().showStage(Stage::Floor);
  auto* floorLine = find<QLineEdit>("pieceLine");
  floorLine->setFocus();
  QTest::keyClicks(floorLine, QStringLiteral("sofa came 83 x 37"));
  QTest::keyClick(floorLine, Qt::Key_Return);
  EXPECT_NEAR(pieceAt(kind("sofa")).width, 83 * kInch, 1e-6);
  EXPECT_TRUE(floorLine->text().isEmpty());
}
TEST_F(HandOver, NonsenseChangesNothing) {
  const Job before = job();
  for (const char* text :
       {"sofa came big", "piano came 60 x 20", "hello", "sofa came 1 x 2 x 3 x 4", "came", "sofa came 0"}) {
    work().select({});
    typeLine(text);
    EXPECT_EQ(job(), before) << text;
    EXPECT_EQ(line()->text(), QString::fromUtf8(text));
  }
}
TEST_F(HandOver, OnAWallItIsTapedWhereItHangs) {
  QTest::mouseClick(find<QToolButton>("handWalls"), Qt::LeftButton);
  EXPECT_TRUE(work().handsWall());
  const auto order = work().handOrder();
  ASSERT_FALSE(order.empty());
  work().select(order.front());
  sheet().setFocus();
  key(Qt::Key_Return);
  const Placement& p = placement(order.front());
  ASSERT_TRUE(p.asHung.has_value());
  EXPECT_EQ(p.asHung->u, onWall(p.on)->u);
  work().select(order.front());
  typeLine("40 x 55 1/4");
  EXPECT_NEAR(placement(order.front()).asHung->u, 40 * kInch, 1e-6);
  EXPECT_NEAR(placement(order.front()).asHung->v, 55.25 * kInch, 1e-6);
  work().select(order.front());
  typeLine("40");
  EXPECT_EQ(line()->text(), QStringLiteral("40"));  // not understood, and still there
}
TEST_F(HandOver, NothingMovesHere) {
  const PlacementId sofa = kind("sofa");
  work().select(sofa);
  const Job before = job();
  key(Qt::Key_Right, Qt::ControlModifier);
  drag(floorPlace(placement(sofa).on).at, {200, 0});
  EXPECT_EQ(job(), before);
}
TEST_F(HandOver, ThePanelTellsWhatIsAtRiskStaleAndWaits) {
  const auto told = [&](const QString& words) {
    return QTest::qWaitFor(
        [&] {
          for (const QLabel* label : find<QWidget>("panel")->window()->findChildren<QLabel*>())
            if (label->isVisible() && label->text().contains(words)) return true;
          return false;
        },
        kPatience);
  };
  EXPECT_TRUE(told(QStringLiteral("Nothing was issued yet.")));
  EXPECT_TRUE(told(QStringLiteral("Say when work may begin")));
  ASSERT_TRUE(window_->document().edit(QStringLiteral("days"), withWorkDays(job(), "2027-01-11", "").value()));
  EXPECT_TRUE(told(QStringLiteral("All done on")));
  ASSERT_TRUE(window_->document().edit(QStringLiteral("issue"),
                                       issued(job(), builtInRulebook(), {}, "owner", "2026-11-20").value()));
  EXPECT_TRUE(told(QStringLiteral("The drawings are as in issue 1")));
  typeLine("sofa came 90 x 40");
  EXPECT_TRUE(told(QStringLiteral("are stale")));
  EXPECT_TRUE(told(QStringLiteral("Changed since issue 1")));
}
TEST_F(HandOver, OrdersAreTypedInPlace) {
  OrdersDialog dialog(work());
  dialog.show();
  auto* table = dialog.findChild<QTableWidget*>(QStringLiteral("orders"));
  ASSERT_GT(table->rowCount(), 0);
  const std::string name = table->item(0, 0)->text().toStdString();
  table->item(0, 4)->setText(QStringLiteral("42"));
  ASSERT_EQ(job().records->orders.size(), 1u);
  EXPECT_EQ(job().records->orders[0].leadDays, 42);
  EXPECT_EQ(findPiece(job(), job().records->orders[0].piece)->name, name);
  auto* state = dialog.findChild<QComboBox*>(QStringLiteral("order:0"));
  emit state->activated(1);
  QApplication::processEvents();
  EXPECT_EQ(job().records->orders[0].state, OrderState::Ordered);
  EXPECT_FALSE(job().records->orders[0].ordered.empty());
  const Job before = job();
  table->item(0, 3)->setText(QStringLiteral("next week"));
  EXPECT_EQ(job(), before);
  EXPECT_TRUE(
      dialog.findChild<QLabel*>(QStringLiteral("fieldComplaint"))->text().contains(QStringLiteral("is not a day")));
  table->item(0, 4)->setText(QStringLiteral("-3"));
  EXPECT_EQ(job(), before);
}
TEST_F(HandOver, TheWayInIsMeasuredLegByLeg) {
  DeliveryDialog dialog(work());
  dialog.show();
  QTest::mouseClick(dialog.findChild<QPushButton*>(QStringLiteral("addLeg")), Qt::LeftButton);
  auto* legs = dialog.findChild<QTableWidget*>(QStringLiteral("deliveryLegs"));
  ASSERT_EQ(legs->rowCount(), 1);
  legs->item(0, 2)->setText(QStringLiteral("20"));
  EXPECT_NEAR(*job().records->legs[0].width, 20 * kInch, 1e-9);
  auto* pieces = dialog.findChild<QListWidget*>(QStringLiteral("deliveryPieces"));
  EXPECT_TRUE(pieces->item(0)->text().contains(QStringLiteral(": no")));
  EXPECT_TRUE(
      dialog.findChild<QLabel*>(QStringLiteral("deliverySays"))->text().contains(QStringLiteral("does not go in")));
  legs->item(0, 2)->setText(QStringLiteral("60"));
  legs->item(0, 5)->setText(QStringLiteral("96"));
  EXPECT_FALSE(pieces->item(0)->text().contains(QStringLiteral(": no")));
  const Job before = job();
  legs->item(0, 2)->setText(QStringLiteral("wide"));
  EXPECT_EQ(job(), before);
  legs->item(0, 2)->setText(QString());  // a door without a width is none
  EXPECT_EQ(job(), before);
  emit dialog.findChild<QComboBox*>(QStringLiteral("leg:0:0"))->activated(2);
  QApplication::processEvents();
  EXPECT_EQ(job().records->legs[0].kind, LegKind::Turn);
  ASSERT_TRUE(job().records->legs[0].to.has_value());
  QTest::mouseClick(dialog.findChild<QPushButton*>(QStringLiteral("addLeg")), Qt::LeftButton);
  legs->setCurrentCell(1, 1);
  QTest::mouseClick(dialog.findChild<QPushButton*>(QStringLiteral("legUp")), Qt::LeftButton);
  QTest::mouseClick(dialog.findChild<QPushButton*>(QStringLiteral("removeLeg")), Qt::LeftButton);
  EXPECT_EQ(job().records->legs.size(), 1u);
}
TEST_F(HandOver, DatesAreWrittenForCalendars) {
  DatesDialog dialog(work(), files_);
  dialog.show();
  auto* starts = dialog.findChild<QLineEdit*>(QStringLiteral("datesStart"));
  const auto typeDay = [&](const char* text) {
    starts->setFocus();
    starts->selectAll();
    QTest::keyClicks(starts, QString::fromUtf8(text));
    QTest::keyClick(starts, Qt::Key_Return);
  };
  typeDay("soon");
  EXPECT_TRUE(job().records->starts.empty());
  typeDay("2027-01-11");
  EXPECT_EQ(job().records->starts, "2027-01-11");
  EXPECT_TRUE(dialog.findChild<QLabel*>(QStringLiteral("datesHeld"))->text().contains(QStringLiteral("All done on")));
  for (const char* ending : {".ics", ".csv"}) {
    const QString path = folder_.path() + QStringLiteral("/dates") + QString::fromUtf8(ending);
    EXPECT_FALSE(dialog.write(path).has_value());
    EXPECT_TRUE(QFile::exists(path));
  }
}
TEST_F(HandOver, ThePackIsWrittenAndIssued) {
  PackDialog dialog(work(), files_);
  dialog.show();
  ASSERT_TRUE(QTest::qWaitFor([&] { return !dialog.working(); }, kPatience));
  auto* sheets = dialog.findChild<QListWidget*>(QStringLiteral("packSheets"));
  EXPECT_EQ(sheets->count(), static_cast<int>(dialog.pack().contents.size()));
  const QString pdf = folder_.path() + QStringLiteral("/pack.pdf"), folder = folder_.path() + QStringLiteral("/pack");
  EXPECT_FALSE(dialog.write(pdf).has_value());
  EXPECT_FALSE(dialog.write(folder).has_value());
  EXPECT_EQ(QDir(folder).entryList({QStringLiteral("*.pdf")}).size(), sheets->count());
  EXPECT_TRUE(QFile::exists(folder + QStringLiteral("/contents.csv")));
  QTest::mouseClick(dialog.findChild<QPushButton*>(QStringLiteral("recordIssue")), Qt::LeftButton);
  ASSERT_EQ(job().records->issues.size(), 1u);
  EXPECT_TRUE(asIssued(job()));
  EXPECT_FALSE(dialog.findChild<QPushButton*>(QStringLiteral("recordIssue"))->isEnabled());
  ASSERT_TRUE(QTest::qWaitFor([&] { return !dialog.working(); }, kPatience));
  EXPECT_TRUE(dialog.findChild<QLabel*>(QStringLiteral("packSays"))->text().contains(QStringLiteral("Issue 1")));
  dialog.findChild<QLineEdit*>(QStringLiteral("packFirm"))->setText(QStringLiteral("A firm"));
  emit dialog.findChild<QLineEdit*>(QStringLiteral("packFirm"))->editingFinished();
  EXPECT_EQ(job().records->firm, "A firm");
}
TEST_F(HandOver, TheYearsAfterAreKept) {
  YearsDialog dialog(work());
  dialog.show();
  const auto put = [&](const char* date, const char* what) {
    dialog.findChild<QLineEdit*>(QStringLiteral("reviewDate"))->setText(QString::fromUtf8(date));
    dialog.findChild<QLineEdit*>(QStringLiteral("reviewWhat"))->setText(QString::fromUtf8(what));
    QTest::mouseClick(dialog.findChild<QPushButton*>(QStringLiteral("addReview")), Qt::LeftButton);
  };
  put("2027-02-30", "fixings");
  put("2027-03-01", "");
  EXPECT_TRUE(job().records->reviews.empty());
  put("2027-03-01", "fixings");
  ASSERT_EQ(job().records->reviews.size(), 1u);
  dialog.findChild<QCheckBox*>(QStringLiteral("review:0"))->setChecked(true);
  QApplication::processEvents();
  EXPECT_FALSE(job().records->reviews[0].done.empty());
}
TEST_F(HandOver, ASchemeIsMarkedAsBuilt) {
  sheet().setFocus();
  key(Qt::Key_K, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_EQ(job().records->building, std::vector<std::string>{work().schemeId().value});
  key(Qt::Key_K, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_TRUE(job().records->building.empty());
}
TEST_F(HandOver, RecordsOutliveTheWindow) {
  typeLine("sofa came 85 x 37");
  ASSERT_TRUE(window_->save(false));
  window_->document().close();
  window_.reset();
  open();
  EXPECT_EQ(job().records->orders.size(), 1u);
  EXPECT_NEAR(pieceAt(kind("sofa")).width, 85 * kInch, 1e-6);
}

/// A program that was started without a job.
class FirstPage : public testing::Test {
 protected:
  void SetUp() override {
    qputenv("XDG_STATE_HOME", (folder_.path() + QStringLiteral("/state")).toUtf8());
    window_ = std::make_unique<MainWindow>(files_, builtInRulebook());
    window_->newJob(true);
    window_->show();
    window_->activateWindow();
    ASSERT_TRUE(QTest::qWaitForWindowExposed(window_.get()));
  }
  void TearDown() override {
    window_->document().close();
    window_.reset();
  }
  template <class W>
  W* find(const char* name) {
    return window_->findChild<W*>(QString::fromUtf8(name));
  }
  QTemporaryDir folder_;
  FileSystem files_;
  std::unique_ptr<MainWindow> window_;
};
TEST_F(FirstPage, LeadsToMeasuring) {
  EXPECT_TRUE(find<QWidget>("welcome")->isVisible());
  QTest::mouseClick(find<QPushButton>("welcomeMeasure"), Qt::LeftButton);
  EXPECT_FALSE(find<QWidget>("welcome")->isVisible());
  EXPECT_EQ(window_->workspace().stage(), Stage::Measure);
}
TEST_F(FirstPage, OpensTheFerryHouseAsACopy) {
  QTest::mouseClick(find<QPushButton>("welcomeDemo"), Qt::LeftButton);
  EXPECT_FALSE(find<QWidget>("welcome")->isVisible());
  EXPECT_TRUE(window_->document().path().isEmpty());
  EXPECT_FALSE(window_->document().unsaved());
  EXPECT_EQ(window_->workspace().job().name, "The Ferry House");
  const QString saved = folder_.path() + QStringLiteral("/mine.mezzet");
  ASSERT_TRUE(window_->saveTo(saved, false));
  const auto again = readJobBytes(readFile(saved.toStdString(), 1 << 28).value(), "mine");
  ASSERT_TRUE(again.ok());
  EXPECT_EQ(again->job, window_->workspace().job());
  EXPECT_FALSE(again->images.empty());
}
TEST_F(FirstPage, GoesWithEscapeAndDoesNotComeBack) {
  QTest::keyClick(find<QPushButton>("welcomeMeasure"), Qt::Key_Escape);
  EXPECT_FALSE(find<QWidget>("welcome")->isVisible());
  window_->newJob();
  EXPECT_FALSE(find<QWidget>("welcome")->isVisible());
}

}  // namespace hand_over_test
}  // namespace mezzet
