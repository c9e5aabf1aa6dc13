#include "core/edit/heights.h"
#include "core/site/heights.h"

#include <gtest/gtest.h>

#include "core/space/tapes.h"
#include "core/rules/check.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

namespace mezzet {
namespace heights_test {

using test::in;
const LengthFormat kInches = usualFormat(Unit::Inch);
const RoomId kRoom("parlour");

HeightReading height(const char* id, HeightKind kind, double x, double y, double inches, double u95 = 0.125) {
  HeightReading h{ReadingId(id), kind, {in(x), in(y)}, {}};
  h.taken.value = in(inches);
  h.taken.u95 = in(u95);
  return h;
}
Job read(Job job, std::initializer_list<HeightReading> heights) {
  for (const HeightReading& h : heights) job = withHeight(job, kRoom, h).value();
  return job;
}
const Room& room(const Job& job) { return *job.rooms.front(); }
constexpr HeightKind kClear = HeightKind::Clear, kFloor = HeightKind::ToFloor, kUp = HeightKind::ToCeiling;

TEST(Heights, WithoutReadingsAreTheTypedCeiling) {
  const RoomHeights h = heightsOf(room(test::emptyRoom()));
  EXPECT_TRUE(h.level());
  EXPECT_EQ(h.clearAt({1000, 1000}), in(96));
}
TEST(Heights, OfAFlatCeilingAreTheirMean) {
  const Job job =
      read(test::emptyRoom(), {height("a", kClear, 10, 10, 98, 0.25), height("b", kClear, 200, 10, 98.125, 0.25),
                               height("c", kClear, 200, 140, 98.25, 0.25)});
  EXPECT_NEAR(room(job).ceilingHeight, in(98.125), 1e-6);
  const HeightReport report = heightReport(room(job), kInches);
  ASSERT_EQ(report.rows.size(), 3U);
  EXPECT_NEAR(report.rows[0].residual, in(0.125), 1e-6);
  EXPECT_TRUE(report.fits);
}
TEST(Heights, OfASlopeThatWasTakenForFlatSayTakeItAsSloped) {
  // Falls 30 in over the width: 98 at x = 0, 68 at x = 222.
  const auto at = [](double x) { return 98 - 30 * x / 222; };
  Job job = read(test::emptyRoom(), {height("a", kClear, 0, 10, at(0)), height("b", kClear, 111, 140, at(111)),
                                     height("c", kClear, 222, 10, at(222)), height("d", kClear, 60, 75, at(60))});
  HeightReport report = heightReport(room(job), kInches);
  EXPECT_FALSE(report.fits);
  ASSERT_EQ(report.sentences.size(), 1U);
  EXPECT_EQ(report.sentences[0].substr(0, 27), "The ceiling is not flat: a ");
  EXPECT_NE(report.sentences[0].find("Take it as sloped."), std::string::npos);
  job = withCeilingShape(job, kRoom, CeilingShape::Sloped).value();
  report = heightReport(room(job), kInches);
  EXPECT_TRUE(report.fits);
  EXPECT_EQ(report.sentences[0], "The ceiling slopes at 8 degrees.");
  const RoomHeights h = heightsOf(room(job));
  EXPECT_NEAR(h.clearAt({in(222), in(75)}), in(68), 1e-6);
  EXPECT_EQ(ceilingWords(room(job), kInches), "Ceiling 68 to 98 in");
}
TEST(Heights, OfASlopeNeedThreePointsNotInOneLine) {
  Job job = withCeilingShape(test::emptyRoom(), kRoom, CeilingShape::Sloped).value();
  job =
      read(job, {height("a", kClear, 10, 10, 98), height("b", kClear, 100, 10, 90), height("c", kClear, 200, 10, 80)});
  EXPECT_NE(heightReport(room(job), kInches).sentences[0].find("three points that are not in one line are needed"),
            std::string::npos);
}
TEST(Heights, FloorFallsAgainstALevelLine) {
  // The line is 40 in over the floor at A, and 40.75 at the far side: the floor falls 3/4 in.
  const Job job = read(test::emptyRoom(), {height("a", kFloor, 0, 0, 40), height("b", kFloor, 222, 0, 40.75),
                                           height("c", kFloor, 0, 150, 40), height("d", kUp, 111, 75, 56)});
  const RoomHeights h = heightsOf(room(job));
  EXPECT_NEAR(h.floorAt({0, 0}), 0, 1e-9);
  EXPECT_NEAR(h.floorAt({in(222), 0}), -in(0.75), 1e-6);
  EXPECT_NEAR(h.ceilingAt({0, 0}), in(96), 1e-6);
  EXPECT_NEAR(h.clearAt({in(222), in(75)}), in(96.75), 1e-6);
  EXPECT_EQ(heightReport(room(job), kInches).sentences[0], "The floor falls 3/4 in across the room.");
}
TEST(Heights, UpFromALineThatHangsInTheAirWait) {
  const Job job = read(test::emptyRoom(), {height("a", kUp, 10, 10, 56)});
  EXPECT_EQ(room(job).ceilingHeight, in(96));
  EXPECT_EQ(heightReport(room(job), kInches).sentences[0],
            "What was read up from the level line waits until the floor is read down from it.");
}
TEST(Heights, OfASteppedCeilingBelongToTheirPart) {
  Job job =
      withCeilingArea(test::emptyRoom(), kRoom,
                      {CeilingId("c1"), {{0, 0}, {in(60), 0}, {in(60), in(150)}, {0, in(150)}}, CeilingShape::Flat})
          .value();
  job = read(job, {height("a", kClear, 30, 75, 84), height("b", kClear, 150, 75, 98)});
  const RoomHeights h = heightsOf(room(job));
  EXPECT_NEAR(h.clearAt({in(30), in(20)}), in(84), 1e-6);
  EXPECT_NEAR(h.clearAt({in(100), in(20)}), in(98), 1e-6);
  // Wall A runs under both: seen from inside, its start is at the right.
  const auto profile = ceilingProfile(room(job), h, *findWall(room(job), CornerId("A")));
  ASSERT_EQ(profile.size(), 4U);
  EXPECT_NEAR(profile[0].y, in(98), 1e-6);
  EXPECT_NEAR(profile[1].x, in(222 - 60), 1e-6);
  EXPECT_NEAR(profile[2].y, in(84), 1e-6);
  EXPECT_NEAR(profile[3].x, in(222), 1e-6);
}
TEST(Heights, ACeilingBelowTheFloorIsRefused) {
  Job job = withCeilingShape(test::emptyRoom(), kRoom, CeilingShape::Sloped).value();
  job = read(job, {height("a", kClear, 10, 10, 98), height("b", kClear, 10, 140, 98)});
  const auto after = withHeight(job, kRoom, height("c", kClear, 60, 75, 20));
  ASSERT_FALSE(after);
  EXPECT_EQ(after.error().text(),
            "Parlour: would have its ceiling below its floor at one corner. Check the figures, and at which point each "
            "was taken");
}
TEST(Heights, OneThatIsOffIsFound) {
  Job job = withCeilingShape(test::emptyRoom(), kRoom, CeilingShape::Sloped).value();
  job = read(job, {height("a", kClear, 10, 10, 98), height("b", kClear, 210, 10, 90), height("c", kClear, 10, 140, 98),
                   height("d", kClear, 210, 140, 90), height("e", kClear, 110, 75, 97)});
  const HeightReport report = heightReport(room(job), kInches);
  EXPECT_FALSE(report.fits);
  const auto worst = std::max_element(
      report.rows.begin(), report.rows.end(),
      [](const HeightRow& a, const HeightRow& b) { return std::abs(a.residual) < std::abs(b.residual); });
  EXPECT_EQ(worst->reading, ReadingId("e"));
}

// ---- later heights stand on them
Job slopingFloor() {
  return read(test::emptyRoom(),
              {height("a", kFloor, 0, 0, 40), height("b", kFloor, 222, 0, 42), height("c", kFloor, 0, 150, 40),
               height("d", kUp, 0, 0, 56), height("e", kUp, 222, 0, 56)});
}
TEST(LocalHeights, APicturesCentreCountsFromTheFloorBelowIt) {
  // On wall A at u = 0 the floor lies 2 in below the datum.
  const Job job = test::hung(slopingFloor(), "art", "p1", 20, 20, 20, 57);
  const auto findings = check(job, builtInRulebook(), SchemeId("s1"), kInches, kEveryDay);
  const auto centre =
      std::find_if(findings.begin(), findings.end(), [](const Finding& f) { return f.rule == "art-centre"; });
  ASSERT_NE(centre, findings.end());
  EXPECT_NEAR(centre->measured, in(57 + 2 * 202.0 / 222), 1e-6);
}
TEST(LocalHeights, TapesRunToTheLocalFloorAndCeiling) {
  const Job job = test::hung(slopingFloor(), "art", "p1", 20, 20, 20, 57);
  EXPECT_NEAR(tapeOf(job, test::scheme(job), PlacementId("p1"), Side::Down)->length, in(47 + 2 * 202.0 / 222), 0.02);
  EXPECT_NEAR(tapeOf(job, test::scheme(job), PlacementId("p1"), Side::Up)->length, in(96 - 67), 0.02);
}
TEST(LocalHeights, AFrameIntoASlopeIsOutsideTheRoom) {
  Job job = withCeilingShape(test::emptyRoom(), kRoom, CeilingShape::Sloped).value();
  // Wall B is at x = 222; the ceiling comes down to 40 in there.
  job = read(job, {height("a", kClear, 0, 0, 96), height("b", kClear, 0, 150, 96), height("c", kClear, 222, 75, 40)});
  job = test::hung(job, "art", "p1", 20, 20, 75, 60, "B");
  const auto findings = check(job, builtInRulebook(), SchemeId("s1"), kInches, kEveryDay);
  const auto outside =
      std::find_if(findings.begin(), findings.end(), [](const Finding& f) { return f.rule == "outside-room"; });
  ASSERT_NE(outside, findings.end());
  EXPECT_EQ(outside->verdict, Verdict::Breaks);
  EXPECT_NE(outside->sentence.find("the ceiling"), std::string::npos);
}

}  // namespace heights_test
}  // namespace mezzet
