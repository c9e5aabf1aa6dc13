// The way in: boxes through doors, round corners, into lifts, stood up.
#include "core/plan/delivery.h"

#include "core/edit/records.h"
#include "support/rooms.h"

#include <gtest/gtest.h>

namespace mezzet {
namespace delivery_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};

DeliveryLeg leg(LegKind kind, double width, std::optional<double> height = {}) {
  DeliveryLeg out;
  out.kind = kind;
  out.width = in(width);
  if (height) out.height = in(*height);
  return out;
}
DeliveryLeg turn(double from, double to, std::optional<double> height = {}) {
  DeliveryLeg out = leg(LegKind::Turn, from, height);
  out.to = in(to);
  return out;
}
/// The sizes with hands and blankets off again, so that a test can say what must pass.
BoxSize carried(double a, double b, double c) {
  const double off = 2 * kCarryRoom;
  return {in(a)-off, in(b)-off, in(c)-off};
}

TEST(Delivery, TheLongestRoundACorner) {
  EXPECT_NEAR(longestRoundCorner(36, 36, 30), 41.823, 5e-4);
  EXPECT_NEAR(longestRoundCorner(66, 32.625, 31), 69.007, 5e-4);
  EXPECT_EQ(longestRoundCorner(36, 36, 36), 0);
  EXPECT_NEAR(tightestTurn(36, 36, 30), 45, 1e-4);
}
TEST(Delivery, AThinThingRoundACornerIsTheLadderOfTheTextbooks) {
  // (a^(2/3) + b^(2/3))^(3/2), the classic of calculus courses.
  for (const auto& [a, b] : {std::pair{8.0, 27.0}, std::pair{1000.0, 1000.0}, std::pair{900.0, 1300.0}})
    EXPECT_NEAR(longestRoundCorner(a, b, 0), std::pow(std::pow(a, 2.0 / 3) + std::pow(b, 2.0 / 3), 1.5),
                1e-6 * (a + b));
}
TEST(Delivery, HandsTakeAnInchEachSide) {
  const LegSlack s = slackAt(turn(66, 32.625), {in(84), in(29), in(70)});
  // As boxes 86 x 31 and 72 high: 86 round this corner is 16.993 short, so it is turned another way where that helps.
  EXPECT_GE(s.slack, in(-16.9931));
  const LegSlack level = slackAt(turn(66, 32.625, 32), {in(84), in(29), in(29)});
  EXPECT_NEAR(level.slack, in(-16.993), in(5e-4));
}
TEST(Delivery, ADoorTakesSomeFace) {
  EXPECT_NEAR(slackAt(leg(LegKind::Door, 32, 80), carried(84, 36, 30)).slack, in(2), 1e-9);
  EXPECT_NEAR(slackAt(leg(LegKind::Door, 32, 35), carried(84, 36, 30)).slack, in(-1), 1e-9);
  const LegSlack onEnd = slackAt(leg(LegKind::Door, 32, 90), carried(84, 36, 30));
  EXPECT_EQ(onEnd.how, Carried::Flat);  // both go: level is carried more easily
}
TEST(Delivery, WhatFitsOnEndAloneIsCarriedOnEnd) {
  const LegSlack s = slackAt(turn(34, 34, 96), carried(80, 30, 30));
  EXPECT_EQ(s.how, Carried::Upright);
  EXPECT_NEAR(s.slack, in(4), 1e-9);
}
TEST(Delivery, TiltedIsShorterInPlan) {
  DeliveryLeg lift = leg(LegKind::Lift, 43, 82);
  lift.depth = in(55);
  EXPECT_LT(slackAt(lift, carried(90, 40, 10)).slack, 0);
  lift.height = in(86);
  const LegSlack tilted = slackAt(lift, carried(90, 40, 10));
  EXPECT_EQ(tilted.how, Carried::Tilted);
  EXPECT_GT(tilted.slack, 0);
  // As it stands there it is no higher and no longer than the lift.
  const double t = tilted.tilt * M_PI / 180;
  EXPECT_LE(tilted.along * std::sin(t) + tilted.up * std::cos(t), in(86));
  EXPECT_LE(tilted.along * std::cos(t) + tilted.up * std::sin(t), in(55));
}
TEST(Delivery, WhatIsAsWideAsACorridorIsNotTurnedThere) {
  // A square bar longer than both corridors: rolled about its length it only gets wider.
  EXPECT_LT(slackAt(turn(66, 32, 40), carried(86, 33, 33)).slack, in(-15));
}
TEST(Delivery, StoodUpItsDiagonalMustClear) {
  DeliveryLeg stand;
  stand.kind = LegKind::Stand;
  stand.height = 2400;
  const double off = 2 * kCarryRoom;
  const LegSlack s = slackAt(stand, {900 - off, 600 - off, 2200 - off});
  EXPECT_NEAR(2400 - s.slack, 2280.35, 5e-3);
  EXPECT_EQ(s.how, Carried::Upright);
  EXPECT_NEAR(slackAt(stand, {2000 - off, 600 - off, 800 - off}).slack, 1600, 1e-9);  // lies as it stands
}
TEST(Delivery, ALiftHoldsItLevelOrOnEnd) {
  DeliveryLeg lift = leg(LegKind::Lift, 43, 82);
  lift.depth = in(55);
  EXPECT_EQ(slackAt(lift, carried(50, 40, 40)).how, Carried::Flat);
  EXPECT_EQ(slackAt(lift, carried(78, 30, 30)).how, Carried::Upright);
  EXPECT_LT(slackAt(lift, carried(120, 30, 30)).slack, 0);
}
TEST(Delivery, SaysWhichLegAndByHowMuch) {
  const std::vector<DeliveryLeg> legs{leg(LegKind::Door, 40, 84), leg(LegKind::Door, 30, 84)};
  const DeliveryAnswer goes = deliver(piece("case", "bookcase", 40, 12, 70), legs, kInches);
  EXPECT_EQ(goes.verdict, CarryVerdict::Goes);
  EXPECT_FALSE(goes.leg.has_value());
  const DeliveryAnswer tight = deliver(piece("chair", "armchair", 27, 33, 60), legs, kInches);
  EXPECT_EQ(tight.verdict, CarryVerdict::Tight);
  EXPECT_EQ(tight.leg, 1u);
  EXPECT_NEAR(*tight.spare, in(1), 1e-9);
  const DeliveryAnswer no = deliver(piece("sofa", "sofa", 84, 36, 33), legs, kInches);
  EXPECT_EQ(no.verdict, CarryVerdict::No);
  EXPECT_EQ(no.leg, 1u);
  EXPECT_NEAR(*no.spare, in(-5), 1e-9);
  EXPECT_NE(no.says.find("Not as a box: measure its diagonal depth."), std::string::npos) << no.says;
  EXPECT_NE(no.says.find("5 in short at the door (leg 2)"), std::string::npos) << no.says;
}
TEST(Delivery, ADiagonalDepthLetsASofaThrough) {
  Piece sofa = piece("sofa", "sofa", 84, 36, 33);
  const std::vector<DeliveryLeg> legs{leg(LegKind::Door, 30, 84)};
  EXPECT_EQ(deliver(sofa, legs, kInches).verdict, CarryVerdict::No);
  sofa.carry.edit().diagonalDepth = in(25);
  const DeliveryAnswer turned = deliver(sofa, legs, kInches);
  EXPECT_EQ(turned.verdict, CarryVerdict::Goes);
  EXPECT_EQ(turned.how, Carried::Tilted);
  EXPECT_NEAR(*turned.spare, in(3), 1e-9);
}
TEST(Delivery, WhatComesApartGoesInParts) {
  Piece wardrobe = piece("case", "cabinet", 60, 24, 84);
  const std::vector<DeliveryLeg> legs{turn(30, 30, 90)};
  EXPECT_EQ(deliver(wardrobe, legs, kInches).verdict, CarryVerdict::No);
  wardrobe.carry.edit().takesApart = {{in(24), in(20), in(24)}, {in(30), in(10), in(20)}};
  const DeliveryAnswer parts = deliver(wardrobe, legs, kInches);
  EXPECT_TRUE(parts.apart);
  EXPECT_EQ(parts.verdict, CarryVerdict::Goes);
  wardrobe.carry.edit().takesApart.push_back({in(84), in(32), in(28)});  // one part that does not
  EXPECT_EQ(deliver(wardrobe, legs, kInches).verdict, CarryVerdict::No);
}
TEST(Delivery, WhatIsNotMeasuredIsNotJudged) {
  Piece table = piece("table", "low-table", 50, 24);
  table.height.reset();
  EXPECT_EQ(deliver(table, {leg(LegKind::Door, 32)}, kInches).verdict, CarryVerdict::NotMeasured);
  EXPECT_EQ(deliver(piece("t", "low-table", 50, 24), {}, kInches).verdict, CarryVerdict::NotMeasured);
}
TEST(Delivery, ALegOfAnotherRoomIsNotPassed) {
  Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36, 33), "p1", 60, 60);
  std::vector<DeliveryLeg> legs{leg(LegKind::Door, 40, 84), leg(LegKind::Door, 20, 84)};
  legs[1].room = "loft";
  job = withLegs(job, legs).value();
  EXPECT_EQ(deliver(job, PieceId("sofa"), kInches).verdict, CarryVerdict::Goes);
  legs[1].room = "parlour";
  job = withLegs(job, legs).value();
  EXPECT_EQ(deliver(job, PieceId("sofa"), kInches).verdict, CarryVerdict::No);
}
TEST(Delivery, WhatStandsInDisplaysIsNotCarried) {
  Job job = with(emptyRoom(), piece("sofa", "sofa", 84, 36, 33), "p1", 60, 60);
  job = withPiece(job, piece("vase", "vase", 6, 6, 14)).value();
  EXPECT_EQ(carriedPieces(job), std::vector{PieceId("sofa")});
}

}  // namespace delivery_test
}  // namespace mezzet
