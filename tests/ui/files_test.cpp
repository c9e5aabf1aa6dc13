#include <QComboBox>
#include <QDialog>
#include <QMenu>
#include <QMessageBox>
#include <QTimer>

#include "app/dialogs/print_dialog.h"
#include <set>

#include "support.h"
#include "support/process.h"

namespace mezzet {
namespace files_test {
using namespace test;

class Files : public WindowTest {
 protected:
  void move() { work().select(PlacementId("p2")), work().nudge({100, 0}); }
  void leaveWithoutClosing() { window_.reset(); }  // as a crash would: the journal stays
  QPushButton* noticeButton(const QString& text) {
    QApplication::processEvents();
    for (QPushButton* b : window_->notices().findChildren<QPushButton*>())
      if (b->text() == text && b->isVisible()) return b;
    return nullptr;
  }
};

TEST_F(Files, SavedAndOpenedAgainIsTheSameJob) {
  move();
  EXPECT_TRUE(window_->document().unsaved());
  ASSERT_TRUE(window_->save(false));
  EXPECT_FALSE(window_->document().unsaved());
  const Job saved = job();
  window_->document().close();
  open();
  EXPECT_EQ(job(), saved);
  EXPECT_FALSE(work().images().find(findPiece(job(), PieceId("river"))->image) == nullptr);
}
TEST_F(Files, UndoBackToTheSavedStateIsNotUnsaved) {
  move();
  undo();
  EXPECT_FALSE(window_->document().unsaved());
}
TEST_F(Files, ClosingAsksOnlyWhenSomethingIsUnsaved) {
  EXPECT_TRUE(window_->close());
  window_->show();
  move();
  bool asked = false;
  QTimer::singleShot(0, [&] {
    auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget());
    asked = box != nullptr;
    if (box != nullptr) box->reject();
  });
  EXPECT_FALSE(window_->close());
  EXPECT_TRUE(asked);
}
TEST_F(Files, ACrashIsOfferedBackAndIsOneEdit) {
  const Job saved = job();
  move();
  move();
  const Job edited = job();
  leaveWithoutClosing();
  open();
  EXPECT_EQ(job(), saved);
  ASSERT_TRUE(QTest::qWaitFor([&] { return !window_->notices().sentence().isEmpty(); }));
  EXPECT_TRUE(window_->notices().sentence().contains(QStringLiteral("2 edits were not saved")))
      << window_->notices().sentence().toStdString();
  QTest::mouseClick(noticeButton(QStringLiteral("Bring them back")), Qt::LeftButton);
  EXPECT_EQ(job(), edited);
  undo();
  EXPECT_EQ(job(), saved);
}
TEST_F(Files, ACrashCanBeThrownAway) {
  move();
  leaveWithoutClosing();
  open();
  ASSERT_TRUE(QTest::qWaitFor([&] { return noticeButton(QStringLiteral("Throw them away")) != nullptr; }));
  QTest::mouseClick(noticeButton(QStringLiteral("Throw them away")), Qt::LeftButton);
  window_->document().close();
  open();
  QApplication::processEvents();
  EXPECT_TRUE(window_->notices().sentence().isEmpty());
}
TEST_F(Files, AfterTheSavedFileChangedACrashComesBackAsACopy) {
  move();
  const Job edited = job();
  leaveWithoutClosing();
  QFile::remove(path_);
  ASSERT_TRUE(QFile::copy(QStringLiteral(MEZZET_SOURCE_DIR "/tests/data/parlour.json"), path_));
  open();
  ASSERT_TRUE(QTest::qWaitFor([&] { return noticeButton(QStringLiteral("Bring them back")) != nullptr; }));
  QTest::mouseClick(noticeButton(QStringLiteral("Bring them back")), Qt::LeftButton);
  EXPECT_TRUE(window_->document().path().isEmpty());
  EXPECT_TRUE(window_->document().unsaved());
  EXPECT_EQ(job().schemes.front()->placements, edited.schemes.front()->placements);
}
TEST_F(Files, ASecondWindowOnOneFileOnlyLooks) {
  MainWindow second(files_, builtInRulebook());
  second.openPath(path_);
  EXPECT_TRUE(second.document().readOnly());
  EXPECT_FALSE(second.notices().sentence().isEmpty());
  second.workspace().select(PlacementId("p2"));
  const Job before = second.document().job();
  second.workspace().nudge({100, 0});
  EXPECT_EQ(second.document().job(), before);
}
TEST_F(Files, AForeignFileIsRefusedAndTheJobStays) {
  const QString foreign = folder_.path() + QStringLiteral("/foreign.mezzet");
  QFile file(foreign);
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write("PK\x03\x04 nothing of ours");
  file.close();
  const Job before = job();
  window_->openPath(foreign);
  EXPECT_EQ(job(), before);
  EXPECT_EQ(window_->notices().sentence(),
            QStringLiteral("foreign.mezzet: is not a whole Mezzet file. It may be cut short or damaged; open a copy."));
}
TEST_F(Files, ASaveThatFailsSaysSoAndKeepsEverything) {
  class Full : public FileSystem {
   public:
    std::optional<std::string> sync(const std::string&) override { return "No space left on device"; }
  } disk;
  MainWindow window(disk, builtInRulebook());
  const QString other = folder_.path() + QStringLiteral("/other.mezzet");
  ASSERT_TRUE(QFile::copy(QStringLiteral(MEZZET_PARLOUR), other));
  window.openPath(other);
  window.workspace().select(PlacementId("p2"));
  window.workspace().nudge({100, 0});
  const Job before = window.document().job();
  EXPECT_FALSE(window.save(false));
  EXPECT_EQ(window.document().job(), before);
  EXPECT_TRUE(window.document().unsaved());
  EXPECT_TRUE(window.notices().sentence().contains(QStringLiteral("No space left on device")));
  window.document().close();
}
TEST_F(Files, AWallAndTheListArePrintedInEveryFormat) {
  PrintDialog dialog(work(), files_);
  auto* kind = dialog.findChild<QComboBox*>(QStringLiteral("sheetKind"));
  dialog.findChild<QComboBox*>(QStringLiteral("scale"))->setCurrentIndex(0);  // the largest that fits
  for (const char* what : {"plan", "wall:A", "schedule"}) {
    kind->setCurrentIndex(kind->findData(QString::fromUtf8(what)));
    for (const auto& [ending, begins] :
         {std::pair{".pdf", "%PDF-"}, std::pair{".svg", "<?xml"}, std::pair{".png", "\x89PNG"}}) {
      const QString path = folder_.path() + QStringLiteral("/sheet") + QString::fromUtf8(ending);
      ASSERT_FALSE(dialog.write(path)) << what << ending;
      QFile file(path);
      ASSERT_TRUE(file.open(QIODevice::ReadOnly));
      const QByteArray bytes = file.readAll();
      EXPECT_TRUE(bytes.startsWith(begins)) << what << ending;
      if (std::string_view(ending) != ".png") continue;
      // A picture that can be read again, and is not blank.
      const QImage picture = QImage::fromData(bytes);
      ASSERT_FALSE(picture.isNull()) << what;
      std::set<QRgb> colours;
      for (int x = 0; x < picture.width(); ++x) colours.insert(picture.pixel(x, picture.height() / 2));
      EXPECT_GT(colours.size(), 1U) << what;
    }
  }
  const auto fault = dialog.write(folder_.path() + QStringLiteral("/sheet.doc"));
  ASSERT_TRUE(fault);
  EXPECT_EQ(fault->what, "has an ending that Mezzet does not write");
}
TEST_F(Files, ThePlanIsPrintedFromTheWindow) {
  PrintDialog dialog(work(), files_);
  const QString pdf = folder_.path() + QStringLiteral("/plan.pdf");
  EXPECT_FALSE(dialog.write(pdf));
  // Read back as whoever gets it would: the sheet says what it is of.
  const test::Answer words = test::run("pdftotext " + pdf.toStdString() + " -");
  ASSERT_EQ(words.code, 0);
  EXPECT_NE(words.out.find("Floor plan"), std::string::npos) << words.out;
  EXPECT_NE(words.out.find(work().room()->name), std::string::npos) << words.out;
}

TEST_F(Files, AJobThatWasNeverSavedComesBackAfterACrash) {
  window_->newJob();
  IdSource ids(5);
  Room room;
  room.id = RoomId("r");
  room.name = "Attic";
  room.ceilingHeight = 2400;
  room.corners = {{CornerId("A"), {0, 0}}, {CornerId("B"), {4000, 0}}, {CornerId("C"), {4000, 3000}}};
  ASSERT_TRUE(window_->document().edit(QStringLiteral("measure the attic"), withRoom(job(), room).value(), 6));
  leaveWithoutClosing();
  open();
  window_->offerAbandoned();
  EXPECT_FALSE(window_->notices().sentence().contains(QStringLiteral("never saved"))) << "another job is open";
  window_->newJob();
  window_->offerAbandoned();
  ASSERT_TRUE(QTest::qWaitFor([&] { return window_->notices().sentence().contains(QStringLiteral("never saved")); }));
  QTest::mouseClick(noticeButton(QStringLiteral("Bring them back")), Qt::LeftButton);
  ASSERT_NE(work().room(), nullptr);
  EXPECT_EQ(work().room()->name, "Attic");
  EXPECT_TRUE(window_->document().unsaved());
  EXPECT_TRUE(window_->document().path().isEmpty());
}
TEST_F(Files, ANewerFileIsRefusedByNameAndTheJobStays) {
  const QString newer = folder_.path() + QStringLiteral("/newer.json");
  QFile demo(QStringLiteral(MEZZET_SOURCE_DIR "/tests/data/parlour.json")), file(newer);
  ASSERT_TRUE(demo.open(QIODevice::ReadOnly) && file.open(QIODevice::WriteOnly));
  file.write(
      demo.readAll().replace("\"version\": 2", QByteArray("\"version\": ") + QByteArray::number(kJobVersion + 1)));
  file.close();
  const Job before = job();
  window_->openPath(newer);
  EXPECT_EQ(job(), before);
  EXPECT_TRUE(window_->notices().sentence().contains(QStringLiteral("newer Mezzet")))
      << window_->notices().sentence().toStdString();
}
TEST_F(Files, APaperThatIsTooSmallIsSaidAndNothingIsWritten) {
  PrintDialog dialog(work(), files_);
  auto* scale = dialog.findChild<QComboBox*>(QStringLiteral("scale"));
  scale->setCurrentIndex(scale->findData(24));
  EXPECT_TRUE(dialog.findChild<QLabel*>(QStringLiteral("fit"))
                  ->text()
                  .startsWith(QStringLiteral("Guests' parlour: does not fit Letter at 1/2 in = 1 ft (1:24).")));
  EXPECT_FALSE(dialog.findChild<QPushButton*>(QStringLiteral("primary"))->isEnabled());
  const QString pdf = folder_.path() + QStringLiteral("/no.pdf");
  EXPECT_TRUE(dialog.write(pdf));
  EXPECT_FALSE(QFile::exists(pdf));
}
TEST_F(Files, RecentJobsAreRemembered) {
  QAction* recent = window_->findChild<QAction*>(QStringLiteral("recent"));
  ASSERT_TRUE(recent->menu() != nullptr && !recent->menu()->isEmpty());
  EXPECT_TRUE(recent->menu()->actions().front()->text().startsWith(QStringLiteral("job.mezzet")));
}
TEST_F(Files, SizesThatWereNotTouchedKeepTheirExactValue) {
  Piece odd = *findPiece(job(), PieceId("table"));
  odd.depth = 611.3;  // no sixteenth of an inch
  ASSERT_TRUE(window_->document().edit(QStringLiteral("odd"), withPiece(job(), odd).value()));
  work().select(PlacementId("p2"));
  QTimer::singleShot(0, [] {
    auto* dialog = QApplication::activeModalWidget();
    ASSERT_NE(dialog, nullptr);
    dialog->findChild<QLineEdit*>(QStringLiteral("piece:width"))->setText(QStringLiteral("50"));
    dialog->findChild<QPushButton*>(QStringLiteral("primary"))->click();
  });
  window_->findChild<QAction*>(QStringLiteral("sizes"))->trigger();
  EXPECT_NEAR(findPiece(job(), PieceId("table"))->width, 50 * kInch, 1e-9);
  EXPECT_EQ(findPiece(job(), PieceId("table"))->depth, 611.3);
}

}  // namespace files_test
}  // namespace mezzet
