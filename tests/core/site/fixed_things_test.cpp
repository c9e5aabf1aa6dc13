#include "core/site/fixed_things.h"

#include <gtest/gtest.h>

#include "core/survey/runs.h"
#include "support/rooms.h"

namespace mezzet {
namespace fixed_things_test {

using test::in;
const LengthFormat kInches = usualFormat(Unit::Inch);

Room room() { return *test::emptyRoom(222, 150).rooms.front(); }
/// 222 x 150 with the corner between walls B and C cut off by 45 degrees, 40 in along each.
Room cutCorner() {
  Room r = room();
  r.corners = test::corners({{0, 0}, {222, 0}, {222, 110}, {182, 150}, {0, 150}});
  return r;
}

TEST(FixedThings, AgainstAWallIsARectangleSquareToIt) {
  const auto outline = outlineFrom(room(), AgainstWall{CornerId("B"), in(10), in(4), in(48), in(18)}, kInches);
  ASSERT_TRUE(outline);
  EXPECT_NEAR(signedArea(*outline), in(48) * in(18), 1e-6);
  EXPECT_NEAR((*outline)[0].x, in(222 - 4), 1e-9);
  EXPECT_NEAR((*outline)[0].y, in(10), 1e-9);
}

TEST(FixedThings, AcrossACornerIsATriangle) {
  const auto outline = outlineFrom(room(), AcrossCorner{CornerId("C"), in(30), in(40)}, kInches);
  ASSERT_TRUE(outline);
  EXPECT_NEAR(signedArea(*outline), in(30) * in(40) / 2, 1e-6);
}

class Measured : public testing::TestWithParam<FixedMeasures> {};
TEST_P(Measured, ComeBackAsTheyWereTyped) {
  const auto outline = outlineFrom(cutCorner(), GetParam(), kInches);
  ASSERT_TRUE(outline) << outline.error().text();
  const auto back = measuresOf(cutCorner(), *outline);
  ASSERT_TRUE(back);
  ASSERT_EQ(back->index(), GetParam().index());
  if (const auto* box = std::get_if<AgainstWall>(&*back)) {
    const auto& asked = std::get<AgainstWall>(GetParam());
    EXPECT_EQ(box->wall, asked.wall);
    EXPECT_NEAR(box->offset, asked.offset, 1e-6);
    EXPECT_NEAR(box->off, asked.off, 1e-6);
    EXPECT_NEAR(box->width, asked.width, 1e-6);
    EXPECT_NEAR(box->depth, asked.depth, 1e-6);
  } else {
    const auto& asked = std::get<AcrossCorner>(GetParam());
    EXPECT_EQ(std::get<AcrossCorner>(*back).corner, asked.corner);
    EXPECT_NEAR(std::get<AcrossCorner>(*back).before, asked.before, 1e-6);
    EXPECT_NEAR(std::get<AcrossCorner>(*back).after, asked.after, 1e-6);
  }
}
INSTANTIATE_TEST_SUITE_P(FixedThings, Measured,
                         testing::Values(AgainstWall{CornerId("A"), in(30), 0, in(48), in(18)},
                                         AgainstWall{CornerId("C"), in(5), 0, in(40), in(12)},
                                         AgainstWall{CornerId("A"), in(90), in(24), in(12), in(12)},
                                         AcrossCorner{CornerId("A"), in(30), in(40)},
                                         AcrossCorner{CornerId("C"), in(20), in(25)}));

struct Bad {
  FixedMeasures measures;
  const char* message;
};
class BadMeasures : public testing::TestWithParam<Bad> {};
TEST_P(BadMeasures, SayWhatIsWrong) {
  Room l = room();
  l.corners = test::corners({{0, 0}, {222, 0}, {222, 150}, {96, 150}, {96, 198}, {0, 198}});
  const auto outline = outlineFrom(l, GetParam().measures, kInches);
  ASSERT_FALSE(outline);
  EXPECT_EQ(outline.error().text(), GetParam().message);
}
INSTANTIATE_TEST_SUITE_P(
    FixedThings, BadMeasures,
    testing::Values(Bad{AgainstWall{CornerId("A"), in(200), 0, in(48), in(18)},
                        "wall A: is 26 in too short for it. Check where it starts and how wide it is"},
                    Bad{AgainstWall{CornerId("A"), in(110), 0, in(48), in(160)},
                        "it reaches outside the room. Check its depth and how far it stands off the wall"},
                    Bad{AgainstWall{CornerId("A"), 0, 0, 0, in(5)},
                        "its width and depth must be more than 0. Type them as the tape reads"},
                    Bad{AgainstWall{CornerId("Z"), 0, 0, in(4), in(5)},
                        "wall Z: is not in this room. Choose one of its walls"},
                    Bad{AcrossCorner{CornerId("D"), in(10), in(10)},
                        "corner D: points into the room, so nothing can stand across it. Measure it against a wall"},
                    Bad{AcrossCorner{CornerId("A"), in(10), in(300)},
                        "wall A: is 78 in too short for it. Check where it starts and how wide it is"}));

TEST(FixedThings, AnOutlineOfItsOwnHasNoMeasures) {
  EXPECT_FALSE(measuresOf(room(), {{500, 500}, {700, 550}, {900, 500}, {800, 900}, {600, 900}}));
}

TEST(FixedThings, AWallThatKeepsItsLetterKeepsItsThickness) {
  Job job = test::emptyRoom();
  job = withWallThickness(job, RoomId("parlour"), CornerId("B"), in(12)).value();
  const Job wider =
      withOutline(job, RoomId("parlour"), test::corners({{0, 0}, {230, 0}, {230, 150}, {0, 150}})).value();
  EXPECT_EQ(wider.rooms.front()->corners[1].wallThickness, in(12));
}

TEST(FixedThings, AWallOfNoThicknessIsRefused) {
  EXPECT_FALSE(withWallThickness(test::emptyRoom(), RoomId("parlour"), CornerId("B"), 0.0));
}

struct TypedTurn {
  const char* text;
  double turn;
  const char* written;
};
class TypedTurns : public testing::TestWithParam<TypedTurn> {};
TEST_P(TypedTurns, AreReadAsMeant) {
  const TurnReading reading = readTurn(GetParam().text);
  ASSERT_TRUE(reading.turn) << reading.complaint;
  EXPECT_DOUBLE_EQ(*reading.turn, GetParam().turn);
  EXPECT_EQ(writeTurn(*reading.turn), GetParam().written);
  EXPECT_EQ(readTurn(writeTurn(*reading.turn)).turn, reading.turn);
}
INSTANTIATE_TEST_SUITE_P(Turns, TypedTurns,
                         testing::Values(TypedTurn{"left", 90, "then left"}, TypedTurn{"R", -90, "then right"},
                                         TypedTurn{"left 30", 30, "then left 30\u00b0"},
                                         TypedTurn{"22.5 right", -22.5, "then right 22.5\u00b0"},
                                         TypedTurn{"135", 45, "then left 45\u00b0"},
                                         TypedTurn{"inside 270\u00b0", -90, "then right"},
                                         TypedTurn{"then left 45\u00b0", 45, "then left 45\u00b0"}));
class BadTurns : public testing::TestWithParam<const char*> {};
TEST_P(BadTurns, AreRefusedWithASentence) {
  EXPECT_FALSE(readTurn(GetParam()).turn);
  EXPECT_FALSE(readTurn(GetParam()).complaint.empty());
}
INSTANTIATE_TEST_SUITE_P(Turns, BadTurns,
                         testing::Values("", "up", "left right", "left 200", "400", "inside", "left 30 40", "nan", "-5",
                                         "left inside 30"));

}  // namespace fixed_things_test
}  // namespace mezzet
