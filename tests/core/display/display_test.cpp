// What stands on a carrier: where it is, what is seen of it, what is free, how it is moved.
#include "core/display/display.h"

#include <gtest/gtest.h>

#include "core/decide/display_place.h"
#include "core/display/free_top.h"
#include "core/display/missing.h"
#include "core/display/shelves.h"
#include "core/edit/validate.h"
#include "support/displays.h"

namespace mezzet {
namespace display_test {
using namespace test;

const DisplayedThing& thing(const Display& d, const char* id) {
  const DisplayedThing* t = d.shown(PlacementId(id));
  EXPECT_NE(t, nullptr) << id;
  static const DisplayedThing none{};
  return t != nullptr ? *t : none;
}
Job withEye(const Job& job, double height, double distance) {
  DisplaySet set{"c"};
  set.eyeHeight = in(height);
  set.eyeDistance = in(distance);
  return withDisplay(job, kDisplayScheme, set);
}
double shareOf(const Job& job, const char* id) {
  const Display d = display(job);
  const auto all = sharesSeen(d);
  for (std::size_t i = 0; i < d.things.size(); ++i)
    if (d.things[i].placement->id == PlacementId(id)) return all[i];
  ADD_FAILURE() << id << " is not there";
  return -1;
}

TEST(Lying, PutsTheSmallestSizeUpright) {
  const auto lie = [](double w, double d, double h) {
    const LyingSize s = lyingSize(piece("a", "object", w, d, h), Lie::Lying);
    return std::array{std::lround(s.x / kInch), std::lround(s.y / kInch), std::lround(s.z / kInch)};
  };
  EXPECT_EQ(lie(1, 6, 9), (std::array{9L, 6L, 1L}));  // the width: the height takes its place
  EXPECT_EQ(lie(7, 1, 9), (std::array{7L, 9L, 1L}));  // the depth
  EXPECT_EQ(lie(9, 7, 2), (std::array{9L, 7L, 2L}));
  EXPECT_EQ(lie(2, 2, 9), (std::array{9L, 2L, 2L}));  // of equals the width
}
TEST(EqualBays, AreSetByTheirBoards) {
  const Piece p = withEqualBays(piece("case", "bookcase", 36, 12, 78), 5);
  ASSERT_EQ(p.surfaces->all.size(), 5u);
  const double high = (78 - 6 * 0.75) / 5;
  EXPECT_NEAR(*p.surfaces->all[0].top - p.surfaces->all[0].bottom, in(high), 1e-9);
  EXPECT_NEAR(p.surfaces->all[4].bottom, in(0.75 + 4 * (high + 0.75)), 1e-9);
  EXPECT_NEAR(*p.surfaces->all[4].top, in(78 - 0.75), 1e-9);
  EXPECT_NEAR(p.surfaces->all[0].right, in(17.25), 1e-9);
  EXPECT_TRUE(withEqualBays(piece("case", "bookcase", 36, 12, 4), 5).surfaces->all.empty());
}
TEST(HiddenByShelf, IsTheWorkedFigure) {
  EXPECT_NEAR(hiddenByShelf(200, 2000, 1564, 1500, 0), 58.1333, 1e-3);
  EXPECT_EQ(hiddenByShelf(200, 1000, 1564, 1500, 0), 0);
  EXPECT_EQ(hiddenByShelf(200, 2000, 1564, 1500, 60), 0);
}
TEST(Seen, FollowsTheWorkedFigures) {
  const Job job = withEye(withOneShelf(emptyRoom(), 72), 61.625, 60);
  EXPECT_NEAR(shareOf(on(job, piece("bowl", "bowl", 4, 4, 3), "b", "b1", 10, 8), "b"), 0.539, 5e-4);
  EXPECT_NEAR(shareOf(on(job, piece("bowl", "bowl", 4, 4, 3), "b", "b1", 10, 6), "b"), 0.654, 5e-4);
  Job raised = on(job, piece("lift", "riser", 4, 4, 1), "r", "b1", 10, 8);
  raised = stacked(raised, piece("bowl", "bowl", 4, 4, 3), "b", "r");
  EXPECT_NEAR(shareOf(raised, "b"), 0.872, 5e-4);
}
TEST(Seen, BelowTheEyeIsHiddenByWhatStandsBefore) {
  Job job = withEye(withOneShelf(emptyRoom(), 20), 60, 60);
  job = on(job, piece("small", "object", 6, 3, 4), "back", "b1", 10, 8);
  EXPECT_EQ(shareOf(job, "back"), 1);
  job = on(job, piece("tall", "object", 6, 3, 10), "front", "b1", 10, 0);
  EXPECT_EQ(shareOf(job, "back"), 0);
  // Half beside it: half of it is seen.
  Job aside = withEye(withOneShelf(emptyRoom(), 20), 60, 60);
  aside = on(aside, piece("small", "object", 6, 3, 4), "back", "b1", 10, 8);
  aside = on(aside, piece("tall", "object", 6, 3, 10), "front", "b1", 13, 0);
  EXPECT_NEAR(shareOf(aside, "back"), 0.5, 1e-6);
}
TEST(Carried, ComposesThroughEightLevels) {
  Job job = withOneShelf(emptyRoom(), 10, 60);
  job = on(job, piece("t1", "box", 9, 9, 2), "p1", "b1", 4, 1);
  for (int i = 2; i <= kDeepestCarried; ++i) {
    const std::string id = "t" + std::to_string(i), at = "p" + std::to_string(i), under = "p" + std::to_string(i - 1);
    job = stacked(job, piece(id.c_str(), "box", 9.0 - 0.5 * i, 5, 2), at.c_str(), under.c_str());
  }
  EXPECT_FALSE(faultOf(job)) << faultOf(job)->text();
  const Display d = display(job);
  EXPECT_EQ(d.things.size(), 8u);
  EXPECT_NEAR(thing(d, "p8").bottom, in(10 + 14), 1e-6);
  EXPECT_NEAR(thing(d, "p8").middle(), thing(d, "p1").middle(), 1e-6);
  const Scheme& s = *findScheme(job, kDisplayScheme);
  const auto frame = standingFrameOf(PieceIndex(job), roomOf(job, s), s, *findPlacement(s, PlacementId("p8")));
  ASSERT_TRUE(frame);
  EXPECT_NEAR(frame->foot, in(24), 1e-6);
  // The case is turned about: its left, as seen, is at the right of the plan.
  EXPECT_NEAR(frame->origin.x, in(111) - (thing(d, "p1").middle() - d.width / 2), 1e-6);
  const Job deeper = stacked(job, piece("t9", "box", 1, 1, 1), "p9", "p8");
  ASSERT_TRUE(faultOf(deeper));
  EXPECT_NE(faultOf(deeper)->text().find("more than 8"), std::string::npos);
}
TEST(Carried, RefusesRings) {
  Job job = withOneShelf(emptyRoom(), 10);
  job = on(job, piece("a", "box", 9, 9, 2), "pa", "b1", 4, 1);
  job = stacked(job, piece("b", "box", 5, 5, 2), "pb", "pa");
  CarriedPlace ring;
  ring.carrier = PlacementId("pb");
  const auto fault = faultOf(placed(job, kDisplayScheme, PlacementId("pa"), ring));
  ASSERT_TRUE(fault);
  EXPECT_NE(fault->text().find("on itself"), std::string::npos) << fault->text();
}
TEST(Carried, GoesWithWhatCarriesIt) {
  Job job = withOneShelf(emptyRoom(), 10);
  job = on(job, piece("a", "box", 9, 9, 2), "pa", "b1", 4, 1);
  job = stacked(job, piece("b", "box", 5, 5, 2), "pb", "pa");
  const Job without = withoutPlacement(job, kDisplayScheme, PlacementId("c"));
  EXPECT_TRUE(findScheme(without, kDisplayScheme)->placements.empty());
  IdSource ids(50);
  SchemeId copy;
  const Job copied = withSchemeCopied(job, kDisplayScheme, "B", ids, copy);
  EXPECT_FALSE(faultOf(copied)) << faultOf(copied)->text();
  const Scheme& s = *findScheme(copied, copy);
  const Placement& top = s.placements.back();
  EXPECT_EQ(onAnother(top.on)->carrier, s.placements[1].id);
}
TEST(Carried, StandsOnMantelsAndSills) {
  Job job = emptyRoom();
  Room room = *job.rooms.front();
  room.features.push_back({FeatureId("h"),
                           FeatureKind::Hearth,
                           {{in(90), in(138)}, {in(150), in(138)}, {in(150), in(150)}, {in(90), in(150)}},
                           in(2),
                           {},
                           {},
                           in(50)});
  Opening w;
  w.id = OpeningId("w");
  w.kind = OpeningKind::Window;
  w.wall = CornerId("A");
  w.offset = in(40);
  w.width = in(50);
  w.sill = in(30);
  w.height = in(40);
  room.openings.push_back(w);
  job = withRoom(job, room).value();
  const Piece vase = piece("v", "vase", 6, 6, 12);
  const auto put = [&](const char* at, const char* fixed) {
    CarriedPlace place;
    place.fixed = fixed;
    place.at = {in(10), in(4)};
    return withPlacement(withPiece(job, vase).value(), kDisplayScheme, {PlacementId(at), vase.id, place, {}});
  };
  const Job onMantel = put("p", "h");
  EXPECT_FALSE(faultOf(onMantel)) << faultOf(onMantel)->text();
  const Display mantel = display(onMantel, "h");
  EXPECT_EQ(mantel.school, DisplaySchool::Mantel);
  EXPECT_NEAR(mantel.width, in(60), 1e-6);
  EXPECT_NEAR(thing(mantel, "p").left, in(7), 1e-6);
  EXPECT_NEAR(thing(mantel, "p").bottom, in(50), 1e-6);
  // Who looks at wall C from the room has its start at the right: x from the left end runs against the plan's x.
  const Scheme& s = *findScheme(onMantel, kDisplayScheme);
  const auto frame = standingFrameOf(PieceIndex(onMantel), roomOf(onMantel, s), s, s.placements.front());
  ASSERT_TRUE(frame);
  EXPECT_NEAR(frame->origin.x, in(100), 1e-6);
  EXPECT_NEAR(frame->origin.y, in(142), 1e-6);
  const Job onSill = put("p", "w");
  EXPECT_NEAR(display(onSill, "w").things.front().bottom, in(30), 1e-6);
  EXPECT_TRUE(faultOf(put("p", "nothing")));
  // A fixed thing that goes takes with it what stands there.
  EXPECT_TRUE(
      findScheme(withoutFeature(onMantel, RoomId("parlour"), FeatureId("h")), kDisplayScheme)->placements.empty());
}
TEST(Seasons, PutAwayWhatIsNotOut) {
  Piece reeds = piece("reeds", "vase", 6, 6, 12);
  reeds.thing.edit().seasons = {"autumn"};
  Job job = on(withCase(emptyRoom()), reeds, "p", "b1", 3, 1);
  EXPECT_EQ(display(job).things.size(), 1u);
  DisplaySet set{"c"};
  set.season = "winter";
  const Job put = withDisplay(job, kDisplayScheme, set);
  EXPECT_TRUE(display(put).things.empty());
  set.season = "autumn";
  const Job out = withDisplay(job, kDisplayScheme, set);
  EXPECT_EQ(display(out).things.size(), 1u);
}
TEST(Thrown, ClosesItsNeighboursUp) {
  Job job = withCase(emptyRoom(), 1, 31.5, 12, 20);  // a bay of 30 in
  job = on(job, piece("a", "box", 10, 8, 6), "pa", "b1", 0, 1);
  job = on(job, piece("b", "box", 10, 8, 6), "pb", "b1", 12, 1);
  const Piece c = piece("d", "box", 9, 8, 6);
  job = withPiece(job, c).value();
  const Job after = withThrown(job, kDisplayScheme, "c", 0, {PlacementId("pc"), c.id, FloorPlace{}, {}}, in(11));
  const Display d = display(after);
  EXPECT_NEAR(thing(d, "pa").left - d.bays[0].left, 0, 1e-6);
  EXPECT_NEAR(thing(d, "pc").left - d.bays[0].left, in(10), 1e-6);
  EXPECT_NEAR(thing(d, "pb").left - d.bays[0].left, in(19), 1e-6);
}
TEST(Thrown, LeavesLockedThingsWhereTheyAre) {
  Job job = withCase(emptyRoom(), 1, 31.5, 12, 20);
  job = on(job, piece("a", "box", 10, 8, 6), "pa", "b1", 10, 1);
  job = withLock(job, kDisplayScheme, PlacementId("pa"), true);
  const Piece c = piece("d", "box", 9, 8, 6);
  job = withPiece(job, c).value();
  const Job after = withThrown(job, kDisplayScheme, "c", 0, {PlacementId("pc"), c.id, FloorPlace{}, {}}, in(12));
  const Display d = display(after);
  EXPECT_NEAR(thing(d, "pa").left - d.bays[0].left, in(10), 1e-6);
  EXPECT_NEAR(thing(d, "pc").left - d.bays[0].left, in(1), 1e-6);
}
TEST(SetDown, ChoosesTheBayItFillsBest) {
  Piece p = piece("case", "bookcase", 36, 12, 60);
  p.surfaces.edit().all = {bay("low", -17, 17, 1, 9), bay("tall", -17, 17, 10, 30)};
  Job job = withPlacement(withPiece(emptyRoom(), p).value(), kDisplayScheme,
                          {PlacementId("c"), p.id, FloorPlace{{in(111), in(6)}, 180}, {}});
  job = withPiece(job, piece("v", "vase", 6, 6, 15)).value();
  job = withPiece(job, piece("small", "box", 8, 6, 6)).value();
  job = withPiece(job, piece("giant", "vase", 6, 6, 25)).value();
  IdSource ids(40);
  const auto surface = [&](const char* id) {
    const auto added = withSetDown(job, kDisplayScheme, "c", PieceId(id), ids);
    return added ? onAnother(findPlacement(*findScheme(added->job, kDisplayScheme), added->placement)->on)->surface
                 : added.error().text();
  };
  EXPECT_EQ(surface("v"), "tall");
  EXPECT_EQ(surface("small"), "low");
  EXPECT_NE(surface("giant").find("34 in wide and 8 in high"), std::string::npos) << surface("giant");
}
TEST(DisplayTapes, MoveTheThingByTheDifference) {
  Job job = on(withCase(emptyRoom()), piece("a", "box", 6, 6, 8), "pa", "b2", 5, 1);
  job = on(job, piece("b", "box", 6, 6, 5), "pb", "b2", 15, 1);
  const Display d = display(job);
  const auto tapes = displayTapes(d, thing(d, "pa"));
  ASSERT_EQ(tapes.size(), 4u);
  EXPECT_NEAR(tapes[0].length, in(5), 1e-6);
  EXPECT_NEAR(tapes[1].length, in(4), 1e-6);
  EXPECT_EQ(tapes[1].hits.id, "pb");
  EXPECT_NEAR(tapes[2].length, in(14.7 - 8), 1e-6);
  EXPECT_NEAR(tapes[3].length, in(1), 1e-6);
  const auto typed = [&](std::size_t tape, double length) {
    const Job moved =
        placed(job, kDisplayScheme, PlacementId("pa"), *placeForTape(d, thing(d, "pa"), tapes[tape], in(length)));
    const Display now = display(moved);
    return displayTapes(now, thing(now, "pa"))[tape].length / kInch;
  };
  EXPECT_NEAR(typed(0, 2), 2, 1e-6);
  EXPECT_NEAR(typed(1, 1), 1, 1e-6);
  EXPECT_NEAR(typed(3, 0), 0, 1e-6);
  EXPECT_FALSE(placeForTape(d, thing(d, "pa"), tapes[2], 0));
}
TEST(Shelves, MoveWithTheBayBelow) {
  const Job job = withCase(emptyRoom());
  const Job after = withShelfAt(job, kDisplayScheme, PlacementId("c"), "b2", in(20)).value();
  const Display d = display(after);
  EXPECT_NEAR(d.bays[1].bottom, in(20), 1e-6);
  EXPECT_NEAR(*d.bays[0].top, in(19.25), 1e-6);
  EXPECT_FALSE(withShelfAt(job, kDisplayScheme, PlacementId("c"), "b2", in(1)));
  EXPECT_FALSE(withShelfAt(job, kDisplayScheme, PlacementId("c"), "b2", in(31)));
  EXPECT_FALSE(withShelfAt(job, kDisplayScheme, PlacementId("c"), "b9", in(20)));
}
TEST(Upright, LeavesThingsWhereTheyStand) {
  Job job = on(withCase(emptyRoom()), piece("a", "box", 6, 6, 8), "pa", "b2", 2, 1);
  job = on(job, piece("b", "box", 6, 6, 8), "pb", "b2", 26, 1);
  const Display before = display(job);
  const Job after = withUpright(job, kDisplayScheme, PlacementId("c"), "b2").value();
  EXPECT_FALSE(faultOf(after));
  const Display d = display(after);
  EXPECT_EQ(d.bays.size(), 6u);
  EXPECT_EQ(d.bays[thing(d, "pb").bay].id, "b2r");
  EXPECT_EQ(d.bays[thing(d, "pa").bay].id, "b2");
  EXPECT_NEAR(thing(d, "pb").left, thing(before, "pb").left, 1e-6);
  EXPECT_NEAR(d.bays[1].width(), in((34.5 - 0.75) / 2), 1e-6);
}
TEST(LostShelf, IsRefusedWhileSomethingStandsThere) {
  const Job job = on(withCase(emptyRoom()), piece("a", "box", 6, 6, 8), "pa", "b2", 2, 1);
  auto surfaces = findPiece(job, PieceId("case"))->surfaces->all;
  surfaces.erase(surfaces.begin() + 1);
  const auto refused = withSurfaces(job, PieceId("case"), surfaces);
  ASSERT_FALSE(refused);
  EXPECT_NE(refused.error().text().find("b2"), std::string::npos);
}
TEST(AThing, OfAKindThatCannotBeOneIsRefused) {
  Piece p = piece("v", "vase", 6, 6, 12);
  p.thing.edit().family = "blue";
  EXPECT_FALSE(faultOf(p));
  p.kind = "sofa";
  ASSERT_TRUE(faultOf(p));
  EXPECT_NE(faultOf(p)->text().find("which a sofa cannot have"), std::string::npos);
  Piece rug = withEqualBays(piece("r", "rug", 60, 40, 60), 3);
  ASSERT_TRUE(faultOf(rug));
}
TEST(Balance, IsOfTheFacesAboutTheMiddle) {
  Job job = on(withCase(emptyRoom()), piece("a", "box", 6, 6, 8), "pa", "b2", 0, 1);
  EXPECT_NEAR(balanceOf(display(job)), (in(0.75 + 3) - in(18)) / in(18), 1e-6);
  job = on(job, piece("b", "box", 6, 6, 8), "pb", "b2", 28.5, 1);
  EXPECT_NEAR(balanceOf(display(job)), 0, 1e-6);
}
TEST(FreeTop, IsTheLargestCircleWithinReach) {
  Job job = with(emptyRoom(), piece("t", "low-table", 48, 24, 17), "c", 100, 60);
  EXPECT_NEAR(largestFreeCircle(display(job), {in(24), in(0)}, in(24)).radius, in(12), 0.2);
  job = on(job, piece("box", "box", 24, 24, 4), "b", "top", 0, 0);
  EXPECT_NEAR(largestFreeCircle(display(job), {in(36), in(0)}, in(24)).radius, in(12), 0.2);
  // Only the corner is in reach: a circle with its middle on the rim of the reach.
  const auto corner = largestFreeCircle(display(job), {in(48), in(-10)}, in(13));
  EXPECT_LE(distance(corner.at, {in(48), in(-10)}), in(13) + 1e-6);
  EXPECT_GT(corner.radius, 0);
  job = on(job, piece("box2", "box", 24, 24, 4), "b2", "top", 24, 0);
  EXPECT_EQ(largestFreeCircle(display(job), {in(36), in(0)}, in(24)).radius, 0);
}
TEST(Missing, NamesTheLargestThingThatFits) {
  Job job = withCase(emptyRoom(), 1, 37.5, 12, 21.5);  // one bay of 36 x 20 in
  job = on(job, piece("books", "books", 16, 7, 14), "p", "b1", 0, 0.5);
  job = withPiece(job, piece("spare", "vase", 6, 6, 14)).value();
  const Display d = display(job);
  const auto missing = missingOf(d, job, *findScheme(job, kDisplayScheme));
  ASSERT_EQ(missing.size(), 1u);
  EXPECT_NEAR(missing[0].height, in(18), 1e-6);
  EXPECT_NEAR(missing[0].width, in(18), 1e-6);
  EXPECT_EQ(missing[0].wouldDo, std::vector{PieceId("spare")});
  job = on(job, piece("more", "books", 15, 7, 14), "q", "b1", 18, 0.5);
  EXPECT_TRUE(missingOf(display(job), job, *findScheme(job, kDisplayScheme)).empty());
}

}  // namespace display_test
}  // namespace mezzet
