// The Walls stage by mouse and by keyboard: several typed as a row, arrangements by words with ghosts, the gap typed.
#include <QComboBox>
#include <QDragEnterEvent>
#include <QLineEdit>
#include <QMenu>
#include <QMimeData>
#include <QToolButton>

#include <cmath>

#include "app/stages/floor/cut_out.h"
#include "app/stages/walls/wall_picker.h"
#include "core/edit/edits.h"
#include "core/edit/hangs.h"
#include "core/hang/neighbours.h"
#include "core/model/kinds.h"
#include "ui/support.h"

namespace mezzet {
namespace walls_test {

class OnWalls : public test::WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    // A scheme with a sofa alone at its longest wall.
    Job after = withScheme(job(), Scheme{SchemeId("walls"), work().room()->id, "Walls", {}, {}, {}});
    ASSERT_TRUE(window_->document().edit(QStringLiteral("begin"), after, 900));
    work().showScheme(SchemeId("walls"));
    key(Qt::Key_F4);
    ASSERT_EQ(work().stage(), Stage::Walls);
    double longest = 0;
    for (const Wall& wall : wallsOf(*work().room())) {
      bool open = false;
      for (const Opening& o : work().room()->openings) open = open || o.wall == wall.id;
      if (!open && wall.length() > longest) {
        longest = wall.length();
        work().showWall(wall.id);
      }
    }
    sheet().setFocus();
  }
  void typeLine(const char* text) {
    key(Qt::Key_A);
    type(text);
    key(Qt::Key_Return, Qt::ControlModifier);
    QApplication::processEvents();
    sheet().setFocus();
  }
  std::vector<PlacementId> hungHere() {
    std::vector<PlacementId> out;
    for (const Placement& p : work().scheme()->placements)
      if (onWall(p.on) != nullptr) out.push_back(p.id);
    return out;
  }
  std::vector<double> gaps() {
    std::vector<double> out;
    for (const HungPair& pair : spanningPairs(PieceIndex(job()), *work().scheme(), hungHere())) out.push_back(pair.gap);
    return out;
  }
  /// Drops these where a point of the wall is seen.
  void drop(const std::vector<PieceId>& pieces, Vec2 at, bool release = true) {
    QByteArrayList ids;
    for (const PieceId& id : pieces) ids << QByteArray::fromStdString(id.value);
    QMimeData mime;
    mime.setData(QString::fromUtf8(kPieceMime), ids.join('\0'));
    const QPoint there = sheet().projection().map(at).toPoint();
    QDragEnterEvent enter(there, Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&sheet(), &enter);
    QDragMoveEvent move(there, Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&sheet(), &move);
    if (!release) return;
    QDropEvent fall(there, Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&sheet(), &fall);
    QApplication::processEvents();
  }
  /// So far off the middle of the wall that is seen, facing the room.
  FloorPlace offWall(const Piece& piece, double off) {
    const Wall wall = *findWall(*work().room(), work().wall());
    const double turn = normalisedTurn(std::atan2(-wall.inward().x, wall.inward().y) * 180 / M_PI + 180);
    return {(wall.start + wall.end) * 0.5 + wall.inward() * (*piece.depth / 2 + off), turn};
  }
  Piece couch() {
    Piece sofa = usualPiece("sofa");
    sofa.id = PieceId("couch");
    return sofa;
  }
  /// The job with a sofa as far off the wall.
  Job withSofa(double off) {
    return withPlacement(withPiece(job(), couch()).value(), work().schemeId(),
                         {PlacementId("c1"), couch().id, offWall(couch(), off), {}});
  }
  void putSofa() { ASSERT_TRUE(window_->document().edit(QStringLiteral("furnish"), withSofa(20))); }
  Piece printOf(double height, int count) {
    Piece print = usualPiece("art");
    print.id = PieceId("print");
    print.width = 300;
    print.height = height;
    print.count = count;
    return print;
  }
  bool settled(const std::function<bool()>& so) { return QTest::qWaitFor(so, 5000); }
};

TEST_F(OnWalls, ThreeTypedAsARowHangAsOne) {
  typeLine("3 pictures 12 x 16, row 2");
  ASSERT_EQ(hungHere().size(), 3U);
  for (const double gap : gaps()) EXPECT_NEAR(gap, 50.8, 1e-6);
  ASSERT_EQ(work().scheme()->hangs.size(), 1U);
  EXPECT_EQ(work().scheme()->hangs[0].as, HangAs::Row);
  EXPECT_EQ(work().selection().size(), 3U);
  undo();
  EXPECT_TRUE(hungHere().empty());
}
TEST_F(OnWalls, ANumberIsTheGap) {
  typeLine("3 pictures 12 x 16");
  ASSERT_EQ(hungHere().size(), 3U);
  type("3");
  ASSERT_NE(qobject_cast<QLineEdit*>(QApplication::focusWidget()), nullptr);
  key(Qt::Key_Return);
  ASSERT_TRUE(settled([&] { return std::abs(gaps()[0] - 76.2) < 1e-6; }));
  EXPECT_NEAR(gaps()[1], 76.2, 1e-6);
}
TEST_F(OnWalls, AWordShowsAGhostAndAClickTakesIt) {
  typeLine("4 pictures 12 x 16");
  QPushButton* grid = button(QStringLiteral("hang:grid"));
  ASSERT_NE(grid, nullptr);
  const Job before = job();
  grid->setFocus(Qt::TabFocusReason);
  ASSERT_TRUE(settled([&] { return work().ghost().has_value(); }));
  EXPECT_EQ(job(), before);
  QTest::mouseClick(grid, Qt::LeftButton);
  ASSERT_TRUE(settled([&] { return !work().scheme()->hangs.empty() && work().scheme()->hangs[0].as == HangAs::Grid; }));
  std::set<long> rows;
  for (const PlacementId& id : hungHere())
    rows.insert(std::lround(wallPlace(findPlacement(*work().scheme(), id)->on).v));
  EXPECT_EQ(rows.size(), 2U);
  EXPECT_FALSE(work().ghost().has_value());
}
TEST_F(OnWalls, AMatchHasTheOutsideOfThePictureThatIsChosen) {
  typeLine("picture 56 x 24");
  const PlacementId model = hungHere()[0];
  work().showWall(CornerId("E"));
  typeLine("4 pictures 27 x 11, grid");
  ASSERT_EQ(work().selection().size(), 4U);
  auto* word = window_->findChild<QPushButton*>(QStringLiteral("hang:match"));
  ASSERT_NE(word, nullptr);
  ASSERT_EQ(word->menu()->actions().size(), 1);
  word->menu()->actions()[0]->hover();
  ASSERT_TRUE(settled([&] { return work().ghost() != std::nullopt; }));
  word->menu()->actions()[0]->trigger();
  ASSERT_TRUE(settled([&] { return work().scheme()->hangs[0].as == HangAs::Match; }));
  EXPECT_EQ(work().scheme()->hangs[0].like, model.value);
  for (const Hung& hung : hungIn(job(), *work().scheme()))
    if (hung.members.size() == 4) {
      EXPECT_NEAR(hung.envelope.width(), 56 * kInch, 1e-6);
      EXPECT_NEAR(hung.envelope.height(), 24 * kInch, 1e-6);
    }
}
TEST_F(OnWalls, AKeyHangsOneApartFromItsNeighbours) {
  const Piece print = printOf(300, 2);
  Job with = withPiece(job(), print).value();
  for (const double u : {1500.0, 1850.0})
    with =
        withPlacement(with, work().schemeId(),
                      {PlacementId("n" + std::to_string(int(u))), print.id, WallPlace{work().wall(), u, 1500, {}}, {}});
  ASSERT_TRUE(window_->document().edit(QStringLiteral("hang"), with));
  const auto groups = [&] { return hungIn(job(), *work().scheme()).size(); };
  EXPECT_EQ(groups(), 1U);
  work().select(hungHere()[0]);
  key(Qt::Key_P, Qt::ShiftModifier);
  EXPECT_EQ(groups(), 2U);
  key(Qt::Key_P, Qt::ShiftModifier);
  EXPECT_EQ(groups(), 1U);
}
TEST_F(OnWalls, AFrameThatGrowsIsMadeRoomFor) {
  typeLine("3 pictures 12 x 16");
  Piece wider = pieceOf(job(), *findPlacement(*work().scheme(), hungHere()[0]));
  wider.width = 500;
  ASSERT_TRUE(window_->document().edit(QStringLiteral("wider"), withPiece(job(), wider).value()));
  for (const double gap : gaps()) EXPECT_NEAR(gap, 50.8, 1e-6);
}
TEST_F(OnWalls, AFrameTakenOutClosesTheRow) {
  typeLine("3 pictures 12 x 16");
  work().ungroup();
  EXPECT_TRUE(work().scheme()->hangs.empty());
  undo();
  ASSERT_EQ(work().scheme()->hangs.size(), 1U);
  const Job without = withoutPlacement(job(), work().schemeId(), hungHere()[1]);
  ASSERT_TRUE(window_->document().edit(QStringLiteral("out"), without));
  ASSERT_EQ(gaps().size(), 1U);
  EXPECT_NEAR(gaps()[0], 50.8, 1e-6);
}
TEST_F(OnWalls, MoreThanTheWallTakesIsSaidInTheLine) {
  key(Qt::Key_A);
  type("40 pictures 30 x 30, row");
  key(Qt::Key_Return, Qt::ControlModifier);
  QApplication::processEvents();
  EXPECT_TRUE(hungHere().empty());
  const auto labels = window_->findChildren<QLabel*>();
  EXPECT_TRUE(std::any_of(labels.begin(), labels.end(),
                          [](QLabel* l) { return l->text().contains(QStringLiteral("too wide")); }));
}
TEST_F(OnWalls, WhatAMoveTurnedIsListedUntilItIsTicked) {
  const Job with = withSchool(withSchool(withSofa(700), "art-gap", "a"), "art-centre", "a");
  ASSERT_TRUE(window_->document().edit(QStringLiteral("furnish"), with));
  typeLine("picture 40 x 24");
  ASSERT_EQ(hungHere().size(), 1U);
  ASSERT_TRUE(work().turned().empty());
  // Pushed to the wall the sofa comes under the picture, whose gap is then wrong.
  ASSERT_TRUE(window_->document().edit(QStringLiteral("push"),
                                       placed(job(), work().schemeId(), PlacementId("c1"), offWall(couch(), 0))));
  ASSERT_EQ(work().turned().size(), 1U);
  EXPECT_TRUE(work().turned()[0].finding.starts_with("art-gap:"));
  const auto labels = [&] { return window_->findChildren<QLabel*>(QStringLiteral("turned")); };
  ASSERT_TRUE(settled([&] { return !labels().isEmpty(); }));
  work().tickTurned(work().turned()[0].finding);
  EXPECT_TRUE(work().turned().empty());
}
TEST_F(OnWalls, OpensTheRoomLikeABox) {
  typeLine("picture 40 x 24");
  const PlacementId id = hungHere()[0];
  key(Qt::Key_O);
  QApplication::processEvents();
  EXPECT_TRUE(work().foldedOut());
  EXPECT_EQ(sheet().objectName(), QStringLiteral("foldView"));
  EXPECT_EQ(work().selected(), id);
  key(Qt::Key_O);
  QApplication::processEvents();
  EXPECT_FALSE(work().foldedOut());
}
TEST_F(OnWalls, AClickInTheKeyPlanShowsItsWall) {
  auto* picker = window_->findChild<WallPicker*>();
  ASSERT_NE(picker, nullptr);
  for (const Corner& corner : work().room()->corners) {
    QTest::mouseClick(picker, Qt::LeftButton, {}, picker->placeOf(corner.id).toPoint());
    EXPECT_EQ(work().wall(), corner.id);
  }
}
TEST_F(OnWalls, ALetterInTheKeyPlanShowsItsWall) {
  auto* picker = window_->findChild<WallPicker*>();
  ASSERT_NE(picker, nullptr);
  picker->setFocus();
  QTest::keyClick(picker, Qt::Key_C);
  EXPECT_EQ(work().wall(), CornerId("C"));
  QTest::keyClick(picker, Qt::Key_Right);
  EXPECT_EQ(work().wall(), CornerId("D"));
  QTest::keyClick(picker, Qt::Key_9);  // no wall
  EXPECT_EQ(work().wall(), CornerId("D"));
}
TEST_F(OnWalls, ThreeDroppedOverTheSofaAreARowAndANumberIsTheirGap) {
  putSofa();
  const Piece print = printOf(400, 3);
  ASSERT_TRUE(window_->document().edit(QStringLiteral("add"), withPiece(job(), print).value()));
  const double middle = findWall(*work().room(), work().wall())->length() / 2;
  drop({print.id, print.id, print.id}, {middle + 200, 1600}, false);
  EXPECT_TRUE(work().ghost());
  EXPECT_TRUE(hungHere().empty());
  drop({print.id, print.id, print.id}, {middle + 200, 1600});
  EXPECT_FALSE(work().ghost());
  ASSERT_EQ(hungHere().size(), 3U);
  ASSERT_EQ(work().scheme()->hangs.size(), 1U);
  EXPECT_EQ(work().scheme()->hangs[0].as, HangAs::Row);
  EXPECT_EQ(work().selection().size(), 3U);
  double u = 0;
  for (const PlacementId& id : hungHere()) u += wallPlace(findPlacement(*work().scheme(), id)->on).u / 3;
  EXPECT_NEAR(u, middle, 1e-6);  // over the sofa, not where it was let go
  key(Qt::Key_4);
  key(Qt::Key_Return);
  ASSERT_TRUE(settled([&] { return std::abs(gaps()[0] - 101.6) < 1e-6; }));
}
TEST_F(OnWalls, WhatIsTooLongForARowOverTheSofaIsASalon) {
  putSofa();
  const Piece print = printOf(300, 8);
  ASSERT_TRUE(window_->document().edit(QStringLiteral("add"), withPiece(job(), print).value()));
  drop(std::vector<PieceId>(8, print.id), {findWall(*work().room(), work().wall())->length() / 2, 1600});
  ASSERT_EQ(hungHere().size(), 8U);
  EXPECT_EQ(work().scheme()->hangs[0].as, HangAs::Salon);
}
TEST_F(OnWalls, WhatIsPickedInTheTrayHangsAsOne) {
  key(Qt::Key_A);
  type("3 pictures 12 x 16");
  key(Qt::Key_Return);
  type("picture 10 x 10");  // the line is still in hand
  key(Qt::Key_Return);
  QApplication::processEvents();
  QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
  std::vector<CutOut*> cuts;
  for (CutOut* cut : window_->findChildren<CutOut*>())
    if (cut->accessibleName().startsWith(QStringLiteral("Picture"))) cuts.push_back(cut);
  ASSERT_EQ(cuts.size(), 2U);
  QTest::mouseClick(cuts[0], Qt::LeftButton, Qt::ControlModifier);
  QTest::keyClick(cuts[1], Qt::Key_Space);
  EXPECT_TRUE(cuts[0]->picked() && cuts[1]->picked());
  QTest::keyClick(cuts[1], Qt::Key_Return);
  ASSERT_TRUE(settled([&] { return hungHere().size() == 4; }));
  ASSERT_EQ(work().scheme()->hangs.size(), 1U);
  for (const double gap : gaps()) EXPECT_NEAR(gap, 50.8, 1e-6);
  EXPECT_EQ(work().selection().size(), 4U);
  undo();
  EXPECT_TRUE(hungHere().empty());
}
TEST_F(OnWalls, NShowsNailsAndAsksHowAFrameHangs) {
  typeLine("picture 20 x 30");
  const PlacementId id = hungHere()[0];
  key(Qt::Key_N);
  ASSERT_TRUE(work().showsNails());
  ASSERT_TRUE(work().nailsHere());
  EXPECT_TRUE(work().nailsHere()->nails.empty());
  const auto combo = [&](const char* name) {
    QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
    return window_->findChild<QComboBox*>(QString::fromUtf8(name));
  };
  auto* kind = combo("nail:frame.hanger.kind");
  ASSERT_NE(kind, nullptr);
  kind->setCurrentIndex(1);
  emit kind->activated(1);
  const auto hanger = [&] { return *pieceOf(job(), *findPlacement(*work().scheme(), id)).hanger; };
  ASSERT_TRUE(settled([&] { return hanger().kind == HangerKind::Wire; }));
  EXPECT_TRUE(work().nailsHere()->nails.empty());  // 3 in is offered, not taken
  QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
  auto* drop = window_->findChild<QLineEdit*>(QStringLiteral("nail:frame.hanger.drop"));
  ASSERT_NE(drop, nullptr);
  EXPECT_EQ(drop->placeholderText(), QStringLiteral("3 in?"));
  drop->setFocus();
  QTest::keyClicks(drop, QStringLiteral("2 1/2"));
  QTest::keyClick(drop, Qt::Key_Return);
  ASSERT_TRUE(settled([&] { return work().nailsHere()->nails.size() == 1; }));
  const WallPlace place = wallPlace(findPlacement(*work().scheme(), id)->on);
  EXPECT_NEAR(work().nailsHere()->nails[0].v, place.v + 15 * kInch - 2.5 * kInch, 1e-6);
  undo();
  EXPECT_FALSE(hanger().drop);
}
TEST_F(OnWalls, AMirrorSaysWhatItShows) {
  typeLine("mirror 24 x 36");
  ASSERT_EQ(hungHere().size(), 1U);
  const auto labels = window_->findChildren<QLabel*>(QStringLiteral("barHint"));
  EXPECT_TRUE(std::any_of(labels.begin(), labels.end(),
                          [](QLabel* l) { return l->text().contains(QStringLiteral("it shows")); }));
}

}  // namespace walls_test
}  // namespace mezzet
