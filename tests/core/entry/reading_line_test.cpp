// The typed line of Measure.
#include "core/entry/reading_line.h"

#include <gtest/gtest.h>

#include "core/survey/room_survey.h"
#include "support/rooms.h"

namespace mezzet {
namespace reading_line_test {
using namespace test;

SurveyRecord fourWalls(std::size_t read = 4) {
  IdSource ids(1);
  std::vector<WalkedRun> runs(4);
  for (std::size_t i = 0; i < read; ++i) runs[i].length = in(150);
  return recordOf(runs, ids);
}
ReadingLine read(const char* text, std::size_t known = 4) {
  const SurveyRecord record = fourWalls(known);
  return readReadingLine(text, record, expectedRun(record), Unit::Inch, {LengthStyle::Inches, 16});
}

struct Line {
  const char* text;
  ReadingKind kind;
  const char *from, *to;
  double value;  ///< inches, or degrees
};
void PrintTo(const Line& l, std::ostream* out) { *out << l.text; }
class ReadingLines : public testing::TestWithParam<Line> {};
TEST_P(ReadingLines, AreReadAsTheyAreSpoken) {
  const ReadingLine line = read(GetParam().text);
  ASSERT_TRUE(line.reading) << line.complaint;
  EXPECT_EQ(line.reading->kind, GetParam().kind);
  EXPECT_EQ(line.reading->from.value, GetParam().from);
  EXPECT_EQ(line.reading->to.value, GetParam().to);
  EXPECT_NEAR(line.reading->value / (GetParam().kind == ReadingKind::Angle ? 1 : kInch), GetParam().value, 1e-9);
}
INSTANTIATE_TEST_SUITE_P(Spoken, ReadingLines,
                         testing::Values(Line{"AB 12'7", ReadingKind::Run, "A", "B", 151},
                                         Line{"ab 151", ReadingKind::Run, "A", "B", 151},
                                         Line{"BA 151", ReadingKind::Run, "A", "B", 151},
                                         Line{"DA 150 1/4", ReadingKind::Run, "D", "A", 150.25},
                                         Line{"A-C 212", ReadingKind::Corners, "A", "C", 212},
                                         Line{"a to c 212", ReadingKind::Corners, "A", "C", 212},
                                         Line{"D B 17' 8\"", ReadingKind::Corners, "D", "B", 212},
                                         Line{"wall C 150", ReadingKind::Run, "C", "D", 150},
                                         Line{"B angle 92.5", ReadingKind::Angle, "B", "", 92.5},
                                         Line{"B 92,5\u00b0", ReadingKind::Angle, "B", "", 92.5},
                                         Line{"AC 5384.8 mm laser", ReadingKind::Corners, "A", "C", 212},
                                         Line{"C off A 149 7/8", ReadingKind::Offset, "C", "A", 149.875},
                                         Line{"d off wall a 150", ReadingKind::Offset, "D", "A", 150},
                                         Line{"A opening 32 trim", ReadingKind::Width, "A", "B", 32},
                                         Line{"BC bow 1 1/2", ReadingKind::Sagitta, "B", "C", 1.5}),
                         [](const auto& l) { return "Line" + std::to_string(l.index); });

TEST(ReadingLine, WithoutCornersIsTheNextWall) {
  const ReadingLine line = read("150", 2);
  ASSERT_TRUE(line.reading);
  EXPECT_EQ(line.reading->from.value, "C");
  EXPECT_EQ(line.reading->to.value, "D");
}
TEST(ReadingLine, TakesInstrumentHeightDoubtAndNote) {
  const ReadingLine line = read("AC 212 \u00b11/4 laser skirting \"over the sofa\"");
  ASSERT_TRUE(line.reading) << line.complaint;
  EXPECT_EQ(line.reading->instrument, Instrument::Laser);
  EXPECT_EQ(line.reading->takenAt, TakenAt::Skirting);
  EXPECT_NEAR(*line.reading->u95, in(0.25), 1e-9);
  EXPECT_EQ(line.reading->note, "over the sofa");
  EXPECT_EQ(line.echo, "A to C, 212 in, \u00b11/4 in, laser, at the skirting");
}
struct Bad {
  const char *text, *complaint;
};
void PrintTo(const Bad& b, std::ostream* out) { *out << b.text; }
class BadReadingLines : public testing::TestWithParam<Bad> {};
TEST_P(BadReadingLines, SayWhatIsWrong) {
  const ReadingLine line = read(GetParam().text);
  EXPECT_FALSE(line.reading);
  EXPECT_EQ(line.complaint, GetParam().complaint);
}
INSTANTIATE_TEST_SUITE_P(
    Said, BadReadingLines,
    testing::Values(Bad{"150", "Every wall is read. Say between which corners: AC 268."},
                    Bad{"AQ 150", "There is no corner AQ. Type two letters, as AB or AC, before the reading."},
                    Bad{"AC", "The reading is missing."}, Bad{"AA 12", "A length runs between two corners: AC 268."},
                    Bad{"B angle 400", "An angle inside a corner is more than 0 and less than 360 degrees."},
                    Bad{"B off A 10", "This corner stands on that wall."},
                    Bad{"A off A 10", "This corner stands on that wall."},
                    Bad{"AC bow 2", "A wall runs between two corners that follow each other."},
                    Bad{"AC 212 \u00b1x", "This \u00b1 cannot be read. Type it as \u00b11/4."}),
    [](const auto& b) { return "Line" + std::to_string(b.index); });
TEST(ReadingLine, AnOpeningKnowsItsTrim) {
  EXPECT_TRUE(read("A opening 32 trim").reading->atTrim);
  EXPECT_FALSE(read("A opening 32 jamb").reading->atTrim);
}
TEST(ReadingLine, EachKindIsReadBackFromItsPlaceAndValue) {
  for (const char* text : {"AB 151", "AC 212", "B angle 92.5", "C off A 149", "A opening 32", "B bow 2"}) {
    const Reading first = *read(text).reading;
    const ReadingLine again =
        read((linePlace(first) + std::to_string(first.value / (first.isAngle() ? 1 : kInch))).c_str());
    ASSERT_TRUE(again.reading) << text << again.complaint;
    EXPECT_EQ(again.reading->kind, first.kind) << text;
    EXPECT_EQ(again.reading->from, first.from) << text;
    EXPECT_EQ(again.reading->to, first.to) << text;
  }
}
TEST(ReadingLine, AnEmptyLineIsNoComplaint) { EXPECT_EQ(read("  ").complaint, ""); }

}  // namespace reading_line_test
}  // namespace mezzet
