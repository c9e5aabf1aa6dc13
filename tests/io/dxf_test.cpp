#include "io/tables/dxf.h"

#include <gtest/gtest.h>

#include "io/meter/meter_line.h"
#include "support/rooms.h"

namespace mezzet {
namespace dxf_test {

const LengthFormat kMm = usualFormat(Unit::Millimetre);

std::string group(int code, const std::string& value) { return std::to_string(code) + "\n" + value + "\n"; }
std::string lineEntity(const std::string& layer, double x1, double y1, double x2, double y2) {
  return group(0, "LINE") + group(8, layer) + group(10, std::to_string(x1)) + group(20, std::to_string(y1)) +
         group(11, std::to_string(x2)) + group(21, std::to_string(y2));
}
std::string drawing(const std::string& entities, const std::string& units = "4") {
  std::string out;
  if (!units.empty())
    out += group(0, "SECTION") + group(2, "HEADER") + group(9, "$INSUNITS") + group(70, units) + group(0, "ENDSEC");
  return out + group(0, "SECTION") + group(2, "ENTITIES") + entities + group(0, "ENDSEC") + group(0, "EOF");
}
std::string rectangle(double w = 5000, double h = 3000) {
  return lineEntity("ROOM", 0, 0, w, 0) + lineEntity("ROOM", w, 0, w, h) + lineEntity("ROOM", w, h, 0, h) +
         lineEntity("ROOM", 0, h, 0, 0);
}
std::string refusal(const std::string& bytes) {
  const auto read = readDxf(bytes, "plan.dxf");
  return read ? "" : read.error().text();
}

TEST(Dxf, LinesOnALayerAreAnOutline) {
  const auto read = readDxf(drawing(rectangle()), "plan.dxf");
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_EQ(read->mmPerUnit, 1);
  EXPECT_EQ(read->entities, 4U);
  const auto outline = outlineFromDxf(*read, "ROOM", 1, 5, 0, kMm);
  ASSERT_TRUE(outline) << outline.error().text();
  ASSERT_EQ(outline->corners.size(), 4U);
  EXPECT_EQ(outline->corners[0].at, (Vec2{0, 0}));
  EXPECT_NEAR(outline->corners[2].at.x * outline->corners[2].at.y, 15e6, 1);
}
TEST(Dxf, PolylinesOfBothKindsAreRead) {
  const std::string light = group(0, "LWPOLYLINE") + group(8, "P") + group(90, "4") + group(70, "1") + group(10, "0") +
                            group(20, "0") + group(10, "100") + group(20, "0") + group(10, "100") + group(20, "50") +
                            group(10, "0") + group(20, "50");
  std::string heavy = group(0, "POLYLINE") + group(8, "Q") + group(66, "1") + group(70, "1");
  for (const auto& [x, y] : {std::pair("0", "0"), std::pair("100", "0"), std::pair("100", "50")})
    heavy += group(0, "VERTEX") + group(8, "Q") + group(10, x) + group(20, y);
  heavy += group(0, "SEQEND");
  const auto read = readDxf(drawing(light + heavy, "1"), "plan.dxf");
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_EQ(read->layers.at("P").size(), 4U);
  EXPECT_EQ(read->layers.at("Q").size(), 3U);
  EXPECT_EQ(read->mmPerUnit, kInch);
}
TEST(Dxf, AWithoutAUnitAsks) {
  const auto read = readDxf(drawing(rectangle(), ""), "plan.dxf");
  ASSERT_TRUE(read);
  EXPECT_EQ(read->mmPerUnit, 0);
  EXPECT_EQ(outlineFromDxf(*read, "ROOM", 0, 5, 0, kMm).error().text(), "drawing: does not say its unit. Choose one");
  EXPECT_NEAR(outlineFromDxf(*read, "ROOM", 25.4, 5, 0, kMm)->corners[1].at.x, 5000 * 25.4, 1e-6);
}
TEST(Dxf, WhatIsClosedIsSaid) {
  const std::string open = lineEntity("ROOM", 0, 0, 5000, 0) + lineEntity("ROOM", 5000, 8, 5000, 3000) +
                           lineEntity("ROOM", 5000, 3000, 0, 3000) + lineEntity("ROOM", 0, 3000, 0, 0);
  const auto read = readDxf(drawing(open), "plan.dxf");
  EXPECT_NE(outlineFromDxf(*read, "ROOM", 1, 5, 0, kMm)
                .error()
                .text()
                .find("has no closed outline. Its ends do not meet within 5 mm"),
            std::string::npos);
  const auto outline = outlineFromDxf(*read, "ROOM", 1, 10, 0, kMm);
  ASSERT_TRUE(outline);
  ASSERT_EQ(outline->sentences.size(), 1U);
  EXPECT_EQ(outline->sentences[0], "1 gap was closed, the widest 8 mm; the most that is closed is 10 mm.");
}
TEST(Dxf, OtherThingsAreLeftOutAndSaid) {
  const auto read =
      readDxf(drawing(rectangle() + group(0, "SPLINE") + group(8, "ROOM") + group(73, "999999999")), "plan.dxf");
  ASSERT_TRUE(read);
  EXPECT_EQ(outlineFromDxf(*read, "ROOM", 1, 5, 0, kMm)->sentences.back(),
            "1 other things, such as SPLINE, are no lines and were left out.");
}
TEST(Dxf, CountsThatLieDoNoHarm) {
  for (const char* count : {"-1", "2000000000", "0", "999999999999999999999"}) {
    const std::string liar = group(0, "LWPOLYLINE") + group(8, "P") + group(90, count) + group(70, "1") +
                             group(10, "0") + group(20, "0") + group(10, "10") + group(20, "0") + group(10, "10") +
                             group(20, "10");
    const auto read = readDxf(drawing(liar), "plan.dxf");
    ASSERT_TRUE(read) << read.error().text();
    EXPECT_EQ(read->layers.at("P").size(), 3U) << count;
  }
}
TEST(Dxf, WhatIsNoneIsRefusedInWords) {
  EXPECT_EQ(refusal("hello"), "plan.dxf: is not a drawing exchange file in text form. Save it as ASCII DXF");
  EXPECT_EQ(refusal("AutoCAD Binary DXF\r\n\x1a"), "plan.dxf: is a binary DXF. Save it as ASCII DXF");
  EXPECT_EQ(refusal(drawing("")),
            "plan.dxf: holds no lines, polylines or arcs. Outlines are read from these only; explode blocks first");
  EXPECT_NE(refusal(drawing(rectangle()).substr(0, 200) + "\nbroken\n").find("is not a group of a code and a value"),
            std::string::npos);
  EXPECT_NE(refusal(drawing(group(0, "LINE") + group(8, "P") + group(10, "nan") + group(20, "0") + group(11, "1") +
                            group(21, "1")))
                .find("has a coordinate that is no number"),
            std::string::npos);
}
TEST(Dxf, OfAHundredThousandLinesIsRead) {
  std::string entities;
  for (int i = 0; i < 100'000; ++i) entities += lineEntity("FAR", i, 0, i + 0.5, 10);
  const auto read = readDxf(drawing(entities + rectangle()), "plan.dxf");
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_EQ(read->layers.at("FAR").size(), 100'000U);
  EXPECT_TRUE(outlineFromDxf(*read, "ROOM", 1, 5, 0, kMm));
}
TEST(Dxf, CanBeStopped) {
  std::string entities;
  for (int i = 0; i < 20'000; ++i) entities += lineEntity("FAR", i, 0, i + 0.5, 10);
  std::stop_source stop;
  int told = 0;
  const auto read = readDxf(drawing(entities), "plan.dxf", stop.get_token(), [&](double) {
    if (++told == 2) stop.request_stop();
  });
  ASSERT_FALSE(read);
  EXPECT_EQ(read.error().text(), "plan.dxf: was not read to its end. It was stopped");
}
TEST(Dxf, ArcsAreTakenApart) {
  // A half disc: a line of 200 and the arc over it.
  const std::string arc = group(0, "ARC") + group(8, "P") + group(10, "100") + group(20, "0") + group(40, "100") +
                          group(50, "0") + group(51, "180");
  const auto read = readDxf(drawing(arc + lineEntity("P", 0, 0, 200, 0)), "plan.dxf");
  ASSERT_TRUE(read);
  const auto outline = outlineFromDxf(*read, "P", 10, 1, 0, kMm);
  ASSERT_TRUE(outline) << outline.error().text();
  Polygon p;
  for (const Corner& c : outline->corners) p.push_back(c.at);
  EXPECT_NEAR(signedArea(p), 3.14159265 * 1e6 / 2, 0.01 * 1e6);
}
TEST(Dxf, WrittenComesBackAsTheSameOutline) {
  const Job job = test::with(test::emptyRoom(), test::piece("sofa", "sofa", 84, 36), "p1", 100, 40);
  const auto bytes = writeDxf(job, *job.rooms.front(), job.schemes.front().get(), kMm);

  const auto read = readDxf(bytes, "room.dxf");
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_EQ(read->mmPerUnit, 1);
  EXPECT_EQ(read->layers.at("FURNITURE").size(), 4U);
  const auto outline = outlineFromDxf(*read, "WALLS", 1, 1, 0, kMm);
  ASSERT_TRUE(outline) << outline.error().text();
  EXPECT_NEAR(outline->corners[1].at.x, 222 * kInch, 1e-6);
}

// The library wrote a handle that nobody set where the style had another name.
TEST(Dxf, DimensionsAreLetteredInAStyleThatIsThere) {
  const Job job = test::emptyRoom();
  const std::string bytes = writeDxf(job, *job.rooms.front(), job.schemes.front().get(), kMm);
  const std::size_t style = bytes.find("\nSTYLE\n  5\n"), lettering = bytes.find("\n340\n");
  ASSERT_NE(style, std::string::npos);
  ASSERT_NE(lettering, std::string::npos);
  // The table of styles has a handle of its own, then comes the one style.
  const std::size_t one = bytes.find("\nSTYLE\n  5\n", style + 1);
  ASSERT_NE(one, std::string::npos);
  const auto lineAt = [&](std::size_t at) { return bytes.substr(at, bytes.find('\n', at) - at); };
  EXPECT_EQ(lineAt(lettering + 5), lineAt(one + 11));
}
TEST(Dxf, LayersOfAnyLengthAreRead) {
  for (const std::size_t length : {255U, 1'022U, 1'023U, 1'024U, 1'025U, 4'096U}) {
    const std::string layer(length, 'L');
    const auto read = readDxf(drawing(lineEntity(layer.c_str(), 0, 0, 10, 0)), "plan.dxf");
    ASSERT_TRUE(read) << length;
    EXPECT_EQ(read->layers.begin()->first, std::string(std::min<std::size_t>(length, 255), 'L'));
  }
}
TEST(Dxf, FiguresOfAnyLengthAreRead) {
  const std::string far = "1." + std::string(2'000, '0') + "5";
  const auto read = readDxf(
      drawing(group(0, "LINE") + group(8, "P") + group(10, far) + group(20, "0") + group(11, "9") + group(21, "0")),
      "plan.dxf");
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_EQ(read->layers.at("P")[0].a.x, 1);
}
TEST(Dxf, AnArcOfABillionDegreesTakesNoTime) {
  const std::string arc = group(0, "ARC") + group(8, "P") + group(10, "0") + group(20, "0") + group(40, "100") +
                          group(50, "1000000000") + group(51, "-1000000000");
  const auto read = readDxf(drawing(arc), "plan.dxf");
  ASSERT_TRUE(read);
  EXPECT_LE(read->layers.at("P").size(), 48U);
}
TEST(Dxf, NamesOfItsCodePageAreShownAndFound) {
  const std::string line = lineEntity("W\xE4nde", 0, 0, 10, 0) + lineEntity("T\\U+00FCr", 0, 0, 10, 0) +
                           lineEntity("\xC3\x96l", 0, 0, 10, 0);
  const std::string head =
      group(0, "SECTION") + group(2, "HEADER") + group(9, "$DWGCODEPAGE") + group(3, "ANSI_1252") + group(0, "ENDSEC");
  const auto read = readDxf(head + drawing(line), "plan.dxf");
  ASSERT_TRUE(read) << read.error().text();
  for (const char* shown : {"W\xC3\xA4nde", "T\xC3\xBCr", "\xC3\x96l"})
    EXPECT_EQ(read->layers.count(shown), 1U) << shown;
  const std::string cyrillic =
      group(0, "SECTION") + group(2, "HEADER") + group(9, "$DWGCODEPAGE") + group(3, "ANSI_1251") + group(0, "ENDSEC");
  const auto other = readDxf(cyrillic + drawing(lineEntity("\xD1\xF2\xE5\xED\xE0", 0, 0, 10, 0)), "plan.dxf");
  EXPECT_EQ(other->layers.begin()->first, "\xD0\xA1\xD1\x82\xD0\xB5\xD0\xBD\xD0\xB0");
}
TEST(Dxf, ANameAddsNoGroups) {
  Piece sofa = test::piece("sofa", "sofa", 84, 36);
  sofa.name = "Sofa\n  0\nLINE\n  8\nWALLS^J";
  const Job job = test::with(test::emptyRoom(), sofa, "p1", 100, 40);
  const Bytes bytes = writeDxf(job, *job.rooms.front(), job.schemes.front().get(), kMm);
  EXPECT_NE(bytes.find("Sofa   0 LINE   8 WALLS^ J\n"), std::string::npos);
  EXPECT_EQ(readDxf(bytes, "room.dxf")->layers.at("WALLS").size(), 8U);
}
TEST(Dxf, LettersBeyondAsciiAreWrittenByTheirNumbers) {
  Piece sofa = test::piece("sofa", "sofa", 84, 36);
  sofa.name = "Caf\xC3\xA9";
  const Job job = test::with(test::emptyRoom(), sofa, "p1", 100, 40);
  EXPECT_NE(writeDxf(job, *job.rooms.front(), job.schemes.front().get(), kMm).find("Caf\\U+00E9\n"), std::string::npos);
}
TEST(Dxf, IsMadeWithoutAFolderForTemporaryFiles) {
  ::setenv("TMPDIR", "/nowhere/at/all", 1);
  const Job job = test::emptyRoom();
  const Bytes bytes = writeDxf(job, *job.rooms.front(), nullptr, kMm);
  ::unsetenv("TMPDIR");
  EXPECT_TRUE(bytes.ends_with("  0\nEOF\n"));
  EXPECT_TRUE(readDxf(bytes, "room.dxf").ok());
}

// ---- measuring devices
TEST(MeterLine, IsReadAndWritten) {
  for (const MeterMessage& m : {MeterMessage(MeterHello{MeterKind::Stud, "stand-in"}), MeterMessage(MeterLive{4231.5}),
                                MeterMessage(MeterReading{17, 4231.5, 1.5}), MeterMessage(MeterHit{3, 1219.2, 0.75}),
                                MeterMessage(MeterTrouble{"too far"})}) {
    const std::string line = meterLine(m);
    const auto back = readMeterLine(line.substr(0, line.size() - 1));
    ASSERT_TRUE(back) << line;
    EXPECT_EQ(meterLine(*back), line);
  }
}
class Garbage : public testing::TestWithParam<const char*> {};
TEST_P(Garbage, IsNoMessage) { EXPECT_FALSE(readMeterLine(GetParam())); }
INSTANTIATE_TEST_SUITE_P(MeterLine, Garbage,
                         testing::Values("", "live", "live x", "live -1", "live 1e9", "live nan", "live inf",
                                         "live 12 ", "reading 1 200", "reading 1 200 0", "reading -1 200 1",
                                         "reading 1 0 1", "hit 1 200 2", "hit 1 200", "mezzet-meter 2 laser",
                                         "mezzet-meter 1 kettle", "READING 1 200 1", "live 1,5"));
TEST(MeterLines, ComeTornAndTogether) {
  MeterLines lines;
  EXPECT_TRUE(lines.take("mezzet-meter 1 la").empty());
  const auto both = lines.take("ser x\nlive 12");
  ASSERT_EQ(both.size(), 1U);
  const auto rest = lines.take("34.5\r\nreading 1 1234.5 1\n");
  ASSERT_EQ(rest.size(), 2U);
  EXPECT_EQ(std::get<MeterLive>(rest[0]).value, 1234.5);
  EXPECT_EQ(lines.garbled(), 0U);
}
TEST(MeterLines, EndlessOnesAreDroppedWhole) {
  MeterLines lines;
  EXPECT_TRUE(lines.take(std::string(1'000'000, 'x')).empty());
  EXPECT_TRUE(lines.take("live 5").empty());
  const auto after = lines.take("\nlive 7\n");
  ASSERT_EQ(after.size(), 1U);
  EXPECT_EQ(std::get<MeterLive>(after[0]).value, 7);
  EXPECT_EQ(lines.garbled(), 1U);
}

}  // namespace dxf_test
}  // namespace mezzet
