// A room's record of readings: what an edit of it does to the outline, and to what was read before.
#include "core/survey/room_survey.h"

#include "core/survey/survey_words.h"
#include "core/edit/readings.h"
#include "support/rooms.h"

namespace mezzet {
namespace room_survey_test {
using namespace test;

const RoomId kRoom("parlour");

/// 222 x 150 in, every wall taped.
Job surveyedRoom() {
  IdSource ids(1);
  Room room = *emptyRoom().rooms.front();
  room.survey = recordOf({{in(222), "222"}, {in(150), "150"}, {in(222), "222"}, {in(150), "150"}}, ids);
  return withRoom(emptyRoom(), surveyed(room).value()).value();
}
Reading reading(const char* id, ReadingKind kind, const char* from, const char* to, double inches) {
  Reading r;
  r.id = ReadingId(id);
  r.kind = kind;
  r.from = CornerId(from);
  r.to = CornerId(to);
  r.value = in(inches);
  return r;
}
const Room& roomOf(const Job& job) { return *job.rooms.front(); }
double wall(const Job& job, const char* id) { return findWall(roomOf(job), CornerId(id))->length() / kInch; }

TEST(RoomSurvey, RunsThatCloseGiveTheRoomAsItWasTyped) {
  const Job job = surveyedRoom();
  EXPECT_NEAR(wall(job, "A"), 222, 1e-6);
  EXPECT_NEAR(wall(job, "B"), 150, 1e-6);
  ASSERT_TRUE(roomOf(job).doubt.covariance);
}
TEST(RoomSurvey, ASixteenthThatDoesNotCloseIsShared) {
  const Job job =
      withReading(surveyedRoom(), kRoom, reading("again", ReadingKind::Run, "A", "B", 222 + 1.0 / 16)).value();
  EXPECT_NEAR(wall(job, "A"), 222 + 1.0 / 16, 1.0 / 16);
  EXPECT_GT(distance(roomOf(job).corners[1].at, {in(222), 0}), 0);
}
TEST(RoomSurvey, MeasuringAgainSupersedesAndKeepsTheOld) {
  const Job job = withReading(surveyedRoom(), kRoom, reading("again", ReadingKind::Run, "A", "B", 222.5)).value();
  const auto& readings = roomOf(job).survey->readings;
  ASSERT_EQ(readings.size(), 5U);
  EXPECT_TRUE(readings[0].superseded);
  EXPECT_FALSE(readings[4].superseded);
  const Job back = withoutReading(job, kRoom, ReadingId("again")).value();
  EXPECT_FALSE(roomOf(back).survey->readings[0].superseded);
  EXPECT_EQ(back, surveyedRoom());
}
TEST(RoomSurvey, ADiagonalReadTheOtherWayRoundIsTheSameOne) {
  const Job one = withReading(surveyedRoom(), kRoom, reading("ac", ReadingKind::Corners, "A", "C", 268)).value();
  const Job two = withReading(one, kRoom, reading("ca", ReadingKind::Corners, "C", "A", 267.9)).value();
  EXPECT_TRUE(roomOf(two).survey->readings[4].superseded);
}
TEST(RoomSurvey, FurnitureStaysWhereItStands) {
  const Job furnished = with(surveyedRoom(), piece("sofa", "sofa", 84, 36), "p1", 100, 40);
  const Job after = withReading(furnished, kRoom, reading("again", ReadingKind::Run, "B", "C", 150.5)).value();
  EXPECT_EQ(scheme(after), scheme(furnished));
}
TEST(RoomSurvey, AReadingThatCannotStandIsKeptAndTheRoomStays) {
  const Job after = withReading(surveyedRoom(), kRoom, reading("again", ReadingKind::Run, "A", "B", 3)).value();
  EXPECT_EQ(roomOf(after).survey->readings.size(), 5U);
  const auto report = reportOf(*roomOf(after).survey, {}, {});
  EXPECT_TRUE(!report.ok() || !report->closes());
}
TEST(RoomSurvey, ACornerThatIsNotSquareFollowsItsDiagonal) {
  const Job leaning = withReading(surveyedRoom(), kRoom, reading("ac", ReadingKind::Corners, "A", "C", 272)).value();
  const Job angled =
      withSquare(
          withSquare(
              withSquare(withSquare(leaning, kRoom, CornerId("A"), false).value(), kRoom, CornerId("B"), false).value(),
              kRoom, CornerId("C"), false)
              .value(),
          kRoom, CornerId("D"), false)
          .value();
  EXPECT_NEAR(distance(roomOf(angled).corners[0].at, roomOf(angled).corners[2].at), in(272), 1e-3);
}
TEST(RoomSurvey, WidthsAndBowsAreKeptAndMoveNoCorner) {
  const Job before = surveyedRoom();
  Job job = withReading(before, kRoom, reading("w1", ReadingKind::Width, "A", "B", 32)).value();
  job = withReading(job, kRoom, reading("w2", ReadingKind::Width, "A", "B", 48)).value();
  job = withReading(job, kRoom, reading("s", ReadingKind::Sagitta, "B", "C", 1)).value();
  EXPECT_EQ(roomOf(job).corners, roomOf(before).corners);
  for (const Reading& r : roomOf(job).survey->readings) EXPECT_FALSE(r.superseded) << r.id.value;
  job = withReading(job, kRoom, reading("w3", ReadingKind::Width, "A", "B", 32.5), ReadingId("w1")).value();
  EXPECT_TRUE(roomOf(job).survey->readings[4].superseded);
  EXPECT_FALSE(roomOf(job).survey->readings[5].superseded);
}
TEST(RoomSurvey, TheUsualDoubtIsTheInstruments) {
  Reading r = reading("x", ReadingKind::Run, "A", "B", 120);
  EXPECT_NEAR(usualU95(r), in(1.0 / 8 + 1.0 / 32), 1e-9);
  r.instrument = Instrument::Laser;
  EXPECT_EQ(usualU95(r), 3);
  r.instrument = Instrument::Photograph;
  EXPECT_NEAR(usualU95(r), 0.02 * in(120), 1e-9);
}
TEST(RoomSurvey, AWalkLeavesOutWhatWasNotRead) {
  IdSource ids(1);
  const SurveyRecord record =
      recordOf({{in(222), "222"}, {in(150), "150"}, {std::nullopt, ""}, {std::nullopt, ""}}, ids);
  EXPECT_EQ(record.readings.size(), 2U);
  Room room = *emptyRoom().rooms.front();
  room.survey = record;
  const auto fixed = surveyed(room);  // square corners fix the rest
  ASSERT_TRUE(fixed.ok()) << fixed.error().text();
  EXPECT_NEAR(distance(fixed->corners[2].at, fixed->corners[3].at), in(222), 1e-3);
}

// ---- in words
std::string closure(const Job& job) {
  const SurveyNetwork n = networkOf(*roomOf(job).survey);
  return closureSentence(n.network, n.corners, reportOf(*roomOf(job).survey, {}, {}).value(),
                         {LengthStyle::Inches, 16});
}
TEST(SurveyWords, SayThatItCloses) {
  EXPECT_EQ(closure(surveyedRoom()), "Closes: no length is off by more than 0 in.");
}
TEST(SurveyWords, NameWhatDoesNotFit) {
  Job job = withReading(surveyedRoom(), kRoom, reading("ac", ReadingKind::Corners, "A", "C", 267.929)).value();
  job = withReading(job, kRoom, reading("bd", ReadingKind::Corners, "B", "D", 267.929)).value();
  job = withReading(job, kRoom, reading("again", ReadingKind::Run, "C", "D", 210)).value();
  EXPECT_EQ(closure(job).substr(0, 62), "Wall C does not fit: it reads 210 in, the others say 222 in ±")
      << closure(job);
}

}  // namespace room_survey_test
}  // namespace mezzet
