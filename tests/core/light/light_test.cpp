// Lights where they hang, cords, rows of recessed lights, the estimate, and edits of all that.
#include <cmath>
#include <random>

#include "core/decide/bands.h"
#include "core/decide/light_place.h"
#include "core/edit/lights.h"
#include "core/edit/validate.h"
#include "core/entry/piece_line.h"
#include "core/light/aim.h"
#include "core/light/cord.h"
#include "core/light/downlights.h"
#include "core/light/estimate.h"
#include "core/light/over_tops.h"
#include "core/sheets/light_schedule.h"
#include "core/space/ceiling_snapping.h"
#include "core/space/tapes.h"
#include "io/json/rulebook_json.h"
#include "support/lights.h"

namespace mezzet {
namespace light_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

Fixture fixture(const Job& job, const char* id = "l1") {
  return *fixtureOf(PieceIndex(job), *job.rooms.front(), heightsOf(*job.rooms.front()), scheme(job),
                    *findPlacement(scheme(job), PlacementId(id)));
}

// ---- where they hang
TEST(Fixture, HangsByItsDrop) {
  // Ceiling 9 ft, table 30: underside 63 to 69, body 14: rod 25 to 31 in.
  for (const auto& [underside, rod] : {std::pair{63.0, 31.0}, std::pair{69.0, 25.0}}) {
    const Job job = hanging(emptyRoom(222, 150, 108), 111, 75, 108 - underside);
    const Fixture f = fixture(job);
    EXPECT_NEAR(f.underside, in(underside), 1e-9);
    EXPECT_NEAR(f.rod(), in(rod), 1e-9);
  }
  // 10 ft 6: 67 1/2 to 73 1/2, rod 38 1/2 to 44 1/2.
  EXPECT_NEAR(fixture(hanging(emptyRoom(222, 150, 126), 111, 75, 126 - 67.5)).rod(), in(44.5), 1e-9);
}
TEST(Fixture, RecessedEndsAtTheCeiling) {
  Piece p = roundPiece("d", "downlight", 4, 5);
  const Job job = lit(emptyRoom(), p, "l1", 50, 50, 0);
  const Fixture f = fixture(job);
  EXPECT_EQ(f.underside, in(96));
  EXPECT_EQ(f.rod(), 0);
  EXPECT_FALSE(f.hangsDown());
}
TEST(Fixture, OnATableShinesFromItsShade) {
  Piece lamp = roundPiece("lamp", "lamp", 14, 26);
  lamp.light.edit().mount = Mount::Table;
  lamp.light.edit().shadeBottom = in(15);
  Job job = with(emptyRoom(), roundPiece("t", "side-table", 20, 24), "t", 60, 60);
  job = withPlacement(withPiece(job, lamp).value(), kScheme,
                      {PlacementId("l1"), lamp.id, CarriedPlace{PlacementId("t"), {}, 0}, {}});
  const Fixture f = fixture(job);
  EXPECT_NEAR(f.source, in(24 + 15), 1e-9);
  EXPECT_EQ(f.at.at, (Vec2{in(60), in(60)}));
}
TEST(Tapes, OfALightRunToWallsFloorAndCeiling) {
  const Job job = dinedUnder(33);
  const auto length = [&](Side side) { return tapeOf(job, scheme(job), PlacementId("l1"), side)->length / kInch; };
  EXPECT_NEAR(length(Side::Left), 111, 1e-6);
  EXPECT_NEAR(length(Side::Front), 75, 1e-6);
  EXPECT_NEAR(length(Side::Down), 33, 1e-6);
  EXPECT_NEAR(length(Side::Up), 33, 1e-6);
}
TEST(Tapes, TypedIntoACordCutsIt) {
  const Job job = dinedUnder(33);
  const auto place = [&](Side side, double reading) {
    return *onCeiling(placeReading(findPlacement(scheme(job), PlacementId("l1"))->on,
                                   *tapeOf(job, scheme(job), PlacementId("l1"), side), in(reading)));
  };
  EXPECT_NEAR(place(Side::Down, 34).drop, in(32), 1e-6);
  EXPECT_NEAR(place(Side::Up, 20).drop, in(20), 1e-6);
  EXPECT_NEAR(place(Side::Left, 100).at.x, in(100), 1e-6);
  EXPECT_NEAR(place(Side::Down, 500).drop, 0, 1e-9);  // no cord goes up through the ceiling
}
TEST(CeilingSnapping, ComesToRestOverTheMiddleOfATable) {
  const Job job = dinedUnder(33);
  const Snapped s = ceilingSnapped(job, scheme(job), {{in(113), in(76)}, 0, in(30)}, {PlacementId("l1")}, in(3));
  EXPECT_EQ(onCeiling(s.place)->at, (Vec2{in(111), in(75)}));
  EXPECT_EQ(s.guides.size(), 2U);
  EXPECT_EQ(s.guides.front().words, "middle of table");
}

// ---- first places
TEST(LightPlace, APendantGoesOverTheTableAtItsHeight) {
  Job job = withPiece(with(emptyRoom(), table(), "t", 100, 60, 30), roundPiece("p", "pendant", 20, 14)).value();
  IdSource ids(1);
  const auto added = withPlaced(job, builtInRulebook(), kScheme, CornerId("A"), PieceId("p"), ids);
  ASSERT_TRUE(added);
  const auto* up = onCeiling(findPlacement(*findScheme(added->job, kScheme), added->placement)->on);
  EXPECT_EQ(up->at, (Vec2{in(100), in(60)}));
  EXPECT_NEAR(up->drop, in(96 - 30 - 33), 1e-6);
  EXPECT_EQ(up->turn, 30);
}
TEST(LightPlace, DroppedNearTheMiddleItCentres) {
  Job job = withPiece(with(emptyRoom(), table(), "t", 100, 60), roundPiece("p", "pendant", 20, 14)).value();
  IdSource ids(1);
  const auto place = [&](Vec2 at) {
    const auto added = withPlaced(job, builtInRulebook(), kScheme, CornerId("A"), PieceId("p"), ids, at);
    return *onCeiling(findPlacement(*findScheme(added->job, kScheme), added->placement)->on);
  };
  EXPECT_EQ(place({in(108), in(63)}).at, (Vec2{in(100), in(60)}));
  EXPECT_EQ(place({in(128), in(63)}).at, (Vec2{in(128), in(63)}));
  EXPECT_FALSE(withPlaced(job, builtInRulebook(), kScheme, CornerId("A"), PieceId("p"), ids, Vec2{-500, 0}));
}
TEST(LightPlace, ARowSpreadsOverTheIsland) {
  Job job =
      withPiece(with(emptyRoom(), piece("i", "island", 84, 36, 36), "t", 111, 75), roundPiece("p", "pendant", 8, 10))
          .value();
  IdSource ids(1);
  const auto row = withRowOver(job, builtInRulebook(), kScheme, PieceId("p"), 3, PlacementId("t"), ids);
  ASSERT_TRUE(row);
  std::vector<double> xs;
  for (const Placement& p : findScheme(row->job, kScheme)->placements)
    if (const auto* up = onCeiling(p.on)) {
      xs.push_back(up->at.x / kInch - 69);
      EXPECT_FALSE(p.group.empty());
    }
  ASSERT_EQ(xs.size(), 3U);
  EXPECT_NEAR(xs[0], 14, 1e-6);
  EXPECT_NEAR(xs[1], 42, 1e-6);
  EXPECT_NEAR(xs[2], 70, 1e-6);
}
TEST(LightPlace, ATableLampNeedsATable) {
  Piece lamp = roundPiece("lamp", "lamp", 14, 26);
  lamp.light.edit().mount = Mount::Table;
  IdSource ids(1);
  Job job = withPiece(emptyRoom(), lamp).value();
  EXPECT_EQ(withPlaced(job, builtInRulebook(), kScheme, CornerId("A"), lamp.id, ids).error().text(),
            "Lamp: has no table to stand on there. Place a side table first, or type: floor lamp");
  job = with(job, roundPiece("t", "side-table", 20, 24), "t", 60, 60);
  EXPECT_TRUE(withPlaced(job, builtInRulebook(), kScheme, CornerId("A"), lamp.id, ids));
}
TEST(LightLine, SaysWhatItHangsOver) {
  const auto read = [](const char* text) { return readPieceLine(text, Unit::Inch, kInches); };
  const PieceReading r = read("pendant 22 dia 14 high over table");
  ASSERT_TRUE(r.piece) << r.complaint;
  EXPECT_EQ(r.over, "dining-table");
  EXPECT_EQ(r.piece->width, in(22));
  EXPECT_EQ(r.piece->height, in(14));
  EXPECT_EQ(read("3 pendants 8 dia over the island").over, "island");
  EXPECT_EQ(read("3 pendants 8 dia over the island").count, 3);
  EXPECT_EQ(read("pendant over sofa").complaint, "Over what: a table, a desk, a counter or an island?");
  EXPECT_EQ(read("6 downlights").count, 6);
  EXPECT_EQ(read("table lamp 14 dia 24 high shade 15").piece->light->mount, Mount::Table);
  EXPECT_EQ(read("table lamp 14 dia 24 high shade 15").piece->light->shadeBottom, in(15));
}

// ---- over tasks and before pictures
TEST(LightPlace, EachTaskGetsOneUnlessSomethingHangsThere) {
  Job job = withPiece(dinedUnder(33), roundPiece("d", "downlight", 4)).value();
  IdSource ids(50);
  EXPECT_EQ(withTaskLights(job, kScheme, PieceId("d"), ids).error().text(),
            "No light is asked for here yet. Say first what light is asked for");
  job = withTask(job, kScheme, {TaskId("t1"), "dining", PlacementId("t")}).value();
  job = withTask(job, kScheme, {TaskId("t2"), "reading", Vec2{in(30), in(30)}}).value();
  const auto added = withTaskLights(job, kScheme, PieceId("d"), ids);
  ASSERT_TRUE(added);
  int fresh = 0;
  for (const Placement& p : findScheme(added->job, kScheme)->placements)
    if (p.piece == PieceId("d")) {
      ++fresh;
      EXPECT_EQ(onCeiling(p.on)->at, (Vec2{in(30), in(30)}));
      EXPECT_EQ(findCircuit(*findScheme(added->job, kScheme), p.circuit)->use, CircuitUse::Task);
    }
  EXPECT_EQ(fresh, 1);
  EXPECT_FALSE(withTaskLights(added->job, kScheme, PieceId("d"), ids));
}
TEST(LightPlace, EachPictureGetsOneAtThirtyDegrees) {
  Job job = withPiece(hung(emptyRoom(), "pic", "a1", 30, 24, 111, 57), roundPiece("s", "spot", 4, 6)).value();
  IdSource ids(50);
  const auto added = withArtLights(job, kScheme, PieceId("s"), ids);
  ASSERT_TRUE(added);
  const Placement& p = *findPlacement(*findScheme(added->job, kScheme), added->placement);
  EXPECT_NEAR(onCeiling(p.on)->at.y, artLightOffset(in(90), in(57)), 1e-6);
  EXPECT_NEAR(onCeiling(p.on)->at.x, in(111), 1e-6);
  EXPECT_EQ(p.aim, (Aim{30, 270}));
  EXPECT_FALSE(withArtLights(added->job, kScheme, PieceId("s"), ids));  // it has its light already
}
TEST(LightBands, SayWhereTheUndersideMayBe) {
  const Job job = dinedUnder(33, 108);
  const auto bands = bandsOf(job, builtInRulebook(), kScheme, PlacementId("l1"), kInches);
  ASSERT_EQ(bands.size(), 1U);
  EXPECT_EQ(bands[0].view, kCeilingView);
  EXPECT_NEAR(bands[0].zone[0].y, in(63), 1e-6);
  EXPECT_NEAR(bands[0].zone[2].y, in(69), 1e-6);
  EXPECT_EQ(bands[0].label, "33 to 39 in over the table");
  const auto bare = bandsOf(hanging(emptyRoom(), 111, 75, 20), builtInRulebook(), kScheme, PlacementId("l1"), kInches);
  ASSERT_EQ(bare.size(), 1U);
  EXPECT_NEAR(bare[0].zone[0].y, in(80), 1e-6);
}
TEST(LightBands, OfAWallLightFollowTheArt) {
  const auto alone = bandsOf(sconced(68), builtInRulebook(), kScheme, PlacementId("l1"), kInches);
  ASSERT_EQ(alone.size(), 1U);
  EXPECT_NEAR(alone[0].zone[0].y, in(66), 1e-6);
  const auto beside =
      bandsOf(hung(sconced(68), "pic", "a1", 30, 24, 60, 58), builtInRulebook(), kScheme, PlacementId("l1"), kInches);
  ASSERT_EQ(beside.size(), 1U);
  EXPECT_NEAR(beside[0].zone[0].y, in(60), 1e-6);
  EXPECT_NEAR(beside[0].zone[2].y, in(66), 1e-6);
}

// ---- recessed lights
TEST(Downlights, TwelveByFourteenFeetTakeEight) {
  const Downlights lay = laidEvenly(*emptyRoom(144, 168).rooms.front(), {}, {}, kInches);
  EXPECT_EQ(lay.at.size(), 8U);
  EXPECT_NEAR(lay.each() / kSquareFoot, 21, 1e-9);
  // The corners of the box first.
  EXPECT_EQ(lay.at.front(), (Vec2{in(36), in(36)}));
  EXPECT_NEAR(lay.at.back().x, in(144 - 36), 1e-9);
}
TEST(Downlights, SixOnThreeFeetSayWhatIsAsked) {
  DownlightAsk ask;
  ask.count = 6;
  const Downlights lay = laidEvenly(*emptyRoom(144, 168).rooms.front(), {}, ask, kInches);
  ASSERT_FALSE(lay.says.empty());
  EXPECT_EQ(lay.says.front(),
            "6 lights leave 28.0 sq ft each, where 20.0 sq ft to 25.0 sq ft are asked: 7 to 8 lights would do, or a "
            "box nearer the walls.");
}
TEST(Downlights, TheBoxIsAtTheSeatsFront) {
  const Job job = with(emptyRoom(), sofa(), "p1", 111, 21, 180);
  const Placement* seat = findPlacement(scheme(job), PlacementId("p1"));
  const auto found = seatsAtWalls(PieceIndex(job), *job.rooms.front(), {seat});
  ASSERT_EQ(found.size(), 1U);
  EXPECT_NEAR(found[0].front, in(39), 1e-6);
  EXPECT_NEAR(laidEvenly(*job.rooms.front(), found, {}, kInches).at.front().y, in(39), 1e-6);
}
TEST(Downlights, HalfASpaceIsTheOtherSchool) {
  DownlightAsk ask;
  ask.school = LaySchool::HalfSpace;
  ask.count = 6;
  const Downlights lay = laidEvenly(*emptyRoom(120, 180).rooms.front(), {}, ask, kInches);
  EXPECT_EQ(lay.rows, 3);
  EXPECT_EQ(lay.columns, 2);
  EXPECT_NEAR(lay.at.front().x, in(30), 1e-9);
  EXPECT_NEAR(lay.at.front().y, in(30), 1e-9);
  EXPECT_NEAR(lay.space.x, lay.space.y, 1e-9);
}
TEST(Downlights, ARowGivesWayToAJoistOrSaysThatItCannot) {
  Room room = *emptyRoom(144, 168).rooms.front();
  room.joists = Joists{in(16), in(35), PlanAxis::Y, in(1.5)};  // one an inch beside the first row
  DownlightAsk ask;
  ask.count = 8;
  ask.cutOut = in(4);
  const Downlights lay = laidEvenly(room, {}, ask, kInches);
  for (const Vec2 p : lay.at) EXPECT_LE(intoJoist(*room.joists, p, in(4)), 1e-6) << p.x / kInch;
  EXPECT_NEAR(lay.at.front().x / kInch, 35 + 2 + 1 + 0.75, 1e-6);
  room.joists->first = in(36);  // right over it: 3 3/4 would be needed
  bool told = false;
  for (const std::string& line : laidEvenly(room, {}, ask, kInches).says)
    told = told || line.find("cannot give way") != std::string::npos;
  EXPECT_TRUE(told);
}
TEST(Downlights, KeepOffDetectors) {
  Room room = *emptyRoom(144, 168).rooms.front();
  room.points.push_back({PointId("x1"), PointKind::Detector, {}, 0, 0, {in(40), in(36)}});
  EXPECT_EQ(pointsTooNear(room, {in(36), in(36)}, in(4)).size(), 1U);
  EXPECT_TRUE(pointsTooNear(room, {in(26), in(36)}, in(4)).empty());
}

// ---- how much light
TEST(Estimate, FallsOffWithTheSquareAndTheCosine) {
  LightSource s;
  s.at = {0, 0, 2000};
  s.model = LightSource::Model::Around;
  s.lumens = 100 * 4 * M_PI;
  const Shades none;
  EXPECT_NEAR(directAt({s}, none, {0, 0, 0}, {0, 0, 1}), 25, 1e-9);
  EXPECT_NEAR(directAt({s}, none, {2000, 0, 0}, {0, 0, 1}), 8.838835, 1e-5);
  EXPECT_EQ(directAt({s}, none, {0, 0, 0}, {0, 0, -1}), 0);  // from behind
}
TEST(Estimate, ABodyHigherThanThePointShadesIt) {
  Job job = with(emptyRoom(), piece("case", "bookcase", 40, 20, 60), "b1", 111, 75);
  const Shades shades(PieceIndex(job), *job.rooms.front(), scheme(job));
  const auto clear = [&](double fromX, double toX, double z) {
    return shades.clear({in(fromX), in(75), in(96)}, {in(toX), in(75), in(z)});
  };
  EXPECT_FALSE(clear(60, 140, 30));   // through it
  EXPECT_TRUE(clear(60, 140, 61));    // above it
  EXPECT_TRUE(clear(60, 80, 30));     // before it
  EXPECT_FALSE(clear(111, 135, 30));  // in its shadow
  EXPECT_TRUE(shades.inside({in(111), in(75)}, 760));
  EXPECT_FALSE(shades.inside({in(111), in(75)}, in(61)));
}
TEST(Estimate, ATableShadesNotWhatIsDoneOnIt) {
  Job job = with(emptyRoom(), table(), "t", 111, 75);
  const Shades shades(PieceIndex(job), *job.rooms.front(), scheme(job));
  EXPECT_TRUE(shades.clear({in(111), in(75), in(90)}, {in(100), in(75), in(30)}));
  EXPECT_FALSE(shades.clear({in(111), in(75), in(90)}, {in(100), in(75), in(10)}));
}
TEST(Estimate, AroundTheInnerCornerOfAnLThereIsShade) {
  Job job = emptyRoom();
  Room room = *job.rooms.front();
  room.corners = corners({{0, 0}, {200, 0}, {200, 80}, {80, 80}, {80, 200}, {0, 200}});
  job.rooms.front() = std::make_shared<const Room>(room);
  const Shades shades(PieceIndex(job), room, scheme(job));
  EXPECT_FALSE(shades.clear({in(190), in(70), in(96)}, {in(20), in(190), 0}));
  EXPECT_TRUE(shades.clear({in(190), in(20), in(96)}, {in(20), in(20), 0}));
}
TEST(Estimate, WithoutLumensSaysSo) {
  const Job job = dinedUnder(33);
  const LightEstimate e = estimateLight(job, scheme(job), {});
  EXPECT_EQ(e.most, 0);
  EXPECT_EQ(e.unknown, std::vector<PlacementId>{PlacementId("l1")});
}
TEST(Estimate, OfOneCircuitIsPartOfAll) {
  Piece a = roundPiece("a", "downlight", 4), b = roundPiece("b", "downlight", 4);
  a.light.edit().lumens = b.light.edit().lumens = 600;
  Job job = lit(lit(emptyRoom(), a, "l1", 60, 60, 0), b, "l2", 150, 90, 0);
  job = withCircuit(job, kScheme, {CircuitId("k1"), "A"});
  job = onCircuit(job, kScheme, {PlacementId("l1")}, CircuitId("k1"));
  const double all = estimateLight(job, scheme(job), {}).average,
               one = estimateLight(job, scheme(job), {}, {CircuitId("k1")}).average;
  EXPECT_GT(one, 0);
  EXPECT_LT(one, all);
}
TEST(Estimate, IsSymmetricInASymmetricRoom) {
  Piece a = roundPiece("a", "downlight", 4);
  a.light.edit().lumens = 600;
  a.light.edit().beam = 60;
  const Job job = lit(emptyRoom(200, 200), a, "l1", 100, 100, 0);
  const LightEstimate e = estimateLight(job, scheme(job), {});
  ASSERT_FALSE(e.lx.empty());
  EXPECT_NEAR(e.lx.front(), e.lx.back(), 1e-9);
  EXPECT_NEAR(e.average, e.direct + e.indirect, 1e-9);
}
TEST(Estimate, AStripShinesAlongItsLength) {
  Piece strip = piece("s", "light-strip", 60, 1, 1);
  strip.light.edit().lumens = 600;
  Job job = withPlacement(withPiece(emptyRoom(), strip).value(), kScheme,
                          {PlacementId("l1"), strip.id, WallPlace{CornerId("A"), in(111), in(60), {}}, {}});
  const auto sources = lightSourcesIn({fixture(job)}, {});
  EXPECT_EQ(sources.size(), 6U);  // 1524 mm in parts of at most 300
  double sum = 0;
  for (const LightSource& s : sources) sum += s.lumens;
  EXPECT_NEAR(sum, 600, 1e-9);
}
TEST(Web, TurnsWithItsLight) {
  // Half dark: only planes from 0 to 90 and 270 to 360 shine.
  auto web = std::make_shared<Photometry>();
  web->vertical = {0, 90};
  web->horizontal = {0, 90, 90.001, 180};
  web->candela = {100, 100, 100, 100, 0, 0, 0, 0};
  LightSource s;
  s.model = LightSource::Model::Measured;
  s.web = web;
  const double c = std::sqrt(0.5);
  EXPECT_NEAR(intensityTowards(s, {c, 0, -c}), 100, 1e-6);
  EXPECT_NEAR(intensityTowards(s, {-c, 0, -c}), 0, 1e-6);
  s.turn = 180;
  EXPECT_NEAR(intensityTowards(s, {-c, 0, -c}), 100, 1e-6);
}

// ---- cords
TEST(Cord, NeverIsShorterThanTheStraightLine) {
  std::mt19937 random(20261128);
  RecordProperty("seed", 20261128);
  std::uniform_real_distribution<double> x(30, 190), y(30, 120);
  for (int i = 0; i < 40; ++i) {
    Job job = with(emptyRoom(), roundPiece("lamp", "lamp", 12, 60), "l1", x(random), y(random));
    for (int k = 0; k < 4; ++k)
      job = with(job, piece(("b" + std::to_string(k)).c_str(), "bookcase", 30, 14, 60),
                 ("b" + std::to_string(k)).c_str(), x(random), y(random), 30.0 * k);
    job = socketed(job, 111);
    const PieceIndex pieces(job);
    const CordFloor floor = cordFloor(pieces, *job.rooms.front(), scheme(job), {PlacementId("l1")});
    const FloorPlace at = floorPlace(findPlacement(scheme(job), PlacementId("l1"))->on);
    const Parts rim = footprint(*findPiece(job, PieceId("lamp")), at);
    const auto cord = shortestCord(floor, at.at, rim);
    if (!cord) continue;  // walled in
    EXPECT_GE(cord->length, distance(at.at, floor.sockets[0].second) - in(6) - 1e-6);
    double along = 0;
    for (std::size_t j = 0; j + 1 < cord->line.size(); ++j) along += distance(cord->line[j], cord->line[j + 1]);
    EXPECT_NEAR(along - in(6), cord->length, 0.5);
  }
}

// ---- edits
TEST(Circuits, NextGoesThroughTheLettersAndEndsWithNone) {
  Job job = hanging(hanging(emptyRoom(), 60, 60, 20), 120, 60, 20, "l2");
  IdSource ids(50);
  const auto circuitOf = [&](const char* id) {
    const Circuit* c = findCircuit(scheme(job), findPlacement(scheme(job), PlacementId(id))->circuit);
    return c != nullptr ? c->name : std::string();
  };
  const auto next = [&](const char* id) { job = onNextCircuit(job, kScheme, PlacementId(id), {PlacementId(id)}, ids); };
  next("l1");
  EXPECT_EQ(circuitOf("l1"), "A");
  next("l2");
  EXPECT_EQ(circuitOf("l2"), "A");
  next("l2");
  EXPECT_EQ(circuitOf("l2"), "B");
  next("l2");  // alone on the last: none, and B is gone
  EXPECT_EQ(circuitOf("l2"), "");
  EXPECT_EQ(scheme(job).circuits.size(), 1U);
}
TEST(Lights, WhatIsTakenOutIsLaidNoMore) {
  Job job = laid(emptyRoom(), 2, 2, 36);
  job = withTask(job, kScheme, {TaskId("t1"), "reading", PlacementId("d00")}).value();
  job = withoutPlacement(job, kScheme, PlacementId("d00"));
  EXPECT_EQ(scheme(job).laid.front().placements.size(), 3U);
  EXPECT_TRUE(scheme(job).tasks.empty());
  EXPECT_FALSE(faultOf(job));
}
TEST(Lights, ACopiedSchemeNamesItsOwn) {
  Job job = laid(emptyRoom(), 2, 2, 36);
  IdSource ids(90);
  SchemeId copy;
  job = withSchemeCopied(job, kScheme, "B", ids, copy);
  EXPECT_FALSE(faultOf(job));
  EXPECT_NE(findScheme(job, copy)->laid.front().placements.front(), PlacementId("d00"));
}
TEST(Lights, BadOnesAreRefusedInWords) {
  const Job job = hanging(emptyRoom(), 60, 60, 20);
  EXPECT_EQ(withAim(job, kScheme, PlacementId("l1"), Aim{120, 0}).error().text(),
            "placement l1: is aimed other than 0 to 90 degrees from straight down. Type degrees");
  EXPECT_EQ(withJoists(job, RoomId("parlour"), Joists{100, 0, PlanAxis::X, 120}).error().text(),
            "Parlour, joists: are wider than their pitch. Check both");
  EXPECT_EQ(withReflectance(job, RoomId("parlour"), Reflectance{1, 0.5, 0.2}).error().text(),
            "Parlour, reflectance: is not from 0 to less than 1. 0.7 is a white ceiling");
  EXPECT_EQ(withTask(job, kScheme, {TaskId("t"), "x", PlacementId("nobody")}).error().text(),
            "task t: is on a placement that is not there: nobody. Take the task out");
}
TEST(Lights, CordsOfARowAreCutTogether) {
  const Job job = withLongerCords(rowOf({14, 42, 70}), kScheme, {PlacementId("l1"), PlacementId("l3")}, in(2));
  EXPECT_NEAR(onCeiling(findPlacement(scheme(job), PlacementId("l1"))->on)->drop, in(30), 1e-9);
  EXPECT_NEAR(onCeiling(findPlacement(scheme(job), PlacementId("l2"))->on)->drop, in(28), 1e-9);
}

// ---- what an electrician gets
TEST(Schedule, SetsOutFromTwoWalls) {
  Job job = lit(emptyRoom(), roundPiece("d", "downlight", 4), "l1", 39, 45, 0);
  const auto lines = fixtureSchedule(job, *job.rooms.front(), scheme(job));
  ASSERT_EQ(lines.size(), 1U);
  ASSERT_EQ(lines[0].from.size(), 2U);
  EXPECT_NEAR(lines[0].from[0].off + lines[0].from[1].off, in(39 + 45), 1e-6);
}
TEST(Schedule, SaysWhatTheBoxMustBear) {
  FixtureLine line;
  line.mount = "pendant";
  line.weight = 10;
  EXPECT_EQ(boxWords(line, Unit::Millimetre), "10 kg: box rated for it");
  EXPECT_EQ(boxWords(line, Unit::Inch), "23 lb: box rated for it");
  line.weight = 23;
  EXPECT_EQ(boxWords(line, Unit::Inch), "51 lb: a support of its own");
}
TEST(Schedule, WhatLightsHaveInCommonIsSaidOnce) {
  const Job job = laid(emptyRoom(), 2, 2, 36);
  const auto words = scheduleWords(fixtureSchedule(job, *job.rooms.front(), scheme(job)), Unit::Inch, kInches);
  ASSERT_EQ(words.size(), 2U);
  EXPECT_EQ(words[0], "Down; circuit not decided.");
  EXPECT_NE(words[1].find("1: 36 in to wall A, 36 in to wall D"), std::string::npos) << words[1];
}
TEST(Schedule, DiagonalsCheckALaying) {
  const Job job = laid(emptyRoom(222, 150), 2, 3, 36);
  const auto checks = checkDiagonals(scheme(job), fixtureSchedule(job, *job.rooms.front(), scheme(job)), kInches);
  ASSERT_EQ(checks.size(), 1U);
  EXPECT_EQ(checks[0], "Diagonals to check: 1 to 6: " + writeLength(std::hypot(in(150), in(78)), kInches) +
                           ", 3 to 4: " + writeLength(std::hypot(in(150), in(78)), kInches));
}

}  // namespace light_test
}  // namespace mezzet
