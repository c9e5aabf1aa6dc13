// The command line on light: light, photometry, downlights, the ceiling's sheets.
#include <gtest/gtest.h>

#include <fstream>
#include <nlohmann/json.hpp>

#include "io/files/job_file.h"
#include "support/lights.h"
#include "support/process.h"
#include "support/temp.h"

namespace mezzet {
namespace light_cli_test {
using namespace test;
using Json = nlohmann::json;

const std::string kCli = MEZZET_BIN_DIR "/mezzet-cli ";
const std::string kCosine = MEZZET_SOURCE_DIR "/fuzz/corpus/photometry/cosine.ies";

std::string written(const Job& job, const char* name = "light.json") {
  const std::string path = ownFile(name);
  std::ofstream(path) << writeJobText(job, 99);
  return path;
}
Json answer(const std::string& command) {
  const Answer a = run(kCli + command);
  EXPECT_EQ(a.code, 0) << command;
  return Json::parse(a.out);
}

TEST(LightCli, PhotometryAnswersInItsShape) {
  const Json j = answer("photometry " + kCosine + " --json");
  EXPECT_NEAR(j.at("lumens"), 3141.595, 1e-3);
  EXPECT_EQ(j.at("stated"), 3141.593);
  EXPECT_EQ(j.at("peak"), 1000);
  EXPECT_NEAR(j.at("beam"), 120, 1e-3);
  EXPECT_EQ(j.at("symmetry"), "rotational");
  EXPECT_EQ(j.at("planes"), 1);
  EXPECT_EQ(j.at("angles"), 10);
  EXPECT_EQ(j.at("absolute"), false);
  EXPECT_TRUE(j.at("says").empty());
}
TEST(LightCli, APhotometricFileThatIsNoneIsRefusedInASentence) {
  const std::string path = ownFile("cut.ies");
  std::ofstream(path) << "IESNA:LM-63-2002\nTILT=NONE\n1 1000 1 3 1 1";
  const Answer a = run(kCli + "photometry " + path + " --json 2>&1");
  EXPECT_EQ(a.code, 2);
  EXPECT_NE(a.out.find("line 3: ends before the unit. The file is cut off; fetch it again"), std::string::npos)
      << a.out;
}
TEST(LightCli, LightAnswersInItsShape) {
  Piece p = roundPiece("pendant", "pendant", 20, 14);
  p.light.edit().lumens = 800;
  Job job = lit(with(emptyRoom(), table(), "t", 111, 75), p, "l1", 111, 75, 33);
  job = hung(job, "pic", "a1", 30, 24, 60, 58);
  Scheme s = scheme(job);
  s.tasks.push_back({TaskId("t1"), "dining", PlacementId("t")});
  s.circuits.push_back({CircuitId("k1"), "B"});
  s.placements[1].circuit = CircuitId("k1");
  const std::string path = written(withScheme(job, s));
  const Json j = answer("light " + path + " --json");
  EXPECT_EQ(j.at("contract"), 2);
  EXPECT_EQ(j.at("room"), "parlour");
  EXPECT_EQ(j.at("scheme"), "s1");
  EXPECT_EQ(j.at("plane"), 760);
  EXPECT_EQ(j.at("maintenance"), 0.8);
  ASSERT_FALSE(j.at("points").empty());
  double sum = 0, least = 1e9, most = 0;
  for (const Json& point : j.at("points")) {
    sum += point[2].get<double>();
    least = std::min(least, point[2].get<double>());
    most = std::max(most, point[2].get<double>());
  }
  EXPECT_NEAR(j.at("average"), sum / static_cast<double>(j.at("points").size()), 1e-3);
  EXPECT_NEAR(j.at("least"), least, 1e-9);
  EXPECT_NEAR(j.at("most"), most, 1e-9);
  EXPECT_NEAR(j.at("average").get<double>(), j.at("direct").get<double>() + j.at("indirect").get<double>(), 1e-3);
  EXPECT_NEAR(j.at("evenness").get<double>(), least / j.at("average").get<double>(), 1e-4);
  EXPECT_EQ(j.at("tasks")[0].at("id"), "t1");
  EXPECT_EQ(j.at("tasks")[0].at("asked"), 150);
  EXPECT_EQ(j.at("art")[0].at("group"), Json::array({"a1"}));
  EXPECT_EQ(j.at("art")[0].at("lx").size(), 5U);
  EXPECT_EQ(j.at("fixtures")[0].at("id"), "l1");
  EXPECT_NEAR(j.at("fixtures")[0].at("underside"), in(63), 1e-3);
  EXPECT_NEAR(j.at("fixtures")[0].at("rod"), in(19), 1e-3);
  EXPECT_EQ(j.at("fixtures")[0].at("circuit"), "k1");
  EXPECT_EQ(answer("light " + path + " --circuit B --json").at("circuits"), Json::array({"k1"}));
  EXPECT_EQ(run(kCli + "light " + path + " --circuit Q 2>&1").code, 2);
}
TEST(LightCli, LightOfTheSameJobIsTheSameText) {
  const std::string path = written(laid(emptyRoom(), 2, 3, 36));
  EXPECT_EQ(run(kCli + "light " + path + " --json").out, run("LC_ALL=C " + kCli + "light " + path + " --json").out);
}
TEST(LightCli, DownlightsAnswersInItsShape) {
  const std::string path = written(emptyRoom(144, 168));
  const Json j = answer("downlights " + path + " --json");
  EXPECT_EQ(j.at("count"), 8);
  EXPECT_EQ(j.at("rows").get<int>() * j.at("columns").get<int>(), 8);
  EXPECT_EQ(j.at("at").size(), 8U);
  EXPECT_NEAR(j.at("areaEach").get<double>() / (304.8 * 304.8), 21, 1e-4);
  EXPECT_NEAR(j.at("offset").at("wall:A"), in(36), 1e-3);
  EXPECT_EQ(answer("downlights " + path + " --count 6 --school b --json").at("count"), 6);
  EXPECT_EQ(run(kCli + "downlights " + path + " --school c 2>&1").code, 2);
  EXPECT_EQ(run(kCli + "downlights " + path + " --count 0 2>&1").code, 2);
}
TEST(LightCli, DownlightsWritesAJobThatValidateTakes) {
  const std::string path = written(emptyRoom(144, 168)), out = ownFile("laid.mezzet");
  ASSERT_EQ(run(kCli + "downlights " + path + " --count 6 --out " + out).code, 0);
  EXPECT_EQ(run(kCli + "validate " + out).code, 0);
  const Json check = Json::parse(run(kCli + "check " + out + " --json").out);
  bool told = false;
  for (const Json& f : check.at("findings"))
    if (f.at("rule") == "downlight-count") {
      told = true;
      EXPECT_EQ(f.at("view"), "ceiling");
      EXPECT_EQ(f.at("unit"), "mm2");
      EXPECT_NEAR(f.at("margin"), -278709.12, 0.01);
      EXPECT_TRUE(f.at("marginMm").is_null());
    }
  EXPECT_TRUE(told);
}
TEST(LightCli, TheListOfLightsIsACsvFile) {
  const std::string path = written(laid(emptyRoom(), 2, 3, 36)), out = ownFile("lights.csv");
  ASSERT_EQ(run(kCli + "sheet " + path + " --kind fixtures --out " + out).code, 0);
  std::ifstream file(out);
  std::string head, first;
  std::getline(file, head);
  std::getline(file, first);
  EXPECT_EQ(head.find("No.,Light,Mount,Wall 1,From wall 1 (in)"), 0U) << head;
  EXPECT_EQ(first.find("1,Down 1,recessed,A,36,D,36,96"), 0U) << first;
}
TEST(LightCli, TheCeilingIsASheetAndSaysThatItIsSeenFromAbove) {
  const std::string path = written(laid(emptyRoom(), 2, 3, 36)), out = ownFile("ceiling.pdf");
  ASSERT_EQ(run(kCli + "sheet " + path + " --kind ceiling --for installer --scale fit --out " + out).code, 0);
  const std::string text = run("pdftotext " + out + " -").out;
  EXPECT_NE(text.find("Ceiling seen from above"), std::string::npos);
  EXPECT_NE(text.find("36 in to wall A"), std::string::npos) << text;
  EXPECT_NE(text.find("Diagonals to check"), std::string::npos);
  EXPECT_NE(text.find("licensed electrician"), std::string::npos);
}

}  // namespace light_cli_test
}  // namespace mezzet
