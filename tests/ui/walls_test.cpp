// The Walls stage by mouse and by keyboard: several typed as a row, arrangements by words with ghosts, the gap typed.
#include <QLineEdit>
#include <QToolButton>

#include <cmath>

#include "core/edit/edits.h"
#include "core/edit/hangs.h"
#include "core/hang/neighbours.h"
#include "core/model/kinds.h"
#include "ui/support.h"

namespace mezzet {
namespace {

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
  Piece sofa = usualPiece("sofa");
  sofa.id = PieceId("couch");
  Job with = withPiece(job(), sofa).value();
  const Wall wall = *findWall(*work().room(), work().wall());
  const Vec2 middle = (wall.start + wall.end) * 0.5;
  const double turn = normalisedTurn(std::atan2(-wall.inward().x, wall.inward().y) * 180 / M_PI + 180);
  const auto at = [&](double off) { return FloorPlace{middle + wall.inward() * (*sofa.depth / 2 + off), turn}; };
  with = withPlacement(with, work().schemeId(), {PlacementId("c1"), sofa.id, at(700), {}});
  with = withSchool(withSchool(with, "art-gap", "a"), "art-centre", "a");
  ASSERT_TRUE(window_->document().edit(QStringLiteral("furnish"), with));
  typeLine("picture 40 x 24");
  ASSERT_EQ(hungHere().size(), 1U);
  ASSERT_TRUE(work().turned().empty());
  // Pushed to the wall the sofa comes under the picture, whose gap is then wrong.
  ASSERT_TRUE(
      window_->document().edit(QStringLiteral("push"), placed(job(), work().schemeId(), PlacementId("c1"), at(0))));
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
TEST_F(OnWalls, ALetterShowsItsWall) {
  for (const Corner& corner : work().room()->corners) {
    auto* letter = window_->findChild<QToolButton*>(QStringLiteral("wall:") + QString::fromStdString(corner.id.value));
    ASSERT_NE(letter, nullptr) << corner.id.value;
    letter->click();
    EXPECT_EQ(work().wall(), corner.id);
    EXPECT_TRUE(letter->isChecked());
  }
}
TEST_F(OnWalls, AMirrorSaysWhatItShows) {
  typeLine("mirror 24 x 36");
  ASSERT_EQ(hungHere().size(), 1U);
  const auto labels = window_->findChildren<QLabel*>(QStringLiteral("barHint"));
  EXPECT_TRUE(std::any_of(labels.begin(), labels.end(),
                          [](QLabel* l) { return l->text().contains(QStringLiteral("it shows")); }));
}

}  // namespace
}  // namespace mezzet
