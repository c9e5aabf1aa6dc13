// Candidates for a place, what their colours tie to, what a scheme costs, a room in areas.
#include <gtest/gtest.h>

#include "core/choose/areas.h"
#include "core/choose/budget.h"
#include "core/choose/candidates.h"
#include "core/edit/choosing.h"
#include "core/geometry/polygon.h"
#include "core/edit/validate.h"
#include "core/sheets/sheet_row.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace choosing_test {
using namespace test;

const SchemeId kS("s1");
const PlacementId kP("p1");

Piece coloured(Piece p, std::vector<ColourShare> colours) {
  p.thing.edit().colours = std::move(colours);
  return p;
}
Job sofaRoom() {
  Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 38, 34), "p1", 111, 131);
  job = withPiece(job, piece("deep", "sofa", 90, 42, 34)).value();
  return withPiece(job, piece("small", "sofa", 60, 34, 34)).value();
}
const Placement& placement(const Job& job, const char* id = "p1") {
  return *findPlacement(scheme(job), PlacementId(id));
}

TEST(Candidates, WhatStandsThereIsAmongThem) {
  const Job job = withCandidate(sofaRoom(), kS, kP, PieceId("deep")).value();
  ASSERT_EQ(placement(job).candidates.size(), 2u);
  EXPECT_EQ(placement(job).candidates[0].piece, PieceId("sofa"));
  EXPECT_EQ(placement(job).candidates[0].state, CandidateState::Chosen);
  EXPECT_EQ(placement(job).candidates[1].state, CandidateState::Open);
  EXPECT_EQ(withCandidate(job, kS, kP, PieceId("deep")).value(), job) << "thought of twice";
  EXPECT_FALSE(withCandidate(job, kS, kP, PieceId("nothing")));
  EXPECT_TRUE(placement(withoutCandidate(job, kS, kP, PieceId("deep"))).candidates.empty());
}
TEST(Candidates, StandWithTheirBacksWhereTheBackWas) {
  // At 131 in with 38 in the back is at 150: the wall. A deeper one stands further out.
  const Job job = withShown(sofaRoom(), builtInRulebook(), kS, kP, PieceId("deep"));
  EXPECT_NEAR(onFloor(placement(job).on)->at.y, in(150 - 21), 1e-9);
  EXPECT_NEAR(onFloor(placement(job).on)->at.x, in(111), 1e-9);
}
TEST(Candidates, ArePutWhereTheWallsRulesTakeThem) {
  Job job = sofaRoom();
  job = hung(job, "print", "a1", 40, 24, 111, 58, "C");
  job.brief.statures = {1680};
  job = withPiece(job, piece("tall", "art", 30, 1, 40)).value();
  const Job shown = withShown(job, builtInRulebook(), kS, PlacementId("a1"), PieceId("tall"));
  // 40 in high over 34 in: gaps of 4 to 12 in put its centre at 58 to 66, the rule of centres allows 57 to 66.
  const WallPlace& on = wallPlace(placement(shown, "a1").on);
  EXPECT_NEAR(on.u, in(111), 1e-9);
  EXPECT_NEAR(on.v, in(62), 1e-6);
}
TEST(Candidates, AreTurnedDownWithAReasonThatStays) {
  Job job = withCandidate(sofaRoom(), kS, kP, PieceId("small")).value();
  EXPECT_FALSE(withCandidateSaid(job, kS, kP, {PieceId("small"), {}, CandidateState::Rejected}));
  EXPECT_FALSE(withCandidateSaid(job, kS, kP, {PieceId("sofa"), {}, CandidateState::Rejected, "no"}))
      << "what stands there";
  job = withCandidateSaid(job, kS, kP, {PieceId("small"), {}, CandidateState::Rejected, "too small", "2026-11-28"})
            .value();
  EXPECT_EQ(placement(job).candidates[1].why, "too small");
  job = withCandidateSaid(job, kS, kP, {PieceId("small"), "light", CandidateState::Open}).value();
  EXPECT_EQ(placement(job).candidates[1].note, "light");
}
TEST(Candidates, ChoosingNotesItAndKeepsTheOtherAsFinalist) {
  Job job = withCandidate(sofaRoom(), kS, kP, PieceId("deep")).value();
  job = withChosen(job, builtInRulebook(), kS, kP, PieceId("deep"), "one sinks in", "2026-11-28").value();
  EXPECT_EQ(placement(job).piece, PieceId("deep"));
  EXPECT_EQ(placement(job).candidates[0].state, CandidateState::Finalist);
  EXPECT_EQ(placement(job).candidates[1].state, CandidateState::Chosen);
  ASSERT_EQ(scheme(job).log.size(), 1u);
  EXPECT_EQ(scheme(job).log[0].text, "Chose Deep: one sinks in");
  EXPECT_FALSE(withChosen(job, builtInRulebook(), kS, kP, PieceId("small"), "", ""));
}
TEST(Candidates, AreJudgedInPlaceAndNeverRanked) {
  Job job = sofaRoom();
  job = with(job, piece("table", "low-table", 48, 24, 17), "p2", 111, 131 - 19 - 16 - 12);
  job = withCandidate(job, kS, kP, PieceId("deep")).value();
  job = withCandidate(job, kS, kP, PieceId("small")).value();
  const auto seen = candidatesSeen(job, builtInRulebook(), kS, kP, usualFormat(Unit::Inch), kEveryDay, {});
  ASSERT_EQ(seen.size(), 3u);
  EXPECT_TRUE(seen[0].shown);
  // The back stays: 4 in more depth are 4 in less before the table, 12 in of 12 to 18.
  ASSERT_FALSE(seen[1].changes.empty());
  EXPECT_NE(seen[1].changes[0].find("12 in, now 16 in"), std::string::npos) << seen[1].changes[0];
  // 4 in less depth leave 20 in to the table: too far.
  EXPECT_TRUE(std::any_of(seen[2].breaks.begin(), seen[2].breaks.end(),
                          [](const Finding& f) { return f.rule == "table-reach"; }));
  EXPECT_EQ(seen[1].size, "90 x 42 in");
}
TEST(Candidates, StayWhileAPlaceThinksOfThem) {
  const Job job = withCandidate(sofaRoom(), kS, kP, PieceId("deep")).value();
  EXPECT_NE(findPiece(withoutPiece(job, PieceId("deep")), PieceId("deep")), nullptr);
  EXPECT_EQ(findPiece(withoutPiece(job, PieceId("small")), PieceId("small")), nullptr);
}
TEST(Candidates, CouldBeWhatGoesThere) {
  Job job = withPiece(sofaRoom(), piece("print", "art", 40, 1, 30)).value();
  EXPECT_EQ(couldBeThere(job, kS, kP), (std::vector<PieceId>{PieceId("deep"), PieceId("small")}));
}

TEST(Ties, EchoNearAndNewByTheirDistance) {
  // Greys differ by their lightness alone: L* 53.6, 58.6, 70.7 of these, by labOf.
  Job job = with(emptyRoom(), coloured(piece("sofa", "sofa", 84, 38, 34), {{"#808080", 1}}), "p1", 111, 131);
  const Piece print =
      coloured(piece("print", "art", 40, 1, 30), {{"#888888", 0.5}, {"#c03020", 0.4}, {"#8c8c8c", 0.04}});
  job = withPiece(job, print).value();
  const Ties ties = tiesOf(job, scheme(job), PlacementId("a1"), print, {});
  ASSERT_EQ(ties.colours.size(), 2u) << "shares under 0.05 are not looked at";
  EXPECT_EQ(ties.colours[0].tie, Tie::Echoes);
  EXPECT_EQ(ties.colours[0].nearest, "p1");
  EXPECT_EQ(ties.colours[1].tie, Tie::New);
  EXPECT_FALSE(ties.foot);
}
TEST(Ties, RepeatingOneThingIsTold) {
  Job job = with(emptyRoom(), coloured(piece("rug", "rug", 84, 60, 0.5), {{"#2040a0", 1}}), "p1", 111, 80);
  const Piece print = coloured(piece("print", "art", 40, 1, 30), {{"#2040a0", 0.75}, {"#ffffff", 0.25}});
  const Ties ties = tiesOf(job, scheme(job), PlacementId("a1"), print, {});
  ASSERT_EQ(ties.says.size(), 1u);
  EXPECT_EQ(ties.says[0], "75 % of it repeats the rug.");
}
TEST(Ties, WallsCountAndADarkFootIsProposed) {
  Job job = emptyRoom();
  Room room = *job.rooms.front();
  room.corners[0].colour = "#f0f0e8";
  job = withRoom(job, room).value();
  Piece print = piece("print", "art", 40, 1, 30);
  print.image = std::string(64, 'a') + ".png";
  // Upper two thirds white, the lower third black.
  std::vector<std::array<double, 3>> pixels(9 * 9, {1, 1, 1});
  for (std::size_t i = 54; i < 81; ++i) pixels[i] = {0, 0, 0};
  const PicturesByName pictures{{print.image, coloursOfPicture(pixels, 9)}};
  EXPECT_NEAR(*pictures.begin()->second.footLightness, 0, 1e-9);
  const Ties ties = tiesOf(job, scheme(job), PlacementId("a1"), print, pictures);
  EXPECT_EQ(ties.foot, Foot::Dark);
  ASSERT_EQ(ties.colours.size(), 2u);
  EXPECT_NEAR(ties.colours[0].share, 2.0 / 3, 1e-9);
  EXPECT_EQ(ties.colours[0].nearest, "wall:A");
  EXPECT_EQ(ties.colours[0].tie, Tie::Echoes);
}

Job pricedRoom() {
  Job job = sofaRoom();
  const auto priced = [&](const char* id, double price, Phase phase, Tier tier) {
    Piece p = *findPiece(job, PieceId(id));
    p.shop.edit().price = price;
    p.shop.edit().phase = phase;
    p.shop.edit().tier = tier;
    job = withPiece(job, p).value();
  };
  priced("sofa", 2400, Phase::Now, Tier::Simple);
  job = with(job, piece("chair", "armchair", 30, 32, 34), "p2", 60, 60);
  job = with(job, *findPiece(job, PieceId("chair")), "p3", 160, 60);
  priced("chair", 310.5, Phase::Later, Tier::Full);
  Piece lamp = piece("lamp", "floor-lamp", 14, 14, 60);
  lamp.shop.edit().owned = true;
  job = with(job, lamp, "p4", 20, 20);
  job = with(job, piece("side", "side-table", 18, 18, 22), "p5", 30, 60);
  job.budget = {"kroner", 12.0, 80.0, {}};
  job.brief.budgetSimple = 3000;
  job.brief.budgetFull = 4500;
  return job;
}
TEST(Budget, IsSummedByTierAndPhase) {
  const Budget budget = budgetOf(pricedRoom(), builtInRulebook(), kS);
  // By hand: sofa 2400, two chairs 621 later and in the fuller one only, 12 hours at 80.
  EXPECT_DOUBLE_EQ(budget.sums.simple, 2400 + 960);
  EXPECT_DOUBLE_EQ(budget.sums.full, 2400 + 621 + 960);
  EXPECT_DOUBLE_EQ(budget.sums.now, 2400 + 960);
  EXPECT_DOUBLE_EQ(budget.sums.later, 621);
  EXPECT_EQ(budget.noPrice, (std::vector<std::string>{"Side"}));
  EXPECT_EQ(budget.owned, 1);
  EXPECT_DOUBLE_EQ(*budget.leftSimple, -360);
  EXPECT_DOUBLE_EQ(*budget.leftFull, 4500 - 3981);
}
TEST(Budget, CountsHoursOnceForTheHouse) {
  Job job = pricedRoom();
  Room other = *job.rooms.front();
  other.id = RoomId("study");
  job = withRoom(job, other).value();
  Scheme second{SchemeId("s2"), other.id, "A", {}, {}, {}};
  second.placements = {{PlacementId("q1"), PieceId("sofa"), FloorPlace{{in(111), in(131)}, 0}, {}}};
  job = withScheme(job, second);
  const HouseBudget house = houseBudget(job, builtInRulebook(), {kS, second.id});
  EXPECT_DOUBLE_EQ(house.sums.full, 3021 + 2400 + 960);
  EXPECT_DOUBLE_EQ(house.hours, 960);
}
TEST(Budget, WritesMoneyInThousands) {
  EXPECT_EQ(moneyText(1234567), "1,234,567");
  EXPECT_EQ(moneyText(1240.5), "1,240.50");
  EXPECT_EQ(moneyText(0.05), "0.05");
  EXPECT_EQ(moneyText(-80), "-80");
  EXPECT_EQ(moneyText(999.999), "1,000");
}
TEST(Budget, RefusesWhatIsNoAmount) {
  EXPECT_FALSE(withBudget(emptyRoom(), {"", -1.0, {}, {}}));
  EXPECT_FALSE(withBudget(emptyRoom(), {"", {}, {}, {{"board, 8 ft", -2}}}));
}

TEST(TakenOut, IsNotToBuildFromUntilAnEngineerSigned) {
  Job job = withTakenOut(emptyRoom(), kS, {"wall:C"}).value();
  EXPECT_EQ(unsignedIn(scheme(job)), (std::vector<std::string>{"wall:C"}));
  const SheetRequest request{findPaper("letter"), 48, usualFormat(Unit::Inch), "2026-11-28"};
  const auto texts = [&] {
    const auto sheet = composeSheet(job, *job.rooms.front(), &scheme(job), {&planSheetRow(), {}}, request);
    std::string all;
    for (const Item& item : sheet->drawing.items)
      if (const auto* text = std::get_if<TextItem>(&item.shape)) all += text->text + "\n";
    return all;
  };
  EXPECT_NE(texts().find("NOT TO BUILD FROM"), std::string::npos);
  job = withTakenOut(job, kS, {"wall:C", "A. Signer", "2026-11-28"}).value();
  EXPECT_TRUE(unsignedIn(scheme(job)).empty());
  EXPECT_EQ(texts().find("NOT TO BUILD FROM"), std::string::npos);
  EXPECT_TRUE(scheme(withoutTakenOut(job, kS, "wall:C")).takesOut.empty());
}

double areaOf(const std::vector<RoomArea>& all) {
  double out = 0;
  for (const RoomArea& a : all) out += signedArea(a.outline);
  return out;
}
TEST(Areas, AreOfferedForALongRoomOnly) {
  IdSource ids(1);
  EXPECT_TRUE(areasOffered(emptyRoom(200, 100), kS, ids).empty());
  const Job job = emptyRoom(300, 100);
  EXPECT_NEAR(lengthOverWidth(*job.rooms.front()), 3, 1e-9);
  const auto offered = areasOffered(job, kS, ids);
  ASSERT_EQ(offered.size(), 2u);
  EXPECT_EQ(offered[0].size(), 2u);
  EXPECT_EQ(offered[1].size(), 3u);
  for (const auto& areas : offered) EXPECT_NEAR(areaOf(areas), in(300) * in(100), 1) << "they cover the room";
}
TEST(Areas, PartBetweenThingsAndAreForWhatStandsInThem) {
  Job job = emptyRoom(372, 138);
  job = with(job, piece("sofa", "sofa", 84, 38, 34), "p1", 60, 119);
  job = with(job, piece("easy", "armchair", 30, 32, 34), "p2", 120, 60, 270);  // over a third of the length
  job = with(job, piece("dine", "dining-table", 66, 36, 30), "p3", 235, 70);   // over two thirds
  job = with(job, piece("desk", "desk", 44, 22, 29), "p4", 340, 127);
  IdSource ids(1);
  const auto offered = areasOffered(job, kS, ids);
  ASSERT_EQ(offered.size(), 2u);
  ASSERT_EQ(offered[1].size(), 3u);
  EXPECT_EQ(offered[1][0].use, AreaUse::Sitting);
  EXPECT_EQ(offered[1][1].use, AreaUse::Dining);
  EXPECT_EQ(offered[1][2].use, AreaUse::Work);
  // 124 would cut the chair, which ends at 136; 248 the table, which ends at 268.
  const auto right = [](const RoomArea& area) {
    double x = 0;
    for (const Vec2 v : area.outline) x = std::max(x, v.x);
    return x;
  };
  EXPECT_GE(right(offered[1][0]), in(136) - 1);
  EXPECT_LE(right(offered[1][0]), in(202) + 1);
  EXPECT_GE(right(offered[1][1]), in(268) - 1);
  EXPECT_NEAR(areaOf(offered[1]), in(372) * in(138), 1);
}
TEST(Areas, OfAnLFollowItsWalls) {
  Job job;
  Room room;
  room.id = RoomId("parlour");
  room.ceilingHeight = in(96);
  room.corners = corners({{0, 0}, {400, 0}, {400, 100}, {200, 100}, {200, 160}, {0, 160}});
  job = withScheme(withRoom(job, room).value(), Scheme{kS, room.id, "A", {}, {}, {}});
  IdSource ids(1);
  const auto offered = areasOffered(job, kS, ids);
  ASSERT_EQ(offered.size(), 2u);
  EXPECT_NEAR(areaOf(offered[1]), in(400) * in(100) + in(200) * in(60), 2);
  EXPECT_TRUE(withAreas(job, kS, offered[1]));
}
TEST(Areas, AreFoundFromGroupsAndTables) {
  Job job = emptyRoom(400, 150);
  job = with(job, piece("sofa", "sofa", 84, 38, 34), "p1", 70, 130);
  job = with(job, piece("low", "low-table", 48, 24, 17), "p2", 70, 83);
  job = with(job, piece("easy", "armchair", 30, 32, 34), "p3", 70, 40, 180);
  job = with(job, piece("dine", "dining-table", 72, 36, 30), "p4", 300, 75);
  job = with(job, piece("chair", "chair", 18, 20, 34), "p5", 300, 105, 0);
  IdSource ids(1);
  const auto areas = areasFound(job, kS, ids);
  ASSERT_EQ(areas.size(), 2u);
  EXPECT_EQ(areas[0].use, AreaUse::Sitting);
  EXPECT_TRUE(contains(areas[0].outline, {in(70), in(83)}));
  EXPECT_EQ(areas[1].use, AreaUse::Dining);
  EXPECT_FALSE(contains(areas[1].outline, {in(70), in(83)}));
  const Job with_ = withAreas(job, kS, areas).value();
  EXPECT_FALSE(faultOf(with_));
  const auto seen = areasSeen(with_, kS, usualFormat(Unit::Inch));
  ASSERT_EQ(seen.size(), 2u);
  EXPECT_EQ(seen[0].wall, CornerId("C"));
  EXPECT_EQ(seen[0].says[1], "No rug of its own yet.");
  const auto more = areaRound(with_, kS, {PlacementId("p4")}, ids);
  EXPECT_FALSE(more && signedArea(more->outline) > in(10) * in(10)) << "clear of the area that is there";
}
TEST(Areas, DrawnOnesStayInsideAndClearOfOthers) {
  Job job = emptyRoom(200, 150);
  IdSource ids(1);
  const auto first = areaDrawn(job, kS, {in(120), in(90)}, {in(-50), in(-50)}, ids);
  ASSERT_TRUE(first);
  EXPECT_NEAR(signedArea(first->outline), in(120) * in(90), 1) << "cut at the walls";
  job = withAreas(job, kS, {*first}).value();
  const auto second = areaDrawn(job, kS, {in(100), 0}, {in(200), in(90)}, ids);
  ASSERT_TRUE(second);
  EXPECT_NEAR(signedArea(second->outline), in(80) * in(90), 1) << "without what is the first one's";
  EXPECT_FALSE(areaDrawn(job, kS, {in(10), in(10)}, {in(60), in(60)}, ids)) << "all of it is taken";
  EXPECT_FALSE(areaDrawn(job, kS, {in(150), in(100)}, {in(158), in(140)}, ids)) << "less than a foot";
}
TEST(Areas, AreSoundOrRefused) {
  const Polygon bow{{0, 0}, {1000, 1000}, {1000, 0}, {0, 1000}};
  EXPECT_FALSE(withAreas(emptyRoom(), kS, {{AreaId("a1"), AreaUse::Work, bow}}));
  EXPECT_FALSE(withAreas(emptyRoom(), kS, {{AreaId("a1"), AreaUse::Work, {{0, 0}, {0, 900}, {900, 900}}}}))
      << "clockwise";
}

}  // namespace choosing_test
}  // namespace mezzet
