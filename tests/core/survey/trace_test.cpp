#include "core/survey/trace.h"

#include <gtest/gtest.h>

#include <cmath>

#include "core/survey/room_survey.h"
#include "core/edit/readings.h"
#include "support/rooms.h"

namespace mezzet {
namespace trace_test {

using test::in;
const LengthFormat kMm = usualFormat(Unit::Millimetre);
const RoomId kRoom("parlour");

/// A picture of 1000 x 800 pixels in which the room of 5000 x 3000 mm is 500 x 300 px: 10 mm to the pixel.
Underlay picture() {
  Underlay u;
  u.source = "plan";
  u.width = 1000;
  u.height = 800;
  u.known = {{{100, 500}, {600, 500}, 5000, "5000"}, {{100, 500}, {100, 200}, 3000, "3000"}};
  u.trace = {{100, 500}, {600, 500}, {600, 200}, {100, 200}};
  return u;
}
Room blank() {
  Room room;
  room.id = kRoom;
  room.name = "Parlour";
  room.ceilingHeight = 2500;
  return room;
}

TEST(PictureScale, FitsKnownLengths) {
  const auto scale = scaleOf(picture());
  ASSERT_TRUE(scale);
  EXPECT_NEAR(scale->mmPerPixel, 10, 1e-9);
  EXPECT_TRUE(scale->checked);
  EXPECT_NEAR(scale->residuals[0], 0, 1e-9);
  EXPECT_NEAR(distance(mapped(scale->toPlan, {100, 500}), mapped(scale->toPlan, {400, 100})), 5000, 1e-6);
}
TEST(PictureScale, SaysWhatIsLeftOver) {
  Underlay u = picture();
  u.known[1].length = 3020;
  const auto scale = scaleOf(u);
  // k = (500 * 5000 + 300 * 3020) / (500^2 + 300^2)
  const double k = (500.0 * 5000 + 300.0 * 3020) / (500.0 * 500 + 300.0 * 300);
  EXPECT_NEAR(scale->residuals[0], 500 * k - 5000, 1e-9);
  EXPECT_NEAR(scale->residuals[1], 300 * k - 3020, 1e-9);
  EXPECT_GT(scale->u95Of(4000), scaleOf(picture())->u95Of(4000));
}
TEST(PictureScale, WithOneLengthWarns) {
  Underlay u = picture();
  u.known.pop_back();
  EXPECT_EQ(scaleWords(u, kMm)[0], "Scaled by one length: nothing checks it.");
  EXPECT_FALSE(scaleOf(u)->checked);
  EXPECT_GT(scaleOf(u)->u95Of(4000), 0.02 * 4000);
}
TEST(PictureScale, WithoutAnyIsRefused) {
  Underlay u = picture();
  u.known.clear();
  ASSERT_FALSE(scaleOf(u));
  EXPECT_EQ(scaleWords(u, kMm)[0],
            "The plan picture: has no known length. Click two points whose distance you know, and type it.");
}
TEST(PictureScale, IsStraightenedByFourPoints) {
  // The same room seen askew by a known map, straightened by its own corners.
  const Homography askew{1.1, 0.08, 40, -0.05, 0.95, 60, 1.2e-4, -0.9e-4, 1};
  Underlay u = picture();
  for (Vec2& p : u.trace) p = mapped(askew, p);
  u.frame = Straightened{u.trace, 5000, 3000};
  u.known.clear();
  const auto scale = scaleOf(u);
  ASSERT_TRUE(scale) << scale.error().text();
  const Vec2 inside = mapped(scale->toPlan, mapped(askew, {350, 350}));
  EXPECT_NEAR(inside.x, 2500, 1e-6);
  EXPECT_NEAR(inside.y, 1500, 1e-6);
}
TEST(PictureScale, FourPointsInLineAreRefused) {
  Underlay u = picture();
  u.frame = Straightened{{{0, 0}, {100, 0}, {200, 0}, {100, 100}}, 1000, 1000};
  ASSERT_FALSE(scaleOf(u));
  EXPECT_NE(scaleOf(u).error().text().find("cannot be straightened"), std::string::npos);
}
TEST(PictureScale, FourPointsOutOfOrderAreRefused) {
  Underlay u = picture();
  u.frame = Straightened{{{0, 100}, {100, 0}, {100, 100}, {0, 0}}, 1000, 1000};
  EXPECT_FALSE(scaleOf(u));
}

TEST(Tracing, ClosesOnItsFirstCorner) {
  const std::vector<Vec2> trace{{0, 0}, {100, 0}, {100, 100}};
  EXPECT_EQ(snapped(trace, {3, 2}, 6).to, TraceSnap::To::FirstCorner);
  EXPECT_EQ(snapped({trace[0], trace[1]}, {3, 2}, 6).to, TraceSnap::To::Corner);  // two corners close nothing
}
TEST(Tracing, RunsLevelAndUpright) {
  EXPECT_EQ(snapped({{0, 0}}, {80, 4}, 6).at, (Vec2{80, 0}));
  EXPECT_EQ(snapped({{0, 0}}, {4, 80}, 6).at, (Vec2{0, 80}));
  EXPECT_EQ(snapped({{0, 0}}, {50, 40}, 6).at, (Vec2{50, 40}));
}
TEST(Tracing, ComesInLineWithAnEarlierCorner) {
  const TraceSnap snap = snapped({{10, 0}, {100, 0}, {100, 60}}, {12, 61}, 6);
  EXPECT_EQ(snap.to, TraceSnap::To::Corner);
  EXPECT_EQ(snap.at, (Vec2{10, 60}));
}
TEST(Tracing, MakesARoom) {
  IdSource ids;
  Room room = blank();
  room.underlay = picture();
  const auto made = traced(room, ids);
  ASSERT_TRUE(made) << made.error().text();
  ASSERT_EQ(made->corners.size(), 4U);
  EXPECT_NEAR(made->corners[1].at.x, 5000, 1);
  EXPECT_NEAR(made->corners[2].at.y, 3000, 1);
  for (const Reading& r : made->survey->readings) EXPECT_EQ(r.instrument, Instrument::Plan);
  EXPECT_TRUE(made->doubt.covariance);
}
TEST(Tracing, TheOtherWayRoundIsTheSameRoom) {
  IdSource ids;
  Room room = blank();
  room.underlay = picture();
  std::reverse(room.underlay->trace.begin() + 1, room.underlay->trace.end());
  const auto made = traced(room, ids);
  ASSERT_TRUE(made);
  EXPECT_NEAR(made->corners[1].at.x, 5000, 1);
}
TEST(Tracing, ACornerOffSquareIsAReadingOfItsAngle) {
  IdSource ids;
  Room room = blank();
  room.underlay = picture();
  room.underlay->trace[2] = {540, 200};
  const auto made = traced(room, ids);
  ASSERT_TRUE(made) << made.error().text();
  EXPECT_TRUE(std::any_of(made->survey->readings.begin(), made->survey->readings.end(),
                          [](const Reading& r) { return r.isAngle(); }));
  EXPECT_NEAR(made->corners[2].at.x, 4400, 15);
}
TEST(Tracing, ThatCrossesItselfIsRefused) {
  IdSource ids;
  Room room = blank();
  room.underlay = picture();
  std::swap(room.underlay->trace[2], room.underlay->trace[3]);
  ASSERT_FALSE(traced(room, ids));
  EXPECT_EQ(traced(room, ids).error().text(), "the trace: crosses itself. Move or take out a corner");
}

/// Traced, then wall A taped.
Job taped(double mm, double u95 = 0) {
  IdSource ids;
  Room room = blank();
  room.underlay = picture();
  Job job;
  job.units = Unit::Millimetre;
  job = withRoom(job, traced(room, ids).value()).value();
  Reading tape;
  tape.id = ReadingId("tape");
  tape.from = CornerId("A");
  tape.to = CornerId("B");
  tape.value = mm;
  if (u95 > 0) tape.u95 = u95;
  return withReading(job, kRoom, tape).value();
}
TEST(TracedReadings, AreOutrankedByATapeOfTheSameWall) {
  const Job job = taped(5040);
  EXPECT_NEAR(job.rooms.front()->corners[1].at.x, 5040,
              2);  // wall C is only traced, and pulls a little through the square corners
  const SurveyNetwork net = networkOf(*job.rooms.front()->survey);
  for (const std::size_t k : net.readings) {
    const Reading& r = job.rooms.front()->survey->readings[k];
    EXPECT_FALSE(r.instrument == Instrument::Plan && r.from == CornerId("A") && r.kind == ReadingKind::Run);
  }
}
TEST(TracedReadings, StayBesideTheTape) {
  const Job job = taped(4975);
  const auto rows = traceDifferences(*job.rooms.front(), kMm);
  ASSERT_EQ(rows.size(), 4U);
  ASSERT_TRUE(rows[0].taped);
  EXPECT_NEAR(*rows[0].difference(), -25, 1e-6);
  EXPECT_EQ(rows[0].sentence, "Wall A: plan 5000 mm, tape 4975 mm: 25 mm shorter.");
  EXPECT_EQ(rows[1].sentence, "Wall B: plan 3000 mm, not taped yet.");
}
TEST(TracedReadings, FarOffAreSaidToBe) {
  EXPECT_EQ(traceDifferences(*taped(4800).rooms.front(), kMm)[0].sentence,
            "Wall A: plan 5000 mm, tape 4800 mm: 200 mm shorter, more than the plan's doubt.");
}
TEST(TracedReadings, CountAgainWhenTheTapeIsTakenOut) {
  const Job job = withoutReading(taped(4900), kRoom, ReadingId("tape")).value();
  EXPECT_NEAR(job.rooms.front()->corners[1].at.x, 5000, 1);
}
TEST(TracedReadings, OfATraceWithOtherCornersAreRefused) {
  const Job job = taped(4975);
  Room room = *job.rooms.front();
  room.underlay->trace.push_back({50, 350});
  IdSource ids(100);
  ASSERT_FALSE(traced(room, ids));
  EXPECT_NE(traced(room, ids).error().text().find("has 5 corners, and the room's readings 4"), std::string::npos);
}
TEST(TracedReadings, TakenAnewKeepTheTapes) {
  const Job job = taped(4975);
  Room room = *job.rooms.front();
  std::rotate(room.underlay->trace.begin(), room.underlay->trace.begin() + 1,
              room.underlay->trace.end());  // begun at another corner
  IdSource ids(100);
  const auto again = traced(room, ids);
  ASSERT_TRUE(again) << again.error().text();
  const auto rows = traceDifferences(*again, kMm);
  ASSERT_EQ(rows.size(), 4U);
  EXPECT_NEAR(rows[0].traced, 5000, 1e-6);
  EXPECT_NEAR(*rows[0].taped, 4975, 1e-6);
}

}  // namespace trace_test
}  // namespace mezzet
