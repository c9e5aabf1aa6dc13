// The command line under the locales of other countries: it answers and writes what it does elsewhere.
#include <gtest/gtest.h>

#include "io/files/file_system.h"
#include "support/locales.h"
#include "support/process.h"
#include "support/temp.h"

namespace mezzet {
namespace locale_cli_test {
using namespace test;

const std::string kTool = MEZZET_BIN_DIR "/mezzet-cli ", kHouse = MEZZET_DEMO;

class AbroadCli : public testing::TestWithParam<const char*> {
 protected:
  void SetUp() override {
    makeLocales(folder_);
    ASSERT_TRUE(writesComma(folder_, GetParam())) << "the locale could not be made: is Debian's package locales there?";
  }
  void TearDown() override { std::filesystem::remove_all(folder_); }
  std::string abroad(const std::string& command) { return run(inLocale(folder_, GetParam()) + command).out; }
  std::string home(const std::string& command) { return run("LC_ALL=C " + command).out; }
  const std::string folder_ = ownFile("locales");
};

TEST_P(AbroadCli, AnswersAlike) {
  for (const char* command : {"gaps", "check", "delivery", "dates --from 2027-01-11", "changes --from s1 --to s2"}) {
    const std::string line = kTool + command + " " + kHouse + " --json 2>/dev/null";
    const std::string answer = home(line);
    EXPECT_GT(answer.size(), 100u) << command;
    EXPECT_EQ(abroad(line), answer) << command;
  }
}
TEST_P(AbroadCli, WritesSheetsAlike) {
  for (const char* sheet : {"plan --out %.svg", "plan --out %.dxf", "wall:A --out %.svg", "dates --out %.svg",
                            "delivery --out %.svg", "tape-out --scale fit --out %.svg"}) {
    std::string line = kTool + "sheet " + kHouse + " --kind " + sheet + " >/dev/null 2>&1";
    const std::size_t mark = line.find('%');
    const std::string file = ownFile("sheet") + line.substr(mark + 1, 4);
    line.replace(mark, 1, ownFile("sheet"));
    home(line);
    const auto there = readFile(file, 1 << 26);
    ASSERT_TRUE(there.ok()) << sheet;
    std::filesystem::remove(file);
    abroad(line);
    const auto here = readFile(file, 1 << 26);
    ASSERT_TRUE(here.ok()) << sheet;
    EXPECT_EQ(*here, *there) << sheet;
    std::filesystem::remove(file);
  }
}
TEST_P(AbroadCli, PacksReadAlike) {
  const std::string file = ownFile("pack.pdf");
  const std::string line = kTool + "pack " + kHouse + " --for installer --out " + file +
                           " >/dev/null 2>&1 && pdftotext -layout " + file + " -";
  const std::string text = home(line);
  EXPECT_GT(text.size(), 1000u);
  EXPECT_EQ(abroad(line), text);
  std::filesystem::remove(file);
}
INSTANTIATE_TEST_SUITE_P(Abroad, AbroadCli, testing::ValuesIn(kLocales),
                         [](const auto& one) { return std::string(one.param); });

}  // namespace locale_cli_test
}  // namespace mezzet
