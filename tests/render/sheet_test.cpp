// Sheets in the formats that are sent to clients.
#include <gtest/gtest.h>

#include <QPageSize>
#include <QRegularExpression>

#include "core/survey/room_survey.h"
#include "render/pdf.h"
#include "support/rooms.h"

namespace mezzet {
namespace sheet_test {
using namespace test;

Job furnished() {
  return hung(with(emptyRoom(), piece("sofa", "sofa", 84, 36, 34), "p1", 111, 19, 180), "print", "p2", 56, 24, 111, 58);
}
Sheet sheetOf(const char* kind, SheetVersion version = SheetVersion::Client) {
  static const Job job = furnished();
  const SheetRequest request{findPaper("a3"), 0, {LengthStyle::Inches, 16}, "2026-01-01", version};
  return composeSheet(job, *job.rooms.front(), job.schemes.front().get(), *sheetKind(kind), request).value();
}

// Source: Qt's own table of page sizes (PWG and ISO), independent of ours.
TEST(Papers, AgreeWithQtsTable) {
  const std::pair<const char*, QPageSize::PageSizeId> known[] = {
      {"letter", QPageSize::Letter}, {"tabloid", QPageSize::Tabloid}, {"a4", QPageSize::A4},
      {"a3", QPageSize::A3},         {"a2", QPageSize::A2},           {"arch-d", QPageSize::ArchD}};
  EXPECT_EQ(papers().size(), std::size(known));
  for (const auto& [id, size] : known) {
    const QSizeF mm = QPageSize::size(size, QPageSize::Millimeter);
    EXPECT_NEAR(findPaper(id)->width, mm.width(), 0.1) << id;
    EXPECT_NEAR(findPaper(id)->height, mm.height(), 0.1) << id;
  }
}

TEST(Svg, HasItsTrueSizeAndNoText) {
  const QString svg = QString::fromUtf8(sheetSvg(sheetOf("wall:A"), "Test", nullptr));
  EXPECT_TRUE(svg.contains(QStringLiteral("width=\"297mm\"")) || svg.contains(QStringLiteral("width=\"420mm\"")));
  EXPECT_FALSE(svg.contains(QStringLiteral("<text")));
  EXPECT_GT(svg.count(QStringLiteral("<path")), 20);
}
TEST(Png, SaysItsResolution) {
  const QImage image = QImage::fromData(sheetPng(sheetOf("plan"), 200, nullptr));
  ASSERT_FALSE(image.isNull());
  EXPECT_NEAR(image.dotsPerMeterX() * 0.0254, 200, 0.1);
}

std::string lettering(const Sheet& sheet) {
  std::string all;
  for (const Item& item : sheet.drawing.items)
    if (const auto* text = std::get_if<TextItem>(&item.shape)) all += text->text + "\n";
  return all;
}
TEST(InstallerSheet, CarriesWhatIsSetOut) {
  EXPECT_NE(lettering(sheetOf("wall:A", SheetVersion::Installer)).find("58 in"), std::string::npos);
  EXPECT_EQ(lettering(sheetOf("wall:A")).find("58 in"), std::string::npos);
  EXPECT_NE(lettering(sheetOf("plan", SheetVersion::Installer)).find("1  Sofa: 1 in to wall A, 69 in to wall B"),
            std::string::npos);
}
TEST(EverySheet, IsFreeOfDoubtsAndRules) {
  for (const char* kind : {"plan", "wall:A", "schedule"})
    for (const SheetVersion version : {SheetVersion::Client, SheetVersion::Installer}) {
      const std::string words = lettering(sheetOf(kind, version));
      for (const char* banned : {"\xC2\xB1", "margin", "school", "short", "reach"})
        EXPECT_EQ(words.find(banned), std::string::npos) << kind << banned;
    }
}
TEST(LargestThatFits, IsTheFirstScaleThatFits) {
  EXPECT_EQ(sheetOf("wall:A").scale, 24);
  Job job = furnished();
  const SheetRequest letter{findPaper("letter"), 0, {}, ""}, a2{findPaper("a2"), 0, {}, ""};
  EXPECT_EQ(composeSheet(job, *job.rooms.front(), nullptr, {}, letter)->scale, 32);
  // Of the scales that a ruler of the job's unit has.
  EXPECT_EQ(composeSheet(job, *job.rooms.front(), nullptr, {}, a2)->scale, 24);
  job.units = Unit::Millimetre;
  EXPECT_EQ(composeSheet(job, *job.rooms.front(), nullptr, {}, a2)->scale, 20);
}
TEST(Schedule, OfManyPiecesTakesPages) {
  Job job = emptyRoom();
  for (int i = 0; i < 90; ++i)
    job =
        with(job, piece(("q" + std::to_string(i)).c_str(), "lamp", 10, 10), ("p" + std::to_string(i)).c_str(), 50, 50);
  const SheetRequest request{findPaper("letter"), 48, {}, ""};
  const SheetKind kind = *sheetKind("schedule");
  const int pages = pagesOf(job, *job.rooms.front(), job.schemes.front().get(), kind, request);
  EXPECT_GT(pages, 2);
  std::string words;
  for (int page = 0; page < pages; ++page)
    words += lettering(composeSheet(job, *job.rooms.front(), job.schemes.front().get(), kind, request, page).value());
  for (int i = 0; i < 90; ++i) EXPECT_NE(words.find("Q" + std::to_string(i) + "\n"), std::string::npos) << i;
}

TEST(FieldSheet, HasBlanksForWhatIsMissingAndTheNextCornerPair) {
  IdSource ids(1);
  Room room = *emptyRoom().rooms.front();
  room.survey = recordOf({{222 * kInch, ""}, {150 * kInch, ""}, {std::nullopt, ""}, {150 * kInch, ""}}, ids);
  const Job job = withRoom(emptyRoom(), surveyed(room).value()).value();
  const SheetRequest request{findPaper("letter"), 48, {LengthStyle::Inches, 16}, ""};
  const std::string words =
      lettering(composeSheet(job, *job.rooms.front(), nullptr, *sheetKind("field"), request).value());
  EXPECT_NE(words.find("A to B:  222 in, again\n"), std::string::npos) << words;
  EXPECT_NE(words.find("C to D:\n"), std::string::npos) << words;
  EXPECT_NE(words.find("..........\n"), std::string::npos) << words;
  EXPECT_NE(words.find(", worth most:\n"), std::string::npos) << words;
}

}  // namespace sheet_test
}  // namespace mezzet
