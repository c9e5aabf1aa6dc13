// The Light stage by mouse and by keyboard: a pendant typed, its cord pulled and typed, rows, circuits, the estimate.
#include <QComboBox>
#include <QFile>
#include <QTimer>

#include "app/dialogs/light_dialog.h"
#include "app/view/light_view.h"
#include "core/light/fixtures.h"
#include "core/light/over_tops.h"
#include "core/model/kinds.h"
#include "ui/support.h"

namespace mezzet {
namespace light_test {

class Lighting : public test::WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    // A scheme with a dining table and an island alone in it.
    Job after = job();
    Scheme scheme{SchemeId("lit"), work().room()->id, "Lit", {}, {}, {}};
    after = withScheme(after, scheme);
    for (const auto& [id, kind, x, height] :
         {std::tuple{"table1", "dining-table", 1800.0, 762.0}, std::tuple{"isle1", "island", 4200.0, 914.4}}) {
      Piece p = usualPiece(kind);
      p.id = PieceId(id);
      p.height = height;
      after = withPiece(after, p).value();
      after = withPlacement(after, SchemeId("lit"),
                            {PlacementId(std::string("on-") + id), p.id, FloorPlace{{x, 2000}, 0}, {}});
    }
    ASSERT_TRUE(window_->document().edit(QStringLiteral("furnish"), after, 900));
    work().showScheme(SchemeId("lit"));
    key(Qt::Key_F10);
    ASSERT_EQ(work().stage(), Stage::Light);
    sheet().setFocus();
  }
  LightView& view() { return static_cast<LightView&>(sheet()); }
  void typeLine(const char* text, Qt::KeyboardModifiers how = Qt::ControlModifier) {
    key(Qt::Key_A);
    type(text);
    key(Qt::Key_Return, how);
    QApplication::processEvents();
    sheet().setFocus();
  }
  std::vector<const Placement*> lights() {
    std::vector<const Placement*> out;
    for (const Placement& p : work().scheme()->placements)
      if (onCeiling(p.on) != nullptr) out.push_back(&p);
    return out;
  }
  CeilingPlace up() { return *onCeiling(work().selectedPlacement()->on); }
};

TEST_F(Lighting, ATypedPendantHangsOverTheTable) {
  typeLine("pendant 22 dia 14 high over table", Qt::NoModifier);
  ASSERT_EQ(lights().size(), 1U);
  EXPECT_EQ(up().at, (Vec2{1800, 2000}));
  EXPECT_EQ(work().stage(), Stage::Light);
  EXPECT_NEAR(work().room()->ceilingHeight > 0 ? tape(work().selected().value.c_str(), Side::Down) : 0, 838.2, 25);
  undo();
  EXPECT_TRUE(lights().empty());
}

TEST_F(Lighting, ThreeOverTheIslandAreOneEvenGroup) {
  typeLine("3 pendants 8 dia 10 high over island", Qt::NoModifier);
  ASSERT_EQ(lights().size(), 3U);
  EXPECT_EQ(work().selection().size(), 3U);
  const std::vector<Finding>& all = work().findings();
  const auto row = std::find_if(all.begin(), all.end(), [](const Finding& f) { return f.rule == "pendant-row"; });
  ASSERT_NE(row, all.end());
  EXPECT_NEAR(row->measured, 0, 1e-6);
}

TEST_F(Lighting, TheCordIsTypedByTheKeyboardAlone) {
  typeLine("pendant 22 dia 14 high over table", Qt::NoModifier);
  key(Qt::Key_D);
  type("30");
  key(Qt::Key_Return);
  EXPECT_NEAR(up().drop, 30 * kInch, 1e-6);
  sheet().setFocus();
  key(Qt::Key_Right);
  type("100");
  key(Qt::Key_Return);
  EXPECT_NEAR(tape(work().selected().value.c_str(), Side::Right), 100 * kInch, 1e-6);
}

TEST_F(Lighting, TheBarTellsAndTakesWhatHangsBelow) {
  typeLine("pendant 22 dia 14 high over table", Qt::NoModifier);
  auto* below = find<QLineEdit>("bar:tape:below");
  ASSERT_NE(below, nullptr);
  below->setFocus();
  below->selectAll();
  type("34");
  key(Qt::Key_Return);
  EXPECT_NEAR(tape(work().selected().value.c_str(), Side::Down), 34 * kInch, 1e-6);
  below->setFocus();
  below->selectAll();
  type("a hand");
  key(Qt::Key_Return);
  EXPECT_NEAR(tape(work().selected().value.c_str(), Side::Down), 34 * kInch, 1e-6);
}

TEST_F(Lighting, TheCordIsPulledInTheSection) {
  typeLine("pendant 22 dia 14 high over table", Qt::NoModifier);
  const double before = up().drop;
  const Fixture f = *fixtureOf(PieceIndex(job()), *work().room(), heightsOf(*work().room()), *work().scheme(),
                               *work().selectedPlacement());
  const Vec2 body = sheet().projection().unmap(view().sectionPoint(f.at.at.x, f.underside + 100));
  drag(body, {300, -254});
  EXPECT_NEAR(up().drop, before + 254, 7);  // whole steps of a quarter inch
  EXPECT_EQ(up().at, (Vec2{1800, 2000}));   // a pulled cord moves nothing sideways
  undo();
  EXPECT_EQ(up().drop, before);
}

TEST_F(Lighting, InThePlanItIsMovedAndItsCordStays) {
  typeLine("pendant 22 dia 14 high over table", Qt::NoModifier);
  const double before = up().drop;
  drag(up().at, {400, 300});
  EXPECT_NEAR(up().at.x, 2200, 20);  // a pixel is 13 mm
  EXPECT_NEAR(up().at.y, 2300, 20);
  EXPECT_EQ(up().drop, before);
}

TEST_F(Lighting, EscapeLeavesAPulledCordAsItWas) {
  typeLine("pendant 22 dia 14 high over table", Qt::NoModifier);
  const CeilingPlace before = up();
  drag(up().at, {400, 300}, false);
  key(Qt::Key_Escape);
  EXPECT_EQ(up(), before);
}

TEST_F(Lighting, TheCordsOfAGroupAreCutTogether) {
  typeLine("3 pendants 8 dia 10 high over island", Qt::NoModifier);
  key(Qt::Key_D);
  type("25");
  key(Qt::Key_Return);
  for (const Placement* p : lights()) EXPECT_NEAR(onCeiling(p->on)->drop, 25 * kInch, 1e-6);
}

TEST_F(Lighting, ZGoesThroughTheCircuits) {
  typeLine("pendant 22 dia 14 high over table", Qt::NoModifier);
  key(Qt::Key_Z);
  ASSERT_EQ(work().scheme()->circuits.size(), 1U);
  EXPECT_EQ(work().selectedPlacement()->circuit, work().scheme()->circuits[0].id);
  auto* choice = find<QComboBox>("bar:circuit");
  ASSERT_NE(choice, nullptr);
  EXPECT_EQ(choice->currentText(), QStringLiteral("A"));
  key(Qt::Key_Z);
  EXPECT_TRUE(work().selectedPlacement()->circuit.empty());
}

TEST_F(Lighting, DownlightsAreLaidInOneGo) {
  typeLine("6 downlights");
  // Two of the rows would lie beyond the hearth's corner: they are left out, and it is told.
  EXPECT_EQ(lights().size(), 4U);
  EXPECT_TRUE(
      window_->notices().sentence().contains(QStringLiteral("2 lights of the rows would lie outside the room")));
  ASSERT_EQ(work().scheme()->laid.size(), 1U);
  EXPECT_EQ(work().scheme()->circuits.size(), 1U);
  undo();
  EXPECT_TRUE(lights().empty());
  EXPECT_TRUE(work().scheme()->laid.empty());
}

TEST_F(Lighting, AWayOutShortensACordThatIsTooLow) {
  typeLine("pendant 12 dia 12 high");  // with nothing to hang over left but the table: over it
  work().place(QStringLiteral("move"), CeilingPlace{{3000, 600}, 0, 700});
  ASSERT_FALSE(work().decisions().empty());
  const auto ways = work().waysOutOf(work().decisions().front());
  ASSERT_FALSE(ways.empty());
  EXPECT_TRUE(ways.front().sentence.starts_with("Shorten the cord")) << ways.front().sentence;
  work().take(ways.front());
  EXPECT_LT(up().drop, 700);
}

TEST_F(Lighting, TheEstimateIsOffUntilItIsAskedFor) {
  EXPECT_EQ(work().lightEstimate(), nullptr);
  typeLine("pendant 22 dia 14 high over table", Qt::NoModifier);
  key(Qt::Key_V);
  ASSERT_TRUE(QTest::qWaitFor([&] { return work().lightEstimate() != nullptr; }));
  EXPECT_EQ(work().lightEstimate()->most, 0);
  EXPECT_EQ(work().lightEstimate()->unknown.size(), 1U);
  key(Qt::Key_V);
  EXPECT_EQ(work().lightEstimate(), nullptr);
}

TEST_F(Lighting, TheDialogTakesLumensAndAPhotometricFile) {
  typeLine("pendant 22 dia 14 high over table", Qt::NoModifier);
  LightDialog dialog(work(), window_.get());
  auto* lumens = dialog.findChild<QLineEdit*>(QStringLiteral("light:lumens"));
  ASSERT_NE(lumens, nullptr);
  lumens->setText(QStringLiteral("many"));
  emit lumens->editingFinished();
  EXPECT_FALSE(pieceOf(job(), *work().selectedPlacement()).light->lumens);
  lumens->setText(QStringLiteral("800"));
  emit lumens->editingFinished();
  EXPECT_EQ(pieceOf(job(), *work().selectedPlacement()).light->lumens, 800);
  const QString good = folder_.path() + QStringLiteral("/a.ies"), bad = folder_.path() + QStringLiteral("/b.ies");
  const auto write = [](const QString& path, const char* text) {
    QFile file(path);
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(text);
  };
  write(good, "IESNA:LM-63-2002\nTILT=NONE\n1 1000 1 3 1 1 2 0 0 0\n1 1 10\n0 45 90\n0\n100 50 0\n");
  write(bad, "IESNA:LM-63-2002\nTILT=NONE\n1 1000 1 3 1 1\n");
  EXPECT_FALSE(dialog.takePhotometry(bad));
  EXPECT_TRUE(pieceOf(job(), *work().selectedPlacement()).light->photometry.empty());
  EXPECT_TRUE(dialog.takePhotometry(good));
  QApplication::processEvents();
  EXPECT_EQ(work().photometries().size(), 1U);
  undo();
  EXPECT_TRUE(work().photometries().empty());
}

TEST_F(Lighting, EveryFieldOfTheDialogIsReachedAndTakesSillyInput) {
  LightDialog dialog(work(), window_.get());
  for (QLineEdit* field : dialog.findChildren<QLineEdit*>()) {
    if (field->objectName().startsWith(QStringLiteral("qt_"))) continue;
    const Job before = job();
    field->setText(QStringLiteral("-7 elephants"));
    emit field->editingFinished();
    EXPECT_EQ(job(), before) << field->objectName().toStdString();
  }
}

TEST_F(Lighting, InMetricEverythingReadsInMillimetres) {
  typeLine("pendant 22 dia 14 high over table", Qt::NoModifier);
  work().switchUnits();
  key(Qt::Key_D);
  type("800");
  key(Qt::Key_Return);
  EXPECT_NEAR(up().drop, 800, 1e-6);
}

}  // namespace light_test
}  // namespace mezzet
