// Rules that the source itself keeps: the core knows no Qt, numbers never follow a locale, tests can fail.
#include <filesystem>
#include <fstream>
#include <regex>
#include <sstream>

namespace mezzet {
namespace {

std::vector<std::string> matches(const std::string& folder, const std::regex& pattern) {
  std::vector<std::string> out;
  int files = 0;
  for (const auto& entry :
       std::filesystem::recursive_directory_iterator(std::string(MEZZET_SOURCE_DIR) + "/" + folder)) {
    if (entry.path().extension() != ".cpp" && entry.path().extension() != ".h") continue;
    ++files;
    std::ifstream in(entry.path());
    std::string line;
    for (int number = 1; std::getline(in, line); ++number)
      if (std::regex_search(line, pattern))
        out.push_back(entry.path().string() + ":" + std::to_string(number) + ": " + line);
  }
  EXPECT_GT(files, 5) << folder;
  return out;
}
void expectNone(const std::string& folder, const char* pattern) {
  for (const std::string& found : matches(folder, std::regex(pattern))) ADD_FAILURE() << found;
}

TEST(Source, CoreKnowsNothingOfQt) { expectNone("src/core", "#include *[<\"](Q[A-Z]|Qt)"); }
TEST(Source, IoKnowsNothingOfQt) { expectNone("src/io", "#include *[<\"](Q[A-Z]|Qt)"); }
TEST(Source, CoreKnowsNothingOfIoOrTheScreen) { expectNone("src/core", "#include *\"(io|app|render|cli)/"); }
TEST(Source, IoKnowsNothingOfTheScreen) { expectNone("src/io", "#include *\"(app|render|cli)/"); }
TEST(Source, CoreReadsNoJsonClockOrFile) { expectNone("src/core", "nlohmann|<chrono>|<fstream>|<filesystem>|getenv"); }
TEST(Source, NumbersNeverFollowALocale) { expectNone("src", "\\b(strtod|stod|stof|atof|setlocale)\\b"); }
TEST(Source, TestsUseNoQtMacroThatFailsSilently) { expectNone("tests", "\\bQ(VERIFY2?|COMPARE|TRY_[A-Z_]+)\\("); }
TEST(Source, ThePatternFindsWhatItLooksFor) {
  EXPECT_FALSE(matches("src/app", std::regex("#include *[<\"](Q[A-Z]|Qt)")).empty());
}

}  // namespace
}  // namespace mezzet
