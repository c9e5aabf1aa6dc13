// mezzet-cli survey: its shape, what it names, and what it refuses.
#include <fstream>
#include <nlohmann/json.hpp>

#include <gtest/gtest.h>

#include "support/process.h"
#include "support/temp.h"

namespace mezzet {
namespace survey_cli_test {
using test::Answer;
using test::run;
using Json = nlohmann::json;

const std::string kCli = MEZZET_BIN_DIR "/mezzet-cli survey ";

/// A room of 4000 x 3000 with both diagonals and its corners assumed square; wall A reads `a`.
Json readings(double a = 4000) {
  Json j{{"corners", {"A", "B", "C", "D"}}, {"turns", {"L", "L", "L", "L"}}, {"readings", Json::array()}};
  const auto length = [&](const char* id, const char* kind, double mm) {
    j["readings"].push_back({{"id", id},
                             {"kind", kind},
                             {"from", std::string(1, id[0])},
                             {"to", std::string(1, id[1])},
                             {"mm", mm},
                             {"u95", 4.5}});
  };
  length("AB", "run", a);
  length("BC", "run", 3000);
  length("CD", "run", 4000);
  length("DA", "run", 3000);
  length("AC", "diagonal", 5000);
  length("BD", "diagonal", 5000);
  for (const char* at : {"A", "B", "C", "D"})
    j["readings"].push_back(
        {{"id", std::string("square ") + at}, {"kind", "square"}, {"at", at}, {"degrees", 90}, {"u95", 1.1}});
  return j;
}
Answer surveyed(const Json& j, const char* flags = "--json") {
  const std::string path = test::ownFile("readings.json");
  std::ofstream(path) << j;
  return run(kCli + path + " " + flags + " 2>&1");
}

TEST(SurveyCli, AnswersInTheContractsShape) {
  const Answer a = surveyed(readings());
  ASSERT_EQ(a.code, 0) << a.out;
  const Json j = Json::parse(a.out);
  for (const char* key : {"closes", "chi2", "r", "chi2Limit", "s0", "corners", "readings", "detected", "named",
                          "suspects", "explanations", "next", "lengths"})
    EXPECT_TRUE(j.contains(key)) << key;
  EXPECT_EQ(j["closes"], true);
  EXPECT_EQ(j["r"], 4);  // 6 readings and 4 squares less 5 unknowns, less one since all corners are assumed
  EXPECT_EQ(j["named"], nullptr);
  EXPECT_EQ(j["lengths"].size(), 6U);
  EXPECT_NEAR(j["corners"][2]["x"].get<double>(), 4000, 1e-6);
  EXPECT_EQ(j["readings"][0]["status"], "ok");
}
TEST(SurveyCli, NamesAMetreThatWasAdded) {
  const Json j = Json::parse(surveyed(readings(5000)).out);
  EXPECT_EQ(j["closes"], false);
  EXPECT_EQ(j["named"], "AB");
  EXPECT_EQ(j["readings"][0]["status"], "named");
  EXPECT_NEAR(j["suspects"][0]["predicted"].get<double>(), 4000, 5);
  ASSERT_FALSE(j["explanations"].empty());
  EXPECT_EQ(j["explanations"][0]["slip"], "metre-added");
  EXPECT_NEAR(j["explanations"][0]["wouldRead"].get<double>(), 4000, 1e-9);
}
TEST(SurveyCli, NamesARunThatIsTooLongToClose) {
  const Json j = Json::parse(surveyed(readings(60000)).out);
  EXPECT_EQ(j["named"], "AB");
  EXPECT_EQ(j["closes"], false);
}
TEST(SurveyCli, SaysItInASentence) {
  EXPECT_EQ(surveyed(readings(5000), "").out.substr(0, 123),
            "Wall A does not fit: it reads 5000 mm, and 4000 mm would. Most likely a metre was added. Measure it "
            "again; until then it is");
}
TEST(SurveyCli, RefusesWhatCannotBeTaken) {
  const auto refused = [](Json j, const char* words) {
    const Answer a = surveyed(j);
    EXPECT_EQ(a.code, 2) << words;
    EXPECT_NE(a.out.find(words), std::string::npos) << a.out;
  };
  Json j = readings();
  j["readings"][0]["mm"] = -4;
  refused(j, "/readings/0/mm: is out of reach. See docs/cli.md");
  j = readings();
  j["readings"][1]["to"] = "Z";
  refused(j, "/readings/1/to: is no corner of this room");
  j = readings();
  j["readings"][1]["id"] = "AB";
  refused(j, "/readings/1/id: is used twice: \"AB\"");
  j = readings();
  j["turns"] = {"L", "L"};
  refused(j, "/turns: must be one for each corner");
  j = readings();
  j["readings"] = Json::array({j["readings"][0]});
  refused(j, "are not fixed yet by what was measured");
}
TEST(SurveyCli, HundredsOfReadingsAreAnswered) {
  Json j = readings();
  for (int i = 0; i < 600; ++i) {
    Json more = j["readings"][static_cast<std::size_t>(i % 6)];
    more["id"] = "again" + std::to_string(i);
    j["readings"].push_back(more);
  }
  EXPECT_EQ(Json::parse(surveyed(j).out)["closes"], true);
}

}  // namespace survey_cli_test
}  // namespace mezzet
