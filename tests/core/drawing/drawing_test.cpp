#include <algorithm>

#include "core/drawing/labels/labels.h"
#include "core/drawing/wall/elevation.h"
#include "core/drawing/plan/plan.h"
#include "core/sheets/frame.h"
#include "core/sheets/set_out.h"
#include "core/sheets/sheet.h"
#include "core/drawing/base/working.h"
#include "support/rooms.h"

namespace mezzet {
namespace drawing_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};

Job furnished() {
  Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36, 34), "p1", 111, 19, 180);
  job = with(job, roundPiece("drum", "side-table", 18, 23), "p2", 170, 12);
  return hung(job, "print", "p3", 56, 24, 111, 54.5);
}
Drawing plan(const Job& job, double scale = 48) {
  PlanOptions o;
  o.scale = scale;
  o.format = kInches;
  Drawing d = composePlan(job, *job.rooms.front(), &scheme(job), o);
  settle(d);
  return d;
}
Drawing settled(Drawing d) {
  settle(d);
  return d;
}
bool says(const Drawing& d, const std::string& text) {
  return std::any_of(d.items.begin(), d.items.end(), [&](const Item& i) {
    const auto* t = std::get_if<TextItem>(&i.shape);
    return t != nullptr && t->text == text;
  });
}
bool shows(const Drawing& d, const ItemId& id) {
  return std::any_of(d.items.begin(), d.items.end(), [&](const Item& i) { return i.id == id; });
}

TEST(Plan, ShowsEveryWallWithItsLengthAndLetter) {
  const Drawing d = plan(furnished());
  for (const char* text : {"222 in", "150 in", "A", "B", "C", "D"}) EXPECT_TRUE(says(d, text)) << text;
}
TEST(Plan, ShowsEachPieceUnderItsId) {
  const Drawing d = plan(furnished());
  for (const char* id : {"p1", "p2", "p3"}) EXPECT_TRUE(shows(d, id)) << id;
}
TEST(Plan, LeavesThePieceInTheHandOut) {
  PlanOptions o;
  o.without = {PlacementId("p1")};
  const Job job = furnished();
  EXPECT_FALSE(shows(composePlan(job, *job.rooms.front(), &scheme(job), o), "p1"));
}
TEST(Plan, HoldsNothingOfTheWorkingLayer) {
  for (const Item& item : plan(furnished()).items) EXPECT_NE(item.layer, Layer::Working);
}
TEST(Plan, ADoorLeavesAHoleInItsWall) {
  Opening o;
  o.id = OpeningId("d1");
  o.wall = CornerId("A");
  o.offset = in(100);
  o.width = in(32);
  o.height = in(80);
  const Job job = withOpening(emptyRoom(), RoomId("parlour"), o).value();
  const auto pieces = [](const Drawing& d) {
    return std::count_if(d.items.begin(), d.items.end(), [](const Item& i) {
      return i.layer == Layer::Wall && i.id == (ItemId{ItemId::Of::Wall, "A"});
    });
  };
  EXPECT_EQ(pieces(plan(emptyRoom())), 1);
  EXPECT_EQ(pieces(plan(job)), 2);
}
TEST(Plan, EveryPointIsFinite) {
  for (const Item& item : plan(furnished()).items) {
    const auto* path = std::get_if<PathItem>(&item.shape);
    if (path == nullptr) continue;
    for (const Vec2 p : path->points) EXPECT_TRUE(std::isfinite(p.x) && std::isfinite(p.y));
  }
}

TEST(Elevation, PutsAnOpeningWhereTheContractSays) {
  Job job = emptyRoom(4000 / 25.4, 3000 / 25.4);
  Opening o;
  o.id = OpeningId("d1");
  o.wall = CornerId("A");
  o.offset = 500;
  o.width = 900;
  o.height = 2000;
  job = withOpening(job, RoomId("parlour"), o).value();
  const Drawing d =
      composeElevation(job, *job.rooms.front(), nullptr, CornerId("A"), {24, kInches, {}, false, {}, {}, false});
  for (const Item& item : d.items)
    if (const auto* path = std::get_if<PathItem>(&item.shape);
        path != nullptr && item.id == "d1" && item.layer == Layer::Opening) {
      EXPECT_NEAR(path->points[0].x, 2600, 1e-6);
      EXPECT_NEAR(path->points[1].x, 3500, 1e-6);
      return;
    }
  FAIL() << "the door is not drawn";
}
TEST(Elevation, ShowsSofaPictureAndFloorStrip) {
  const Job job = furnished();
  const Drawing d = composeElevation(job, *job.rooms.front(), &scheme(job), CornerId("A"), {});
  EXPECT_TRUE(shows(d, "p1"));
  EXPECT_TRUE(shows(d, "p3"));
  EXPECT_LT(d.low.y, -300);
}
TEST(Elevation, MarksTheDistanceOfBandsThatDoNotMeet) {
  const Job job = furnished();
  ElevationWork work;
  work.scheme = &scheme(job);
  work.wall = CornerId("A");
  work.bands = {{"art-centre", View{CornerId("A")}, {{0, 1448}, {5000, 1448}, {5000, 1524}, {0, 1524}}, "one"},
                {"art-gap", View{CornerId("A")}, {{0, 1270}, {5000, 1270}, {5000, 1321}, {0, 1321}}, "two"}};
  EXPECT_TRUE(says(settled(composeElevationWork(job, *job.rooms.front(), work, 24, kInches)), "5 in apart"));
}

TEST(Working, ATapeCarriesItsReading) {
  Drawing d;
  d.scale = 24;
  addTape(d, {Side::Front, {0, -1}, {0, 0}, {0, -406.4}, 406.4, {Thing::Of::Placement, "p1"}}, kInches, true);
  settle(d);
  EXPECT_TRUE(says(d, "16 in"));
  EXPECT_TRUE(shows(d, tapeItem(Side::Front)));
}

TEST(Lettering, WidthsComeFromTheFontsTable) {
  EXPECT_GT(letteringWidth("WWW", 2.5), letteringWidth("iii", 2.5));
  EXPECT_DOUBLE_EQ(letteringWidth("12 in", 5), 2 * letteringWidth("12 in", 2.5));
  EXPECT_GT(letteringWidth("\xC3\xA9", 2.5), 0);
}

SheetRequest request(const char* paper, int scale) { return {findPaper(paper), scale, kInches, ""}; }
TEST(Sheet, IsTurnedWhenItOnlyFitsThatWay) {
  const Job upright = emptyRoom(120, 150), wide = emptyRoom(340, 120);
  EXPECT_FALSE(planSheet(upright, *upright.rooms.front(), nullptr, request("letter", 48))->turned);
  const auto sheet = planSheet(wide, *wide.rooms.front(), nullptr, request("letter", 48));
  ASSERT_TRUE(sheet.ok()) << sheet.error().text();
  EXPECT_TRUE(sheet->turned);
}
TEST(Sheet, NeverShrinksButSaysWhatFits) {
  const Job job = emptyRoom();
  const auto sheet = planSheet(job, *job.rooms.front(), nullptr, request("letter", 24));
  ASSERT_FALSE(sheet.ok());
  EXPECT_EQ(sheet.error().what, "does not fit Letter at 1/2 in = 1 ft (1:24)");
  EXPECT_EQ(sheet.error().hint,
            "It fits Letter at 3/8 in = 1 ft (1:32) or Letter at 1/4 in = 1 ft (1:48) or Letter at 1:50 or Letter at "
            "1:100 or Tabloid at 1/2 in = 1 ft "
            "(1:24) or A3 at 1/2 in = 1 ft (1:24) or A2 "
            "at 1/2 in = 1 ft (1:24) or ARCH D at 1/2 in = 1 ft (1:24)");
}
TEST(Sheet, AtAnyScaleSaysWhichPaperWouldDo) {
  const Job job = emptyRoom(1100, 500);  // 559 mm at 1:50: with its lengths too wide for 574
  EXPECT_EQ(planSheet(job, *job.rooms.front(), nullptr, request("letter", 0)).error().hint,
            "It fits Tabloid at 1:100 or A3 at 1:100 or A2 at 1:100 or ARCH D at 1/4 in = 1 ft (1:48)");
}
TEST(Sheet, OfAHugeRoomSaysThatNoPaperIsLargeEnough) {
  const Job job = emptyRoom(3000, 2000);
  EXPECT_EQ(planSheet(job, *job.rooms.front(), nullptr, request("a3", 50)).error().hint,
            "No paper that Mezzet prints on is large enough at these scales");
}
TEST(Sheet, CarriesScaleInWordsAndCheckBar) {
  const Job job = furnished();
  const auto sheet = planSheet(job, *job.rooms.front(), &scheme(job), request("letter", 48));
  EXPECT_TRUE(says(sheet->drawing, "Scale 1/4 in = 1 ft (1:48)"));
  EXPECT_TRUE(says(sheet->drawing, "Print at 100 %, measure this: 4 in"));
}

TEST(SetOut, IsMeasuredFromTheWallsThatWereChosen) {
  const Job job = with(emptyRoom(), piece("case", "bookcase", 36, 12, 70), "p1", 30, 20, 180);
  const Job chosen = withSetOut(job, SchemeId("s1"), PlacementId("p1"), {CornerId("B"), CornerId("C")}).value();
  Drawing d;
  addPlanSetOut(d, chosen, scheme(chosen), {LengthStyle::Inches, 16});
  std::string words;
  for (const Item& item : d.items)
    if (const auto* text = std::get_if<TextItem>(&item.shape)) words += text->text;
  EXPECT_NE(words.find("174 in to wall B, 124 in to wall C"), std::string::npos) << words;
}
// A case with its back to wall D, which leans by 2 in over its length: upwards the tape only grazes that wall.
TEST(SetOut, IsMeasuredFromTwoWallsThatFaceThePiece) {
  Room room = *emptyRoom().rooms.front();
  room.corners = corners({{0, 0}, {222, 0}, {222, 150}, {2, 150}});
  const Job job = with(withRoom(emptyRoom(), room).value(), piece("case", "bookcase", 36, 12, 70), "p1", 8, 100, 90);
  Drawing d;
  addPlanSetOut(d, job, scheme(job), {LengthStyle::Inches, 16});
  std::string words;
  for (const Item& item : d.items)
    if (const auto* text = std::get_if<TextItem>(&item.shape)) words += text->text;
  EXPECT_NE(words.find("in to wall D, "), std::string::npos) << words;
  EXPECT_NE(words.find("32 in to wall C"), std::string::npos) << words;
}

TEST(Sheet, TheTitleBlockTakesAtMostAnEighthOfAnyPaper) {
  for (const Paper& paper : papers())
    for (const double wide : {paper.width, paper.height})
      EXPECT_LE((wide - 20) * kTitleBlock * 8, paper.width * paper.height) << paper.id << " " << wide;
}
TEST(Sheet, ALongWallAtHalfAnInchToTheFootFitsLetterAndA4Lying) {
  Job job = with(emptyRoom(222, 150, 98), piece("sofa", "sofa", 84, 36, 34), "p1", 111, 21, 180);
  job = hung(job, "print", "p3", 56, 24, 111, 54.5);
  for (const char* paper : {"letter", "a4"}) {
    const auto sheet = composeSheet(job, *job.rooms.front(), &scheme(job), *sheetKind("wall:A"),
                                    {findPaper(paper), 24, kInches, "2026-01-02"});
    ASSERT_TRUE(sheet.ok()) << sheet.error().text();
    EXPECT_TRUE(sheet->turned);
  }
}
TEST(Sheet, ARoomAtOneToTwentyFitsA3Lying) {
  const Job job = furnished();
  const auto sheet = planSheet(job, *job.rooms.front(), &scheme(job), {findPaper("a3"), 20, kInches, ""});
  ASSERT_TRUE(sheet.ok()) << sheet.error().text();
  EXPECT_TRUE(sheet->turned);
}
TEST(Sheet, TheTitleBlockStandsAtTheSideWhereOnlyThatFits) {
  // Nearly as high as the paper lying, and not wide.
  const Job job = emptyRoom(150, 115);
  const auto sheet = planSheet(job, *job.rooms.front(), nullptr, {findPaper("a4"), 20, kInches, ""});
  ASSERT_TRUE(sheet.ok()) << sheet.error().text();
  EXPECT_TRUE(sheet->blockAtSide);
  for (const Item& item : sheet->drawing.items) {
    const auto* text = std::get_if<TextItem>(&item.shape);
    if (text == nullptr || item.layer != Layer::Title) continue;
    EXPECT_EQ(text->turn, 90) << text->text;
  }
}

TEST(Elevation, TheStripIsAsDeepAsWhatStandsAtTheWall) {
  const auto depthOf = [](const Job& job) {
    return -composeElevation(job, *job.rooms.front(), &scheme(job), CornerId("A"), {}).low.y;
  };
  const Job empty = emptyRoom();
  const Job shallow = with(empty, piece("console", "console", 48, 12), "p1", 111, 7);
  const Job deep = with(empty, piece("sofa", "sofa", 84, 36), "p1", 111, 23 + 18, 180);
  const Job carpeted = with(empty, piece("rug", "rug", 96, 120), "p1", 111, 70);
  EXPECT_NEAR(depthOf(shallow), depthOf(empty) + in(13) + 40 - 300, 1);
  EXPECT_EQ(depthOf(carpeted), depthOf(empty));  // a rug that reaches into the room is not drawn in half
  // 23 in off the wall it still stands at it, and is drawn whole.
  const Drawing d = composeElevation(deep, *deep.rooms.front(), &scheme(deep), CornerId("A"), {});
  EXPECT_NEAR(-d.low.y, depthOf(empty) + in(23 + 36) + 40 - 300, 1);
  EXPECT_TRUE(std::any_of(d.items.begin(), d.items.end(), [](const Item& i) {
    const auto* path = std::get_if<PathItem>(&i.shape);
    return path != nullptr && i.id == ItemId("p1") && !path->points.empty() && path->points.front().y < 0;
  }));
}

// ---- what an installer works from

/// The words of the set-out, by what they say.
bool setsOut(const Drawing& d, const std::string& text) {
  return std::any_of(d.items.begin(), d.items.end(), [&](const Item& i) {
    const auto* t = std::get_if<TextItem>(&i.shape);
    return t != nullptr && i.layer == Layer::Dimension && t->text == text;
  });
}
TEST(InstallersWall, GivesEveryFrameFromOneEndAndTheFloor) {
  Job job = hung(emptyRoom(222, 150, 98), "one", "f1", 20, 24, 60, 57);
  job = hung(job, "two", "f2", 16, 20, 100, 58.5);
  const auto sheet = composeSheet(job, *job.rooms.front(), &scheme(job), *sheetKind("wall:A"),
                                  {findPaper("a3"), 24, kInches, "", SheetVersion::Installer});
  ASSERT_TRUE(sheet.ok()) << sheet.error().text();
  // Centres from the left end and from the floor; what is free, how wide; sizes.
  for (const char* text :
       {"60", "100", "57 in", "58 1/2 in", "50", "20", "22", "16", "114", "20 x 24 in", "16 x 20 in"})
    EXPECT_TRUE(setsOut(sheet->drawing, text)) << text;
}

}  // namespace drawing_test
}  // namespace mezzet
