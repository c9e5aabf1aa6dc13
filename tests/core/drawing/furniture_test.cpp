// Furniture as it is drawn: true on its outer edges, whatever is drawn inside; walls hatched on paper; what clients
// read.
#include <gtest/gtest.h>

#include <random>

#include "core/drawing/labels/labels.h"
#include "core/drawing/plan/furniture_plan.h"
#include "core/drawing/plan/plan.h"
#include "core/drawing/wall/elevation.h"
#include "core/drawing/wall/furniture_front.h"
#include "core/model/kinds.h"
#include "core/sheets/hatch.h"
#include "core/sheets/sheet.h"
#include "core/space/bodies.h"
#include "support/rooms.h"

namespace mezzet {
namespace furniture_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};

/// Round every line and circle of what was drawn.
Box extentOf(const Drawing& d) {
  std::vector<Vec2> points;
  for (const Item& item : d.items) {
    if (const auto* path = std::get_if<PathItem>(&item.shape))
      points.insert(points.end(), path->points.begin(), path->points.end());
    if (const auto* arc = std::get_if<ArcItem>(&item.shape))
      for (const double side : {-1.0, 1.0}) points.push_back(arc->centre + Vec2{arc->radius, arc->radius} * side);
  }
  return boundsOf(points);
}
void expectSame(const Box& drawn, const Box& true_, double within, const std::string& what) {
  EXPECT_NEAR(drawn.low.x, true_.low.x, within) << what;
  EXPECT_NEAR(drawn.low.y, true_.low.y, within) << what;
  EXPECT_NEAR(drawn.high.x, true_.high.x, within) << what;
  EXPECT_NEAR(drawn.high.y, true_.high.y, within) << what;
}

TEST(FurniturePlan, FillsItsFootprintAndNoMoreInEveryKindAndShape) {
  for (const std::string_view kind : offeredKinds())
    for (const Shape shape : {Shape::Rect, Shape::Round, Shape::Oval, Shape::L, Shape::Curve})
      for (const double turn : {0.0, 90.0, 270.0}) {
        const Piece usual = usualPiece(kind);
        if (hangs(kind)) continue;
        const Piece p = usuallyShaped(usual, shape);
        if (!p.depth || (shape == Shape::Curve && *p.depth > p.width / 2)) continue;
        Drawing d;
        const FloorPlace place{{1000, 700}, turn};
        addFurniturePlan(d, p, place, "p1", Layer::Furniture);
        // Plants have leaves between whose tips the ring is not reached.
        expectSame(extentOf(d), boundsOf(footprint(p, place)), isPlant(kind) ? p.width * 0.05 : 0.6,
                   std::string(kind) + " " + std::to_string(static_cast<int>(shape)));
      }
}
TEST(FurniturePlan, OfTinyAndHugePiecesStaysInside) {
  std::printf("seed 71\n");
  std::mt19937 random(71);
  std::uniform_real_distribution<double> size(1, 3), turn(0, 360);
  for (int i = 0; i < 400; ++i) {
    Piece p = usualPiece(offeredKinds()[static_cast<std::size_t>(i) % offeredKinds().size()]);
    if (hangs(p.kind) || p.shape != Shape::Rect) continue;
    p.width = std::pow(10, size(random));
    p.depth = std::pow(10, size(random));
    const FloorPlace place{{0, 0}, turn(random)};
    Drawing d;
    addFurniturePlan(d, p, place, "p1", Layer::Furniture);
    const Polygon outline = outlineOf(p, place);
    for (const Item& item : d.items)
      if (const auto* path = std::get_if<PathItem>(&item.shape)) {
        for (const Vec2 point : path->points)
          EXPECT_TRUE(contains(outline, point) || distanceToEdge(outline, point) < 0.01) << p.kind << " " << p.width;
      }
  }
}
TEST(FurnitureFront, IsAsWideAndHighAsMeasuredFromEverySide) {
  const Wall wall{CornerId("A"), {0, 0}, {6000, 0}};
  for (const std::string_view kind : offeredKinds())
    for (const double turn : {0.0, 90.0, 180.0, 270.0}) {
      const Piece p = usualPiece(kind);
      if (hangs(kind) || goesOnCeiling(kind) || isRug(kind) || !p.depth) continue;
      const FloorPlace place{{3000, 1200}, turn};
      Standing s = standingOf(p, PlacementId("p1"), place, wall);
      Drawing d;
      addFurnitureFront(d, p, place, s, wall, "p1");
      expectSame(extentOf(d), {{s.left, 0}, {s.right, s.top.value()}}, 0.01, std::string(kind));
    }
}
TEST(FurnitureFront, OnARaisedFloorStandsOnIt) {
  const Wall wall{CornerId("A"), {0, 0}, {6000, 0}};
  const Piece p = usualPiece("sideboard");
  Standing s = standingOf(p, PlacementId("p1"), {{3000, 300}, 180}, wall);
  s.floor = 150;
  *s.top += 150;
  Drawing d;
  addFurnitureFront(d, p, {{3000, 300}, 180}, s, wall, "p1");
  expectSame(extentOf(d), {{s.left, 150}, {s.right, *s.top}}, 0.01, "sideboard");
}

// ---- the hatch of cut walls
TEST(Hatch, LinesStayWithinAndLeaveHolesOut) {
  const Polygon square{{0, 0}, {100, 0}, {100, 100}, {0, 100}}, hole{{40, 40}, {40, 60}, {60, 60}, {60, 40}};
  const auto through = lineWithin({square, hole}, {0, 1}, 50);
  ASSERT_EQ(through.size(), 2U);
  EXPECT_NEAR(distance(through[0].first, through[0].second), 40, 1e-9);
  EXPECT_NEAR(distance(through[1].first, through[1].second), 40, 1e-9);
  EXPECT_TRUE(lineWithin({square, hole}, {0, 1}, 101).empty());
}
TEST(Hatch, CoversTheWallsEvenlyAndTheRoomNowhere) {
  const Job job = emptyRoom();
  PlanOptions options;
  options.scale = 20;
  options.grid = options.titles = false;
  Drawing d = composePlan(job, *job.rooms.front(), nullptr, options);
  double walls = 0, lines = 0;
  for (const Item& item : d.items)
    if (const auto* path = std::get_if<PathItem>(&item.shape); path != nullptr && path->fill == Ink::CutWall)
      walls += std::abs(signedArea(path->points));
  hatchWalls(d);
  const Polygon room = outlineOf(*job.rooms.front());
  for (const Item& item : d.items)
    if (const auto* path = std::get_if<PathItem>(&item.shape); path != nullptr && item.id == ItemId("hatch")) {
      EXPECT_NE(path->fill, Ink::CutWall);
      if (path->closed) continue;
      lines += distance(path->points[0], path->points[1]);
      const Vec2 middle = midpoint(path->points[0], path->points[1]);
      EXPECT_TRUE(!contains(room, middle) || distanceToEdge(room, middle) < 0.01);
    }
  constexpr double kBeat = 1.3 * 20;
  EXPECT_NEAR(lines * kBeat / walls, 1, 0.02);
}

// ---- what clients read
std::string lettering(const Drawing& d) {
  std::string all;
  for (const Item& item : d.items)
    if (const auto* text = std::get_if<TextItem>(&item.shape)) all += text->text + "\n";
  return all;
}
Job roomWithOpenings() {
  Job job = emptyRoom();
  Room room = *job.rooms.front();
  Opening door{.id = OpeningId("d1"), .wall = CornerId("A"), .offset = 500, .width = 900, .height = 2030};
  Opening window{.id = OpeningId("w1"),
                 .name = "River window",
                 .kind = OpeningKind::Window,
                 .wall = CornerId("C"),
                 .offset = 2000,
                 .width = 1200,
                 .height = 1200,
                 .sill = 900};
  room.openings = {door, window};
  WallPoint socket;
  socket.id = PointId("k1");
  socket.wall = CornerId("B");
  socket.along = 1000;
  socket.height = 300;
  room.points = {socket};
  return withRoom(job, room).value();
}
TEST(ClientsPlan, NamesTheRoomAndItsOpeningsAndLeavesSocketsOut) {
  const Job job = roomWithOpenings();
  const auto sheet = [&](SheetVersion version) {
    const SheetRequest request{findPaper("a3"), 50, kInches, "", version};
    return lettering(composeSheet(job, *job.rooms.front(), &scheme(job), {}, request)->drawing);
  };
  const std::string client = sheet(SheetVersion::Client), installer = sheet(SheetVersion::Installer);
  for (const char* words : {"Parlour\n", "door\n", "river window\n"})
    EXPECT_NE(client.find(words), std::string::npos) << words;
  for (const char* words : {"sill", "S\n"}) {
    EXPECT_EQ(client.find(words), std::string::npos) << words;
    EXPECT_NE(installer.find(words), std::string::npos) << words;
  }
}
TEST(OpeningName, IsTheOneTypedOrItsKindAndWall) {
  const Job job = roomWithOpenings();
  const Room& room = *job.rooms.front();
  EXPECT_EQ(openingName(room, room.openings[0]), "door on wall A");
  EXPECT_EQ(openingName(room, room.openings[1]), "river window");
}

// ---- what stands too far off a wall is not "at" it: tape, drawing and strip agree
TEST(Elevation, LeavesOutWhatStandsFurtherThanTwoFeetOffAndSoDoTheTapes) {
  for (const double off : {23.0, 25.0}) {
    const Job job = hung(with(emptyRoom(), piece("case", "sideboard", 60, 18, 34), "p1", 111, off + 9, 180), "print",
                         "p2", 40, 30, 111, 58);
    const bool at = off < 24;
    const Drawing d = composeElevation(job, *job.rooms.front(), &scheme(job), CornerId("A"), {});
    EXPECT_EQ(std::any_of(d.items.begin(), d.items.end(),
                          [](const Item& item) {
                            const auto* path = std::get_if<PathItem>(&item.shape);
                            return item.id == ItemId("p1") && path != nullptr && path->points.front().y >= 0;
                          }),
              at);
    EXPECT_EQ(tapeOf(job, scheme(job), PlacementId("p2"), Side::Down)->hits.of,
              at ? Thing::Of::Placement : Thing::Of::Floor);
  }
}

}  // namespace furniture_test
}  // namespace mezzet
