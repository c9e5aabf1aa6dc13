// The site as it is recorded: openings, heights, fixed things, studs, a traced plan, the meter, photographs, drawings,
// the house.
#include <QComboBox>
#include <QImage>
#include <QLocalServer>
#include <QLocalSocket>
#include <QPainter>
#include <QSpinBox>
#include <signal.h>
#include <sys/socket.h>
#include <sys/stat.h>
#include <sys/un.h>
#include <sys/wait.h>
#include <unistd.h>

#include "app/dialogs/dxf_dialog.h"
#include "app/stages/measure/photographs_page.h"
#include "app/stages/measure/site_panel.h"
#include "app/stages/measure/trace_page.h"
#include "app/stages/measure/trace_view.h"
#include "core/site/heights.h"
#include "core/site/openings.h"
#include "core/site/studs.h"
#include "io/tables/dxf.h"
#include "io/meter/meter_line.h"
#include "support.h"

namespace mezzet {
namespace site_test {

class Site : public test::WindowTest {
 protected:
  [[nodiscard]] const Room& room() { return *work().room(); }
  /// Types into the field of that name that is on show now.
  void typeInto(const char* name, const char* text) {
    QApplication::processEvents();
    for (auto* field : window_->findChildren<QLineEdit*>(QString::fromUtf8(name)))
      if (field->isVisible()) {
        field->setFocus();
        field->setText(QString::fromUtf8(text));
        field->setModified(true);
        QTest::keyClick(field, Qt::Key_Return);
        return;
      }
    FAIL() << name << " is not on show";
  }
  void choose(const char* name, int index) {
    QApplication::processEvents();
    for (auto* box : window_->findChildren<QComboBox*>(QString::fromUtf8(name)))
      if (box->isVisible()) return box->setCurrentIndex(index);
    FAIL() << "no choice " << name;
  }
  void unfold(const char* begins) {
    QApplication::processEvents();
    for (QPushButton* b : window_->findChildren<QPushButton*>(QStringLiteral("fold")))
      if (b->isVisible() && b->text().startsWith(QString::fromUtf8(begins))) {
        b->click();
        QApplication::processEvents();
        return;
      }
    FAIL() << "no row that begins with " << begins;
  }
  bool says(const QString& words) {
    QApplication::processEvents();
    for (QLabel* label : window_->findChildren<QLabel*>())
      if (label->isVisible() && label->text().contains(words)) return true;
    return false;
  }
};

TEST_F(Site, EveryTopicHasAKey) {
  const Topic topics[] = {Topic::Walls,  Topic::Openings, Topic::Heights,     Topic::Fixed,
                          Topic::InWall, Topic::Picture,  Topic::Photographs, Topic::House};
  for (int i = 0; i < 8; ++i) {
    QTest::keyClick(window_.get(), static_cast<Qt::Key>(Qt::Key_1 + i), Qt::ControlModifier);
    EXPECT_EQ(work().topic(), topics[i]);
    EXPECT_EQ(work().stage(), Stage::Measure);
  }
}
TEST_F(Site, AnOpeningsThreeReadingsCloseAlongItsWall) {
  work().showTopic(Topic::Openings);
  unfold("Door on wall F");
  typeInto("openingOffset", "100");
  typeInto("openingWidth", "34");
  const double wall = findWall(room(), CornerId("F"))->length() / kInch;
  typeInto("openingEnd", (std::to_string(wall - 134 + 0.5)).c_str());
  ASSERT_EQ(room().openings[0].readings.size(), 3U);
  EXPECT_TRUE(says(QStringLiteral("Offset, width and offset make 1/2 in more than the wall.")
                       .replace(QStringLiteral("1/2 in"), QStringLiteral("1/2\u00a0in"))));
  EXPECT_NEAR(room().openings[0].offset, 100 * kInch, 6);
  undo();
  EXPECT_EQ(room().openings[0].readings.size(), 2U);
}
TEST_F(Site, AReadingAtTheTrimNeedsTheTrim) {
  work().showTopic(Topic::Openings);
  unfold("Door on wall F");
  const Job before = job();
  typeInto("openingOffset", "97 1/2 trim");
  EXPECT_EQ(job(), before);
  EXPECT_TRUE(says(QStringLiteral("Measure the trim, or read at the jamb")));
  typeInto("openingTrim", "2 1/2");
  typeInto("openingOffset", "97 1/2 trim");
  EXPECT_NEAR(room().openings[0].offset, 100 * kInch, 0.01);
}
TEST_F(Site, HeightsAreTypedCornerByCorner) {
  work().showTopic(Topic::Heights);
  for (const char* figure : {"98", "98 1/16", "97 15/16"}) typeInto("heightFigure", figure);
  ASSERT_EQ(room().heights.size(), 3U);
  EXPECT_NE(room().heights[0].at, room().heights[1].at);
  EXPECT_NEAR(room().ceilingHeight, 98 * kInch, 0.5);
  EXPECT_EQ(room().heights[1].taken.typed, "98 1/16");
  // From now on they say how high the ceiling is.
  EXPECT_FALSE(find<QLineEdit>("ceiling")->isEnabled());
}
TEST_F(Site, AHeightIsTakenWhereThePlanWasClicked) {
  work().showTopic(Topic::Heights);
  click({1500, 1200});
  typeInto("heightFigure", "96");
  ASSERT_EQ(room().heights.size(), 1U);
  EXPECT_NEAR(room().heights[0].at.x, 1500, 15);
  EXPECT_NEAR(room().heights[0].at.y, 1200, 15);
}
TEST_F(Site, SillyHeightsAreRefusedInPlace) {
  work().showTopic(Topic::Heights);
  const Job before = job();
  for (const char* silly : {"0", "-3", "ninety", "900 m"}) typeInto("heightFigure", silly);
  EXPECT_EQ(job(), before);
}
TEST_F(Site, ASlopingCeilingIsChosen) {
  work().showTopic(Topic::Heights);
  for (const char* figure : {"98", "98", "90", "90"}) typeInto("heightFigure", figure);
  choose("ceilingShape", 1);
  EXPECT_EQ(room().ceiling, CeilingShape::Sloped);
  EXPECT_TRUE(says(QStringLiteral("The ceiling slopes at")));
}
TEST_F(Site, AStairSaysWhetherItReaches) {
  work().showTopic(Topic::Fixed);
  button(QStringLiteral("addStair"))->click();
  ASSERT_EQ(room().features.back().kind, FeatureKind::Stair);
  typeInto("stairRise", "106 1/2");
  EXPECT_TRUE(says(QStringLiteral("It does not reach the floor above: 9")));
  typeInto("stairRiser", "8 3/16");
  EXPECT_TRUE(says(QStringLiteral("It reaches the floor above.")));
}
TEST_F(Site, ANicheGoesIntoItsWall) {
  work().showTopic(Topic::Fixed);
  button(QStringLiteral("addNiche"))->click();
  ASSERT_EQ(room().features.back().kind, FeatureKind::Niche);
  const Job before = job();
  typeInto("fixedDepth", "30");
  EXPECT_EQ(job(), before);
  EXPECT_TRUE(says(QStringLiteral("less than the niche is deep")));
}
TEST_F(Site, TapsFindTheStuds) {
  work().showTopic(Topic::InWall);
  work().showWall(CornerId("A"));
  typeInto("stud-taps", "5, 21 1/4, 37, 53");
  const StudRecord* studs = studsOf(room(), CornerId("A"));
  ASSERT_NE(studs, nullptr);
  EXPECT_EQ(studs->hits.size(), 4U);
  EXPECT_TRUE(says(QStringLiteral("Studs every 16")));
  EXPECT_TRUE(says(QStringLiteral("detect before drilling")));
  typeInto("stud-taps", "5, oak");
  EXPECT_EQ(studsOf(room(), CornerId("A"))->hits.size(), 4U);
}
TEST_F(Site, ASocketGoesWhereTheWallWasClicked) {
  work().showTopic(Topic::InWall);
  work().showWall(CornerId("A"));
  const double length = findWall(room(), CornerId("A"))->length();
  click({1000, 400});
  button(QStringLiteral("add-socket"))->click();
  ASSERT_EQ(room().points.size(), 1U);
  EXPECT_NEAR(room().points[0].along, length - 1000, 15);
  EXPECT_NEAR(room().points[0].height, 400, 15);
  typeInto("pointHeight", "18");
  EXPECT_NEAR(room().points[0].height, 18 * kInch, 1e-6);
}

// ---- a plan that is traced
QString planPicture(const QTemporaryDir& folder) {
  // 10 mm to the pixel: a room of 5000 x 3000.
  QImage image(700, 500, QImage::Format_RGB32);
  image.fill(Qt::white);
  QPainter p(&image);
  p.drawRect(100, 100, 500, 300);
  p.end();
  const QString path = folder.path() + QStringLiteral("/plan.png");
  image.save(path);
  return path;
}
class Tracing : public Site {
 protected:
  void takeIn() {
    window_->newJob();
    window_->workspace().switchUnits();
    work().showTopic(Topic::Picture);
    window_->site().tracing().takeIn(planPicture(folder_));
    ASSERT_TRUE(QTest::qWaitFor([&] { return work().room() != nullptr && work().room()->underlay.has_value(); }));
    QApplication::processEvents();
  }
  void point(double x, double y) {
    QTest::mouseClick(&window_->traceView(), Qt::LeftButton, {}, window_->traceView().onScreen({x, y}).toPoint());
  }
  void knownLength(double x1, double y1, double x2, double y2, const char* length) {
    point(x1, y1);
    point(x2, y2);
    typeInto("traceFirst", length);
  }
};
TEST_F(Tracing, ARoomBeginsFromAPlanAndIsCorrectedByTape) {
  takeIn();
  knownLength(100, 100, 600, 100, "5000");
  EXPECT_TRUE(says(QStringLiteral("nothing checks it")));
  knownLength(100, 100, 100, 400, "3000");
  ASSERT_EQ(room().underlay->known.size(), 2U);
  choose("traceHand", 2);
  for (const auto& [x, y] : {std::pair(100, 400), std::pair(600, 400), std::pair(600, 100), std::pair(100, 100)})
    point(x, y);
  ASSERT_EQ(room().underlay->trace.size(), 4U);
  point(100, 400);  // the first again
  ASSERT_TRUE(room().survey);
  EXPECT_NEAR(room().corners[1].at.x, 5000, 40);
  EXPECT_NEAR(room().corners[2].at.y, 3000, 40);
  Reading tape;
  tape.id = ReadingId("tape");
  tape.from = CornerId("A");
  tape.to = CornerId("B");
  tape.value = 5100;
  ASSERT_FALSE(work().read(tape));
  EXPECT_NEAR(room().corners[1].at.x, 5100, 5);
  EXPECT_TRUE(says(QStringLiteral("tape 5100")));
}
TEST_F(Tracing, IsDoneByTheKeyboardAlone) {
  takeIn();
  auto& view = window_->traceView();
  view.setFocus();
  QTest::keyClick(&view, Qt::Key_Right);  // the cross comes up in the middle
  QTest::keyClick(&view, Qt::Key_Return);
  for (int i = 0; i < 5; ++i) QTest::keyClick(&view, Qt::Key_Right);
  QTest::keyClick(&view, Qt::Key_Return);
  ASSERT_EQ(view.points().size(), 2U);
  QTest::keyClick(&view, Qt::Key_Backspace);
  EXPECT_EQ(view.points().size(), 1U);
}
TEST_F(Tracing, WhatIsNoPictureIsRefusedAndTheRestGoesOn) {
  const QString path = folder_.path() + QStringLiteral("/plan.txt");
  QFile file(path);
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write("not a plan");
  file.close();
  work().showTopic(Topic::Picture);
  const Job before = job();
  window_->site().tracing().takeIn(path);
  ASSERT_TRUE(QTest::qWaitFor([&] { return says(QStringLiteral("is no picture that Mezzet takes")); }));
  EXPECT_EQ(job(), before);
}
TEST_F(Tracing, ACrashKeepsThePicture) {
  takeIn();
  const std::string image = room().underlay->image;
  ASSERT_TRUE(window_->document().save(path_ + QStringLiteral("2.mezzet")).ok());
  const QString kept = folder_.path() + QStringLiteral("/2.png");
  QImage(40, 30, QImage::Format_RGB32).save(kept);
  work().showTopic(Topic::Photographs);
  window_->site().photographs().takeIn(kept);
  ASSERT_TRUE(QTest::qWaitFor([&] { return !room().photographs.empty(); }));
  const std::string photograph = room().photographs[0].image;
  // What a killed program leaves: the file as it was saved, and the journal with its image beside it.
  JobFile file =
      readJobBytes(readFile((path_ + QStringLiteral("2.mezzet")).toStdString(), 1 << 26).value(), "x").value();
  EXPECT_TRUE(file.images.contains(image));
  Images found;
  bringImages(journalFolder(), job(), found);
  EXPECT_TRUE(found.contains(photograph));
}
TEST_F(Site, APhotographBelongsToItsWall) {
  const QString path = folder_.path() + QStringLiteral("/wall.jpg");
  QImage image(400, 300, QImage::Format_RGB32);
  image.fill(Qt::darkGray);
  image.save(path);
  work().showTopic(Topic::Photographs);
  window_->site().photographs().takeIn(path);
  ASSERT_TRUE(QTest::qWaitFor([&] { return !room().photographs.empty(); }));
  choose("photographWall", 2);
  EXPECT_EQ(room().photographs[0].wall, CornerId("B"));
  // Saved and opened, it is still there.
  ASSERT_TRUE(window_->document().save(path_).ok());
  window_->openPath(path_);
  EXPECT_TRUE(window_->document().images().contains(room().photographs[0].image));
}

// ---- the meter
class Meter : public Site {
 protected:
  void SetUp() override {
    Site::SetUp();
    name_ = folder_.path() + QStringLiteral("/meter");
    ASSERT_TRUE(server_.listen(name_));
    QObject::connect(&server_, &QLocalServer::newConnection, &server_, [this] {
      device_ = server_.nextPendingConnection();
      say(meterLine(MeterHello{MeterKind::Laser, "Test meter"}));
    });
    work().showTopic(Topic::Heights);
    window_->site().meter().open(name_);
    ASSERT_TRUE(QTest::qWaitFor([&] { return window_->site().meter().state() == MeterLink::State::On; }));
  }
  void TearDown() override {
    window_->site().meter().close();
    Site::TearDown();
  }
  void say(const std::string& bytes) {
    device_->write(bytes.data(), static_cast<qint64>(bytes.size()));
    device_->flush();
  }
  QString name_;
  QLocalServer server_;
  QLocalSocket* device_ = nullptr;
};
TEST_F(Meter, ShowsWhatItSees) {
  say("live 2500\n");
  EXPECT_TRUE(QTest::qWaitFor([&] { return says(QStringLiteral("sees 98 7/16 in")); }));
}
TEST_F(Meter, DropsItsReadingIntoTheFieldWithTheKeyboard) {
  find<QLineEdit>("heightFigure")->setFocus();
  say(meterLine(MeterReading{1, 2489.2, 1.5}));
  ASSERT_TRUE(QTest::qWaitFor([&] { return room().heights.size() == 1; }));
  EXPECT_NEAR(room().heights[0].taken.value, 2489.2, 0.06);
}
TEST_F(Meter, ABurstThatRepeatsAReadingIsOneReading) {
  find<QLineEdit>("heightFigure")->setFocus();
  std::string burst;
  for (int i = 0; i < 3000; ++i) burst += "live " + std::to_string(1000 + i) + "\nreading 7 2489.2 1.5\n";
  say(burst);
  ASSERT_TRUE(QTest::qWaitFor([&] { return says(QStringLiteral("sees 157 7/16 in")); }));
  EXPECT_EQ(room().heights.size(), 1U);
}
/// Only root can make a process of another user to try it with.
TEST_F(Meter, AProgramOfAnotherUserIsNotListenedTo) {
  if (::geteuid() != 0) GTEST_SKIP() << "needs root";
  QTemporaryDir open(QStringLiteral("/tmp/mezzet-open-XXXXXX"));
  ::chmod(open.path().toLocal8Bit().constData(), 0777);
  const std::string path = open.path().toStdString() + "/meter";
  const pid_t pid = ::fork();
  if (pid == 0) {
    const int s = ::socket(AF_UNIX, SOCK_STREAM, 0);
    sockaddr_un address{};
    address.sun_family = AF_UNIX;
    path.copy(address.sun_path, sizeof address.sun_path - 1);
    if (::setuid(65534) != 0 || ::bind(s, reinterpret_cast<const sockaddr*>(&address), sizeof address) != 0 ||
        ::listen(s, 1) != 0)
      ::_exit(1);
    const int c = ::accept(s, nullptr, nullptr);
    static_cast<void>(!::write(c, "mezzet-meter 1 laser Stranger\nreading 1 2000 1\n", 47));
    ::sleep(20);
    ::_exit(0);
  }
  ASSERT_TRUE(QTest::qWaitFor([&] { return QFile::exists(QString::fromStdString(path)); }));
  window_->site().meter().open(QString::fromStdString(path));
  EXPECT_TRUE(QTest::qWaitFor([&] {
    return says(QStringLiteral("A program of another user stands where the meter should be; it was not listened to"));
  }));
  EXPECT_EQ(window_->site().meter().state(), MeterLink::State::Off);
  ::kill(pid, SIGKILL);
  ::waitpid(pid, nullptr, 0);
}
TEST_F(Meter, GarbageChangesNothing) {
  const Job before = job();
  find<QLineEdit>("heightFigure")->setFocus();
  say(std::string("\x01\x02 reading banana\nreading 1 -5 1\nlive nan\n") + std::string(100'000, 'z') + "\nlive 1000\n");
  ASSERT_TRUE(QTest::qWaitFor([&] { return says(QStringLiteral("sees 39 3/8 in")); }));
  EXPECT_EQ(job(), before);
}
TEST_F(Meter, ThatIsLostIsSaidAndLookedForAgain) {
  device_->abort();
  ASSERT_TRUE(QTest::qWaitFor([&] { return window_->site().meter().state() == MeterLink::State::Lost; }));
  EXPECT_TRUE(says(QStringLiteral("is lost")));
  ASSERT_TRUE(QTest::qWaitFor([&] { return window_->site().meter().state() == MeterLink::State::On; }, 8000));
}
TEST_F(Meter, WithNoFieldItSaysWhereToPutTheKeyboard) {
  const Job before = job();
  sheet().setFocus();
  say(meterLine(MeterReading{2, 2489.2, 1.5}));
  EXPECT_TRUE(QTest::qWaitFor([&] { return says(QStringLiteral("put the keyboard into a field")); }));
  EXPECT_EQ(job(), before);
}
TEST_F(Meter, ADetectorsHitsGoToTheWallShown) {
  work().showTopic(Topic::InWall);
  work().showWall(CornerId("A"));
  say(meterLine(MeterHit{1, 400, 0.9}) + meterLine(MeterHit{2, 806.4, 0.8}));
  ASSERT_TRUE(QTest::qWaitFor(
      [&] { return studsOf(room(), CornerId("A")) != nullptr && studsOf(room(), CornerId("A"))->hits.size() == 2; }));
  EXPECT_TRUE(studsOf(room(), CornerId("A"))->hits[0].detector);
}

// ---- drawings
TEST_F(Site, AnOutlineComesFromADrawing) {
  const Bytes bytes = writeDxf(job(), room(), nullptr, work().format());
  const QString path = folder_.path() + QStringLiteral("/room.dxf");
  QFile file(path);
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write(bytes.data(), static_cast<qint64>(bytes.size()));
  file.close();
  const Polygon before = outlineOf(room());
  DxfDialog dialog(work(), path);
  dialog.show();
  auto* layers = dialog.findChild<QComboBox*>(QStringLiteral("dxfLayer"));
  ASSERT_TRUE(QTest::qWaitFor([&] { return layers->count() > 0; }));
  layers->setCurrentIndex(layers->findData(QStringLiteral("WALLS")));
  ASSERT_TRUE(QTest::qWaitFor([&] { return dialog.ready() && !dialog.worker().busy(); }));
  for (QPushButton* b : dialog.findChildren<QPushButton*>())
    if (b->text() == QStringLiteral("Take this outline")) b->click();
  ASSERT_EQ(job().rooms.size(), 2U);
  EXPECT_NEAR(signedArea(outlineOf(*job().rooms[1])), signedArea(before), 100);
  undo();
  EXPECT_EQ(job().rooms.size(), 1U);
}
TEST_F(Site, ADrawingWithoutAUnitAsks) {
  const QString path = folder_.path() + QStringLiteral("/plain.dxf");
  QFile file(path);
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  std::string text = "0\nSECTION\n2\nENTITIES\n";
  for (const char* line :
       {"0\n20\n0\n11\n100\n21\n0\n", "100\n20\n0\n11\n100\n21\n80\n", "100\n20\n80\n11\n0\n21\n0\n"})
    text += std::string("0\nLINE\n8\nP\n10\n") + line;
  text += "0\nENDSEC\n0\nEOF\n";
  file.write(text.data(), static_cast<qint64>(text.size()));
  file.close();
  DxfDialog dialog(work(), path);
  dialog.show();
  auto* said = dialog.findChild<QLabel*>(QStringLiteral("dxfSaid"));
  ASSERT_TRUE(
      QTest::qWaitFor([&] { return said->text().startsWith(QStringLiteral("The file does not say its unit.")); }));
  EXPECT_FALSE(dialog.ready());
  auto* unit = dialog.findChild<QComboBox*>(QStringLiteral("dxfUnit"));
  unit->setCurrentIndex(unit->findText(QStringLiteral("in")));
  EXPECT_TRUE(QTest::qWaitFor([&] { return dialog.ready(); }));
}
TEST_F(Site, ARoomIsWrittenAsADrawing) {
  const QString path = folder_.path() + QStringLiteral("/out.dxf");
  window_->exportDxf(path);
  const auto read = readDxf(readFile(path.toStdString(), 1 << 24).value(), "out.dxf");
  ASSERT_TRUE(read);
  EXPECT_TRUE(read->layers.contains("FURNITURE"));
}

// ---- the house
TEST_F(Site, ADoorIsSaidToLeadIntoAnotherRoom) {
  Room hall;
  hall.id = RoomId("hall");
  hall.name = "Hall";
  hall.ceilingHeight = 2500;
  hall.corners = {
      {CornerId("A"), {0, 0}}, {CornerId("B"), {2000, 0}}, {CornerId("C"), {2000, 4000}}, {CornerId("D"), {0, 4000}}};
  Opening door;
  door.id = OpeningId("h1");
  door.wall = CornerId("B");
  door.offset = 500;
  door.width = 863.6;
  door.height = 2000;
  hall.openings = {door};
  ASSERT_TRUE(window_->document().edit(QStringLiteral("hall"), withRoom(job(), hall).value()));
  work().showTopic(Topic::House);
  choose("leads-d1", 1);
  EXPECT_EQ(room().openings[0].leadsTo, (LeadsTo{RoomId("hall"), OpeningId("h1")}));
  typeInto("between-d1", "6");
  EXPECT_EQ(findRoom(job(), RoomId("hall"))->corners[1].wallThickness, 6 * kInch);
  EXPECT_TRUE(says(QStringLiteral("Walked together, 2 rooms make one outline")));
}
TEST_F(Site, StoreysAreAddedAndNamed) {
  work().showTopic(Topic::House);
  button(QStringLiteral("addStorey"))->click();
  ASSERT_EQ(job().storeys.size(), 1U);
  choose("roomStorey", 1);
  EXPECT_EQ(room().storey, job().storeys[0].id);
  // Journalled: what a crash leaves brings them back.
  const Job before = job();
  undo();
  undo();
  EXPECT_TRUE(job().storeys.empty());
  window_->document().undoStack().redo();
  window_->document().undoStack().redo();
  EXPECT_EQ(job(), before);
}

}  // namespace site_test
}  // namespace mezzet
