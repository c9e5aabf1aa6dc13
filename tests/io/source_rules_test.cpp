// Rules that the source itself keeps: what may use what, ids that stand in one place, numbers that never follow a
// locale, tests that can fail.
#include <filesystem>
#include <fstream>
#include <regex>
#include <sstream>

#include "core/model/kinds.h"
#include "core/rules/registry.h"

namespace mezzet {
namespace source_rules_test {

namespace fs = std::filesystem;

struct Source {
  std::string path;  ///< from the project's folder
  std::vector<std::string> lines;
};

std::vector<Source> sourcesIn(const std::string& folder) {
  std::vector<Source> out;
  const fs::path root(MEZZET_SOURCE_DIR);
  for (const auto& entry : fs::recursive_directory_iterator(root / folder)) {
    if (entry.path().extension() != ".cpp" && entry.path().extension() != ".h") continue;
    Source source{fs::relative(entry.path(), root).string(), {}};
    std::ifstream in(entry.path());
    for (std::string line; std::getline(in, line);) source.lines.push_back(line);
    out.push_back(std::move(source));
  }
  EXPECT_GT(out.size(), 5U) << folder;
  return out;
}

std::vector<std::string> matches(const std::string& folder, const std::regex& pattern) {
  std::vector<std::string> out;
  for (const Source& source : sourcesIn(folder))
    for (std::size_t i = 0; i < source.lines.size(); ++i)
      if (std::regex_search(source.lines[i], pattern))
        out.push_back(source.path + ":" + std::to_string(i + 1) + ": " + source.lines[i]);
  return out;
}
/// `except`: files whose path begins so are where it belongs.
void expectNone(const std::string& folder, const char* pattern, const std::vector<std::string>& except = {}) {
  for (const std::string& found : matches(folder, std::regex(pattern)))
    if (std::none_of(except.begin(), except.end(), [&](const std::string& p) { return found.starts_with(p); }))
      ADD_FAILURE() << found;
}

TEST(Source, CoreKnowsNothingOfQt) { expectNone("src/core", "#include *[<\"](Q[A-Z]|Qt)"); }
TEST(Source, IoKnowsNothingOfQt) { expectNone("src/io", "#include *[<\"](Q[A-Z]|Qt)"); }
TEST(Source, CoreKnowsNothingOfIoOrTheScreen) { expectNone("src/core", "#include *\"(io|app|render|cli)/"); }
TEST(Source, IoKnowsNothingOfTheScreen) { expectNone("src/io", "#include *\"(app|render|cli)/"); }
TEST(Source, RenderKnowsNothingOfTheWindow) { expectNone("src/render", "#include *\"(app|cli)/"); }
TEST(Source, CoreReadsNoJsonClockOrFile) {
  expectNone("src/core", "nlohmann|_clock|<ctime>|<fstream>|<filesystem>|getenv");
}
TEST(Source, OneFileKnowsTheLinearAlgebraBehindIt) { expectNone("src", "Eigen", {"src/core/geometry/linear.cpp"}); }
TEST(Source, NumbersNeverFollowALocale) { expectNone("src", "\\b(strtod|stod|stof|atof|setlocale)\\b"); }
TEST(Source, TestsUseNoQtMacroThatFailsSilently) { expectNone("tests", "\\bQ(VERIFY2?|COMPARE|TRY_[A-Z_]+)\\("); }
TEST(Source, ThePatternFindsWhatItLooksFor) {
  EXPECT_FALSE(matches("src/app", std::regex("#include *[<\"](Q[A-Z]|Qt)")).empty());
  EXPECT_FALSE(matches("src/core", std::regex("Eigen")).empty());
  EXPECT_FALSE(matches("src/core/model", std::regex("std::get_if<FloorPlace>")).empty());
}

// ---- which folder of the core may use which: the order of src/core/CMakeLists.txt
std::vector<std::string> foldersInOrder() {
  std::vector<std::string> out;
  std::ifstream in(std::string(MEZZET_SOURCE_DIR) + "/src/core/CMakeLists.txt");
  std::string word;
  while (in >> word && word != "set(CORE") {}
  while (in >> word && word.find(".cpp") != std::string::npos) {
    const std::string folder = word.substr(0, word.rfind('/'));
    if (std::find(out.begin(), out.end(), folder) == out.end()) out.push_back(folder);
  }
  return out;
}
TEST(Source, FoldersOfTheCoreUseOnlyThoseAboveThemInTheList) {
  const std::vector<std::string> order = foldersInOrder();
  ASSERT_GT(order.size(), 15U);
  const auto placeOf = [&](const std::string& folder) {
    return std::find(order.begin(), order.end(), folder) - order.begin();
  };
  const std::regex include("#include \"core/(.*)/[^/]*\\.h\"");
  for (const Source& source : sourcesIn("src/core")) {
    const std::string folder = source.path.substr(9, source.path.rfind('/') - 9);
    ASSERT_LT(placeOf(folder), static_cast<std::ptrdiff_t>(order.size())) << source.path << " is in no listed folder";
    for (const std::string& line : source.lines) {
      std::smatch used;
      if (std::regex_search(line, used, include) && placeOf(used[1]) > placeOf(folder))
        ADD_FAILURE() << source.path << " uses " << used[1];
    }
  }
}
TEST(Source, FamiliesOfRulesUseNoOtherFamily) {
  const std::regex family("#include \"core/rules/([a-z]+)/");
  for (const Source& source : sourcesIn("src/core/rules")) {
    const std::string rest = source.path.substr(std::string("src/core/rules/").size());
    if (rest.find('/') == std::string::npos) continue;  // the registry knows them all
    for (const std::string& line : source.lines) {
      std::smatch used;
      if (std::regex_search(line, used, family) && used[1] != "base" && !rest.starts_with(std::string(used[1]) + "/"))
        ADD_FAILURE() << source.path << " uses the rules of " << used[1];
    }
  }
}

// ---- what stands in one place
TEST(Source, NobodyElseTakesPlacesApart) {
  expectNone("src", "std::(get|get_if|holds_alternative)<(Floor|Wall|Carried)Place>|[^:]visit\\([^)]*\\bon\\b",
             {"src/core/model/place."});
}
TEST(Source, IdsOfRulesStandInTheirFamilies) {
  const std::vector<Source> all = sourcesIn("src");
  for (const RuleRows rows : ruleFamilies())
    for (const RuleRow& row : rows) {
      const std::string quoted = "\"" + std::string(row.id) + "\"";
      for (const Source& source : all)
        // "balance" is also a key of the answer about a display, as docs/cli.md fixes it.
        if (!source.path.starts_with("src/core/rules/") && source.path != "src/io/json/display_report.cpp")
          for (const std::string& line : source.lines)
            if (line.find(quoted) != std::string::npos) ADD_FAILURE() << source.path << ": " << line;
    }
}
TEST(Source, NobodyElseComparesKindsOfPiece) {
  std::string ids;
  for (const std::string_view kind : offeredKinds()) ids += (ids.empty() ? "" : "|") + std::string(kind);
  const std::string pattern = "([!=]= *|usualPiece\\(|kind_? = )\"(" + ids + ")\"";
  expectNone("src", pattern.c_str(), {"src/core/model/kinds."});
}

// ---- a reader finds a place for a change in a minute
TEST(Source, FilesStaySmall) {
  std::vector<std::size_t> lengths;
  for (const Source& source : sourcesIn("src")) {
    lengths.push_back(source.lines.size());
    if (source.lines.size() > 400) ADD_FAILURE() << source.path << " has " << source.lines.size() << " lines";
  }
  std::sort(lengths.begin(), lengths.end());
  EXPECT_LT(lengths[lengths.size() / 2], 100U);
}
TEST(Source, FunctionsFitTwoScreens) {
  // By the layout of the formatter: a definition begins at the margin (or, in a class, two blanks in) with a line that
  // ends in "{", and ends with "}" at the same depth.
  for (const Source& source : sourcesIn("src"))
    for (const std::string margin : {"", "  "}) {
      std::size_t began = 0;
      for (std::size_t i = 0; i < source.lines.size(); ++i) {
        const std::string& line = source.lines[i];
        const bool here = line.starts_with(margin) && line.size() > margin.size() && line[margin.size()] != ' ';
        if (here && line.ends_with(") {") ? true : here && line.ends_with(") const {")) began = i + 1;
        if (line == margin + "}" && began > 0) {
          if (i + 1 - began > 80) ADD_FAILURE() << source.path << ":" << began << " has " << i + 1 - began << " lines";
          began = 0;
        }
      }
    }
}

}  // namespace source_rules_test
}  // namespace mezzet
