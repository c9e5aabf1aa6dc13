#include "core/site/openings.h"

#include <gtest/gtest.h>

#include "core/survey/room_survey.h"
#include "core/edit/openings.h"
#include "core/edit/readings.h"
#include "support/rooms.h"

namespace mezzet {
namespace openings_test {

using test::in;
const LengthFormat kInches = usualFormat(Unit::Inch);
const RoomId kRoom("parlour");
const OpeningId kDoor("d1");

/// 222 x 150 in, a door of 32 in on wall A, 60 in from its start corner.
Job doorway() {
  Opening door;
  door.id = kDoor;
  door.wall = CornerId("A");
  door.offset = in(60);
  door.width = in(32);
  door.height = in(80);
  return withOpening(test::emptyRoom(), kRoom, door).value();
}
OpeningReading reading(const char* id, OpeningPart part, double inches, double u95Inches = 0.25, bool trim = false) {
  OpeningReading r{ReadingId(id), part, {}};
  r.taken.value = in(inches);
  r.taken.u95 = in(u95Inches);
  r.taken.atTrim = trim;
  return r;
}
Job readAs(Job job, std::initializer_list<OpeningReading> readings) {
  for (const OpeningReading& r : readings) job = withOpeningReading(job, kRoom, kDoor, r).value();
  return job;
}
const Opening& door(const Job& job) { return *findOpening(*job.rooms.front(), kDoor); }

TEST(OpeningReadings, OffsetAndWidthPlaceTheDoor) {
  const Job job = readAs(doorway(), {reading("a", OpeningPart::Start, 70), reading("b", OpeningPart::Width, 33)});
  EXPECT_NEAR(door(job).offset, in(70), 1e-3);
  EXPECT_NEAR(door(job).width, in(33), 1e-3);
}
TEST(OpeningReadings, AnOffsetAloneMovesTheDoorAndKeepsItsWidth) {
  EXPECT_NEAR(door(readAs(doorway(), {reading("a", OpeningPart::Start, 70)})).width, in(32), 1e-3);
  const Job fromTheEnd = readAs(doorway(), {reading("a", OpeningPart::End, 100)});
  EXPECT_NEAR(door(fromTheEnd).offset, in(222 - 100 - 32), 0.05);
  EXPECT_NEAR(door(fromTheEnd).width, in(32), 0.05);
}
TEST(OpeningReadings, ThreeShareTheirMisclosureBySureness) {
  // 60 + 32 + 130.5 is half an inch more than the wall; all equally sure, so each gives a third of it.
  const Job job = readAs(doorway(), {reading("a", OpeningPart::Start, 60), reading("b", OpeningPart::Width, 32),
                                     reading("c", OpeningPart::End, 130.5)});
  const WallClosure closure = closureOf(*job.rooms.front(), CornerId("A")).value();
  ASSERT_EQ(closure.places.size(), 1U);
  EXPECT_NEAR(*closure.places[0].misclosure, in(0.5), 1e-9);
  EXPECT_EQ(closure.redundancy, 1);
  EXPECT_NEAR(door(job).offset, in(60) - in(0.5) / 3, 0.01);
  EXPECT_NEAR(door(job).width, in(32) - in(0.5) / 3, 0.01);
  for (const OpeningRow& r : closure.rows) {
    if (r.reading.empty()) continue;  // the wall's own length
    EXPECT_NEAR(r.residual, -in(0.5) / 3, 0.01);
  }
}
TEST(OpeningReadings, ALessSureReadingGivesMore) {
  const Job job =
      readAs(doorway(), {reading("a", OpeningPart::Start, 60, 0.125), reading("b", OpeningPart::Width, 32, 0.125),
                         reading("c", OpeningPart::End, 131, 1)});
  EXPECT_NEAR(door(job).offset, in(60), in(0.02));
}
TEST(OpeningReadings, AFootDroppedDoesNotClose) {
  const Job job = readAs(doorway(), {reading("a", OpeningPart::Start, 60), reading("b", OpeningPart::Width, 32),
                                     reading("c", OpeningPart::End, 118)});
  EXPECT_FALSE(closureOf(*job.rooms.front(), CornerId("A"))->closes());
  const auto words = closureWords(*job.rooms.front(), kDoor, kInches);
  ASSERT_EQ(words.size(), 2U);
  EXPECT_EQ(words[0], "Offset, width and offset make 12 in less than the wall.");
  EXPECT_NE(words[1].find("Measure one of the three again, or wall A."), std::string::npos);
}
TEST(OpeningReadings, WithinTheirDoubtClose) {
  const Job job = readAs(doorway(), {reading("a", OpeningPart::Start, 60), reading("b", OpeningPart::Width, 32.125),
                                     reading("c", OpeningPart::End, 130)});
  EXPECT_TRUE(closureOf(*job.rooms.front(), CornerId("A"))->closes());
  EXPECT_EQ(closureWords(*job.rooms.front(), kDoor, kInches)[0],
            "Offset, width and offset make 1/8 in more than the wall.");
}
TEST(OpeningReadings, SayWhatIsMissing) {
  const Job job = readAs(doorway(), {reading("a", OpeningPart::Start, 60)});
  EXPECT_EQ(closureWords(*job.rooms.front(), kDoor, kInches)[0],
            "Nothing checks it yet: read its width and how far it is to the end corner too.");
}
TEST(OpeningReadings, AtTheTrimAreBroughtToTheJamb) {
  Opening trimmed = door(doorway());
  trimmed.trim = in(2.5);
  Job job = withOpening(doorway(), kRoom, trimmed).value();
  job = readAs(job,
               {reading("a", OpeningPart::Start, 57.5, 0.25, true), reading("b", OpeningPart::Width, 37, 0.25, true)});
  EXPECT_NEAR(door(job).offset, in(60), 1e-3);
  EXPECT_NEAR(door(job).width, in(32), 1e-3);
}
TEST(OpeningReadings, AtATrimThatNobodyMeasuredAreRefused) {
  const auto after = withOpeningReading(doorway(), kRoom, kDoor, reading("a", OpeningPart::Start, 57.5, 0.25, true));
  ASSERT_FALSE(after);
  EXPECT_EQ(after.error().text(),
            "opening d1: was read at its trim, whose width is not known. Measure the trim, or read at the jamb");
}
TEST(OpeningReadings, AnotherOfTheSamePartSupersedesAndStays) {
  const Job job = readAs(doorway(), {reading("a", OpeningPart::Start, 60), reading("b", OpeningPart::Start, 62)});
  ASSERT_EQ(door(job).readings.size(), 2U);
  EXPECT_TRUE(door(job).readings[0].taken.superseded);
  EXPECT_NEAR(door(job).offset, in(62), 1e-3);
}
TEST(OpeningReadings, PastTheWallAreRefusedInWords) {
  const auto after = withOpeningReading(doorway(), kRoom, kDoor, reading("a", OpeningPart::Start, 200));
  ASSERT_FALSE(after);
  EXPECT_NE(after.error().text().find("door on wall A: ends 10 in past the end of wall A"), std::string::npos)
      << after.error().text();
}
TEST(OpeningReadings, TakeTheWallsOwnDoubtIntoAccount) {
  // The wall was read by a poor tape: the openings' readings are believed, and it takes the misfit.
  Job job = doorway();
  IdSource ids;
  Room room = *job.rooms.front();
  room.survey = recordOf({{in(222), "", 90}, {in(150), "", 90}, {in(222), "", 90}, {in(150), "", 90}}, ids);
  for (Reading& r : room.survey->readings) r.u95 = in(2);
  job = withRoom(job, surveyed(room).value()).value();
  job = readAs(job, {reading("a", OpeningPart::Start, 60, 0.125), reading("b", OpeningPart::Width, 32, 0.125),
                     reading("c", OpeningPart::End, 131, 0.125)});
  const WallClosure closure = closureOf(*job.rooms.front(), CornerId("A")).value();
  EXPECT_GT(closure.wallU95, in(1));
  EXPECT_TRUE(closure.closes());
  EXPECT_NEAR(door(job).offset, in(60), in(0.02));
}
TEST(OpeningReadings, FollowTheWallWhenItIsReadAgain) {
  Job job = doorway();
  IdSource ids;
  Room room = *job.rooms.front();
  room.survey = recordOf({{in(222), "", 90}, {in(150), "", 90}, {std::nullopt, "", 90}, {std::nullopt, "", 90}}, ids);
  job = withRoom(job, surveyed(room).value()).value();
  job = readAs(job, {reading("a", OpeningPart::End, 130)});
  EXPECT_NEAR(door(job).offset, in(60), 0.05);
  Reading again;
  again.id = ReadingId("again");
  again.from = CornerId("A");
  again.to = CornerId("B");
  again.value = in(220);
  job = withReading(job, kRoom, again).value();
  EXPECT_NEAR(door(job).offset, in(58), 0.05);
}

}  // namespace openings_test
}  // namespace mezzet
