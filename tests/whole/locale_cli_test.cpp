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

class AbroadCli : public testing::Test {
 protected:
  void SetUp() override {
    makeLocales(folder_);
    for (const char* name : kLocales)
      ASSERT_TRUE(writesComma(folder_, name)) << name << " could not be made: is Debian's package locales there?";
  }
  void TearDown() override { std::filesystem::remove_all(folder_); }
  /// Whether a command answers everywhere what it does at home.
  void expectAlike(const std::string& command, std::size_t least) {
    const std::string answer = run("LC_ALL=C " + command).out;
    EXPECT_GT(answer.size(), least) << command;
    for (const char* name : kLocales) EXPECT_EQ(run(inLocale(folder_, name) + command).out, answer) << name;
  }
  const std::string folder_ = ownFile("locales");
};

TEST_F(AbroadCli, AnswersAlike) {
  for (const char* command : {"gaps", "delivery", "dates --from 2027-01-11", "changes --from s1 --to s2"})
    expectAlike(kTool + command + " " + kHouse + " --json 2>/dev/null", 100);
}
TEST_F(AbroadCli, WritesSheetsAlike) {
  for (const std::string command : {"export %.dxf", "sheet %.svg --kind plan", "sheet %.svg --kind dates",
                                    "sheet %.svg --kind tape-out --scale fit"}) {
    const std::size_t mark = command.find('%');
    const std::string file = ownFile("alike" + command.substr(mark + 1, 4));
    expectAlike(kTool + command.substr(0, mark) + kHouse + " --out " + file + command.substr(mark + 5) +
                    " >/dev/null && cat " + file + " && rm " + file,
                1000);
  }
}
TEST_F(AbroadCli, PacksReadAlike) {
  const std::string file = ownFile("pack.pdf");
  expectAlike(kTool + "pack " + kHouse + " --for electrician --out " + file + " >/dev/null 2>&1 && pdftotext -layout " +
                  file + " - && rm " + file,
              1000);
}

}  // namespace locale_cli_test
}  // namespace mezzet
