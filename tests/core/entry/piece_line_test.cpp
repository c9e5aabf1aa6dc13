#include "core/entry/piece_line.h"

#include <gtest/gtest.h>

#include <random>

namespace mezzet {
namespace piece_line_test {

constexpr LengthFormat kInches{LengthStyle::Inches, 16};
PieceReading read(std::string_view text, bool swapped = false) {
  return readPieceLine(text, Unit::Inch, kInches, swapped);
}
PieceReading metric(std::string_view text) {
  return readPieceLine(text, Unit::Millimetre, {LengthStyle::Millimetres}, false);
}

struct Line {
  const char* text;
  const char* echo;
};
class PieceLine : public testing::TestWithParam<Line> {};
TEST_P(PieceLine, IsEchoed) {
  const PieceReading r = read(GetParam().text);
  EXPECT_EQ(r.complaint, "");
  EXPECT_EQ(r.echo, GetParam().echo);
}
INSTANTIATE_TEST_SUITE_P(
    Typed, PieceLine,
    testing::Values(
        Line{"sofa 84 x 36 x 33 seat 18", "Sofa, 84 in wide, 36 in deep, 33 in high, seat 18 in; usual: arm 25 in"},
        Line{"side table 18 x 18 x 22", "Side table, 18 in wide, 18 in deep, 22 in high"},
        Line{"couch 6' x 3'", "Sofa, 72 in wide, 36 in deep; usual: 33 in high, seat 18 in, arm 25 in"},
        Line{"rug 8x10", "Rug, 96 in wide, 120 in deep; usual: 1/2 in thick"},
        Line{"rug 96 x 120", "Rug, 96 in wide, 120 in deep; usual: 1/2 in thick"},
        Line{"rug 5' x 8' thick 3/8", "Rug, 60 in wide, 96 in deep, 3/8 in thick"},
        Line{"art 40 x 30", "Picture, 40 in wide, 30 in high"},
        Line{"painting 63 1/4 x 24", "Picture, 63 1/4 in wide, 24 in high"},
        Line{"4 chairs 18 x 20 x 34", "4 of: Chair, 18 in wide, 20 in deep, 34 in high; usual: seat 18 in"},
        Line{"round low table 30 x 17", "Low table, 30 in across, 17 in high"},
        Line{"side table 18 dia", "Side table, 18 in across; usual: 23 in high"},
        Line{"console 48 x 14 30 high", "Console, 48 in wide, 14 in deep, 30 in high"},
        Line{"side table 20 dia 22 high", "Side table, 20 in across, 22 in high"},
        Line{"oval low table 48 x 30 x 17", "Low table, 48 in wide, 30 in deep, 17 in high, oval"},
        Line{"corner sofa right 110 x 84 x 33 limb 38 return 40",
             "Sofa, 110 in wide, 84 in deep, 33 in high, long limb 38 in deep, return 40 in wide on the right; usual: "
             "seat 18 in, arm 25 in"},
        Line{"sofa \"The green one\" 84x36",
             "The green one, 84 in wide, 36 in deep; usual: 33 in high, seat 18 in, arm 25 in"},
        Line{"harp 30 x 20 x 70", "Harp, 30 in wide, 20 in deep, 70 in high"},
        Line{"bookcase 36 by 12 by 72", "Bookcase, 36 in wide, 12 in deep, 72 in high"},
        Line{"armchair high 40", "Armchair, 40 in high; usual: 32 in wide, 34 in deep, seat 17 in, arm 24 in"},
        Line{"SOFA 84\" \xC3\x97 36\"", "Sofa, 84 in wide, 36 in deep; usual: 33 in high, seat 18 in, arm 25 in"}),
    [](const auto& c) { return "n" + std::to_string(c.index); });

TEST(PieceLineOf, ARoundThingTakesOneDiameter) {
  const PieceReading r = read("round low table 30 17 high");
  EXPECT_EQ(r.complaint, "");
  EXPECT_EQ(r.echo, "Low table, 30 in across, 17 in high");
}
TEST(PieceLineOf, BareRugsSaysItTookFeet) {
  EXPECT_EQ(read("rug 8x10").notes, std::vector<std::string>{"Taken as feet: write 96 in for inches."});
  EXPECT_TRUE(read("rug 8' x 10'").notes.empty());
  EXPECT_NEAR(read("rug 20 x 12").piece->width, 20 * kFoot, 1e-9);
  EXPECT_NEAR(read("rug 24 x 36").piece->width, 24 * kInch, 1e-9);
  EXPECT_NEAR(metric("rug 200 x 300").piece->width, 2000, 1e-9);
}
TEST(PieceLineOf, ARugKeepsWhatItIsSoldAs) { EXPECT_NEAR(*read("rug 8x10").piece->rug->soldDepth, 120 * kInch, 1e-9); }
TEST(PieceLineOf, APictureIsSwappedByOneKey) {
  EXPECT_TRUE(read("art 40 x 30").canSwap);
  EXPECT_EQ(read("art 40 x 30", true).echo, "Picture, 30 in wide, 40 in high");
}
TEST(PieceLineOf, ATypedSizeIsNoDefault) {
  const PieceReading r = read("sofa 84 x 36");
  EXPECT_FALSE(r.piece->doubts.contains("width"));
  EXPECT_EQ(r.piece->doubts.at("seatHeight").source, DimensionSource::Default);
}
TEST(PieceLineOf, ANewHeightLiftsTheBack) {
  EXPECT_NEAR(*read("sofa 84 x 36 x 30").piece->seat->back, 30 * kInch, 1e-9);
}
TEST(PieceLineOf, MetricJobsReadMillimetres) {
  EXPECT_EQ(metric("sofa 2100 x 900 x 850").echo,
            "Sofa, 2100 mm wide, 900 mm deep, 850 mm high; usual: seat 457 mm, arm 635 mm");
  EXPECT_NEAR(metric("low table 120cm x 60cm").piece->width, 1200, 1e-9);
}
TEST(PieceLineOf, AnUnknownKindIsAllowed) {
  const PieceReading r = read("window seat 60 x 18 x 18");
  EXPECT_EQ(r.piece->kind, "window-seat");
  EXPECT_EQ(r.notes.back(), "No furniture rule judges a window seat; it is drawn and measured.");
}

struct Bad {
  const char* text;
  std::size_t at;
  const char* complaint;
};
class BadPieceLine : public testing::TestWithParam<Bad> {};
TEST_P(BadPieceLine, SaysWhereAndWhat) {
  const PieceReading r = read(GetParam().text);
  EXPECT_FALSE(r.piece);
  EXPECT_EQ(r.complaint, GetParam().complaint);
  EXPECT_EQ(r.at, GetParam().at);
}
INSTANTIATE_TEST_SUITE_P(
    Typed, BadPieceLine,
    testing::Values(Bad{"", 0, "Type what it is and its sizes: sofa 84 x 36 x 33."},
                    Bad{"sofa 84 x", 9, "A size is missing after the x."},
                    Bad{"sofa 84 36", 8, "What is this size? Put an x between sizes, or say seat, arm, back or high."},
                    Bad{"sofa 0 x 36", 11, "Sofa, width: must be more than 0. Type the length as the tape reads."},
                    Bad{"200 chairs", 0, "Between 1 and 100 can be added at once."},
                    Bad{"sofa 84 x 36 colour red", 13,
                        "\"colour\" is not a size word: use seat, arm, back, high, pad, dia, left or right."},
                    Bad{"84 x 36", 0, "Begin with what it is: sofa, low table, rug, art ..."},
                    Bad{"harp", 4, "Type its sizes: width x depth x height."},
                    Bad{"sofa \"green 84", 5, "Close the name with a second quote."},
                    Bad{"sofa seat", 5, "A size is missing after \"seat\"."}),
    [](const auto& c) { return "n" + std::to_string(c.index); });

TEST(Completion, FinishesTheKind) {
  EXPECT_EQ(read("si").completion, "de table");
  EXPECT_EQ(read("4 cha").completion, "ir");
}
TEST(Completion, OffersUsualSizes) {
  EXPECT_EQ(read("sofa").completion, " 84 x 36 x 33 seat 18");
  EXPECT_EQ(read("rug").completion, " 10 x 8");
  EXPECT_EQ(read("side table").completion, " 18 dia high 23");
  for (const char* kind : {"sofa", "side table", "rug", "art", "chair", "bed", "stool"}) {
    const std::string line = kind + read(kind).completion;
    EXPECT_EQ(read(line).complaint, "") << line;
  }
}

TEST(PieceLineOf, NoiseNeverThrows) {
  std::printf("seed 99\n");
  std::mt19937 random(99);
  const std::string letters = "sofarugt x0123456789/'\"\xC3\x97\xBD .,-dia seat";
  for (int i = 0; i < 20000; ++i) {
    std::string line;
    for (std::size_t n = random() % 24; n > 0; --n) line += letters[random() % letters.size()];
    const PieceReading r = read(line);
    EXPECT_NE(r.piece.has_value(), !r.complaint.empty()) << line;
  }
}

// ---- one unit for a list of sizes
struct SizesInOneUnit {
  const char* line;
  double width, depth;  ///< mm
};
class OneUnit : public testing::TestWithParam<SizesInOneUnit> {};
TEST_P(OneUnit, BehindTheLastSizeIsThatOfAll) {
  for (const Unit bare : {Unit::Inch, Unit::Millimetre}) {
    const PieceReading read = readPieceLine(GetParam().line, bare, usualFormat(bare));
    ASSERT_TRUE(read.piece) << read.complaint;
    EXPECT_NEAR(read.piece->width, GetParam().width, 1e-6);
    EXPECT_NEAR(*read.piece->depth, GetParam().depth, 1e-6);
  }
}
INSTANTIATE_TEST_SUITE_P(Lines, OneUnit,
                         testing::Values(SizesInOneUnit{"sofa 234 x 102 x 84 cm", 2340, 1020},
                                         SizesInOneUnit{"rug 8 x 10 ft", 2438.4, 3048},
                                         SizesInOneUnit{"low table 48 x 24 x 16\"", 1219.2, 609.6},
                                         SizesInOneUnit{"low table 1.2 x 0.6 x 0.4 m", 1200, 600},
                                         SizesInOneUnit{"low table 4' x 24 in x 16 in", 1219.2, 609.6}));

// ---- sizes that carry w, d and h
class Lettered : public testing::TestWithParam<const char*> {};
TEST_P(Lettered, SizesGoWhereTheirLettersSay) {
  const PieceReading r = read(GetParam());
  ASSERT_TRUE(r.piece) << r.complaint;
  EXPECT_NEAR(r.piece->width, 86 * kInch, 1e-6);
  EXPECT_NEAR(*r.piece->depth, 37 * kInch, 1e-6);
  EXPECT_NEAR(*r.piece->height, 33 * kInch, 1e-6);
}
INSTANTIATE_TEST_SUITE_P(Lines, Lettered,
                         testing::Values("sofa 86w x 37d x 33h", "sofa 86\"W x 37\"D x 33\"H", "sofa w86 x d37 x h33",
                                         "sofa H 33 x W 86 x D 37", "sofa 86 W x 37 x 33 H", "sofa 33h x 86 x 37"));
TEST(PieceLineOf, OneLetterTwiceIsRefused) {
  EXPECT_EQ(read("sofa 86w x 37w").complaint, "There are two sizes with w.");
}
TEST(PieceLineOf, ACountMayBeAWord) {
  const PieceReading r = read("two armchairs 32 x 34 x 33");
  ASSERT_TRUE(r.piece) << r.complaint;
  EXPECT_EQ(r.count, 2);
  EXPECT_EQ(r.piece->kind, "armchair");
}
TEST(PieceLineOf, ARoundMirrorIsAsHighAsItIsWide) {
  for (const char* line : {"round mirror 30", "round mirror 30 x 30", "round mirror 30 dia"}) {
    const PieceReading r = read(line);
    ASSERT_TRUE(r.piece) << line << ": " << r.complaint;
    EXPECT_NEAR(r.piece->width, 30 * kInch, 1e-6) << line;
    EXPECT_NEAR(*r.piece->height, 30 * kInch, 1e-6) << line;
  }
}
TEST(PieceLineOf, ABareTableAsksWhich) {
  for (const char* line : {"round table 60", "table 60 x 36"})
    EXPECT_EQ(read(line).complaint, "Which table is it: a dining table, a low table, a side table or a console?")
        << line;
}
TEST(PieceLineOf, ABackHigherThanTheWholeAsks) {
  EXPECT_EQ(read("sofa 84 x 36 x 33 high back 36").complaint,
            "Its back would be higher than the whole: say which of the two is meant.");
}

TEST(ThingLine, TakesARunOfBooks) {
  const PieceReading r = read("12 books 9 tall 11 run black");
  ASSERT_TRUE(r.piece) << r.complaint;
  EXPECT_EQ(r.count, 1);
  EXPECT_EQ(r.piece->kind, "books");
  EXPECT_EQ(r.piece->thing->volumes, 12);
  EXPECT_NEAR(r.piece->width, 11 * kInch, 1e-9);
  EXPECT_NEAR(*r.piece->height, 9 * kInch, 1e-9);
  ASSERT_EQ(r.piece->thing->colours.size(), 1u);
  EXPECT_NE(r.echo.find("11 in wide, 9 in high, 12 books, in black"), std::string::npos) << r.echo;
}
TEST(ThingLine, TakesAWrittenColour) {
  const PieceReading r = read("vase 6 x 6 x 14 #2b2b2b");
  ASSERT_TRUE(r.piece) << r.complaint;
  EXPECT_EQ(r.piece->shape, Shape::Round);
  EXPECT_NEAR(*r.piece->height, 14 * kInch, 1e-9);
  EXPECT_EQ(r.piece->thing->colours, (std::vector<ColourShare>{{"#2b2b2b", 1}}));
  EXPECT_EQ(read("bowl 10 x 4 brass cream").piece->thing->colours.size(), 2u);
  EXPECT_EQ(read("sofa 84 x 36 x 33 #2b2b2b").piece->thing->colours.size(), 1u) << "anything has colours";
  EXPECT_NEAR(*read("bowl 10 x 4").piece->height, 4 * kInch, 1e-9);
}
TEST(ThingLine, GivesACaseItsShelves) {
  const PieceReading r = read("bookcase 36 x 12 x 78, 5 shelves");
  ASSERT_TRUE(r.piece) << r.complaint;
  EXPECT_EQ(r.piece->surfaces->all.size(), 5u);
  EXPECT_NEAR(r.piece->surfaces->all[0].bottom, 0.75 * kInch, 1e-9);
  EXPECT_NE(r.echo.find("5 shelves"), std::string::npos) << r.echo;
  EXPECT_EQ(read("bookcase 36 x 12 x 78").piece->surfaces->all.size(), 0u);
}
TEST(ThingLine, RefusesInWords) {
  EXPECT_EQ(read("5000 books").complaint, "A run holds 1 to 1000 books: type several runs.");
  EXPECT_EQ(read("vase 6 x 14 #2b2b").complaint,
            "A colour is written #2b2b2b: two digits each of red, green and blue.");
  EXPECT_EQ(read("bookcase 36 x 12 x 78, 90 shelves").complaint, "A case has 1 to 40 shelves.");
}

}  // namespace piece_line_test
}  // namespace mezzet
