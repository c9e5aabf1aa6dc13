// Photometric files as they come, and as they come damaged.
#include <gtest/gtest.h>

#include "io/files/job_file.h"
#include "io/photometry/ies.h"
#include "io/photometry/webs.h"
#include "support/lights.h"

namespace mezzet {
namespace photometry_test {
using namespace test;

const std::string kHead = "IESNA:LM-63-2002\n[TEST] none\nTILT=NONE\n";
std::string file(const std::string& numbers) { return kHead + numbers; }
const std::string kThree = "1 1000 1 3 1 1 2 0 0 0\n1 1 10\n0 45 90\n0\n100 50 0\n";
std::string refusal(const std::string& text) {
  const auto read = readIes(text, "a.ies");
  return read ? std::string("read") : read.error().text();
}

TEST(Ies, IsReadWithItsFactors) {
  const Photometry p = readIes(file("2 500 2 3 1 1 2 0 0 0\n0.9 1 10\n0 45 90\n0\n100 50 0\n"), "a.ies").value();
  EXPECT_EQ(p.format, "LM-63-2002");
  EXPECT_EQ(p.candela, (std::vector<double>{180, 90, 0}));
  EXPECT_EQ(p.stated, 1000);
  EXPECT_EQ(p.watts, 10);
}
TEST(Ies, TheSecondFactorIsOneOfNinetyFiveOnly) {
  const std::string numbers = "1 1000 1 3 1 1 2 0 0 0\n1 0.5 10\n0 45 90\n0\n100 50 0\n";
  EXPECT_EQ(readIes("IESNA:LM-63-1995\nTILT=NONE\n" + numbers, "a").value().candela[0], 50);
  EXPECT_EQ(readIes(kHead + numbers, "a").value().candela[0], 100);
}
TEST(Ies, OfEveryEditionIsKnown) {
  for (const auto& [first, format] :
       {std::pair{"IESNA91\n", "LM-63-1991"}, std::pair{"IESNA:LM-63-1995\n", "LM-63-1995"},
        std::pair{"IES:LM-63-2019\n", "LM-63-2019"}, std::pair{"Some lamp of 1986\n", "LM-63-1986"}})
    EXPECT_EQ(readIes(first + ("TILT=NONE\n" + kThree), "a").value().format, format);
}
TEST(Ies, NumbersMayWrapAnywhere) {
  std::string broken = kThree;
  for (char& c : broken)
    if (c == ' ') c = '\n';
  EXPECT_EQ(readIes(file(broken), "a").value(), readIes(file(kThree), "a").value());
  EXPECT_EQ(readIes(file("1,1000,1,3,1,1,2,0,0,0\n1,1,10\n0,45,90\n0\n100,50,0\n"), "a").value(),
            readIes(file(kThree), "a").value());
}
TEST(Ies, MinusOneLumensIsAbsolute) {
  EXPECT_FALSE(readIes(file("1 -1 1 3 1 1 2 0 0 0\n1 1 10\n0 45 90\n0\n100 50 0\n"), "a").value().stated);
}
TEST(Ies, TiltFactorsAreLeftOutAndSaid) {
  const Photometry p = readIes("IESNA:LM-63-2002\nTILT=INCLUDE\n1\n3\n0 45 90\n1 1 1\n" + kThree, "a").value();
  EXPECT_EQ(p.candela.size(), 3U);
  ASSERT_EQ(p.says.size(), 1U);
}
TEST(Ies, PlanesFromNinetyAreLaidRoundTheCircle) {
  const Photometry p =
      readIes(file("1 -1 1 2 3 1 2 0 0 0\n1 1 1\n0 90\n90 180 270\n100 10 100 20 100 30\n"), "a").value();
  EXPECT_EQ(symmetryOf(p), WebSymmetry::None);
  EXPECT_NEAR(intensityAt(p, 90, 180), 20, 1e-9);
  EXPECT_NEAR(intensityAt(p, 90, 0), 20, 1e-9);
  EXPECT_NEAR(intensityAt(p, 90, 90), 10, 1e-9);
  EXPECT_NEAR(intensityAt(p, 90, 270), 30, 1e-9);
}
TEST(Ies, WhatIsWrittenIsReadTheSame) {
  const Photometry p = readIes(file(kThree), "a").value();
  EXPECT_EQ(readIes(writeIes(p), "b").value(), p);
}

TEST(BadIes, CutOffSaysWhere) {
  EXPECT_EQ(refusal(file("1 1000 1 3 1 1 2 0 0 0\n1 1 10\n0 45 90\n0\n100 50")),
            "a.ies, line 8: ends before a candela value. The file is cut off; fetch it again");
  EXPECT_EQ(refusal("IESNA:LM-63-2002\n"), "a.ies, line 1: has no line TILT=. It is not a photometric file of LM-63");
  EXPECT_EQ(refusal(""), "a.ies, line 0: has no line TILT=. It is not a photometric file of LM-63");
}
TEST(BadIes, AThousandMillionAnglesAreNone) {
  EXPECT_EQ(refusal(file("1 1000 1 1000000000 1 1 2 0 0 0\n")),
            "a.ies, line 4: the number of vertical angles is not a whole number from 1 to 721. The file is damaged");
  EXPECT_NE(refusal(file("1 1000 1 721 721 1 2 0 0 0\n1 1 1\n")).find("has 721 by 721 angles"), std::string::npos);
}
TEST(BadIes, NegativeCandelasAreNone) {
  EXPECT_EQ(refusal(file("1 1000 1 3 1 1 2 0 0 0\n1 1 10\n0 45 90\n0\n100 -50 0\n")),
            "a.ies, line 8: has a negative candela. The file is damaged, or its multiplier is");
}
TEST(BadIes, DecimalCommasAreNamed) {
  EXPECT_NE(refusal(file("1 1000 1 3 1 1 2 0 0 0\n1 1 10\n0 45 90\n0\n100,5 50,5 0,0\n")).find("commas as decimals"),
            std::string::npos);
}
TEST(BadIes, WordsWhereNumbersStandAreNamed) {
  EXPECT_EQ(refusal(file("1 thousand 1 3 1 1 2 0 0 0\n")),
            "a.ies, line 4: has \"thousand\" where the lumens of a lamp stands. The file is damaged; fetch it again");
  EXPECT_NE(refusal(file("1 1000 1 3 1 1 2 0 0 0\n1 1 10\n0 45 90\n0\nnan 50 0\n")), "read");
}
TEST(BadIes, AnglesOfOtherTypesAreRefused) {
  EXPECT_NE(refusal(file("1 1000 1 3 1 2 2 0 0 0\n")).find("type B"), std::string::npos);
  EXPECT_NE(refusal(file("1 1000 1 3 1 1 2 0 0 0\n1 1 10\n0 45 40\n0\n1 1 1\n")).find("does not rise"),
            std::string::npos);
  EXPECT_NE(refusal(file("1 1000 1 2 2 1 2 0 0 0\n1 1 10\n0 90\n0 100\n1 1 1 1\n")).find("horizontal angles"),
            std::string::npos);
}

TEST(JobWithAPhotometricFile, KeepsItInTheArchive) {
  const std::string bytes = file(kThree), name = std::string(kPhotometryFolder) + sha256(bytes);
  Piece p = roundPiece("p", "pendant", 20, 14);
  p.light.edit().photometry = name;
  JobFile job{lit(emptyRoom(), p, "l1", 60, 60, 20), 50, {}};
  job.images[name] = std::make_shared<const Bytes>(bytes);
  const JobFile back = readJobBytes(writeJobBytes(job).value(), "a.mezzet").value();
  ASSERT_TRUE(back.images.contains(name));
  EXPECT_EQ(*back.images.at(name), bytes);
  const Photometries webs = photometriesOf(back.job, back.images);
  ASSERT_TRUE(webs.contains(name));
  EXPECT_EQ(webs.at(name)->candela.size(), 3U);
}
TEST(JobWithAPhotometricFile, NamesItByItsDigest) {
  Piece p = roundPiece("p", "pendant", 20, 14);
  p.light.edit().photometry = "photometry/../../etc";
  const auto read = readJobText(writeJobText(lit(emptyRoom(), p, "l1", 60, 60, 20), 50), "job.json");
  ASSERT_FALSE(read);
  EXPECT_NE(read.error().text().find("is not the name of a photometric file"), std::string::npos);
}
TEST(JobWithLights, AreReadStrictly) {
  const auto refused = [](const std::string& from, const std::string& to) {
    std::string text = writeJobText(hanging(emptyRoom(), 60, 60, 20), 50);
    text.replace(text.find(from), from.size(), to);
    const auto read = readJobText(text, "job.json");
    return read ? std::string("read") : read.error().text();
  };
  EXPECT_NE(refused("\"drop\": 508.0", "\"drop\": -1").find("hangs above the ceiling"), std::string::npos);
  EXPECT_NE(refused("\"ceiling\": {", "\"roof\": {").find("is a key that Mezzet does not know"), std::string::npos);
  EXPECT_NE(refused("\"piece\": \"pendant\"", "\"circuit\": \"k9\", \"piece\": \"pendant\"")
                .find("is on a circuit that is not there: k9"),
            std::string::npos);
  EXPECT_NE(refused("\"kind\": \"pendant\"", "\"light\": {\"lumens\": 0}, \"kind\": \"pendant\"").find("lumens"),
            std::string::npos);
  EXPECT_NE(refused("\"kind\": \"pendant\"", "\"light\": {\"lumens\": 800}, \"kind\": \"sofa\"")
                .find("is only for a light, and this is a sofa"),
            std::string::npos);
}

}  // namespace photometry_test
}  // namespace mezzet
