// Where new pieces first stand and hang, and what is said once they do.
#include "core/decide/first_place.h"

#include <gtest/gtest.h>

#include "core/decide/adding.h"
#include "core/decide/bands.h"
#include "core/decide/compare.h"
#include "core/decide/decisions.h"
#include "core/model/kinds.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace first_place_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

TEST(ALedge, GoesOverTheBackOfTheSeatAndUnderTheSill) {
  Piece sofa = piece("sofa", "sofa", 84, 36, 34);
  sofa.seat.edit().back = in(34);
  Job job = with(emptyRoom(), sofa, "s", 100, 18, 180);
  const Piece ledge = piece("ledge", "ledge", 80, 5, 4);
  const Wall wall = *findWall(*job.rooms.front(), CornerId("A"));
  WallPlace at = firstHanging(job, scheme(job), wall, ledge);
  EXPECT_NEAR(at.u, in(122), 1e-6);
  EXPECT_NEAR(at.v, in(37), 1e-6);
  Opening w;
  w.id = OpeningId("w");
  w.kind = OpeningKind::Window;
  w.wall = CornerId("A");
  w.offset = in(80);
  w.width = in(40);
  w.sill = in(36);
  w.height = in(40);
  job = withOpening(job, RoomId("parlour"), w).value();
  at = firstHanging(job, scheme(job), wall, ledge);
  EXPECT_NEAR(at.v + in(2), in(35), 1e-6);
}
TEST(Dropped, ASeatTurnsItsBackToTheWallItIsDroppedAt) {
  const Job job = emptyRoom();
  const Piece sofa = piece("sofa", "sofa", 84, 36);
  // Walls A, B, C, D in turn; the sofa's back, +y, then points out of the room, and lies on the wall.
  const std::pair<Vec2, FloorPlace> cases[] = {{{111, 12}, {{in(111), in(18)}, 180}},
                                               {{212, 75}, {{in(204), in(75)}, 270}},
                                               {{111, 140}, {{in(111), in(132)}, 0}},
                                               {{8, 75}, {{in(18), in(75)}, 90}}};
  for (const auto& [at, there] : cases) {
    const auto place = droppedPlace(job, scheme(job), sofa, at * kInch);
    ASSERT_TRUE(place);
    EXPECT_NEAR(place->at.x, there.at.x, 1e-6);
    EXPECT_NEAR(place->at.y, there.at.y, 1e-6);
    EXPECT_NEAR(place->turn, there.turn, 1e-9);
  }
  // In the middle it stays as it is, and a low table has no back.
  EXPECT_EQ(droppedPlace(job, scheme(job), sofa, Vec2{111, 75} * kInch)->turn, 0);
  EXPECT_EQ(droppedPlace(job, scheme(job), piece("t", "low-table", 40, 20), Vec2{111, 12} * kInch)->turn, 0);
}
TEST(Dropped, NothingGoesOntoOtherPiecesOrThroughAWall) {
  const Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36), "p1", 111, 75);
  const Piece chair = piece("chair", "armchair", 30, 30), rug = piece("rug", "rug", 96, 60);
  IdSource ids(9);
  for (const Vec2 at : {Vec2{111, 75}, Vec2{150, 80}, Vec2{1, 1}, Vec2{220, 149}, Vec2{111, 4}}) {
    Job both = withPiece(job, chair).value();
    const auto added = withPlaced(both, builtInRulebook(), kScheme, CornerId("A"), chair.id, ids, at * kInch);
    ASSERT_TRUE(added.ok()) << added.error().text();
    EXPECT_TRUE(standsFree(added->job, scheme(added->job), added->placement)) << at.x << " " << at.y;
    EXPECT_LT(distance(floorPlace(findPlacement(scheme(added->job), added->placement)->on).at, at * kInch),
              kDropReach + in(30));
  }
  EXPECT_EQ(droppedPlace(job, scheme(job), rug, Vec2{111, 75} * kInch)->at.x, in(111)) << "a rug lies under things";
}
TEST(Dropped, WhereNothingIsFreeItIsRefused) {
  const Job job = with(emptyRoom(60, 60), piece("bed", "bed", 58, 58), "p1", 30, 30);
  IdSource ids(9);
  const Piece chair = piece("chair", "armchair", 30, 30);
  const auto added = withPlaced(withPiece(job, chair).value(), builtInRulebook(), kScheme, CornerId("A"), chair.id, ids,
                                Vec2{30, 30} * kInch);
  ASSERT_FALSE(added.ok());
  EXPECT_EQ(added.error().text(), "Chair: has no room there. Drop it where the floor is free");
}
TEST(Hanging, ThreePicturesNeverShareASpot) {
  Job job = withPiece(emptyRoom(),
                      [] {
                        Piece p = piece("print", "art", 20, 1, 24);
                        p.count = 3;
                        return p;
                      }())
                .value();
  IdSource ids(9);
  for (int i = 0; i < 3; ++i) {
    auto added = withPlaced(job, builtInRulebook(), kScheme, CornerId("A"), PieceId("print"), ids);
    ASSERT_TRUE(added.ok());
    job = added->job;
  }
  std::vector<WallRect> rects;
  for (const Placement& p : scheme(job).placements) rects.push_back(wallRectOf(pieceOf(job, p), *onWall(p.on)));
  ASSERT_EQ(rects.size(), 3U);
  for (std::size_t i = 0; i < 3; ++i)
    for (std::size_t k = i + 1; k < 3; ++k)
      EXPECT_TRUE(rects[i].right < rects[k].left || rects[k].right < rects[i].left) << i << " and " << k;
}
TEST(Hanging, APictureIsNotFirstHungOverAWindow) {
  Job job = emptyRoom();
  Room room = *job.rooms.front();
  room.openings = {Opening{.id = OpeningId("w1"),
                           .kind = OpeningKind::Window,
                           .wall = CornerId("A"),
                           .offset = in(81),
                           .width = in(60),
                           .height = in(48),
                           .sill = in(36)}};
  job = withRoom(job, room).value();
  const WallPlace place = firstHanging(job, scheme(job), *findWall(room, CornerId("A")), piece("x", "art", 40, 1, 30));
  EXPECT_GE(std::abs(place.u - in(111)), in(30 + 20));
}
TEST(Bands, ATelevisionIsNotOfferedThePicturesBand) {
  Job job = hung(emptyRoom(), "print", "p1", 40, 30, 60, 58);
  Piece set = piece("set", "television", 48, 3, 28);
  job = withPlacement(withPiece(job, set).value(), kScheme,
                      {PlacementId("p2"), set.id, WallPlace{CornerId("A"), in(150), in(48), std::nullopt}, {}});
  EXPECT_FALSE(bandsOf(job, builtInRulebook(), kScheme, PlacementId("p1"), kInches).empty());
  EXPECT_TRUE(bandsOf(job, builtInRulebook(), kScheme, PlacementId("p2"), kInches).empty());
}

// ---- free floor
TEST(FreeFloor, IsNotGainedByPushingThingsIntoEachOtherOrThroughAWall) {
  const auto freeWith = [](double x, double y) {
    const Job job = with(with(emptyRoom(), piece("sofa", "sofa", 84, 36), "p1", 111, 75),
                         piece("case", "bookcase", 40, 12), "p2", x, y);
    return figuresOf(job, builtInRulebook(), kScheme, kInches, kEveryDay).freeFloor;
  };
  EXPECT_NEAR(freeWith(111, 75), freeWith(40, 20), 1e-3);
  EXPECT_NEAR(freeWith(111, 2), freeWith(40, 20), 1e-3);
}
TEST(FreeFloor, IsGainedByChairsUnderTheirTable) {
  const auto freeWith = [](double y) {
    const Job job = with(with(emptyRoom(), piece("table", "dining-table", 60, 36), "p1", 111, 75),
                         piece("chair", "chair", 18, 20), "p2", 111, y);
    return figuresOf(job, builtInRulebook(), kScheme, kInches, kEveryDay).freeFloor;
  };
  // The table's edge is at 93; a chair 4 in under it.
  EXPECT_NEAR(freeWith(93 + 10 - 4) - freeWith(93 + 10 + 5), in(18) * in(4), 1);
}
TEST(Compare, JudgesTheStateOfUseThatIsShown) {
  const Job job = with(with(emptyRoom(), piece("case", "sideboard", 60, 18, 34), "p1", 111, 9, 180),
                       piece("bed", "bed", 60, 30), "p2", 111, 18 + 12 + 15);
  const auto breaks = [&](UseState state) {
    return figuresOf(job, builtInRulebook(), kScheme, kInches, {state, nullptr}).breaks;
  };
  const auto found = [&](UseState state) {
    int n = 0;
    for (const Finding& f : check(job, builtInRulebook(), kScheme, kInches, {state, nullptr})) n += breaksByWeight(f);
    return n;
  };
  for (const UseState state : {UseState::Everyday, UseState::Occupied, UseState::Party})
    EXPECT_EQ(breaks(state), found(state));
}

// ---- what an edit cured
std::vector<std::string> cured(const Job& before, const Job& after) {
  return nowHolds(check(before, builtInRulebook(), kScheme, kInches, kEveryDay),
                  check(after, builtInRulebook(), kScheme, kInches, kEveryDay), after, builtInRulebook(), kScheme);
}
Job tableAt(double reach) {
  Piece sofa = piece("sofa", "sofa", 84, 36, 34);
  sofa.seat.edit().height = in(18);
  return with(with(emptyRoom(), sofa, "p1", 111, 19, 180), piece("table", "low-table", 52, 24, 17), "p2", 111,
              37 + reach + 12);
}
TEST(NowHolds, SaysWhatIsMeasuredNow) {
  const auto said = cured(tableAt(30), tableAt(16));
  EXPECT_EQ(std::count_if(said.begin(), said.end(),
                          [](const std::string& s) { return s.find("16 in") != std::string::npos; }),
            1);
  EXPECT_TRUE(cured(tableAt(16), tableAt(30)).empty());
  EXPECT_TRUE(cured(tableAt(30), tableAt(30)).empty());
}
TEST(NowHolds, NamesWhatIsNoMoreAndIsSilentOnWhatWasTakenOut) {
  const auto said = cured(tableAt(-4), tableAt(16));
  EXPECT_NE(std::find(said.begin(), said.end(), "Settled: two things in one place, the sofa and the table."),
            said.end());
  const auto without = cured(tableAt(-4), withoutPlacement(tableAt(-4), kScheme, PlacementId("p2")));
  EXPECT_TRUE(std::none_of(without.begin(), without.end(),
                           [](const std::string& s) { return s.find("one place") != std::string::npos; }));
}

}  // namespace first_place_test
}  // namespace mezzet
