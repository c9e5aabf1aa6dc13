// The command line on displays, and the re-set sheet read back from its PDF.
#include <gtest/gtest.h>

#include <fstream>
#include <nlohmann/json.hpp>

#include "io/files/job_file.h"
#include "support/displays.h"
#include "support/pdf_lines.h"
#include "support/process.h"
#include "support/temp.h"

namespace mezzet {
namespace display_cli_test {
using namespace test;
using Json = nlohmann::json;

const std::string kCli = MEZZET_BIN_DIR "/mezzet-cli ";

std::string written(const Job& job) {
  const std::string path = ownFile("display.json");
  std::ofstream(path) << writeJobText(job, 99);
  return path;
}
Json answer(const std::string& command) {
  const Answer a = run(kCli + command);
  EXPECT_EQ(a.code, 0) << command << "\n" << a.out;
  return a.code == 0 ? Json::parse(a.out) : Json();
}
Job shelves() {
  Job job = withOneShelf(emptyRoom(), 72, 6);
  DisplaySet eye{"c"};
  eye.eyeHeight = in(61.625);
  eye.eyeDistance = in(60);
  job = withDisplay(job, kDisplayScheme, eye);
  job = on(job, coloured(piece("bowl", "bowl", 4, 4, 3), "#ae8b3f"), "p1", "b1", 10, 8);
  return on(job, coloured(piece("novels", "books", 12, 6, 5), "#232120"), "p2", "b1", 18, 0.5);
}

TEST(DisplayCli, AnswersWhatIsSeenAndMissing) {
  const Json j = answer("display " + written(shelves()) + " --placement c --json");
  EXPECT_EQ(j.at("contract"), 2);
  EXPECT_EQ(j.at("scheme"), "s1");
  ASSERT_EQ(j.at("surfaces").size(), 1u);
  const Json& b = j.at("surfaces")[0];
  EXPECT_EQ(b.at("id"), "b1");
  EXPECT_NEAR(b.at("fill"), 5.0 / 6, 1e-4);
  EXPECT_EQ(b.at("see")[0].at("id"), "p1");
  EXPECT_NEAR(b.at("see")[0].at("share"), 0.539, 5e-4);
  EXPECT_NEAR(j.at("palette")[0].at("share"), 60.0 / 72, 1e-4);
  EXPECT_EQ(j.at("palette")[0].at("srgb"), "#232120");
  EXPECT_TRUE(j.at("balance").is_number());
  EXPECT_TRUE(j.at("missing").is_array());
}
TEST(DisplayCli, SetsItInThreeWays) {
  Job job = withCase(emptyRoom(), 3, 37.5, 12, 50);
  for (int i = 0; i < 7; ++i) {
    const std::string id = "t" + std::to_string(i), at = "p" + std::to_string(i);
    job = on(job, piece(id.c_str(), "box", 9, 7, 9.0 + 0.6 * i), at.c_str(), "b1", 2 * i, 1);
  }
  const std::string out = ownFile("set.json"), path = written(job);
  const Json j = answer("set " + path + " --placement c --seed 4 --out " + out + " --json");
  ASSERT_EQ(j.at("settings").size(), 3u);
  EXPECT_EQ(j.at("settings")[0].at("broken").at("rule"), 0);
  EXPECT_TRUE(j.at("settings")[0].at("left").empty());
  EXPECT_EQ(j.at("settings")[0].at("placements").size(), 7u);
  EXPECT_EQ(j.at("settings")[0].at("placements")[0].at("on").at("placement").at("id"), "c");
  EXPECT_EQ(run(kCli + "validate " + out).code, 0);
  EXPECT_EQ(j, answer("set " + path + " --placement c --seed 4 --json"));
}
TEST(DisplayCli, CutsFromAFile) {
  const std::string path = ownFile("cuts.txt");
  std::ofstream(path) << "# two ledges\n1200,2,shelf\n900\n";
  const Json j = answer("cuts " + path + " --stock 2438.4,3048 --kerf 3.175 --json");
  EXPECT_EQ(j.at("bound"), 2);
  EXPECT_EQ(j.at("bars").size(), 2u);
  std::ofstream(path) << R"([1200, {"length": 900, "count": 2}])";
  EXPECT_EQ(answer("cuts " + path + " --stock 3100 --kerf 0 --json").at("bars").size(), 1u);
  std::ofstream(path) << "1200,two\n";
  const Answer bad = run(kCli + "cuts " + path + " --stock 3100 --kerf 0 2>&1");
  EXPECT_EQ(bad.code, 2);
  EXPECT_NE(bad.out.find("line 1"), std::string::npos) << bad.out;
  EXPECT_EQ(run(kCli + "cuts " + path + " --stock 3100 --kerf -4 2>&1").code, 2);
}
TEST(DisplayCli, TellsColoursApart) {
  const Json j = answer("colour '#808080' 50,2.6772,-79.7751 --json");
  EXPECT_NEAR(j.at("lab")[0][0], 53.585, 5e-3);
  EXPECT_NEAR(answer("colour 50,2.6772,-79.7751 50,0,-82.7485 --json").at("deltaE00"), 2.0425, 1e-4);
  const Answer bad = run(kCli + "colour blueish '#000000' 2>&1");
  EXPECT_EQ(bad.code, 2);
  EXPECT_NE(bad.out.find("is no colour"), std::string::npos) << bad.out;
}
TEST(DisplayCli, FindsAPicturesColours) {
  const Json j = answer("palette " MEZZET_SOURCE_DIR "/docs/screenshots/floor.png --colours 4 --json");
  ASSERT_GE(j.at("colours").size(), 2u);
  ASSERT_LE(j.at("colours").size(), 4u);
  double sum = 0;
  for (const Json& c : j.at("colours")) sum += c.at("share").get<double>();
  EXPECT_NEAR(sum, 1, 1e-3);
  const std::string broken = ownFile("broken.png");
  std::ofstream(broken) << "\x89PNG no more";
  const Answer bad = run(kCli + "palette " + broken + " --json 2>&1");
  EXPECT_EQ(bad.code, 2);
  EXPECT_NE(bad.out.find("no picture that can be read"), std::string::npos) << bad.out;
}
TEST(DisplayCli, SaysHowAShelfSags) {
  Job job = withOneShelf(emptyRoom(), 19, 18, 60, 11);
  Piece p = *findPiece(job, PieceId("case"));
  p.surfaces.edit().all[0].material = Board::RedOak;
  const Json j = answer("shelf " + written(withPiece(job, p).value()) + " --placement c --json");
  EXPECT_NEAR(j.at("sag").at("inTime"), 13.8, 0.05);
  EXPECT_NEAR(j.at("sag").at("limit"), 7.74, 0.01);
  EXPECT_TRUE(j.at("screws").empty());
}
TEST(DisplayCli, RefusesInWords) {
  const std::string path = written(shelves());
  EXPECT_EQ(run(kCli + "display " + path + " --placement nothing 2>&1").code, 2);
  EXPECT_EQ(run(kCli + "set " + path + " --placement c --things p9 2>&1").code, 2);
}

TEST(WantedSheet, IsAListForTheShop) {
  const std::string path = written(shelves()), pdf = ownFile("wanted.pdf");
  const Answer a = run(kCli + "sheet " + path + " --kind wanted --paper letter --out " + pdf + " 2>&1");
  ASSERT_EQ(a.code, 0) << a.out;
  const std::string text = run("pdftotext -layout " + pdf + " -").out;
  EXPECT_NE(text.find("Still wanted, lengths in inches"), std::string::npos) << text;
  EXPECT_NE(text.find("Half an inch is visible"), std::string::npos) << text;
}

/// Where every thing stands, as the sheet's words say, is where it stands in the job.
TEST(ResetSheet, SaysWhereEverythingStands) {
  const std::string path = written(shelves()), pdf = ownFile("reset.pdf");
  const Answer a = run(kCli + "sheet " + path + " --kind display:c --scale 1:12 --paper letter --for installer --out " +
                       pdf + " 2>&1");
  ASSERT_EQ(a.code, 0) << a.out;
  const std::string text = run("pdftotext -layout " + pdf + " -").out;
  EXPECT_NE(text.find("Bowl (brass): 10 in from the left, 8 in behind the edge"), std::string::npos) << text;
  EXPECT_NE(text.find("Novels (black): 18 in from the left, 1/2 in behind the edge"), std::string::npos) << text;
  // The case is drawn to scale: its width of 36 in is 76.2 mm of paper.
  double widest = 0;
  for (const PdfLine& l : linesOf(pdf))
    if (std::abs(l.a.y - l.b.y) < 0.05 && std::abs(l.length() - 76.2) < 0.1) widest = l.length();
  EXPECT_NEAR(widest, 76.2, 0.1);
  EXPECT_EQ(run(kCli + "sheet " + path + " --kind display:p1 --scale 1:12 --paper letter --out " + pdf + " 2>&1").code,
            2);
}

}  // namespace display_cli_test
}  // namespace mezzet
