// Hooks: worked figures of drops, wires, moments, guessed weights, and what is said where something is missing.
#include "core/hang/hooks.h"

#include <gtest/gtest.h>

#include "core/hang/fixings.h"
#include "io/json/fixings_json.h"
#include "io/json/rulebook_json.h"
#include "support/findings.h"
#include "support/rooms.h"

namespace mezzet {
namespace hooks_test {
using namespace test;

constexpr LengthFormat kInches{LengthStyle::Inches, 16};

/// Rings 20 in apart and 6 in down, on a wire.
Piece onWire(double wire) {
  Piece p = piece("a", "art", 30, 1, 30);
  HangerPart& h = p.hanger.edit();
  h.kind = HangerKind::Wire;
  h.hooks = 1;
  h.rings = in(20);
  h.ringDrop = in(6);
  h.wire = in(wire);
  return p;
}
Piece withDrop(double width, double height, double drop) {
  Piece p = piece("a", "art", width, 1, height);
  p.hanger.edit().drop = in(drop);
  p.hanger.edit().hooks = 1;
  return p;
}

TEST(Wire, OfTwentyFourInchesShowsItsHook) {
  const HooksFound found = hooksOf(onWire(24), HookSchool::One, kInches);
  ASSERT_TRUE(found.hooks);
  EXPECT_NEAR(found.hooks->drop / kInch, -0.633, 5e-4);
  ASSERT_EQ(found.hooks->says.size(), 1U);
  EXPECT_TRUE(found.hooks->says[0].starts_with("The hook shows"));
}
TEST(Wire, OfTwentyTwoInchesHidesItAndPullsHarder) {
  const HooksFound found = hooksOf(onWire(22), HookSchool::One, kInches);
  ASSERT_TRUE(found.hooks);
  EXPECT_NEAR(found.hooks->drop / kInch, 1.417, 5e-4);
  EXPECT_NEAR(57 + 15 - found.hooks->drop / kInch, 70.583, 5e-4);
  EXPECT_NEAR(*found.hooks->wireDegrees, 24.6, 0.05);
  EXPECT_NEAR(wireTension(1, *found.hooks->wireDegrees), 1.20, 5e-3);
  EXPECT_EQ(found.hooks->says, std::vector<std::string>{"The wire pulls with 120 % of the load: rate it for that."});
}
TEST(Wire, NoLongerThanItsRingsAreApartIsRefused) {
  for (const double wire : {20.0, 12.0}) {
    const HooksFound found = hooksOf(onWire(wire), HookSchool::One, kInches);
    EXPECT_FALSE(found.hooks);
    EXPECT_EQ(found.fault,
              "the wire: is no longer than its rings are apart. Measure it from ring to ring, along the wire");
  }
}
TEST(Wire, HardlyLongerThanItsRingsIsADanger) {
  const HooksFound found = hooksOf(onWire(20.2), HookSchool::One, kInches);
  ASSERT_TRUE(found.hooks);
  EXPECT_LT(*found.hooks->wireDegrees, kFlatWire);
  EXPECT_TRUE(found.hooks->says.back().starts_with("The wire is dangerously flat"));
}
TEST(Wire, OnTwoHooksThatAreFurtherApartThanItsRingsIsRefused) {
  Piece p = onWire(24);
  p.hanger.edit().hooks = 2;
  p.hanger.edit().hookSpread = in(22);
  EXPECT_FALSE(hooksOf(p, HookSchool::One, kInches).hooks);
}

TEST(Hook, HangsByItsDropBelowTheTop) {
  const HooksFound found = hooksOf(withDrop(24, 30, 3), HookSchool::One, kInches);
  ASSERT_TRUE(found.hooks);
  EXPECT_NEAR(57 + 15 - found.hooks->drop / kInch, 69, 1e-9);
  EXPECT_EQ(found.hooks->across, std::vector<double>{0});
}
TEST(Hook, AtTheEdgeOfShowing) {
  EXPECT_TRUE(hooksOf(withDrop(24, 30, 0.5), HookSchool::One, kInches).hooks->says.empty());
  EXPECT_FALSE(hooksOf(withDrop(24, 30, 0.49), HookSchool::One, kInches).hooks->says.empty());
}
TEST(Hook, ThatIsNotMeasuredIsAskedForWithWhatIsUsual) {
  Piece p = piece("a", "art", 12, 1, 12);
  HooksFound found = hooksOf(p, HookSchool::Two, kInches);
  EXPECT_FALSE(found.hooks);
  ASSERT_EQ(found.missing.size(), 2U);
  EXPECT_EQ(found.missing[0].key, "frame.hanger.kind");
  EXPECT_EQ(found.missing[1].key, "frame.hanger.drop");
  EXPECT_FALSE(found.missing[1].usual);
  p.hanger.edit().kind = HangerKind::Wire;
  found = hooksOf(p, HookSchool::Two, kInches);
  EXPECT_FALSE(found.hooks);  // offered, never taken
  ASSERT_EQ(found.missing.size(), 1U);
  EXPECT_EQ(found.missing[0].usual, in(3));
}
TEST(Hook, OutsideTheFrameIsSaid) {
  Piece p = withDrop(12, 12, 20);
  EXPECT_FALSE(hooksOf(p, HookSchool::One, kInches).fault.empty());
  p = withDrop(12, 12, 1);
  p.hanger.edit().hooks = 2;
  p.hanger.edit().hookSpread = in(13);
  EXPECT_FALSE(hooksOf(p, HookSchool::One, kInches).fault.empty());
}
TEST(TwoHooks, AreAskedFromAWidthOrAWeightOn) {
  Piece p = piece("a", "art", 23.99, 1, 10);
  EXPECT_FALSE(asksTwoHooks(p));
  p.width = in(24);
  EXPECT_TRUE(asksTwoHooks(p));
  p.width = in(10);
  p.shop.edit().weight = 20 * kPound;
  EXPECT_TRUE(asksTwoHooks(p));
  p.shop.edit().weight = 19.9 * kPound;
  EXPECT_FALSE(asksTwoHooks(p));
}
TEST(TwoHooks, AreNeverOfWhatBearsOnOneAlone) {
  Piece p = piece("a", "art", 40, 1, 10);
  for (const auto& [kind, hooks] : {std::pair(HangerKind::Wire, 2),
                                    {HangerKind::Sawtooth, 1},
                                    {HangerKind::Ring, 1},
                                    {HangerKind::Rings, 2},
                                    {HangerKind::Cleat, 2},
                                    {HangerKind::Keyhole, 2}}) {
    p.hanger.edit().kind = kind;
    EXPECT_EQ(hookCount(p, HookSchool::Two), hooks);
  }
  p.hanger.edit().kind = HangerKind::Wire;
  EXPECT_EQ(hookCount(p, HookSchool::One), 1);
}
TEST(TwoHooks, OfTwoRingsStandAsTheRingsDo) {
  Piece p = piece("a", "art", 40, 1, 30);
  p.hanger.edit().kind = HangerKind::Rings;
  p.hanger.edit().rings = in(28);
  p.hanger.edit().drop = in(2);
  p.hanger.edit().offset = in(1);
  const HooksFound found = hooksOf(p, HookSchool::One, kInches);
  ASSERT_TRUE(found.hooks);
  ASSERT_EQ(found.hooks->across.size(), 2U);
  EXPECT_NEAR(found.hooks->across[0], in(-13), 1e-9);
  EXPECT_NEAR(found.hooks->across[1], in(15), 1e-9);
}
TEST(Moments, ShareALoadByHowFarItsMiddleIs) {
  const HookLoads loads = hookLoads(20, 0.2, 0.8, 0.4);
  EXPECT_NEAR(loads.left, 13.333, 5e-4);
  EXPECT_NEAR(loads.right, 6.667, 5e-4);
  EXPECT_NEAR(hookLoads(20, 0.2, 0.8, 0.9).left, -20 / 6.0, 1e-9);  // it lifts off
}
TEST(Weight, IsGuessedByKindAndSizeAndSaidSo) {
  Piece p = piece("a", "art", 100, 1, 100);
  p.width = 1000;
  p.height = 500;
  EXPECT_NEAR(weightOf(p)->kg, 4, 1e-9);
  EXPECT_TRUE(weightOf(p)->guess);
  p.frame.edit().glazed = true;
  EXPECT_NEAR(weightOf(p)->kg, 6, 1e-9);
  p.shop.edit().weight = 5.5;
  EXPECT_FALSE(weightOf(p)->guess);
  Piece m = piece("m", "mirror", 100, 1, 100);
  m.width = 1000;
  m.height = 500;
  EXPECT_NEAR(weightOf(m)->kg, 2.5 * 4 * 0.5 + 3 * 3, 1e-9);
  EXPECT_FALSE(weightOf(piece("t", "textile", 40, 1, 40)));
}

TEST(Fixings, AnswerForTwiceTheLoadTheLightestFirst) {
  const auto& all = builtInRulebook().fixings;
  FixingQuestion q{4, WallMaterial::BoardOnStuds, StudVerdict::Between, false, false};
  const FixingAnswer a = fixingsFor(all, q, Unit::Inch);
  ASSERT_FALSE(a.fit.empty());
  for (std::size_t i = 0; i < a.fit.size(); ++i) {
    EXPECT_GE(a.fit[i]->bears(), 8);
    EXPECT_GE(a.fit[i]->bears(), a.fit[i > 0 ? i - 1 : 0]->bears());
    EXPECT_FALSE(a.fit[i]->stud);
  }
  EXPECT_EQ(a.fit.size() + a.refused.size(), all.size());
  for (const auto& [fixing, why] : a.refused) EXPECT_FALSE(why.empty()) << fixing->id;
}
TEST(Fixings, OfAnUltimateLoadAQuarterCounts) {
  Fixing f;
  f.walls = {WallMaterial::Brick};
  f.kg = 40;
  f.ultimate = true;
  EXPECT_EQ(f.bears(), 10);
  EXPECT_EQ(fixingsFor({f}, {5, WallMaterial::Brick}, Unit::Millimetre).fit.size(), 1U);
  const FixingAnswer no = fixingsFor({f}, {5.1, WallMaterial::Brick}, Unit::Millimetre);
  ASSERT_EQ(no.refused.size(), 1U);
  EXPECT_EQ(no.refused[0].second, "bears 10 kg, 10 kg are asked");
}
TEST(Fixings, InAStudForATenantAndOverASeat) {
  const auto& all = builtInRulebook().fixings;
  const auto first = [&](FixingQuestion q) {
    const FixingAnswer a = fixingsFor(all, q, Unit::Inch);
    return a.fit.empty() ? std::string() : a.fit.front()->id;
  };
  EXPECT_EQ(first({0.5, WallMaterial::BoardOnStuds, StudVerdict::In, false, true}), "strips");
  EXPECT_EQ(first({18, WallMaterial::BoardOnStuds, StudVerdict::In, false, false}), "stud-screw");
  EXPECT_EQ(first({2, WallMaterial::BoardOnStuds, StudVerdict::Between, true, false}), "board-anchor");
  EXPECT_EQ(first({1, WallMaterial::Unknown, StudVerdict::Unknown, false, false}), "");
}
TEST(Fixings, OfAWrongFileAreRefused) {
  EXPECT_FALSE(readFixings("[]", "f.json"));
  EXPECT_FALSE(readFixings(
      R"({"source":"x","fixings":[{"id":"a","words":"a","walls":["glass"],"kg":1,"ultimate":false,"stud":false,"captive":false,"hole":0,"tool":"","pilot":0}]})",
      "f.json"));
  EXPECT_FALSE(readFixings(
      R"({"source":"x","fixings":[{"id":"a","words":"a","walls":["brick"],"kg":0,"ultimate":false,"stud":false,"captive":false,"hole":0,"tool":"","pilot":0}]})",
      "f.json"));
}

TEST(HookCount, AsksByTheSchoolOfTheHouse) {
  const auto verdict = [](const char* school, int hooks, double width) -> std::optional<Verdict> {
    Job job = hung(emptyRoom(), "art1", "p1", width, 20, 100, 60);
    Piece p = *findPiece(job, PieceId("art1"));
    p.hanger.edit().hooks = hooks;
    job = withSchool(withPiece(job, p).value(), "hook-count", school);
    const auto all = check(job, builtInRulebook(), SchemeId("s1"), kInches, kEveryDay);
    const Finding* f = findingIn(all, "hook-count:p1");
    return f != nullptr ? std::optional(f->verdict) : std::nullopt;
  };
  EXPECT_EQ(verdict("b", 1, 24), Verdict::Breaks);
  EXPECT_EQ(verdict("b", 2, 24), Verdict::Holds);
  EXPECT_EQ(verdict("b", 1, 20), std::nullopt);
  EXPECT_EQ(verdict("a", 1, 40), Verdict::Holds);
  EXPECT_EQ(verdict("a", 2, 40), Verdict::Breaks);
}

}  // namespace hooks_test
}  // namespace mezzet
