// Groups, mirrors, televisions and shelves: worked figures, holding, breaking and at the edge.
#include <gtest/gtest.h>

#include <cmath>

#include "core/edit/hangs.h"
#include "core/hang/neighbours.h"
#include "core/rules/art/art_case.h"
#include "core/rules/art/mirror_views.h"
#include "core/rules/check.h"
#include "core/sight/reflection.h"
#include "io/json/rulebook_json.h"
#include "support/findings.h"
#include "support/rooms.h"

namespace mezzet {
namespace wall_rules_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
const SchemeId kScheme("s1");

std::vector<Finding> judgedAll(const Job& job) { return check(job, builtInRulebook(), kScheme, kInches, kEveryDay); }
std::optional<Finding> judged(const Job& job, const std::string& id) {
  const auto all = judgedAll(job);
  const Finding* f = findingIn(all, id);
  return f != nullptr ? std::optional(*f) : std::nullopt;
}
std::optional<Finding> ofRule(const Job& job, const std::string& rule) {
  for (const Finding& f : judgedAll(job))
    if (f.rule == rule) return f;
  return std::nullopt;
}
Piece sofaPiece(double width = 84) {
  Piece sofa = piece("sofa", "sofa", width, 36, 34);
  sofa.seat.edit().height = in(18);
  return sofa;
}
/// A sofa of 84 x 34 at wall A, its middle at u 111.
Job sofaRoom() {
  return withSchool(withSchool(with(emptyRoom(), sofaPiece(), "s", 111, 18, 180), "art-centre", "a"), "art-gap", "a");
}
Job hungAs(Job job, const char* id, const char* at, const char* kind, double w, double h, double u, double v,
           const char* wall = "A") {
  Piece p = piece(id, kind, w, 1, h);
  return withPlacement(withPiece(job, p).value(), kScheme,
                       {PlacementId(at), p.id, WallPlace{CornerId(wall), in(u), in(v), std::nullopt}, {}});
}
/// These in the group "g1".
Job groupedAs(Job job, const std::vector<PlacementId>& ids) {
  for (const PlacementId& id : ids) {
    WallPlace place = wallPlace(findPlacement(scheme(job), id)->on);
    place.group = "g1";
    job = placed(job, kScheme, id, place);
  }
  return job;
}
/// Three frames 16, 20 and 16 wide, 38 high, gaps of 2, the right one further by `by`.
Job threeOverSofa(double by) {
  Job job = sofaRoom();
  job = hung(job, "a1", "p1", 16, 38, 91, 58);
  job = hung(job, "a2", "p2", 20, 38, 111, 58);
  return hung(job, "a3", "p3", 16, 38, 131 + by, 58);
}

TEST(Groups, ThreeFramesOverASofaAreOne) {
  const auto gallery = judged(threeOverSofa(0), "gallery-gap:p1,p2,p3");
  ASSERT_TRUE(gallery);
  EXPECT_NEAR(gallery->measured, in(2), 1e-6);
  EXPECT_EQ(gallery->verdict, Verdict::Holds);
  const auto gap = judged(threeOverSofa(0), "art-gap:p1,p2,p3,s");
  ASSERT_TRUE(gap);
  EXPECT_NEAR(gap->measured, in(5), 1e-6);
  EXPECT_NEAR(judged(threeOverSofa(0), "art-width:p1,p2,p3,s")->measured, 56.0 / 84, 1e-6);
}
TEST(Groups, ThreeInchesFurtherTheGapIsOneTooWide) {
  const auto f = judged(threeOverSofa(3), "gallery-gap:p1,p2,p3");
  ASSERT_TRUE(f);
  EXPECT_NEAR(f->measured, in(5), 1e-6);
  EXPECT_NEAR(f->margin, -in(1), 1e-6);
  EXPECT_EQ(f->verdict, Verdict::Breaks);
  ASSERT_EQ(f->pairs.size(), 2u);
  EXPECT_EQ(f->pairs[0].a, "p1");
  EXPECT_EQ(f->pairs[1].b, "p3");
  EXPECT_EQ(f->sentence, "The A2 and the A3 hang 5 in apart, 1 in too far.");
}
TEST(Groups, FourInchesFurtherThereAreTwo) {
  const auto all = judgedAll(threeOverSofa(4));
  EXPECT_NE(findingIn(all, "gallery-gap:p1,p2"), nullptr);
  EXPECT_EQ(findingIn(all, "gallery-gap:p1,p2,p3"), nullptr);
}
TEST(Groups, AMadeGroupIsOneAtAnyDistance) {
  const Job job = groupedAs(threeOverSofa(10), {PlacementId("p1"), PlacementId("p2"), PlacementId("p3")});
  EXPECT_TRUE(judged(job, "gallery-gap:p1,p2,p3"));
}
TEST(Groups, WhatIsApartIsNeverOne) {
  const Job job = withApart(threeOverSofa(0), kScheme, PlacementId("p3"), true);
  EXPECT_TRUE(judged(job, "gallery-gap:p1,p2"));
  EXPECT_FALSE(judged(job, "gallery-gap:p1,p2,p3"));
}
TEST(Groups, TelevisionsAndShelvesAreNotGathered) {
  const Job job = hungAs(hung(sofaRoom(), "a1", "p1", 20, 20, 100, 70), "tv", "p2", "television", 40, 24, 133, 70);
  EXPECT_EQ(hungIn(job, scheme(job)).size(), 2u);
}

struct GapRange {
  double side, gap, margin;
};
TEST(GalleryGap, DependsOnHowLargeTheFramesAre) {
  // Ranges: under 8 in 3/4 to 2, usual 1 1/2 to 3, over 30 in 2 to 4.
  for (const GapRange& g : {GapRange{7.9, 0.75, 0},
                            {7.9, 2.5, -0.5},
                            {8, 1.5, 0},
                            {8, 1, -0.5},
                            {20, 3, 0},
                            {30, 3.5, -0.5},
                            {31, 4, 0},
                            {31, 1.5, -0.5}}) {
    Job job = hung(emptyRoom(), "a1", "p1", g.side, g.side, 60, 48);
    job = hung(job, "a2", "p2", g.side, g.side, 60 + g.side + g.gap, 48);
    const auto f = judged(job, "gallery-gap:p1,p2");
    ASSERT_TRUE(f) << g.side;
    EXPECT_NEAR(f->margin, in(g.margin), 1e-6) << g.side << " " << g.gap;
    EXPECT_EQ(f->verdict, g.margin < 0 ? Verdict::Breaks : Verdict::Holds) << g.side << " " << g.gap;
  }
}
TEST(GalleryGap, OfAMatchMayBeNarrow) {
  Job job = hung(hung(emptyRoom(), "a1", "p1", 20, 20, 60, 48), "a2", "p2", 20, 20, 81, 48);
  EXPECT_EQ(judged(job, "gallery-gap:p1,p2")->verdict, Verdict::Breaks);
  job = groupedAs(job, {PlacementId("p1"), PlacementId("p2")});
  job = withHang(job, kScheme, {.id = "g1", .as = HangAs::Match});
  EXPECT_EQ(judged(job, "gallery-gap:p1,p2")->verdict, Verdict::Holds);
}
TEST(GalleryGap, OfOverlappingFramesIsNegative) {
  const Job job = hung(hung(emptyRoom(), "a1", "p1", 20, 20, 60, 48), "a2", "p2", 20, 20, 76, 48);
  EXPECT_NEAR(judged(job, "gallery-gap:p1,p2")->measured, -in(4), 1e-6);
}
TEST(GalleryGap, RoundThingsAreMeasuredRound) {
  Piece plate = piece("plate", "plate", 10, 1, 10);
  plate.shape = Shape::Round;
  plate.count = 2;
  Job job = withPiece(emptyRoom(), plate).value();
  for (const auto& [at, u, v] : {std::tuple{"p1", 60.0, 48.0}, {"p2", 69.0, 57.0}})
    job = withPlacement(job, kScheme,
                        {PlacementId(at), plate.id, WallPlace{CornerId("A"), in(u), in(v), std::nullopt}, {}});
  EXPECT_NEAR(judged(job, "gallery-gap:p1,p2")->measured, in(std::hypot(9, 9) - 10), 1e-6);
}

TEST(ArtGap, IsAskedOverTopsOfTwentySixInchesAndMore) {
  for (const auto& [top, asked] : {std::pair{25.9, false}, {26.0, true}, {42.0, true}}) {
    Job job = with(emptyRoom(), piece("t", "console", 60, 14, top), "t", 111, 7, 180);
    job = hung(withSchool(job, "art-gap", "a"), "a1", "p1", 40, 24, 111, top + 17);
    EXPECT_EQ(judged(job, "art-gap:p1,t").has_value(), asked) << top;
  }
}
TEST(ArtGap, OverAHighTopSetsTheHeightAlone) {
  for (const auto& [top, centre] : {std::pair{42.0, true}, {42.1, false}}) {
    Job job = with(emptyRoom(), piece("t", "cabinet", 60, 14, top), "t", 111, 7, 180);
    job = hung(withSchool(withSchool(job, "art-gap", "a"), "art-centre", "a"), "a1", "p1", 40, 24, 111, top + 17);
    EXPECT_TRUE(judged(job, "art-gap:p1,t"));
    EXPECT_EQ(judged(job, "art-centre:p1").has_value(), centre) << top;
  }
}
TEST(ArtGap, HasARangeForEachRow) {
  struct Row {
    const char* kind;
    double top, gap;
    const char* school;
    double low, high;
  };
  for (const Row& r : {Row{"sofa", 34, 5, "a", 4, 6},
                       {"console", 34, 5, "a", 4, 12},
                       {"bed", 34, 5, "a", 4, 12},
                       {"sofa", 34, 9, "b", 8, 12},
                       {"sofa", 34, 9, "c", 6, 10}}) {
    Job job = with(emptyRoom(), piece("t", r.kind, 60, 14, r.top), "t", 111, 7, 180);
    job = hung(withSchool(job, "art-gap", r.school), "a1", "p1", 40, 24, 111, r.top + r.gap + 12);
    const auto f = judged(job, "art-gap:p1,t");
    ASSERT_TRUE(f) << r.kind;
    EXPECT_NEAR(*f->asked.low, in(r.low), 1e-6) << r.kind;
    EXPECT_NEAR(*f->asked.high, in(r.high), 1e-6) << r.kind;
  }
}
TEST(ArtGap, ADarkFootMovesTheIdealOfB) {
  Job job = withSchool(sofaRoom(), "art-gap", "b");
  Piece art = piece("a1", "art", 40, 1, 24);
  art.frame.edit().foot = Foot::Dark;
  job =
      withPlacement(withPiece(job, art).value(), kScheme,
                    {PlacementId("p1"), art.id, WallPlace{CornerId("A"), in(111), in(34 + 9 + 12), std::nullopt}, {}});
  const auto f = judged(job, "art-gap:p1,s");
  ASSERT_TRUE(f);
  EXPECT_NEAR(f->ideal.low.value_or(0), in(10), 1e-6);
  EXPECT_NEAR(*f->asked.low, in(8), 1e-6);
}
TEST(ArtGap, IsNotAskedWhereALampStandsUnderTheFrame) {
  for (const auto& [height, asked] : {std::pair{11.9, true}, {12.0, false}}) {
    Job job = with(emptyRoom(), piece("t", "console", 60, 14, 30), "t", 111, 7, 180);
    Piece lamp = roundPiece("lamp", "lamp", 8, height);
    job = withPlacement(withPiece(job, lamp).value(), kScheme,
                        {PlacementId("l"), lamp.id, CarriedPlace{PlacementId("t"), {0, 0}, 0}, {}});
    job = hung(job, "a1", "p1", 40, 24, 111, 60);
    EXPECT_EQ(judged(job, "art-gap:p1,t").has_value(), asked) << height;
  }
}
TEST(ArtCentre, IsNotAskedOfWhatIsHungByFootAndHead) {
  for (const auto& [height, asked] : {std::pair{59.9, true}, {60.0, false}})
    EXPECT_EQ(judged(hung(emptyRoom(), "a1", "p1", 40, height, 111, 50), "art-centre:p1").has_value(), asked) << height;
}
TEST(ArtCentre, IsNotAskedOfTelevisionsShelvesClocksAndAPlate) {
  for (const char* kind : {"television", "shelf", "clock", "plate", "mirror"})
    EXPECT_FALSE(judged(hungAs(emptyRoom(), "x", "p1", kind, 20, 20, 111, 20), "art-centre:p1")) << kind;
  EXPECT_TRUE(judged(hungAs(emptyRoom(), "x", "p1", "textile", 20, 20, 111, 20), "art-centre:p1"));
}
TEST(TwoThirds, IsAskedOverTablesAndNotOverSofas) {
  EXPECT_FALSE(ofRule(hungAs(sofaRoom(), "m", "p1", "mirror", 40, 24, 111, 58), "two-thirds"));
  Job job = with(emptyRoom(), piece("t", "sideboard", 60, 18, 34), "t", 111, 9, 180);
  EXPECT_NEAR(ofRule(hungAs(job, "m", "p1", "mirror", 40, 24, 111, 58), "two-thirds")->measured, 40.0 / 60, 1e-6);
}

TEST(ArtShape, IsAskedAgainstTheFreeWallAbove) {
  // Free over the sofa: 84 x 62, 1.3548. 57 x 38 is 1.5 / 1.3548.
  const auto f = judged(hung(sofaRoom(), "a1", "p1", 57, 38, 111, 58), "art-shape:p1,s");
  ASSERT_TRUE(f);
  EXPECT_NEAR(f->measured, 1.5 / (84.0 / 62), 1e-6);
  EXPECT_EQ(f->verdict, Verdict::Holds);
  EXPECT_EQ(judged(hung(sofaRoom(), "a1", "p1", 60, 20, 111, 58), "art-shape:p1,s")->verdict, Verdict::Breaks);
}
TEST(ArtShape, IsNotAskedOfTheHouseSizes) {
  Job job = with(emptyRoom(), sofaPiece(106), "s", 111, 18, 180);
  EXPECT_FALSE(ofRule(hung(job, "a1", "p1", 90, 30, 111, 60), "art-shape"));
  EXPECT_TRUE(ofRule(hung(job, "a1", "p1", 90, 31, 111, 60), "art-shape"));
}

TEST(Balance, IsAskedOfGroupsTiedByLike) {
  Job job = hung(hung(emptyRoom(), "a1", "p1", 40, 30, 60, 58), "a2", "p2", 40, 24, 60, 58, "C");
  EXPECT_FALSE(ofRule(job, "balance"));
  job = groupedAs(job, {PlacementId("p2")});
  job = withHang(job, kScheme, {.id = "g1", .as = HangAs::Match, .like = "p1"});
  const auto f = judged(job, "balance:wall:A,wall:C");
  ASSERT_TRUE(f);
  EXPECT_NEAR(f->measured, 1.25, 1e-9);
  EXPECT_EQ(f->verdict, Verdict::Holds);
  EXPECT_FALSE(f->marginMm);
}
TEST(Balance, IsAskedOfWallsSeenFromTheEntryTogether) {
  Job job = emptyRoom();
  Room room = *job.rooms.front();
  Opening door;
  door.id = OpeningId("d1");
  door.wall = CornerId("A");
  door.offset = in(96);
  door.width = in(30);
  door.height = in(80);
  room.openings = {door};
  job = withRoom(job, room).value();
  job = hung(hung(job, "a1", "p1", 40, 30, 111, 58, "C"), "a2", "p2", 40, 20, 30, 58, "B");
  const auto f = judged(job, "balance:wall:B,wall:C");
  ASSERT_TRUE(f);
  EXPECT_NEAR(f->measured, 1.5, 1e-9);
  EXPECT_EQ(f->sentence, "Wall C carries 50 % more art than wall B, which is seen with it.");
}

// ---- mirrors
Job mirrorRoom(double w, double h, double v, LooksAs as) {
  Piece m = piece("m", "mirror", w, 1, h);
  m.mirror.edit().looksAs = as;
  Job job = withPiece(emptyRoom(), m).value();
  return withPlacement(job, kScheme,
                       {PlacementId("p1"), m.id, WallPlace{CornerId("C"), in(111), in(v), std::nullopt}, {}});
}
Job forStatures(Job job, std::vector<double> inches) {
  for (double& s : inches) s = in(s);
  job.brief.statures = inches;
  return job;
}
TEST(MirrorFace, ShowsTheShortestAndTheTallestFace) {
  const auto held = judged(forStatures(mirrorRoom(24, 36, 62, LooksAs::Face), {62, 74}), "mirror-face:p1");
  ASSERT_TRUE(held);
  EXPECT_NEAR(held->measured, in(8.368), 1e-6);
  const auto broken = judged(forStatures(mirrorRoom(24, 36, 75, LooksAs::Face), {62, 74}), "mirror-face:p1");
  EXPECT_NEAR(broken->measured, in(-1.014), 1e-6);
  EXPECT_EQ(broken->verdict, Verdict::Breaks);
}
TEST(MirrorFace, WithoutStaturesIsNotMeasuredButInPublic) {
  Job job = mirrorRoom(24, 36, 62, LooksAs::Face);
  auto f = judged(job, "mirror-face:p1");
  EXPECT_EQ(f->verdict, Verdict::NotMeasured);
  EXPECT_EQ(f->missing, std::vector<std::string>{"statures"});
  job.brief.isPublic = true;
  f = judged(job, "mirror-face:p1");
  EXPECT_NEAR(f->measured, std::min(in(80) - 0.968 * in(74), 0.903 * in(60) - in(44)), 1e-6);
}
TEST(MirrorFull, IsByItsSizeAndItsFoot) {
  Job job = hungAs(emptyRoom(), "m", "p1", "mirror", 24, 48, 111, 29.9 + 24);
  job = forStatures(job, {62, 74});
  ASSERT_TRUE(judged(job, "mirror-full:p1"));
  EXPECT_NEAR(judged(job, "mirror-full:p1")->measured, in(29.016 - 29.9), 1e-6);
  EXPECT_NEAR(judged(job, "mirror-full-top:p1")->measured, in(77.9 - 71.632), 1e-6);
  EXPECT_FALSE(judged(forStatures(hungAs(emptyRoom(), "m", "p1", "mirror", 24, 48, 111, 54), {62}), "mirror-full:p1"));
}

/// A room of 4000 x 3000 with a mirror 800 wide in the middle of wall C and a window in wall A.
Job reflecting(double windowFrom, double windowTo) {
  Job job = emptyRoom(4000 / 25.4, 3000 / 25.4, 100);
  Room room = *job.rooms.front();
  Opening w;
  w.id = OpeningId("w1");
  w.kind = OpeningKind::Window;
  w.wall = CornerId("A");
  w.offset = windowFrom;
  w.width = windowTo - windowFrom;
  w.sill = 600;
  w.height = 1500;
  room.openings = {w};
  job = withRoom(job, room).value();
  Piece m = piece("m", "mirror", 800 / 25.4, 1, 800 / 25.4);
  return withPlacement(withPiece(job, m).value(), kScheme,
                       {PlacementId("p1"), m.id, WallPlace{CornerId("C"), 2000, 1500, std::nullopt}, {}});
}
double shareOf(const std::vector<Shown>& all, const std::string& id) {
  double share = 0;
  for (const Shown& one : all)
    if (one.id == id) share += one.share;
  return share;
}
std::vector<Shown> shownFrom(const Job& job, Vec2 at, double height) {
  const PieceIndex pieces(job);
  const Room& room = *job.rooms.front();
  return shownIn(*glassOf(pieces, room, *findPlacement(scheme(job), PlacementId("p1"))), {at, height},
                 reflectedIn(pieces, room, scheme(job)));
}
TEST(Mirror, ShowsAWindowByTheLawOfReflection) {
  const auto all = shownFrom(reflecting(1500, 2500), {2000, 1000}, 1500);
  EXPECT_NEAR(shareOf(all, "w1"), std::atan(0.1) / std::atan(0.2), 1e-9);
  EXPECT_NEAR(shareOf(all, "w1"), 0.5049, 1e-4);
  EXPECT_NEAR(shareOf(all, "wall:A"), 1 - 0.5049, 1e-4);
}
TEST(Mirror, LooksDownToTheFloor) {
  // From 1500 through a glass 2000 off at 700: falls 400 a metre, and meets the floor 3750 from the reflected eye.
  Job job = reflecting(1500, 2500);
  WallPlace low{CornerId("C"), 2000, 700, std::nullopt};
  job = placed(job, kScheme, PlacementId("p1"), low);
  EXPECT_NEAR(shareOf(shownFrom(job, {2000, 1000}, 1500), "floor"), 1, 1e-9);
}
TEST(Mirror, TheOwnSeatHidesNothing) {
  Job job = reflecting(1500, 2500);
  job = with(job, piece("case", "bookcase", 30, 12, 80), "c", 2000 / 25.4, 20, 0);
  const PieceIndex pieces(job);
  const Glass glass = *glassOf(pieces, *job.rooms.front(), *findPlacement(scheme(job), PlacementId("p1")));
  const auto reflected = reflectedIn(pieces, *job.rooms.front(), scheme(job));
  EXPECT_GT(shareOf(shownIn(glass, {{2000, 1000}, 1500}, reflected), "c"), 0.3);
  EXPECT_EQ(shareOf(shownIn(glass, {{2000, 1000}, 1500}, reflected, "c"), "c"), 0);
}
TEST(Mirror, FromBehindShowsNothing) {
  EXPECT_TRUE(shownFrom(reflecting(1500, 2500), {2000, 3000}, 1500).empty());
  EXPECT_TRUE(shownFrom(reflecting(1500, 2500), {2000, 3500}, 1500).empty());
}
TEST(Mirror, SharesAddUpToTheGlass) {
  Job job = reflecting(1500, 2500);
  job = with(job, piece("a", "armchair", 32, 34, 34), "a", 60, 30, 20);
  job = with(job, piece("b", "cabinet", 40, 20, 60), "b", 100, 40, 75);
  for (const double height : {900.0, 1300.0, 1700.0})
    for (const double x : {500.0, 1700.0, 3300.0}) {
      double sum = 0;
      for (const Shown& one : shownFrom(job, {x, 1800}, height)) sum += one.share;
      EXPECT_NEAR(sum, 1, 1e-9);
    }
}
TEST(MirrorSees, IsOnlyFoundWhereTooMuchIsPoor) {
  Job job = with(reflecting(1500, 2500), sofaPiece(), "s", 2000 / 25.4, 60, 0);
  EXPECT_FALSE(ofRule(job, "mirror-sees"));
  // A tall cabinet with its back to the mirror.
  job = with(job, piece("b", "cabinet", 60, 12, 90), "b", 2000 / 25.4, 30, 0);
  const auto f = ofRule(job, "mirror-sees");
  ASSERT_TRUE(f);
  EXPECT_GT(f->measured, 0.15);
  EXPECT_EQ(f->subjects, std::vector<std::string>{"p1"});
}

// ---- televisions and shelves
TEST(ScreenCentre, IsByTheSeatedEye) {
  // Seat 18 in of a sofa: the eye is at 1117.2; 2700 off, the middle at 1500: 8.069 degrees.
  Job job = emptyRoom();
  Piece sofa = sofaPiece(30);
  sofa.seat.edit().height = 457.2;
  sofa.seat.edit().people = 1;
  job = with(job, sofa, "s", 111, 60, 0);
  const Vec2 seat = in(1) * Vec2{111, 60} + Vec2{0, -(in(18) - in(10))};
  Piece tv = piece("tv", "television", 48, 0, 28);
  tv.depth = std::nullopt;
  job = withPiece(job, tv).value();
  // Faces wall A at -y: bring it 2700 before the seat point by moving the sofa.
  job = placed(job, kScheme, PlacementId("s"), FloorPlace{{in(111), 2700 + (in(60) - seat.y)}, 0});
  job =
      withPlacement(job, kScheme, {PlacementId("t"), tv.id, WallPlace{CornerId("A"), in(111), 1500, std::nullopt}, {}});
  const auto f = judged(job, "screen-centre:s,t");
  ASSERT_TRUE(f);
  EXPECT_NEAR(f->measured, 8.069, 5e-4);
  EXPECT_NEAR(f->margin, 6.931, 5e-4);
  EXPECT_FALSE(f->marginMm);
}
TEST(ScreenGlare, IsTheShareOfAWindowInTheScreen) {
  Job job = reflecting(1500, 2500);
  Piece tv = piece("tv", "television", 801 / 25.4 + 0.96, 1, 20);
  tv.screen.edit().width = 800;
  job = withoutPlacement(job, kScheme, PlacementId("p1"));
  job = withPiece(job, tv).value();
  job = withPlacement(job, kScheme, {PlacementId("t"), tv.id, WallPlace{CornerId("C"), 2000, 1500, std::nullopt}, {}});
  Piece sofa = sofaPiece(30);
  sofa.seat.edit().people = 1;
  sofa.seat.edit().height = 1500 - 660;
  // It looks at wall C (turn 180: front towards +y), its seat point at (2000, 1000).
  job = with(job, sofa, "s", 2000 / 25.4, 1000 / 25.4 - 8, 180);
  const auto f = judged(job, "screen-glare:s,t");
  ASSERT_TRUE(f);
  EXPECT_NEAR(f->measured, std::atan(0.1) / std::atan(0.2), 1e-4);
  EXPECT_EQ(f->verdict, Verdict::Breaks);
}
TEST(ShelfOverSeat, IsAboveHeadsOrBehindTheBack) {
  struct Case {
    double depth, bottom, margin;
    bool asked;
  };
  // Seat 18, back 34; the back's face at the wall. A shelf 8 in deep is behind heads.
  for (const Case& c :
       {Case{8, 50, 0, false}, {9, 58, 0, true}, {9, 57, -1, true}, {9, 34.5, 0, true}, {9, 40, -5.5, true}}) {
    Piece shelf = piece("shelf", "shelf", 40, c.depth, 1.5);
    Piece sofa = sofaPiece();
    sofa.seat.edit().back = in(34);
    Job job = with(emptyRoom(), sofa, "s", 111, 18, 180);
    job = withPlacement(
        withPiece(job, shelf).value(), kScheme,
        {PlacementId("h"), shelf.id, WallPlace{CornerId("A"), in(111), in(c.bottom + 0.75), std::nullopt}, {}});
    const auto f = judged(job, "shelf-over-seat:h,s");
    ASSERT_EQ(f.has_value(), c.asked) << c.depth << " " << c.bottom;
    if (f) {
      EXPECT_NEAR(f->measured, in(c.margin), 1e-6) << c.bottom;
    }
  }
}

}  // namespace wall_rules_test
}  // namespace mezzet
