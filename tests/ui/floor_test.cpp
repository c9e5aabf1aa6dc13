// The Floor as it is used: states, layers, reach, chairs round a table, libraries.
#include <QComboBox>
#include <QTemporaryDir>
#include <QToolButton>

#include "app/dialogs/piece_list.h"
#include "core/model/kinds.h"
#include "core/use/chairs.h"
#include "ui/support.h"

namespace mezzet {
namespace floor_test {

class TheFloor : public test::WindowTest {
 protected:
  void trigger(const char* id) { find<QAction>(id)->trigger(); }
  void settle() {
    ASSERT_TRUE(QTest::qWaitFor([&] { return !work().routesPending(); }));
    QApplication::processEvents();
  }
  /// How many pixels of the sheet differ between two pictures of it.
  static int differs(const QImage& a, const QImage& b) {
    int count = 0;
    for (int y = 0; y < a.height(); ++y)
      for (int x = 0; x < a.width(); ++x) count += a.pixel(x, y) != b.pixel(x, y);
    return count;
  }
  QImage seen() {
    settle();
    return sheet().grab().toImage();
  }
  /// A dining table in an empty scheme of a room with two doors.
  void layATable(double width = 72) {
    trigger("scheme-new");
    Piece table = usualPiece("dining-table");
    table.width = width * kInch;
    table.id = PieceId("feast");
    ASSERT_TRUE(window_->document().edit(
        QStringLiteral("table"),
        withPlacement(withPiece(job(), table).value(), work().schemeId(),
                      {PlacementId("t1"), table.id, FloorPlace{{114 * kInch, 85 * kInch}, 0}, {}})));
    work().select(PlacementId("t1"));
  }
};

TEST_F(TheFloor, RoutesComeAfterTheRoomIsJudged) {
  settle();
  ASSERT_NE(work().routes(), nullptr);
  EXPECT_FALSE(work().routes()->ways.empty());
  for (const Finding& f : work().findings())
    EXPECT_EQ(std::count(f.missing.begin(), f.missing.end(), "route"), 0) << f.id;
}
TEST_F(TheFloor, RoutesThatArriveLeaveWhatIsBeingTyped) {
  work().showTopic(Topic::Openings);
  QApplication::processEvents();
  QTest::mouseClick(button(QStringLiteral("addDoor")), Qt::LeftButton);
  QApplication::processEvents();
  auto* field = qobject_cast<QLineEdit*>(QApplication::focusWidget());
  for (int i = 0; i < 12 && (field == nullptr || field->objectName() != QStringLiteral("openingHeight")); ++i) {
    key(Qt::Key_Tab);
    field = qobject_cast<QLineEdit*>(QApplication::focusWidget());
  }
  ASSERT_NE(field, nullptr);
  field->selectAll();
  type("77");
  settle();
  EXPECT_EQ(QApplication::focusWidget(), field);
  EXPECT_EQ(field->text(), QStringLiteral("77"));
}
TEST_F(TheFloor, ALayerIsHeldOnByItsButton) {
  const QImage calm = seen();
  auto* ways = find<QToolButton>("layerWays");
  ways->click();
  EXPECT_TRUE(work().shows(FloorLayer::Ways));
  const QImage shown = seen();
  EXPECT_GT(differs(calm, shown), 2000);
  ways->click();
  EXPECT_EQ(differs(calm, seen()), 0);
}
TEST_F(TheFloor, LayersHaveKeys) {
  sheet().setFocus();
  for (const auto& [k, layer] : {std::pair{Qt::Key_W, FloorLayer::Ways}, std::pair{Qt::Key_K, FloorLayer::Talk},
                                 std::pair{Qt::Key_I, FloorLayer::Sight}, std::pair{Qt::Key_F, FloorLayer::Reached}}) {
    key(k);
    EXPECT_TRUE(work().shows(layer));
    key(k);
    EXPECT_FALSE(work().shows(layer));
  }
}
TEST_F(TheFloor, TheReachedFloorFollowsTheWidthTyped) {
  find<QToolButton>("layerReached")->click();
  settle();
  ASSERT_TRUE(work().routes()->reached);
  double narrow = 0, wide = 0;
  for (const Area& area : work().routes()->reached->floor) narrow += sizeOf(area);
  auto* width = find<QLineEdit>("reachWidth");
  width->setFocus();
  width->selectAll();
  QTest::keyClicks(width, QStringLiteral("33"));
  QTest::keyClick(width, Qt::Key_Return);
  EXPECT_NEAR(work().reachWidth(), 33 * kInch, 1e-9);
  settle();
  for (const Area& area : work().routes()->reached->floor) wide += sizeOf(area);
  EXPECT_LT(wide, narrow);
}
TEST_F(TheFloor, ASillyWidthIsRefusedInWords) {
  auto* width = find<QLineEdit>("reachWidth");
  for (const char* silly : {"banana", "-3", "9000 ft", ""}) {
    width->setFocus();
    width->setText(QString::fromUtf8(silly));
    emit width->editingFinished();
    EXPECT_NEAR(work().reachWidth(), 24 * kInch, 1e-9) << silly;
  }
}
TEST_F(TheFloor, TheStateOfUseIsSwitchedInOnePlace) {
  layATable();
  trigger("chairs");
  settle();
  const QImage everyday = seen();
  key(Qt::Key_Y);
  EXPECT_EQ(work().useState(), UseState::Occupied);
  EXPECT_EQ(find<QComboBox>("useState")->currentIndex(), 1);
  EXPECT_GT(differs(everyday, seen()), 100);
  key(Qt::Key_Y);
  key(Qt::Key_Y);
  EXPECT_EQ(work().useState(), UseState::Everyday);
}
TEST_F(TheFloor, ChairsSetThemselvesAsOneStep) {
  layATable();
  const int before = static_cast<int>(work().scheme()->placements.size());
  trigger("chairs");
  EXPECT_EQ(chairsAt(job(), work().schemeId(), PlacementId("t1")), 8);
  undo();
  EXPECT_EQ(static_cast<int>(work().scheme()->placements.size()), before);
}
TEST_F(TheFloor, OneChairMoreSetsThemAnew) {
  layATable();
  const auto four = withChairsSet(job(), work().schemeId(), PlacementId("t1"), 4, *std::make_unique<IdSource>(900));
  ASSERT_TRUE(four.ok());
  ASSERT_TRUE(window_->document().edit(QStringLiteral("four"), *four, 950));
  trigger("chair-more");
  EXPECT_EQ(chairsAt(job(), work().schemeId(), PlacementId("t1")), 5);
}
TEST_F(TheFloor, AFullTableSaysSo) {
  layATable(30);
  trigger("chairs");
  trigger("chair-more");
  EXPECT_TRUE(window_->notices().sentence().contains(QStringLiteral("has edge for")))
      << window_->notices().sentence().toStdString();
}
TEST_F(TheFloor, AStoolRemembersWhereItIsDrawnUp) {
  trigger("scheme-new");
  Piece stool = usualPiece("ottoman");
  stool.id = PieceId("pouf");
  ASSERT_TRUE(window_->document().edit(QStringLiteral("stool"),
                                       withPlacement(withPiece(job(), stool).value(), work().schemeId(),
                                                     {PlacementId("o1"), stool.id, FloorPlace{{2000, 2000}, 0}, {}})));
  work().select(PlacementId("o1"));
  trigger("used-here");
  work().place(QStringLiteral("push back"), FloorPlace{{600, 600}, 0});
  EXPECT_EQ(findPlacement(*work().scheme(), PlacementId("o1"))->usedAt, (FloorPlace{{2000, 2000}, 0}));
  trigger("used-here");
  EXPECT_FALSE(findPlacement(*work().scheme(), PlacementId("o1"))->usedAt);
}
TEST_F(TheFloor, APieceIsLeftInUse) {
  click(floor("p3").at);
  trigger("in-use");
  EXPECT_TRUE(work().selectedPlacement()->inUse);
  undo();
  EXPECT_FALSE(work().selectedPlacement()->inUse);
}
TEST_F(TheFloor, MovingAPieceJudgesTheWaysAnew) {
  settle();
  // A long bookcase right before the door: nothing is reached.
  Piece wide = usualPiece("bookcase");
  wide.id = PieceId("barrier");
  wide.width = 3000;
  const Opening& door = *mainEntry(*work().room());
  const Wall in = *findWall(*work().room(), door.wall);
  const Vec2 before = in.start + in.along() * (door.offset + door.width / 2) + in.inward() * 250;
  const double turn = normalisedTurn(std::atan2(in.along().y, in.along().x) * 180 / 3.14159265358979323846);
  ASSERT_TRUE(window_->document().edit(QStringLiteral("barrier"),
                                       withPlacement(withPiece(job(), wide).value(), work().schemeId(),
                                                     {PlacementId("b1"), wide.id, FloorPlace{before, turn}, {}})));
  settle();
  EXPECT_TRUE(std::any_of(work().findings().begin(), work().findings().end(),
                          [](const Finding& f) { return f.rule == "way-main" && f.verdict == Verdict::Breaks; }));
  undo();
  settle();
  EXPECT_FALSE(std::any_of(work().findings().begin(), work().findings().end(),
                           [](const Finding& f) { return f.rule == "way-main" && f.verdict == Verdict::Breaks; }));
}
TEST_F(TheFloor, WhereOneComesInIsChosenInMeasure) {
  const RoomId room = work().room()->id;
  Opening second;
  second.id = OpeningId("d9");
  second.wall = CornerId("A");
  second.offset = 300;
  second.width = 800;
  second.height = 2000;
  ASSERT_TRUE(window_->document().edit(QStringLiteral("door"), withOpening(job(), room, second).value()));
  EXPECT_NE(mainEntry(*work().room())->id, OpeningId("d9"));
  const auto after = withEntry(job(), room, OpeningId("d9"));
  ASSERT_TRUE(after.ok());
  ASSERT_TRUE(window_->document().edit(QStringLiteral("entry"), *after));
  EXPECT_EQ(mainEntry(*work().room())->id, OpeningId("d9"));
}
TEST_F(TheFloor, TheUsualPiecesAreTakenOnce) {
  FileSystem files;
  PieceList list(work(), files);
  const std::size_t before = job().pieces.size();
  list.findChild<QPushButton*>(QStringLiteral("usualPieces"))->click();
  const std::size_t after = job().pieces.size();
  EXPECT_GT(after, before + 25);
  list.findChild<QPushButton*>(QStringLiteral("usualPieces"))->click();
  EXPECT_EQ(job().pieces.size(), after);
}
TEST_F(TheFloor, ALibraryIsWrittenAndReadAgain) {
  QTemporaryDir folder;
  FileSystem files;
  PieceList list(work(), files);
  list.writeLibraryTo(folder.path() + QStringLiteral("/mine.json"));
  const std::size_t before = job().pieces.size();
  list.readLibraryFrom(folder.path() + QStringLiteral("/mine.json"));
  EXPECT_EQ(job().pieces.size(), before);  // they are all there
  QFile broken(folder.path() + QStringLiteral("/broken.json"));
  ASSERT_TRUE(broken.open(QIODevice::WriteOnly));
  broken.write("{\"format\":\"mezzet-library\"");
  broken.close();
  list.readLibraryFrom(broken.fileName());
  EXPECT_EQ(job().pieces.size(), before);
  EXPECT_TRUE(list.findChild<QLabel*>(QStringLiteral("fieldComplaint"))
                  ->text()
                  .contains(QStringLiteral("broken.json: is not valid JSON")));
}

}  // namespace floor_test
}  // namespace mezzet
