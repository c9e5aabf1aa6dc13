#include "core/units/length.h"

#include <cmath>
#include <random>

namespace mezzet {
namespace length_test {

struct Read {
  const char* text;
  double inches;  // NaN: see mm
  double mm = NAN;
};

class Reads : public testing::TestWithParam<Read> {};
TEST_P(Reads, InAnInchJob) {
  const LengthReading r = readLength(GetParam().text, Unit::Inch);
  ASSERT_TRUE(r) << r.complaint;
  EXPECT_NEAR(*r.length, std::isnan(GetParam().mm) ? GetParam().inches * 25.4 : GetParam().mm, 1e-9);
}
INSTANTIATE_TEST_SUITE_P(Length, Reads,
                         testing::Values(Read{"63", 63}, Read{"63 1/4", 63.25}, Read{"63-1/4\"", 63.25},
                                         Read{"63\xC2\xBC", 63.25}, Read{"63 \xC2\xBC", 63.25}, Read{"63.25 in", 63.25},
                                         Read{"5'3\"", 63}, Read{"5' 3 1/4\"", 63.25}, Read{"5ft 3.25in", 63.25},
                                         Read{"5'-3 1/4\"", 63.25}, Read{"5'", 60}, Read{"5.5'", 66}, Read{"5' 3", 63},
                                         Read{"5\xE2\x80\x99 3 1/4\xE2\x80\x9D", 63.25},
                                         Read{"5\xE2\x80\xB2"
                                              "3\xE2\x80\xB3",
                                              63},
                                         Read{"5'3''", 63}, Read{"1/2", 0.5}, Read{"\xC2\xBD in", 0.5}, Read{"0", 0},
                                         Read{"63 1\xE2\x81\x84"
                                              "4",
                                              63.25},
                                         Read{"  63  ", 63}, Read{".5 in", 0.5}, Read{"63 INCHES", 63},
                                         Read{"63 in.", 63}, Read{"160cm", NAN, 1600}, Read{"1.6 m", NAN, 1600},
                                         Read{"1,6 m", NAN, 1600}, Read{"1600 mm", NAN, 1600},
                                         Read{"1600mm", NAN, 1600}));

TEST(Length, BareNumberIsInTheJobsUnit) {
  EXPECT_DOUBLE_EQ(*readLength("1600", Unit::Millimetre).length, 1600);
  EXPECT_DOUBLE_EQ(*readLength("1,5", Unit::Millimetre).length, 1.5);
  EXPECT_DOUBLE_EQ(*readLength("63", Unit::Inch).length, 63 * 25.4);
}

struct Refused {
  const char* text;
  std::size_t at;
  const char* complaint;
};
class Refuses : public testing::TestWithParam<Refused> {};
TEST_P(Refuses, AndPointsAtTheCharacter) {
  const LengthReading r = readLength(GetParam().text, Unit::Inch);
  EXPECT_FALSE(r);
  EXPECT_EQ(r.complaint, GetParam().complaint);
  EXPECT_EQ(r.at, GetParam().at);
}
INSTANTIATE_TEST_SUITE_P(
    Length, Refuses,
    testing::Values(
        Refused{"5'13\"", 2, "After feet, inches must be less than 12."},
        Refused{"1/0", 2, "A fraction cannot have 0 below the bar."},
        Refused{"63 1/", 5, "The fraction has no lower number."},
        Refused{"12 7", 3, "Two numbers stand here without a unit between them: is it feet and inches, or a fraction?"},
        Refused{"-3", 0, "A length cannot be negative."},
        Refused{"\xE2\x88\x92"
                "3",
                0, "A length cannot be negative."},
        Refused{"1,250", 1, "This comma can mean thousands or a decimal: write it without."},
        Refused{"63,5", 2, "Inches take a decimal point, not a comma."},
        Refused{"", 0, "Type a length, for example 63 1/4 or 160 cm."},
        Refused{"about 5", 0, "A number is wanted here."},
        Refused{"5 furlongs", 2, "\"furlongs\" is not a unit: use ft, in, mm, cm or m."},
        Refused{"5'3 cm", 4, "After feet only inches can follow."},
        Refused{"1 1/2 cm", 6, "Fractions are for inches: write metric lengths with decimals."},
        Refused{"3 5/4", 2, "The fraction is one or more: write it as a whole number and a fraction."},
        Refused{"1.2.3", 3, "There is a second decimal sign."},
        Refused{"5 in 3", 5, "Something follows the unit: write one length."},
        Refused{"5.5' 3", 0, "Feet must be a whole number when inches follow."},
        Refused{"63\"!", 3, "This sign is not part of a length."},
        Refused{"63.", 3, "Digits are missing after the decimal sign."}));

TEST(Length, RefusesATextTooLongToBeALength) { EXPECT_FALSE(readLength(std::string(5000, '1'), Unit::Inch)); }

struct Written {
  double mm;
  LengthFormat format;
  const char* text;
};
class Writes : public testing::TestWithParam<Written> {};
TEST_P(Writes, As) { EXPECT_EQ(writeLength(GetParam().mm, GetParam().format), GetParam().text); }
constexpr LengthFormat kFeet16{LengthStyle::FeetInches, 16}, kFeet4{LengthStyle::FeetInches, 4},
    kIn16{LengthStyle::Inches, 16}, kIn8{LengthStyle::Inches, 8}, kIn4{LengthStyle::Inches, 4};
INSTANTIATE_TEST_SUITE_P(
    Length, Writes,
    testing::Values(
        Written{11.96875 * 25.4, kFeet16, "1'-0\""},  // 11 31/32 in carries
        Written{150.5 * 25.4, kFeet16, "12'-6 1/2\""}, Written{0.5 * 25.4, kFeet16, "1/2\""},
        Written{12.5 * 25.4, kFeet16, "1'-0 1/2\""}, Written{0, kFeet16, "0\""},
        Written{63.25 * 25.4, kIn16, "63 1/4 in"}, Written{63.25 * 25.4, {LengthStyle::Inches, 16, false}, "63 1/4"},
        Written{8.5 / 16 * 25.4, kIn16, "9/16 in"}, Written{0.0625 * 25.4, kIn8, "1/8 in"},
        Written{0.125 * 25.4, kIn4, "1/4 in"}, Written{0.1 * 25.4, kFeet4, "0\""}, Written{-0.2, kIn16, "0 in"},
        Written{-2.5 * 25.4, kIn16, "-2 1/2 in"}, Written{-0.0, kIn16, "0 in"},
        Written{1600.5, {LengthStyle::Millimetres}, "1601 mm"},
        Written{-1600.5, {LengthStyle::Millimetres}, "-1601 mm"}, Written{-0.4, {LengthStyle::Millimetres}, "0 mm"},
        Written{1607, {LengthStyle::Centimetres}, "160.7 cm"}, Written{1600, {LengthStyle::Centimetres}, "160 cm"},
        Written{1607, {LengthStyle::Metres}, "1.607 m"}, Written{50, {LengthStyle::Metres}, "0.05 m"}));

TEST(Length, EverySixteenthOfThreeHundredInchesRoundTrips) {
  for (const LengthStyle style : {LengthStyle::Inches, LengthStyle::FeetInches})
    for (int sixteenths = 0; sixteenths <= 300 * 16; ++sixteenths) {
      const double mm = sixteenths * 25.4 / 16;
      const std::string text = writeLength(mm, {style, 16});
      const LengthReading back = readLength(text, Unit::Inch);
      ASSERT_TRUE(back) << text << ": " << back.complaint;
      ASSERT_NEAR(*back.length, mm, 1e-9) << text;
    }
}

TEST(Length, RandomTextNeverCrashesTheReader) {
  const unsigned seed = 20'261;
  std::printf("seed %u\n", seed);
  std::mt19937 random(seed);
  const std::string alphabet = "0123456789 '\"/.,-ftincmé½\xE2\x80\x99\xFF\xC2";
  for (int i = 0; i < 20'000; ++i) {
    std::string text;
    for (std::size_t k = random() % 12; k > 0; --k) text += alphabet[random() % alphabet.size()];
    const LengthReading r = readLength(text, Unit::Inch);
    ASSERT_NE(r.length.has_value(), !r.complaint.empty()) << text;
    ASSERT_LE(r.at, text.size());
  }
}

}  // namespace length_test
}  // namespace mezzet
