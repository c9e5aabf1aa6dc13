// What the window promises of unsaved work and of files of others: kills, full disks, names that are taken.
#include <QFileInfo>
#include <QMessageBox>
#include <QTimer>

#include "app/document/saving.h"
#include "app/stages/measure/site_panel.h"
#include "support.h"
#include "support/faulty_files.h"

namespace mezzet {
namespace trust_test {
using namespace test;

class Trust : public WindowTest {
 protected:
  void move(double by = 100) { work().select(PlacementId("p2")), work().nudge({by, 0}); }
  void crash() { window_.reset(); }
  /// A window that was started without a file.
  void startEmpty() {
    window_ = std::make_unique<MainWindow>(files_, builtInRulebook());
    window_->newJob();
    window_->show();
    window_->offerAbandoned();
    QApplication::processEvents();
  }
  QPushButton* noticeButton(const QString& text) {
    QApplication::processEvents();
    for (QPushButton* b : window_->notices().findChildren<QPushButton*>())
      if (b->text() == text && b->isVisible()) return b;
    return nullptr;
  }
  void bringBack() {
    ASSERT_TRUE(QTest::qWaitFor([&] { return noticeButton(QStringLiteral("Bring them back")) != nullptr; }));
    QTest::mouseClick(noticeButton(QStringLiteral("Bring them back")), Qt::LeftButton);
  }
  /// Answers the next question by the button whose words begin so; what was asked is in `asked_`.
  void answer(const QString& begins) {
    asked_.clear();
    QTimer::singleShot(0, [this, begins] {
      auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget());
      if (box == nullptr) return;
      asked_ = box->text();
      for (QAbstractButton* b : box->buttons())
        if (b->text().startsWith(begins)) return b->click();
      box->reject();
    });
  }
  [[nodiscard]] QString bytesOf(const QString& path) {
    QFile file(path);
    return file.open(QIODevice::ReadOnly) ? QString::fromLatin1(file.readAll().toHex()) : QString();
  }
  QString asked_;
};

TEST_F(Trust, BroughtBackInAWindowWithoutAFileLaterEditsOutliveASecondKill) {
  move();
  crash();
  startEmpty();
  bringBack();
  EXPECT_EQ(window_->document().path(), path_);
  move();
  const Job last = job();
  crash();
  startEmpty();
  bringBack();
  EXPECT_EQ(job(), last);
  window_->document().close();
  startEmpty();
  EXPECT_TRUE(window_->notices().sentence().isEmpty()) << "the same offer again";
}
TEST_F(Trust, AnUnsavedJobThatWasBroughtBackIsOfferedAfterASecondKill) {
  window_->document().close();
  startEmpty();
  Room room;
  room.id = RoomId("r");
  room.name = "Attic";
  room.ceilingHeight = 2400;
  room.corners = {{CornerId("A"), {0, 0}}, {CornerId("B"), {4000, 0}}, {CornerId("C"), {4000, 3000}}};
  ASSERT_TRUE(window_->document().edit(QStringLiteral("measure the attic"), withRoom(job(), room).value(), 6));
  for (int kill = 0; kill < 3; ++kill) {
    crash();
    startEmpty();
    bringBack();
    ASSERT_NE(work().room(), nullptr) << "kill " << kill;
    EXPECT_EQ(work().room()->name, "Attic");
  }
}
TEST_F(Trust, UnkeptEditsAreToldUntilTheyAreKept) {
  FaultyFiles disk;
  MainWindow window(disk, builtInRulebook());
  const QString other = folder_.path() + QStringLiteral("/full.mezzet");
  ASSERT_TRUE(QFile::copy(path_, other));
  window.openPath(other);
  window.workspace().select(PlacementId("p2"));
  disk.full = true;
  window.workspace().nudge({100, 0});
  EXPECT_TRUE(window.notices().sentence().contains(QStringLiteral("No space left on device")))
      << window.notices().sentence().toStdString();
  EXPECT_TRUE(window.windowTitle().contains(QStringLiteral("a crash would lose it")));
  window.workspace().nudge({100, 0});
  EXPECT_TRUE(window.notices().sentence().contains(QStringLiteral("No space left on device")));
  disk.full = false;
  window.workspace().nudge({100, 0});
  EXPECT_TRUE(window.notices().sentence().isEmpty()) << "its cause has gone";
  EXPECT_FALSE(window.windowTitle().contains(QStringLiteral("a crash would lose it")));
  window.document().close();
}
TEST_F(Trust, TypedWallsComeBackAfterAKill) {
  window_->document().close();
  startEmpty();
  ASSERT_TRUE(QTest::qWaitForWindowExposed(window_.get()));
  auto* run = find<QLineEdit>("runA");
  run->setFocus();
  run->selectAll();
  QTest::keyClicks(run, QStringLiteral("150"));
  QTest::keyClick(run, Qt::Key_Return);
  crash();
  startEmpty();
  ASSERT_TRUE(QTest::qWaitFor([&] {
    return window_->notices().sentence().contains(QStringLiteral("walls that were being typed"));
  })) << window_->notices().sentence().toStdString();
  bringBack();
  EXPECT_EQ(find<QLineEdit>("runA")->text(), QStringLiteral("150 in"));
  // Asked about on closing; staying loses nothing.
  answer(QStringLiteral("Stay"));
  EXPECT_FALSE(window_->close());
  EXPECT_TRUE(asked_.contains(QStringLiteral("walls that were typed"))) << asked_.toStdString();
  EXPECT_EQ(find<QLineEdit>("runA")->text(), QStringLiteral("150 in"));
  answer(QStringLiteral("Leave without"));
  EXPECT_TRUE(window_->close());
}
TEST_F(Trust, ABareJobIsNotSavedOverItsNeighbour) {
  const QString bare = folder_.path() + QStringLiteral("/x.json"), neighbour = bare + QStringLiteral(".mezzet");
  ASSERT_TRUE(QFile::copy(QStringLiteral(MEZZET_SOURCE_DIR "/tests/data/parlour.json"), bare));
  ASSERT_TRUE(QFile::copy(path_, neighbour));
  window_->openPath(bare);
  const QString before = bytesOf(neighbour);
  answer(QStringLiteral("Do not"));
  EXPECT_FALSE(window_->save(false));
  EXPECT_TRUE(asked_.contains(QStringLiteral("x.json.mezzet is there already"))) << asked_.toStdString();
  EXPECT_EQ(bytesOf(neighbour), before);
  answer(QStringLiteral("Save beside"));
  EXPECT_TRUE(window_->save(false));
  EXPECT_EQ(bytesOf(neighbour), before);
  EXPECT_TRUE(QFile::exists(folder_.path() + QStringLiteral("/x.json 2.mezzet")));
}
TEST_F(Trust, ANameThatAnEndingMakesIsAskedAbout) {
  const QString there = folder_.path() + QStringLiteral("/room.dxf"), bare = folder_.path() + QStringLiteral("/room");
  ASSERT_TRUE(QFile::copy(path_, there));
  answer(QStringLiteral("Do not"));
  EXPECT_EQ(withEnding(bare, QStringLiteral(".dxf"), window_.get()), QString());
  EXPECT_TRUE(asked_.contains(QStringLiteral("room.dxf is there already"))) << asked_.toStdString();
  answer(QStringLiteral("Replace"));
  EXPECT_EQ(withEnding(bare, QStringLiteral(".dxf"), window_.get()), there);
  EXPECT_EQ(withEnding(bare, QStringLiteral(".csv"), window_.get()), bare + QStringLiteral(".csv"));
}
TEST_F(Trust, InASmallWindowEveryPanelIsReachedByScrolling) {
  window_->resize(800, 600);
  work().select(PlacementId("p2"));
  for (const Stage stage : {Stage::Brief, Stage::Measure, Stage::Floor, Stage::Walls}) {
    work().showStage(stage);
    QApplication::processEvents();
    ASSERT_EQ(window_->size(), QSize(800, 600));
    for (QWidget* w : window_->findChildren<QWidget*>()) {
      if (!w->isVisible() || w->focusPolicy() == Qt::NoFocus || w->inherits("QScrollBar") || w->inherits("QMenuBar"))
        continue;
      // Inside the window as it is, or in something that scrolls.
      bool scrolls = false;
      for (QWidget* up = w->parentWidget(); up != nullptr; up = up->parentWidget())
        scrolls = scrolls || up->inherits("QAbstractScrollArea");
      const QRect place(w->mapTo(window_.get(), QPoint()), w->size());
      EXPECT_TRUE(scrolls || window_->rect().contains(place))
          << w->metaObject()->className() << " " << w->objectName().toStdString();
    }
  }
}
TEST_F(Trust, AnImageBesideTheJournalIsForItsOwnerAlone) {
  const auto name = window_->document().addImage("\x89PNG of some kind", "png");
  ASSERT_TRUE(name.ok());
  const QFileInfo kept(QString::fromStdString(journalFolder() + "/images/" + *name));
  EXPECT_EQ(kept.permissions() & ~(QFile::ReadUser | QFile::WriteUser), QFile::ReadOwner | QFile::WriteOwner);
}
TEST_F(Trust, AFileThatAnotherProgramChangedIsNotSavedOver) {
  move();
  QFile file(path_);
  ASSERT_TRUE(file.open(QIODevice::Append));
  file.write("more");
  file.close();
  const QString before = bytesOf(path_);
  answer(QStringLiteral("Save beside"));
  EXPECT_TRUE(window_->save(false));
  EXPECT_TRUE(asked_.contains(QStringLiteral("changed by another program"))) << asked_.toStdString();
  EXPECT_EQ(bytesOf(path_), before);
  EXPECT_EQ(window_->document().path(), folder_.path() + QStringLiteral("/job 2.mezzet"));
}
TEST_F(Trust, AJobThatIsOpenInAnotherWindowIsNotSavedOver) {
  MainWindow other(files_, builtInRulebook());
  other.newJob();
  EXPECT_FALSE(other.saveTo(path_, true));
  EXPECT_TRUE(other.notices().sentence().contains(QStringLiteral("is open in another window")))
      << other.notices().sentence().toStdString();
  other.document().close();
}
TEST_F(Trust, ACrowdedRoomIsJudgedBesideTheInterfaceAndSaysTheSame) {
  Scheme crowd = *work().scheme();
  crowd.placements.clear();
  for (int i = 0; i < 150; ++i)
    crowd.placements.push_back({PlacementId("c" + std::to_string(i)),
                                PieceId("table"),
                                FloorPlace{{300.0 + 110 * (i % 40), 300.0 + 700 * (i / 40)}, 0},
                                {}});
  ASSERT_TRUE(window_->document().edit(QStringLiteral("a crowd"), withScheme(job(), crowd)));
  EXPECT_TRUE(work().judging());
  EXPECT_TRUE(work().findings().empty());
  ASSERT_TRUE(QTest::qWaitFor([&] { return !work().routesPending(); }, 60'000));
  const RouteFacts* routes = work().routes();
  ASSERT_NE(routes, nullptr);
  const auto expected = check(job(), work().book(), work().schemeId(), work().format(), {UseState::Everyday, routes});
  ASSERT_EQ(work().findings().size(), expected.size());
  for (std::size_t i = 0; i < expected.size(); ++i) EXPECT_EQ(work().findings()[i].id, expected[i].id);
  EXPECT_FALSE(work().decisions().empty());
  undo();
  EXPECT_FALSE(work().judging());
  EXPECT_FALSE(work().findings().empty());
}
TEST_F(Trust, WaysOutOfAFullRoomArriveAfterItsRoutesDid) {
  Scheme full = *work().scheme();
  for (int i = 0; i < 50; ++i)
    full.placements.push_back({PlacementId("c" + std::to_string(i)),
                               PieceId("table"),
                               FloorPlace{{300.0 + 110 * (i % 40), 300.0 + 700 * (i / 40)}, 0},
                               {}});
  ASSERT_TRUE(window_->document().edit(QStringLiteral("a full room"), withScheme(job(), full)));
  EXPECT_FALSE(work().judging());
  ASSERT_FALSE(work().decisions().empty());
  ASSERT_TRUE(QTest::qWaitFor(
      [&] { return !work().routesPending() && work().waysShown(work().decisions().front()) != nullptr; }, 60'000));
  EXPECT_TRUE(QTest::qWaitFor([&] {
    for (const QLabel* label : window_->findChildren<QLabel*>())
      if (label->isVisible() && label->text() == QStringLiteral("Looking for ways out ...")) return false;
    return true;
  }));
}
TEST_F(Trust, OutOfMemoryIsSaidAndTheJobStays) {
  const Job before = job();
  QMetaObject::invokeMethod(
      window_.get(), [] { throw std::bad_alloc(); }, Qt::QueuedConnection);
  EXPECT_TRUE(QTest::qWaitFor([&] {
    return window_->notices().sentence().startsWith(QStringLiteral("There was too little memory for this."));
  }));
  EXPECT_EQ(job(), before);
}
TEST_F(Trust, AMeasureSentByAMeterGoesIntoNoName) {
  work().showStage(Stage::Measure);
  QLineEdit name;
  name.setText(QStringLiteral("as it was"));
  name.show();
  name.activateWindow();
  ASSERT_TRUE(QTest::qWaitForWindowActive(&name));
  name.setFocus();
  ASSERT_TRUE(QTest::qWaitFor([&] { return QApplication::focusWidget() == &name; }));
  window_->site().drop(1234, 1);
  EXPECT_EQ(name.text(), QStringLiteral("as it was"));
  EXPECT_TRUE(find<QLabel>("meterLive")->text().contains(QStringLiteral("put the keyboard into a field for a length")))
      << find<QLabel>("meterLive")->text().toStdString();
}

}  // namespace trust_test
}  // namespace mezzet
