// Displays in the window: things thrown, moved by their tapes, set in three ways, kept to colours; by mouse and by
// keys.
#include <QComboBox>
#include <QCheckBox>

#include "app/dialogs/colours_dialog.h"
#include "app/dialogs/thing_dialog.h"
#include "app/stages/displays/display_edge.h"
#include "app/stages/floor/sheet_edge.h"
#include "core/display/placing.h"
#include "core/edit/displays.h"
#include "ui/support.h"

namespace mezzet {
namespace displays_test {

class Displays : public test::WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    Piece p;
    p.id = PieceId("case");
    p.name = "Case";
    p.kind = "bookcase";
    p.width = 36 * kInch;
    p.depth = 12 * kInch;
    p.height = 50 * kInch;
    p = withEqualBays(std::move(p), 3);
    Job after = withScheme(job(), Scheme{SchemeId("shelves"), work().room()->id, "Shelves", {}, {}, {}});
    after = withPiece(after, p).value();
    Placement at{PlacementId("c"), p.id, FloorPlace{{3000, 1500}, 0}, {}};
    at.restrained = true;
    after = withPlacement(after, SchemeId("shelves"), at);
    ASSERT_TRUE(window_->document().edit(QStringLiteral("begin"), after, 900));
    work().showScheme(SchemeId("shelves"));
    key(Qt::Key_F11);
    sheet().setFocus();
  }
  void typeLine(const char* text, Qt::KeyboardModifiers keys = Qt::ControlModifier) {
    sheet().setFocus();
    key(Qt::Key_A);
    type(text);
    key(Qt::Key_Return, keys);
    QApplication::processEvents();
  }
  [[nodiscard]] Display display() { return *work().display(); }
  [[nodiscard]] const DisplayedThing& thing(std::size_t i) {
    shown_ = display();
    return shown_.things[i];
  }
  Display shown_;
};

TEST_F(Displays, AreReachedByTheirKey) {
  EXPECT_EQ(work().stage(), Stage::Displays);
  EXPECT_EQ(work().carrier(), "c");
  EXPECT_EQ(sheet().objectName(), QStringLiteral("displayView"));
}
TEST_F(Displays, TakeATypedThingIntoTheBayItFills) {
  typeLine("12 books 9 tall 11 run black");
  ASSERT_EQ(display().things.size(), 1u);
  EXPECT_EQ(thing(0).piece->thing->volumes, 12);
  EXPECT_EQ(work().selected(), thing(0).placement->id);
  EXPECT_EQ(work().stage(), Stage::Displays);
  undo();
  EXPECT_TRUE(display().things.empty());
}
TEST_F(Displays, AreMovedByTheirTapes) {
  typeLine("vase 6 x 6 x 12 #2b2b2b");
  sheet().setFocus();
  key(Qt::Key_Left);
  type("2");
  key(Qt::Key_Return);
  const Display d = display();
  EXPECT_NEAR(d.things[0].left - d.bays[d.things[0].bay].left, 2 * kInch, 1e-6);
  sheet().setFocus();
  key(Qt::Key_D);  // its depth
  type("3");
  key(Qt::Key_Return);
  EXPECT_NEAR(display().things[0].front, 3 * kInch, 1e-6);
  // What is over it is its height's business, and it says so.
  sheet().setFocus();
  key(Qt::Key_Up);
  type("1");
  key(Qt::Key_Return);
  EXPECT_NE(find<QLabel>("tapeComplaint"), nullptr);
  EXPECT_NEAR(display().things[0].front, 3 * kInch, 1e-6);
}
TEST_F(Displays, AreDraggedIntoAnotherBay) {
  typeLine("box 8 x 6 x 6");
  const std::string before = display().bays[thing(0).bay].id;
  const DisplayedThing t = thing(0);
  const Bay& to = shown_.bays[t.bay == 0 ? 1 : 0];
  drag({t.middle(), (t.bottom + t.top) / 2}, {0, to.bottom - t.bottom});
  const Display d = display();
  EXPECT_NE(d.bays[d.things[0].bay].id, before);
  EXPECT_NEAR(d.things[0].bottom, to.bottom, 1e-6);
}
TEST_F(Displays, LetShelvesMoveByTheirTape) {
  work().select(PlacementId("c"));
  auto* field = find<QLineEdit>("bar:shelf:b2");
  ASSERT_NE(field, nullptr);
  field->setFocus();
  field->selectAll();
  type("20");
  key(Qt::Key_Return);
  EXPECT_NEAR(display().bays[1].bottom, 20 * kInch, 1e-6);
  EXPECT_NEAR(*display().bays[0].top, 19.25 * kInch, 1e-6);
  undo();
  EXPECT_GT(std::abs(display().bays[1].bottom - 20 * kInch), 1);
}
TEST_F(Displays, AreSetInThreeWays) {
  for (const char* line :
       {"box 9 x 7 x 10", "box 8 x 7 x 11 black", "vase 6 x 6 x 12 cream", "8 books 10 tall 9 run black"})
    typeLine(line);
  const Job before = job();
  sheet().setFocus();
  key(Qt::Key_S);
  auto* edge = window_->findChild<SheetEdge*>();
  ASSERT_NE(edge, nullptr);
  ASSERT_TRUE(QTest::qWaitFor([&] { return !edge->display().busy() && !edge->display().offers().empty(); }, 20000));
  const auto offers = edge->display().offers();
  EXPECT_EQ(offers.size(), 3u);
  EXPECT_EQ(offers.front().rule, 0);
  QPushButton* way = button(QStringLiteral("setWay:1"));
  ASSERT_NE(way, nullptr);
  way->setFocus();
  EXPECT_TRUE(work().ghost());
  QTest::mouseClick(way, Qt::LeftButton);
  QApplication::processEvents();
  EXPECT_EQ(job(), offers.front().job);
  undo();
  EXPECT_EQ(job(), before);
}
TEST_F(Displays, TellWhatStraysFromTheirColours) {
  typeLine("box 9 x 7 x 10 black");
  typeLine("box 8 x 7 x 11 red");
  ColoursDialog dialog(work());
  dialog.findChild<QPushButton*>(QStringLiteral("paletteFromThings"))->click();
  EXPECT_FALSE(findDisplay(*work().scheme(), "c")->palette.main.empty());
  auto* main = dialog.findChild<QLineEdit*>(QStringLiteral("paletteMain"));
  main->setText(QStringLiteral("black, cream"));
  emit main->editingFinished();
  dialog.findChild<QLineEdit*>(QStringLiteral("paletteAccent"))->clear();
  dialog.findChild<QCheckBox*>(QStringLiteral("paletteAccepted"))->click();
  const auto& all = work().findings();
  const auto stray = std::find_if(all.begin(), all.end(), [](const Finding& f) { return f.rule == "palette-stray"; });
  ASSERT_NE(stray, all.end());
  EXPECT_EQ(stray->verdict, Verdict::Breaks);
  main->setText(QStringLiteral("blackish"));
  emit main->editingFinished();
  EXPECT_EQ(findDisplay(*work().scheme(), "c")->palette.main.size(), 2u);
}
TEST_F(Displays, SayWhatIsMissingFirst) {
  typeLine("box 4 x 4 x 4");
  bool told = false;
  for (QLabel* label : window_->findChildren<QLabel*>())
    told = told || label->text().contains(QStringLiteral("Still missing"));
  EXPECT_TRUE(told);
}
TEST_F(Displays, KnowWhatAThingIsLike) {
  typeLine("box 9 x 7 x 4");
  ThingDialog dialog(work(), thing(0).piece->id);
  auto* colours = dialog.findChild<QLineEdit*>(QStringLiteral("thingColours"));
  colours->setText(QStringLiteral("black 70, #ae8b3f 30"));
  emit colours->editingFinished();
  EXPECT_EQ(thing(0).piece->thing->colours.size(), 2u);
  auto* holds = dialog.findChild<QLineEdit*>(QStringLiteral("thingHolds"));
  holds->setText(QStringLiteral("remote 8 x 2"));
  emit holds->editingFinished();
  EXPECT_TRUE(thing(0).piece->thing->holds.empty());  // refused in words
  holds->setText(QStringLiteral("remote 8 x 2 x 1"));
  emit holds->editingFinished();
  EXPECT_EQ(thing(0).piece->thing->holds[0].name, "remote");
}
TEST_F(Displays, ComeBackWithTheirCase) {
  typeLine("box 9 x 7 x 10 black");
  typeLine("8 books 10 tall 9 run cream");
  const Job before = job();
  work().select(PlacementId("c"));
  sheet().setFocus();
  key(Qt::Key_Delete);
  EXPECT_TRUE(work().scheme()->placements.empty());
  undo();
  EXPECT_EQ(job(), before);
  EXPECT_EQ(display().things.size(), 2u);
}
TEST_F(Displays, SayWhereSeveralArePutBack) {
  typeLine("box 9 x 7 x 10 black");
  typeLine("box 8 x 7 x 9 cream");
  sheet().setFocus();
  key(Qt::Key_A, Qt::ControlModifier);
  QApplication::processEvents();
  bool told = false;
  for (QLabel* label : window_->findChildren<QLabel*>())
    told = told || label->text().startsWith(QStringLiteral("Put back: "));
  EXPECT_TRUE(told);
}
TEST_F(Displays, GoDarkInTheEvening) {
  typeLine("box 9 x 7 x 10 black");
  sheet().setFocus();
  key(Qt::Key_Q);
  EXPECT_TRUE(work().evening());
  key(Qt::Key_Q);
  EXPECT_FALSE(work().evening());
}
TEST_F(Displays, SaySillySizesInWords) {
  typeLine("vase 6 x 6 x 40");
  EXPECT_TRUE(display().things.empty());
  bool told = false;
  for (QLabel* label : window_->findChildren<QLabel*>())
    told = told || label->text().contains(QStringLiteral("The largest place is"));
  EXPECT_TRUE(told);
}

}  // namespace displays_test
}  // namespace mezzet
