#include <cmath>

#include "core/edit/validate.h"
#include "support/rooms.h"

namespace mezzet {
namespace job_test {
using namespace test;

const RoomId kParlour("parlour");
const SchemeId kScheme("s1");
constexpr LengthFormat kInches{LengthStyle::Inches, 16};

Opening door(double offset, double width, const char* wall = "A") {
  Opening o;
  o.id = OpeningId("d1");
  o.wall = CornerId(wall);
  o.offset = in(offset);
  o.width = in(width);
  o.height = in(80);
  return o;
}

std::string refusal(const Result<Job>& r) { return r ? "" : r.error().text(); }

TEST(Edits, AChangedSchemeLeavesRoomsShared) {
  const Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36), "p1", 100, 60);
  const Job after = placed(job, kScheme, PlacementId("p1"), FloorPlace{{in(50), in(60)}, 450});
  EXPECT_EQ(after.rooms.front(), job.rooms.front());
  EXPECT_NE(after.schemes.front(), job.schemes.front());
  EXPECT_EQ(floorPlace(findPlacement(scheme(after), PlacementId("p1"))->on).turn, 90);
}
TEST(Edits, PuttingAPieceBackRestoresTheExactValue) {
  const Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36), "p1", 100, 60);
  const Place before = scheme(job).placements[0].on;
  const Job moved = placed(job, kScheme, PlacementId("p1"), FloorPlace{{1, 2}, 3});
  EXPECT_NE(moved, job);
  EXPECT_EQ(placed(moved, kScheme, PlacementId("p1"), before), job);
}
TEST(Edits, OfAnUnknownPlacementChangesNothing) {
  const Job job = emptyRoom();
  EXPECT_EQ(placed(job, kScheme, PlacementId("nobody"), FloorPlace{}), job);
}
TEST(Edits, TakingOutACarrierTakesWhatItCarries) {
  Job job = with(emptyRoom(), piece("table", "side-table", 20, 20), "p1", 100, 60);
  job = withPiece(job, piece("lamp", "lamp", 8, 8)).value();
  job = withPlacement(job, kScheme, {PlacementId("p2"), PieceId("lamp"), CarriedPlace{PlacementId("p1"), {}, 0}, {}});
  EXPECT_TRUE(scheme(withoutPlacement(job, kScheme, PlacementId("p1"))).placements.empty());
}
TEST(Edits, IdsAreNeverTakenBack) {
  IdSource ids(7);
  EXPECT_EQ(ids.take<PieceId>("p").value, "p7");
  ids.atLeast(3);
  EXPECT_EQ(ids.next(), 8);
}
TEST(Edits, CornersAreNamedLikeSpreadsheetColumns) {
  EXPECT_EQ(cornerName(0).value, "A");
  EXPECT_EQ(cornerName(25).value, "Z");
  EXPECT_EQ(cornerName(26).value, "AA");
}

TEST(Opening, WiderThanItsWallIsRefused) {
  EXPECT_EQ(refusal(withOpening(emptyRoom(), kParlour, door(0, 230))),
            "door on wall A: is 230 in wide on a wall of 222 in. Check the width, or choose another wall");
}
TEST(Opening, PastTheEndOfItsWallIsRefused) {
  EXPECT_EQ(refusal(withOpening(emptyRoom(), kParlour, door(200, 30))),
            "door on wall A: ends 8 in past the end of wall A. Its offset can be at most 192 in");
}
TEST(Opening, RunningIntoAnotherIsRefused) {
  const Job job = withOpening(emptyRoom(), kParlour, door(20, 30)).value();
  Opening second = door(45, 30);
  second.id = OpeningId("d2");
  EXPECT_EQ(refusal(withOpening(job, kParlour, second)),
            "second door on wall A: runs into first door on wall A. Move one of them along wall A");
}
TEST(Opening, MayBeReplacedByItself) {
  const Job job = withOpening(emptyRoom(), kParlour, door(20, 30)).value();
  EXPECT_TRUE(withOpening(job, kParlour, door(22, 30)).ok());
}
TEST(Opening, ThroughTheCeilingIsRefused) {
  Opening o = door(20, 30);
  o.height = in(97);
  EXPECT_EQ(refusal(withOpening(emptyRoom(), kParlour, o)),
            "door on wall A: reaches 1 in above the ceiling. Check its sill and height");
}
TEST(Opening, TallerThanALoweredCeilingKeepsTheCeiling) {
  const Job job = withOpening(emptyRoom(), kParlour, door(20, 30)).value();
  EXPECT_FALSE(withCeiling(job, kParlour, in(70)).ok());
}

class BadLength : public testing::TestWithParam<std::pair<double, const char*>> {};
TEST_P(BadLength, IsRefused) {
  EXPECT_EQ(refusal(withCeiling(emptyRoom(), kParlour, GetParam().first)), GetParam().second);
  Piece p = piece("sofa", "sofa", 84, 36);
  p.width = GetParam().first;
  EXPECT_FALSE(withPiece(emptyRoom(), p).ok());
}
INSTANTIATE_TEST_SUITE_P(
    Length, BadLength,
    testing::Values(std::pair{0.0, "Parlour, ceiling: must be more than 0. Type the length as the tape reads"},
                    std::pair{-5.0, "Parlour, ceiling: must be more than 0. Type the length as the tape reads"},
                    std::pair{100'001.0, "Parlour, ceiling: is longer than 100 m (328 ft). Check the unit"},
                    std::pair{double(INFINITY), "Parlour, ceiling: is not a number. Type a length"},
                    std::pair{double(NAN), "Parlour, ceiling: is not a number. Type a length"}));

TEST(Outline, ThatCrossesItselfIsRefused) {
  const auto bad = withOutline(emptyRoom(), kParlour, corners({{0, 0}, {100, 0}, {0, 80}, {100, 100}}));
  EXPECT_EQ(refusal(bad), "wall B: crosses wall D. Check the runs and the turns between them");
}
TEST(Outline, ThatRunsClockwiseIsRefused) {
  EXPECT_FALSE(withOutline(emptyRoom(), kParlour, corners({{0, 0}, {100, 0}, {100, -100}, {0, -100}})).ok());
}
TEST(Outline, KeepsAWallOnWhichAPictureHangs) {
  const Job job = hung(emptyRoom(), "print", "p1", 40, 30, 60, 58, "D");
  const auto triangle = withOutline(job, kParlour, corners({{0, 0}, {200, 0}, {100, 150}}));
  EXPECT_EQ(refusal(triangle), "wall D: is where Print hangs in A. Hang it elsewhere before this wall goes");
}
TEST(Job, WithTwoPiecesOfOneIdIsFaulty) {
  Job job = emptyRoom();
  job.pieces = {std::make_shared<const Piece>(piece("sofa", "sofa", 84, 36)),
                std::make_shared<const Piece>(piece("sofa", "sofa", 80, 36))};
  ASSERT_TRUE(faultOf(job));
  EXPECT_EQ(faultOf(job)->text(), "piece sofa: stands twice. Ids must differ");
}

TEST(Wall, ElevationSeesTheStartCornerAtTheRight) {
  // The contract's check: an opening on wall A with offset 500 and width 900 spans u 2600 to 3500.
  const Job job = emptyRoom(4000 / 25.4, 3000 / 25.4);
  const Wall a = *findWall(*job.rooms.front(), CornerId("A"));
  EXPECT_NEAR(a.length() - 500 - 900, 2600, 1e-9);
  EXPECT_EQ(a.inward(), (Vec2{0, 1}));
  EXPECT_EQ(kInches.denominator, 16);
}

// ---- as much as the window bears
TEST(Limits, OfARoomAreSaidInWords) {
  Room room = *emptyRoom().rooms.front();
  for (int i = 0; i < 61; ++i) {
    Opening window;
    window.id = OpeningId("w" + std::to_string(i));
    window.kind = OpeningKind::Window;
    window.wall = CornerId("A");
    window.offset = 50 * i;
    window.width = 40;
    window.height = 500;
    window.sill = 900;
    room.openings.push_back(window);
  }
  const auto fault = faultOf(room, kInches);
  ASSERT_TRUE(fault);
  EXPECT_EQ(fault->text(), "Parlour: has more than 60 openings. Split the room");
  room.openings.pop_back();
  EXPECT_FALSE(faultOf(room, kInches));
  Feature column;
  for (int k = 0; k < 150; ++k)
    column.outline.push_back(
        {2000 + 100 * std::cos(k * 2 * 3.14159265 / 150), 2000 + 100 * std::sin(k * 2 * 3.14159265 / 150)});
  for (int i = 0; i < 14; ++i) {
    column.id = FeatureId("f" + std::to_string(i));
    room.features.push_back(column);
  }
  ASSERT_TRUE(faultOf(room, kInches));
  EXPECT_EQ(faultOf(room, kInches)->text(),
            "Parlour: has fixed things with more than 2000 corners in all. Draw them with fewer corners");
  room.features.pop_back();
  EXPECT_FALSE(faultOf(room, kInches));
}
TEST(Limits, OfASchemeAreSaidInWords) {
  Job job = withPiece(emptyRoom(), piece("sofa", "sofa", 84, 36)).value();
  Scheme crowd = scheme(job);
  for (int i = 0; i < 400; ++i)
    crowd.placements.push_back(
        {PlacementId("p" + std::to_string(i)), PieceId("sofa"), FloorPlace{{in(100), in(60)}, 0}, {}});
  EXPECT_FALSE(faultOf(withScheme(job, crowd)));
  crowd.placements.push_back({PlacementId("one-more"), PieceId("sofa"), FloorPlace{{in(100), in(60)}, 0}, {}});
  ASSERT_TRUE(faultOf(withScheme(job, crowd)));
  EXPECT_EQ(faultOf(withScheme(job, crowd))->text(),
            "scheme s1: has more than 400 placements. Split the room, or take some out");
}

}  // namespace job_test
}  // namespace mezzet
