// The printed sheet, read back with a separate tool (poppler): lengths on paper, page size, fonts.
#include <algorithm>
#include <cmath>
#include <fstream>
#include <regex>
#include <sstream>

#include "io/files/job_file.h"
#include "support/process.h"
#include "support/rooms.h"
#include "support/temp.h"

namespace mezzet {
namespace {
using namespace test;

struct Line {
  Vec2 a, b;
  [[nodiscard]] double length() const { return distance(a, b); }
};

double number(const std::string& text) {
  double value = 0;
  std::istringstream in(text);
  in.imbue(std::locale::classic());
  in >> value;
  return value;
}

/// Every straight stroke and polygon edge of a PDF page in mm of paper, as poppler draws it.
std::vector<Line> linesOf(const std::string& pdf) {
  const std::string svg = pdf + ".svg";
  EXPECT_EQ(run("pdftocairo -svg " + pdf + " " + svg).code, 0);
  std::ifstream in(svg);
  std::ostringstream text;
  text << in.rdbuf();
  const std::string all = text.str();
  std::vector<Line> out;
  const std::regex pathTag("<path[^>]*>"), dAttribute(" d=\"([^\"]*)\""), matrix("transform=\"matrix\\(([^)]*)\\)\""),
      token("([MLHVCZ])|(-?[0-9.]+(?:e-?[0-9]+)?)");
  constexpr double kMmPerPoint = 25.4 / 72;
  for (std::sregex_iterator tag(all.begin(), all.end(), pathTag), end; tag != end; ++tag) {
    const std::string element = tag->str();
    std::smatch d, m;
    if (!std::regex_search(element, d, dAttribute)) continue;
    double t[6] = {1, 0, 0, 1, 0, 0};
    if (std::regex_search(element, m, matrix)) {
      std::string values = m[1];
      std::replace(values.begin(), values.end(), ',', ' ');
      std::istringstream parts(values);
      for (double& v : t) parts >> v;
    }
    const auto place = [&](double x, double y) {
      return Vec2{(t[0] * x + t[2] * y + t[4]) * kMmPerPoint, (t[1] * x + t[3] * y + t[5]) * kMmPerPoint};
    };
    const std::string path = d[1];
    Vec2 here, start;
    char command = 0;
    std::vector<double> values;
    for (std::sregex_iterator tk(path.begin(), path.end(), token); tk != end; ++tk) {
      const std::string word = tk->str();
      if (word.size() == 1 && std::isalpha(static_cast<unsigned char>(word[0]))) {
        command = word[0];
        values.clear();
        if (command == 'Z') out.push_back({here, start});
        continue;
      }
      values.push_back(number(word));
      if (command == 'C' && values.size() == 6) {
        here = place(values[4], values[5]);
        values.clear();
      } else if ((command == 'M' || command == 'L') && values.size() == 2) {
        const Vec2 next = place(values[0], values[1]);
        if (command == 'L') out.push_back({here, next});
        else start = next;
        here = next;
        values.clear();
        command = 'L';
      }
    }
  }
  return out;
}

int linesOfLength(const std::vector<Line>& lines, double mm, double within) {
  return static_cast<int>(
      std::count_if(lines.begin(), lines.end(), [&](const Line& l) { return std::abs(l.length() - mm) <= within; }));
}

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

}  // namespace
}  // namespace mezzet
