// The doubt of measured walls in what is measured between them. All in inches; the room is 222 x 150.
#include "core/rules/base/wall_doubt.h"
#include "core/rules/check.h"

#include "core/survey/room_survey.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace wall_doubt_test {
using namespace test;

Job surveyedRoom() {
  IdSource ids(1);
  Room room = *emptyRoom().rooms.front();
  room.survey = recordOf({{in(222), ""}, {in(150), ""}, {in(222), ""}, {in(150), ""}}, ids);
  return withRoom(emptyRoom(), surveyed(room).value()).value();
}
std::optional<Finding> judged(const Job& job, const std::string& id) {
  for (const Finding& f : check(job, builtInRulebook(), SchemeId("s1"), {LengthStyle::Inches, 16}, kEveryDay))
    if (f.id == id) return f;
  return std::nullopt;
}
/// A rug 96 x 60 whose left edge lies `left` off wall D and whose lower edge lies `low` off wall A.
Job rugged(const Job& room, double left, double low) {
  return with(room, piece("rug", "rug", 96, 60, 0.25), "p1", left + 48, low + 30);
}

TEST(WallDoubt, ARoomTypedWithoutReadingsHasNone) {
  EXPECT_EQ(judged(rugged(emptyRoom(), 18, 18), "rug-border:p1,wall:D")->u95, 0);
}
TEST(WallDoubt, ToItsOwnWallsIsNone) {
  const Job job = rugged(surveyedRoom(), 20, 20);
  EXPECT_NEAR(judged(job, "rug-border:p1,wall:D")->u95, 0, 1e-6);
  EXPECT_NEAR(judged(job, "rug-border:p1,wall:A")->u95, 0, 1e-6);
}
TEST(WallDoubt, ToTheOppositeWallIsThatOfTheRoomsWidthThere) {
  const Job job = rugged(surveyedRoom(), 20, 20);
  const auto f = judged(job, "rug-border:p1,wall:B");
  ASSERT_TRUE(f);
  // Two runs of 222 in share the width: less than one of them, and more than nothing.
  EXPECT_GT(f->u95, tapeU95(in(222)) * 0.5);
  EXPECT_LT(f->u95, tapeU95(in(222)) * 1.01);
}
TEST(WallDoubt, BetweenThingsOfTheSameWallsIsNone) {
  Piece sofa = piece("sofa", "sofa", 84, 36, 34);
  sofa.seat.edit().height = in(18);
  const Job job = with(with(surveyedRoom(), sofa, "p1", 60, 19, 180), piece("table", "low-table", 52, 24, 17), "p2", 60,
                       37 + 16 + 12);
  EXPECT_NEAR(judged(job, "table-reach:p1,p2")->u95, 0, 1e-6);
}
TEST(WallDoubt, BetweenThingsOfOppositeWallsIsThatOfTheRoom) {
  Piece sofa = piece("sofa", "sofa", 84, 36, 34);
  sofa.seat.edit().height = in(18);
  // The table is nearer to wall C than to wall A.
  const Job job = with(with(surveyedRoom(), sofa, "p1", 60, 60, 180), piece("table", "low-table", 52, 24, 17), "p2", 60,
                       60 + 18 + 16 + 12);
  EXPECT_GT(judged(job, "table-reach:p1,p2")->u95, 1);
}
TEST(WallDoubt, CountsFromTheWallsThatWereChosen) {
  const Job near = rugged(surveyedRoom(), 20, 20);
  const Job chosen = withSetOut(near, SchemeId("s1"), PlacementId("p1"), {CornerId("B"), CornerId("A")}).value();
  EXPECT_NEAR(judged(chosen, "rug-border:p1,wall:B")->u95, 0, 1e-6);
  EXPECT_GT(judged(chosen, "rug-border:p1,wall:D")->u95, 1);
  EXPECT_EQ(withSetOut(near, SchemeId("s1"), PlacementId("p1"), {CornerId("A"), CornerId("C")}).error().what,
            "is set out from two walls in line");
  EXPECT_FALSE(withSetOut(near, SchemeId("s1"), PlacementId("p1"), {CornerId("A")}).ok());
}
TEST(WallDoubt, OnTheLimitItIsACloseCallThatSaysWhatToMeasure) {
  // Behind the chair it is 150 - 76 = 74 in to wall C, and the table is set out from wall A.
  Job job =
      with(withSchool(surveyedRoom(), "dining-wall", "a"), piece("dining", "dining-table", 72, 36, 30), "p1", 60, 58);
  job = with(job, piece("chair", "chair", 18, 20, 34), "p2", 60, 76 + 7);
  job = withRange(job, "dining-wall", Range{in(74), std::nullopt});
  const auto close = judged(job, "dining-wall:p1,p2");
  ASSERT_TRUE(close);
  EXPECT_NEAR(close->measured, in(74), 1e-6);
  EXPECT_EQ(close->verdict, Verdict::Close);
  EXPECT_NE(close->sentence.find("again to be sure."), std::string::npos) << close->sentence;
}

}  // namespace wall_doubt_test
}  // namespace mezzet
