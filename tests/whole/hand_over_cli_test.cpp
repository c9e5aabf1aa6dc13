// The command line on handing over, and packs read back with a separate tool (poppler).
#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>
#include <nlohmann/json.hpp>
#include <regex>
#include <set>
#include <sstream>

#include "io/files/file_system.h"
#include "io/files/job_file.h"
#include "io/tables/csv.h"
#include "support/pdf_lines.h"
#include "support/process.h"
#include "support/temp.h"

namespace mezzet {
namespace hand_over_cli_test {
using namespace test;
using Json = nlohmann::json;

const std::string kTool = MEZZET_BIN_DIR "/mezzet-cli ", kHouse = MEZZET_DEMO;

std::string said(const std::string& command) {
  const Answer a = run(kTool + command + " 2>/dev/null");
  EXPECT_EQ(a.code, 0) << command << "\n" << a.out;
  return a.out;
}
/// The job.json of the demo, to be changed.
Json house() {
  const auto file = readJobBytes(readFile(kHouse, 1 << 26).value(), "demo");
  return Json::parse(writeJobText(file->job, file->nextId));
}
std::string written(const Json& job, const char* name) {
  const std::string path = ownFile(name);
  std::ofstream(path) << job.dump();
  return path;
}

TEST(HandOverCli, DeliveryAnswersByLegAndSlack) {
  const Json answer = Json::parse(said("delivery " + kHouse + " --json"));
  EXPECT_EQ(answer["contract"], 2);
  ASSERT_GT(answer["pieces"].size(), 20u);
  std::string last;
  for (const Json& p : answer["pieces"]) {
    EXPECT_LT(last, p["piece"].get<std::string>());
    last = p["piece"];
    if (p["verdict"].is_null()) continue;
    const double spare = p["spare"];
    EXPECT_EQ(p["verdict"], spare < -0.01 ? "no" : spare < 50.79 ? "tight" : "goes") << p;
    EXPECT_EQ(p["leg"].is_null(), p["verdict"] == "goes") << p;
    EXPECT_EQ(p["orientation"].is_null(), p["verdict"] == "no") << p;
  }
  const Json one = Json::parse(said("delivery " + kHouse + " --piece armchair --json"));
  ASSERT_EQ(one["pieces"].size(), 1u);
  EXPECT_EQ(one["pieces"][0]["verdict"], "tight");
  EXPECT_NEAR(one["pieces"][0]["spare"], 25.4, 1e-3);
  EXPECT_EQ(run(kTool + "delivery " + kHouse + " --piece nothing 2>/dev/null").code, 2);
}
TEST(HandOverCli, DeliveryNeedsAWay) {
  Json job = house();
  job.erase("delivery");
  const Answer a = run(kTool + "delivery " + written(job, "no-way.json") + " --json 2>&1");
  EXPECT_EQ(a.code, 2);
  EXPECT_NE(a.out.find("has no way in"), std::string::npos) << a.out;
}
TEST(HandOverCli, DatesAreThePagesOwnShape) {
  const std::string ics = ownFile("house.ics"), csv = ownFile("house.csv");
  const Json answer =
      Json::parse(said("dates " + kHouse + " --from 2027-02-01 --ics " + ics + " --csv " + csv + " --json"));
  std::set<std::string> ids;
  for (const Json& t : answer["tasks"]) ids.insert(t["id"].get<std::string>());
  EXPECT_EQ(ids.size(), answer["tasks"].size());
  std::string end;
  for (const Json& t : answer["tasks"]) {
    EXPECT_LE(t["start"], t["end"]);
    EXPECT_EQ(t["critical"], t["float"] == 0);
    for (const Json& before : t["after"]) EXPECT_TRUE(ids.contains(before));
    end = std::max(end, t["end"].get<std::string>());
  }
  EXPECT_EQ(answer["end"], end);
  const auto rows = readCsv(readFile(csv, 1 << 20).value(), csv);
  ASSERT_TRUE(rows.ok());
  EXPECT_EQ(rows->size(), answer["tasks"].size() + 1);
  EXPECT_NE(readFile(ics, 1 << 20).value().find("BEGIN:VCALENDAR"), std::string::npos);
  Json job = house();
  job.erase("starts");
  const std::string path = written(job, "no-start.json");
  EXPECT_EQ(run(kTool + "dates " + path + " 2>/dev/null").code, 2);
  EXPECT_EQ(run(kTool + "dates " + path + " --from 2027-02-30 2>/dev/null").code, 2);
  EXPECT_EQ(run(kTool + "dates " + path + " --from 2027-02-01 2>/dev/null").code, 0);
}
TEST(HandOverCli, ChangesGoBothWays) {
  const Json there = Json::parse(said("changes " + kHouse + " --from s1 --to s2 --json")),
             back = Json::parse(said("changes " + kHouse + " --from s2 --to s1 --json"));
  ASSERT_GT(there["changes"].size(), 3u);
  ASSERT_EQ(there["changes"].size(), back["changes"].size());
  std::multiset<std::string> one, other;
  for (const Json& c : there["changes"]) one.insert(c["what"].get<std::string>() + c["from"].dump() + c["to"].dump());
  for (const Json& c : back["changes"]) {
    if (c["from"].is_null() || c["to"].is_null()) continue;
    EXPECT_TRUE(one.contains(c["what"].get<std::string>() + c["to"].dump() + c["from"].dump())) << c;
  }
  EXPECT_TRUE(Json::parse(said("changes " + kHouse + " --from s1 --to s1 --json"))["changes"].empty());
  EXPECT_EQ(run(kTool + "changes " + kHouse + " --from s1 --to s3 2>/dev/null").code, 2);
  EXPECT_EQ(run(kTool + "changes " + kHouse + " --from s1 --to s999 2>/dev/null").code, 2);
}
TEST(HandOverCli, AnIssueIsRecorded) {
  const std::string out = ownFile("issued.mezzet");
  said("issue " + kHouse + " --for installer --date 2026-12-01 --out " + out);
  const auto file = readJobBytes(readFile(out, 1 << 26).value(), out);
  ASSERT_TRUE(file.ok());
  ASSERT_EQ(file->job.records->issues.size(), 2u);
  EXPECT_EQ(file->job.records->issues[1].number, 2);
  EXPECT_FALSE(file->job.records->issues[1].changes.empty());
  EXPECT_EQ(run(kTool + "validate " + out + " 2>/dev/null").code, 0);
  const std::string text = ownFile("issued.pdf");
  said("sheet " + out + " --kind plan --scale fit --out " + text);
  EXPECT_NE(run("pdftotext -layout " + text + " -").out.find("Issue 2, 2026-12-01"), std::string::npos);
}

class PackRead : public testing::TestWithParam<std::pair<const char*, const char*>> {};
TEST_P(PackRead, IsWholeToAnotherReader) {
  const auto [reader, paper] = GetParam();
  const std::string pdf = ownFile(std::string("pack-") + reader + ".pdf");
  const std::string answer = said("pack " + kHouse + " --for " + reader + " --paper " + paper + " --out " + pdf);
  std::smatch match;
  ASSERT_TRUE(std::regex_search(answer, match, std::regex("([0-9]+) sheets")));
  const int pages = std::stoi(match[1]);
  const std::string info = run("pdfinfo " + pdf).out;
  EXPECT_NE(info.find("Pages:           " + std::to_string(pages)), std::string::npos) << info;
  EXPECT_NE(info.find(std::string(paper) == "a4" ? "(A4)" : "(letter)"), std::string::npos) << info;
  for (int page = 1; page <= pages; ++page) {
    const std::string text =
        run("pdftotext -layout -f " + std::to_string(page) + " -l " + std::to_string(page) + " " + pdf + " -").out;
    // Some words stand upright, and come in pieces: without blanks they are found all the same.
    const std::string close = std::regex_replace(text, std::regex("\\s"), "");
    EXPECT_NE(close.find("sheet" + std::to_string(page) + "of" + std::to_string(pages)), std::string::npos) << text;
    EXPECT_NE(close.find("Printat100%,measurethis"), std::string::npos) << text;
    EXPECT_NE(close.find("SoundingLineRooms"), std::string::npos) << text;
    EXPECT_GT(close.size(), 200u) << "sheet " << page << " is empty: " << text;
  }
  // The check bar of the cover is as long as it says.
  EXPECT_GE(linesOfLength(linesOf(pdf), 101.6, 0.2), 1);
  // Bookmarks, as another program lists them.
  const std::string xml = pdf + ".xml";
  run("pdftohtml -xml -i -q " + pdf + " " + xml);
  std::ifstream in(xml);
  std::ostringstream all;
  all << in.rdbuf();
  const std::string marks = all.str();
  EXPECT_NE(marks.find("<outline>"), std::string::npos);
  EXPECT_NE(marks.find("<item page=\"1\">Cover</item>"), std::string::npos)
      << marks.substr(marks.find("<outline>"), 400);
}
INSTANTIATE_TEST_SUITE_P(Packs, PackRead,
                         testing::Values(std::pair{"owner", "letter"}, std::pair{"installer", "a4"},
                                         std::pair{"electrician", "letter"}),
                         [](const auto& one) { return std::string(one.param.first); });

TEST(HandOverCli, APackAsAFolderHasItsContents) {
  const std::string folder = ownFile("pack-folder");
  said("pack " + kHouse + " --for electrician --out " + folder);
  const auto rows = readCsv(readFile(folder + "/contents.csv", 1 << 20).value(), "contents");
  ASSERT_TRUE(rows.ok());
  ASSERT_GT(rows->size(), 2u);
  for (std::size_t i = 1; i < rows->size(); ++i) {
    const std::string& file = (*rows)[i].back();
    const std::string info = run("pdfinfo " + folder + "/" + file).out;
    EXPECT_NE(info.find("Pages:           " + (*rows)[i][1]), std::string::npos) << file;
  }
  std::filesystem::remove_all(folder);
}
TEST(HandOverCli, NewSheetsAreMade) {
  for (const char* kind :
       {"tape-out", "cut-outs", "size-card:p2", "day", "before-after", "dates", "delivery", "finalists"}) {
    const std::string pdf = ownFile("sheet.pdf");
    EXPECT_EQ(
        run(kTool + "sheet " + kHouse + " --kind " + kind + " --scale fit --out " + pdf + " >/dev/null 2>&1").code, 0)
        << kind;
  }
}
TEST(HandOverCli, CutOutsAreAtTheTradesScale) {
  const std::string pdf = ownFile("cut-outs.pdf");
  said("sheet " + kHouse + " --kind cut-outs --out " + pdf);
  // The bookcase is 36 x 12 in, the low table came 52 3/4 x 23 1/2 in: at 1:48.
  for (const double inches : {36.0, 12.0, 52.75, 23.5})
    EXPECT_GE(linesOfLength(linesOf(pdf), inches * 25.4 / 48, 0.2), 2) << inches;
}

}  // namespace hand_over_cli_test
}  // namespace mezzet
