// The command line on choosing: ties, budget, search.
#include <gtest/gtest.h>

#include <fstream>
#include <nlohmann/json.hpp>
#include <set>

#include "core/rules/check.h"
#include "core/search/search.h"
#include "io/files/file_system.h"
#include "io/files/job_file.h"
#include "io/json/rulebook_json.h"
#include "support/process.h"
#include "support/temp.h"

namespace mezzet {
namespace choosing_cli_test {
using namespace test;
using Json = nlohmann::json;

const std::string kCli = MEZZET_BIN_DIR "/mezzet-cli ", kDemo = MEZZET_DEMO;

std::string printed(const std::string& command) {
  const Answer a = run(kCli + command + " 2>/dev/null");
  EXPECT_EQ(a.code, 0) << command << "\n" << a.out;
  return a.out;
}

TEST(Cli, TiesOfAPictureAreToldWithTheirDistances) {
  const Json said = Json::parse(printed("ties " + kDemo + " --scheme s1 --placement p8 --json"));
  ASSERT_FALSE(said["colours"].empty());
  double share = 0;
  for (const Json& colour : said["colours"]) {
    share += colour["share"].get<double>();
    EXPECT_GE(colour["share"].get<double>(), 0.05);
    const double off = colour["nearest"]["deltaE00"];
    EXPECT_EQ(colour["tie"], off <= 10 ? "echoes" : off <= 20 ? "near" : "new");
  }
  EXPECT_LE(share, 1 + 1e-6);
  EXPECT_TRUE(said["foot"] == "dark" || said["foot"] == "light");
  EXPECT_EQ(run(kCli + "ties " + kDemo + " --scheme s1 --placement nowhere").code, 2);
}

TEST(Cli, ABudgetAddsUp) {
  const Json said = Json::parse(printed("budget " + kDemo + " --scheme s1 --json"));
  double sum = 0;
  for (const Json& line : said["lines"])
    if (!line["price"].is_null()) {
      EXPECT_NEAR(line["sum"], line["count"].get<double>() * line["price"].get<double>(), 1e-6) << line["what"];
      sum += line["sum"].get<double>();
    }
  EXPECT_NEAR(said["toBuy"], sum, 1e-6);
  EXPECT_NEAR(said["byTier"]["full"], sum, 1e-6);
  EXPECT_NEAR(said["byPhase"]["now"].get<double>() + said["byPhase"]["later"].get<double>(), sum, 1e-6);
  EXPECT_LT(said["byTier"]["simple"], said["byTier"]["full"]);
}

TEST(Cli, ASearchIsTheSameForAnyNumberOfThreads) {
  const std::string command = "search " + kDemo + " --room loft --candidates 600 --seed 4 --json --threads ";
  const std::string one = printed(command + "1");
  EXPECT_EQ(one, printed(command + "2"));
  EXPECT_NE(one, printed("search " + kDemo + " --room loft --candidates 600 --seed 5 --json"));
  const Json said = Json::parse(one);
  EXPECT_EQ(said["bounded"].get<int>() + said["judged"].get<int>(), 600);
}

TEST(Cli, EachSchemeOfASearchIsInTheJobThatIsWritten) {
  const std::string out = ownFile("searched.mezzet");
  const Json said =
      Json::parse(printed("search " + kDemo + " --room loft --candidates 600 --seed 4 --json --out " + out));
  const Job job = readJobBytes(readFile(out, 1 << 26).value(), "out").value().job;
  ASSERT_FALSE(said["schemes"].empty());
  std::set<std::string> seen;
  for (const Json& offer : said["schemes"]) {
    const SchemeId id(offer["id"].get<std::string>());
    EXPECT_TRUE(seen.insert(id.value).second);
    const Scheme* scheme = findScheme(job, id);
    ASSERT_NE(scheme, nullptr);
    // Judged anew from outside: what is said to be broken is, and nothing else.
    const RouteFacts routes = routeFactsOf(job, id, UseState::Everyday);
    int must = 0, rule = 0;
    for (const Finding& f :
         check(job, builtInRulebook(), id, usualFormat(job.units), {UseState::Everyday, &routes, nullptr}))
      if (f.verdict == Verdict::Breaks && f.weight != Weight::Taste) ++(f.weight == Weight::Must ? must : rule);
    EXPECT_EQ(offer["broken"]["must"], must);
    EXPECT_EQ(offer["broken"]["rule"], rule);
    EXPECT_EQ(offer["placements"].size(), scheme->placements.size());
  }
}

TEST(Cli, SearchRefusesInWords) {
  EXPECT_NE(run(kCli + "search " + kDemo).code, 0) << "neither a number nor seconds";
  const Answer keep = run(kCli + "search " + kDemo + " --candidates 10 --keep nowhere 2>&1");
  EXPECT_EQ(keep.code, 2);
  EXPECT_NE(keep.out.find("nowhere"), std::string::npos) << keep.out;
  EXPECT_EQ(run(kCli + "search " + kDemo + " --candidates 10 --walls sideways").code, 2);
  EXPECT_EQ(run(kCli + "search " + kDemo + " --candidates 10 --wish talk=9").code, 2);
}

}  // namespace choosing_cli_test
}  // namespace mezzet
