// Hanging in the window: nails read out, what was hung, holes, ticks, leaning, stairs, a plan in a photograph.
#include <QCheckBox>
#include <QComboBox>
#include <QSpinBox>

#include "app/dialogs/hanger_dialog.h"
#include "app/dialogs/hung_dialog.h"
#include "app/dialogs/photograph_dialog.h"
#include "app/stages/walls/nail_read_out.h"
#include "core/edit/hangs.h"
#include "core/edit/site.h"
#include "core/hang/as_hung.h"
#include "core/site/stair_wall.h"
#include "ui/support.h"

namespace mezzet {
namespace hanging_test {

const PlacementId kPrint("n1");

class Hanging : public test::WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    // One frame on a ring, alone on the longest wall without openings.
    for (const Wall& wall : wallsOf(*work().room())) {
      const auto on = [&](const Opening& o) { return o.wall == wall.id; };
      const auto& openings = work().room()->openings;
      if (std::none_of(openings.begin(), openings.end(), on) &&
          (wall_.empty() || wall.length() > findWall(*work().room(), wall_)->length()))
        wall_ = wall.id;
    }
    Piece p;
    p.id = PieceId("print");
    p.name = "Print";
    p.kind = "art";
    p.width = 20 * kInch;
    p.depth = 1 * kInch;
    p.height = 30 * kInch;
    p.hanger.edit().kind = HangerKind::Ring;
    p.hanger.edit().drop = 2 * kInch;
    p.hanger.edit().hooks = 1;
    Job after = withScheme(job(), Scheme{SchemeId("hang"), work().room()->id, "Hang", {}, {}, {}});
    after = withPiece(after, p).value();
    after = withPlacement(after, SchemeId("hang"),
                          {kPrint, p.id, WallPlace{wall_, 60 * kInch, 57 * kInch, std::nullopt}, {}});
    ASSERT_TRUE(window_->document().edit(QStringLiteral("begin"), after, 900));
    work().showScheme(SchemeId("hang"));
    key(Qt::Key_F4);
    work().showWall(wall_);
    sheet().setFocus();
  }
  [[nodiscard]] const Placement& print() { return *findPlacement(*work().scheme(), kPrint); }
  CornerId wall_;
  static void typeInto(QWidget& face, const char* text) {
    auto* figure = face.findChild<QLineEdit*>(QStringLiteral("figure"));
    ASSERT_NE(figure, nullptr);
    QTest::keyClicks(figure, QString::fromUtf8(text));
    QTest::keyClick(figure, Qt::Key_Enter);
  }
};

TEST_F(Hanging, EnterSaysTheNailIsInWhereItWasPlanned) {
  NailReadOut face(work());
  face.show();
  const auto shown = face.findChildren<QLabel*>(QStringLiteral("shown"));
  ASSERT_EQ(shown.size(), 2);
  EXPECT_EQ(shown[0]->text(), QStringLiteral("60"));
  EXPECT_EQ(shown[1]->text(), QStringLiteral("22"));  // 57 + 15 - 2 = 70, over a line at 48
  typeInto(face, "");
  ASSERT_TRUE(print().asHung);
  EXPECT_NEAR(print().asHung->u, 60 * kInch, 1e-6);
  EXPECT_NEAR(print().asHung->v, 57 * kInch, 1e-6);
  EXPECT_EQ(work().room()->holes.size(), 1U);
  undo();
  EXPECT_FALSE(print().asHung);
  EXPECT_TRUE(work().room()->holes.empty()) << "one edit, one step of undo";
}

TEST_F(Hanging, NumbersSayWhereTheNailLanded) {
  NailReadOut face(work());
  face.show();
  typeInto(face, "60 3/8");
  EXPECT_FALSE(print().asHung) << "the other length is still to come";
  typeInto(face, "21 3/4");
  ASSERT_TRUE(print().asHung);
  EXPECT_NEAR(print().asHung->u, 60.375 * kInch, 1e-6);
  EXPECT_NEAR(print().asHung->v, 56.75 * kInch, 1e-6);
  const auto all = deviations(PieceIndex(job()), *work().scheme());
  ASSERT_EQ(all.size(), 1U);
  EXPECT_TRUE(all[0].over());
  EXPECT_NEAR(wallPlace(print().on).u, 60 * kInch, 1e-9) << "the plan stays";
}

TEST_F(Hanging, SillyNumbersChangeNothing) {
  NailReadOut face(work());
  face.show();
  for (const char* text : {"abc", "99999999", "60 1/0"}) {
    typeInto(face, text);
    EXPECT_FALSE(print().asHung) << text;
    face.findChild<QLineEdit*>(QStringLiteral("figure"))->clear();
  }
  typeInto(face, "5000");  // longer than the wall
  typeInto(face, "10");
  EXPECT_FALSE(print().asHung);
}

TEST_F(Hanging, AStarTicksTheSpotAsClear) {
  Room room = *work().room();
  room.points.push_back(
      {PointId("sock"), PointKind::Socket, wall_, findWall(room, wall_)->length() - 60 * kInch, 12 * kInch, {}});
  const auto wired = withRoom(job(), room);
  ASSERT_TRUE(wired) << wired.error().text();
  ASSERT_TRUE(window_->document().edit(QStringLiteral("socket"), *wired));
  work().showNails(true);
  ASSERT_EQ(work().nailsHere()->nails.at(0).near.size(), 1U);
  NailReadOut face(work());
  face.show();
  QTest::keyClick(face.findChild<QLineEdit*>(QStringLiteral("figure")), Qt::Key_Asterisk);
  EXPECT_TRUE(work().nailsHere()->nails.at(0).near.empty());
  EXPECT_EQ(work().room()->clearSpots.size(), 1U);
  QTest::keyClick(face.findChild<QLineEdit*>(QStringLiteral("figure")), Qt::Key_Asterisk);
  EXPECT_TRUE(work().room()->clearSpots.empty());
}

TEST_F(Hanging, EndAndLineAreTypedInTheBar) {
  work().select({});
  key(Qt::Key_N);
  QApplication::processEvents();
  auto* end = find<QComboBox>("nails:end");
  ASSERT_NE(end, nullptr);
  end->setCurrentIndex(1);
  emit end->activated(1);
  ASSERT_TRUE(QTest::qWaitFor([&] { return work().nailAsk().end == WallEnd::Right; }));
  QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
  auto* line = find<QLineEdit>("nails:line");
  ASSERT_NE(line, nullptr);
  line->setFocus();
  line->selectAll();
  QTest::keyClicks(line, QStringLiteral("60"));
  QTest::keyClick(line, Qt::Key_Return);
  ASSERT_TRUE(QTest::qWaitFor([&] { return std::abs(work().nailAsk().line - 60 * kInch) < 1e-6; }));
  const Nail nail = work().nailsHere()->nails.at(0);
  EXPECT_NEAR(nail.aboveLine, 10 * kInch, 1e-6);
  EXPECT_NEAR(nail.fromEnd, findWall(*work().room(), wall_)->length() - 60 * kInch, 1e-6);
}

TEST_F(Hanging, TheListPlansItWhereItHangs) {
  ASSERT_TRUE(window_->document().edit(
      QStringLiteral("hung"),
      withHole(withAsHung(job(), SchemeId("hang"), kPrint, AsHung{61 * kInch, 57 * kInch, "2026-04-01"}),
               work().room()->id, {wall_, 61 * kInch, 70 * kInch, 3, "2026-04-01", {}})));
  HungDialog list(work());
  list.show();
  auto* plan = list.findChild<QPushButton*>(QStringLiteral("planAsHung:n1"));
  ASSERT_NE(plan, nullptr);
  plan->click();
  EXPECT_NEAR(wallPlace(print().on).u, 61 * kInch, 1e-9);
  auto* filled = list.findChild<QCheckBox*>(QStringLiteral("holeFilled:0"));
  ASSERT_NE(filled, nullptr);
  filled->setChecked(true);
  EXPECT_FALSE(work().room()->holes.at(0).filled.empty());
}

TEST_F(Hanging, TheHookBesideTheMiddleIsTyped) {
  work().select(kPrint);
  HangerDialog dialog(work(), kPrint);
  dialog.show();
  auto* offset = dialog.findChild<QLineEdit*>(QStringLiteral("hangerOffset"));
  ASSERT_NE(offset, nullptr);
  offset->setFocus();
  offset->selectAll();
  QTest::keyClicks(offset, QStringLiteral("-1 1/2"));
  QTest::keyClick(offset, Qt::Key_Return);
  EXPECT_NEAR(pieceOf(job(), print()).hanger->offset, -1.5 * kInch, 1e-6);
  work().showNails(true);
  EXPECT_NEAR(work().nailsHere()->nails.at(0).u, 58.5 * kInch, 1e-6);
}

TEST_F(Hanging, HLeansItAndHangsItAgain) {
  work().select(kPrint);
  sheet().setFocus();
  key(Qt::Key_H);
  ASSERT_NE(leaning(print().on), nullptr);
  QApplication::processEvents();
  auto* foot = find<QLineEdit>("bar:lean");
  ASSERT_NE(foot, nullptr);
  foot->setFocus();
  foot->selectAll();
  QTest::keyClicks(foot, QStringLiteral("1"));
  QTest::keyClick(foot, Qt::Key_Return);
  EXPECT_NEAR(leaning(print().on)->lean, 1 * kInch, 1e-6);
  EXPECT_TRUE(std::any_of(work().findings().begin(), work().findings().end(), [](const Finding& f) {
    return f.rule == "lean-safe" && f.verdict == Verdict::Breaks;
  })) << "30 in high, 1.9 degrees";
  sheet().setFocus();
  key(Qt::Key_H);
  EXPECT_NE(onWall(print().on), nullptr);
}

TEST_F(Hanging, WhatLeansIsTakenHoldOfAndMovedAlong) {
  work().select(kPrint);
  sheet().setFocus();
  key(Qt::Key_H);
  work().select({});
  const double was = leaning(print().on)->u;
  QApplication::processEvents();
  drag({was, 300}, {400, 200});
  EXPECT_EQ(work().selected(), kPrint);
  EXPECT_NEAR(leaning(print().on)->u, was + 400, 30);
  EXPECT_EQ(leaning(print().on)->foot, 0);
}

TEST_F(Hanging, APhotographIsPutInScaleByFourClicks) {
  // A picture of 400 x 300 of that wall.
  QImage image(400, 300, QImage::Format_RGB32);
  image.fill(Qt::lightGray);
  const QString file = folder_.path() + QStringLiteral("/wall.png");
  ASSERT_TRUE(image.save(file));
  QFile bytes(file);
  ASSERT_TRUE(bytes.open(QIODevice::ReadOnly));
  const auto name = window_->document().addImage(bytes.readAll().toStdString(), "png");
  ASSERT_TRUE(name);
  Room room = *work().room();
  Photograph p;
  p.id = PhotographId("shot");
  p.image = *name;
  p.wall = wall_;
  room.photographs.push_back(p);
  ASSERT_TRUE(window_->document().edit(QStringLiteral("photograph"), withRoom(job(), room).value()));
  PhotographDialog dialog(work(), p.id);
  dialog.show();
  QApplication::processEvents();
  auto* view = dialog.findChild<PhotographView*>();
  ASSERT_NE(view, nullptr);
  const QImage before = dialog.painted();
  for (const Vec2 corner : {Vec2{100, 250}, Vec2{200, 250}, Vec2{200, 150}, Vec2{100, 150}})
    QTest::mouseClick(view, Qt::LeftButton, {}, view->onScreen(corner).toPoint());
  const auto typed = [&](const char* field, const char* text) {
    auto* line = dialog.findChild<QLineEdit*>(QString::fromUtf8(field));
    ASSERT_NE(line, nullptr);
    line->setFocus();
    line->selectAll();
    QTest::keyClicks(line, QString::fromUtf8(text));
    QTest::keyClick(line, Qt::Key_Return);
  };
  typed("photographWidth", "40");
  typed("photographHeight", "40");
  typed("photographU", "40");
  typed("photographV", "40");
  const auto calibrated = [&]() -> const std::optional<Calibration>& {
    return work().room()->photographs.back().calibration;
  };
  ASSERT_TRUE(calibrated());
  EXPECT_NEAR(calibrated()->width, 40 * kInch, 1e-6);
  EXPECT_NEAR(calibrated()->corners[0].x, 100, 2);
  // The print, 20 x 30 about 60 in along and 57 up, lies from 125 to 175 along and 170 to 245 up: the picture there is
  // another now, and elsewhere the same.
  const QImage painted = dialog.painted();
  EXPECT_NE(painted.pixelColor(150, 205), before.pixelColor(150, 205));
  EXPECT_EQ(painted.pixelColor(300, 100), before.pixelColor(300, 100));
  // What stands before it is drawn round by the keyboard alone, and left as it is.
  auto* draw = dialog.findChild<QPushButton*>(QStringLiteral("photographBefore"));
  draw->click();
  QTest::keyClick(view, Qt::Key_Return);  // the middle, 200 150
  for (int i = 0; i < 9; ++i) QTest::keyClick(view, Qt::Key_Left);
  for (int i = 0; i < 4; ++i) QTest::keyClick(view, Qt::Key_Up);
  QTest::keyClick(view, Qt::Key_Return);  // 110 110
  for (int i = 0; i < 18; ++i) QTest::keyClick(view, Qt::Key_Down);
  QTest::keyClick(view, Qt::Key_Return);  // 110 290
  for (int i = 0; i < 18; ++i) QTest::keyClick(view, Qt::Key_Right);
  QTest::keyClick(view, Qt::Key_Return);  // 290 290
  draw->click();
  ASSERT_EQ(work().room()->photographs.back().before.size(), 1U);
  EXPECT_NEAR(work().room()->photographs.back().before[0][1].x, 110, 1e-6);
  EXPECT_EQ(dialog.painted().pixelColor(150, 205), before.pixelColor(150, 205));
  const QString out = folder_.path() + QStringLiteral("/out.png");
  EXPECT_FALSE(dialog.write(out));
  EXPECT_EQ(QImage(out).size(), image.size());
}

TEST_F(Hanging, AWordHangsFramesAlongAStair) {
  // A flight along that wall of this room, and three frames there.
  Room room = *work().room();
  const Wall wall = *findWall(room, wall_);
  Feature stair;
  stair.id = FeatureId("flight");
  stair.kind = FeatureKind::Stair;
  const auto at = [&](double s, double off) { return wall.start + wall.along() * s + wall.inward() * off; };
  stair.outline = {at(600, 0), at(3600, 0), at(3600, 700), at(600, 700)};
  stair.stair = Stair{8, 120, 300, normalisedTurn(directionOf(wall.along())), {}, {}, {}, {}};
  room.features.push_back(stair);
  Job after = withRoom(job(), room).value();
  for (int i = 0; i < 2; ++i)
    after = withPlacement(after, SchemeId("hang"),
                          {PlacementId("m" + std::to_string(i)),
                           PieceId("print"),
                           WallPlace{wall_, (100.0 + 40 * i) * kInch, 57 * kInch, std::nullopt},
                           {}});
  Piece small = *findPiece(after, PieceId("print"));
  small.count = 3;
  small.width = small.height.emplace(10 * kInch);
  after = withPiece(after, small).value();
  ASSERT_TRUE(window_->document().edit(QStringLiteral("stair"), after));
  work().selectThese({kPrint, PlacementId("m0"), PlacementId("m1")});
  QApplication::processEvents();
  QPushButton* word = button(QStringLiteral("hang:stair"));
  ASSERT_NE(word, nullptr);
  ASSERT_NE(find<QSpinBox>("hang:treads"), nullptr);
  word->click();
  ASSERT_TRUE(QTest::qWaitFor([&] { return !work().scheme()->hangs.empty(); }));
  EXPECT_EQ(work().scheme()->hangs[0].as, HangAs::Stair);
}

}  // namespace hanging_test
}  // namespace mezzet
