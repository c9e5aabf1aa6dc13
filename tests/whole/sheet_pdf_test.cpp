// The printed sheet, read back with a separate tool (poppler): lengths on paper, page size, fonts.
#include <algorithm>
#include <cmath>
#include <fstream>
#include <regex>
#include <sstream>

#include "io/files/job_file.h"
#include "support/pdf_lines.h"
#include "support/process.h"
#include "support/rooms.h"
#include "support/temp.h"

namespace mezzet {
namespace sheet_pdf_test {
using namespace test;

class SheetPdf : public testing::Test {
 protected:
  /// A plan of a room 222 in wide and 150 in deep.
  std::string print(const std::string& scale, const std::string& paper) {
    const std::string job = test::ownFile("sheet-job.json"), pdf = test::ownFile("sheet.pdf");
    std::ofstream(job) << writeJobText(with(emptyRoom(222, 150), piece("case", "sideboard", 84, 36), "p1", 111, 40), 9);
    const Answer a = run(std::string(MEZZET_BIN_DIR) + "/mezzet-cli sheet " + job + " --kind plan --scale " + scale +
                         " --paper " + paper + " --out " + pdf + " 2>&1");
    EXPECT_EQ(a.code, 0) << a.out;
    return pdf;
  }
};

TEST_F(SheetPdf, AWallOf222InchesIs117Point475MillimetresAt48) {
  const auto lines = linesOf(print("1:48", "letter"));
  EXPECT_GE(linesOfLength(lines, 117.475, 0.2), 2);  // the wall and its dimension line
  EXPECT_GE(linesOfLength(lines, 79.375, 0.2), 2);   // 150 in
  EXPECT_GE(linesOfLength(lines, 44.45, 0.2), 2);    // the sideboard's 84 in
}
TEST_F(SheetPdf, TheSameWallAtOtherScales) {
  EXPECT_GE(linesOfLength(linesOf(print("1:50", "a4")), 222 * 25.4 / 50, 0.2), 2);
  EXPECT_GE(linesOfLength(linesOf(print("1:24", "a3")), 222 * 25.4 / 24, 0.2), 2);
}
TEST_F(SheetPdf, TheCheckBarIsFourInches) { EXPECT_GE(linesOfLength(linesOf(print("1:48", "letter")), 101.6, 0.2), 1); }
TEST_F(SheetPdf, ThePageIsTheSizeOfThePaper) {
  const std::string info = run("pdfinfo " + print("1:48", "letter")).out;
  EXPECT_NE(info.find("612 x 792 pts (letter)"), std::string::npos) << info;
}
TEST_F(SheetPdf, CarriesOnlyTheShippedLettering) {
  const std::string fonts = run("pdffonts " + print("1:48", "letter")).out;
  EXPECT_NE(fonts.find("RoutedGothic"), std::string::npos) << fonts;
  EXPECT_EQ(std::count(fonts.begin(), fonts.end(), '\n'), 3) << fonts;  // two lines of heading and one font
}
TEST_F(SheetPdf, SaysTheScaleAndTheLengths) {
  const std::string text = run("pdftotext -layout " + print("1:48", "letter") + " -").out;
  for (const char* word : {"1/4 in = 1 ft (1:48)", "222 in", "150 in", "Print at 100 %, measure this: 4 in"})
    EXPECT_NE(text.find(word), std::string::npos) << word << "\n" << text;
}

}  // namespace sheet_pdf_test
}  // namespace mezzet
