// The fuzzer's corpus, replayed: what it once found stays mended. A broken promise aborts.
#include <gtest/gtest.h>

#include <filesystem>

#include "io/files/file_system.h"
#include "targets.h"

namespace mezzet {
namespace fuzz_corpus_test {

class Corpus : public testing::TestWithParam<fuzz::Target> {};

TEST_P(Corpus, EveryFileKeepsThePromises) {
  std::size_t files = 0;
  for (const auto& entry :
       std::filesystem::directory_iterator(std::filesystem::path(MEZZET_SOURCE_DIR "/fuzz/corpus") / GetParam().name)) {
    SCOPED_TRACE(entry.path().filename().string());
    const std::string bytes = readFile(entry.path().string(), 1 << 20).value();
    GetParam().run(bytes);
    // Cut short and with a byte turned over, as a bad disk would.
    GetParam().run(std::string_view(bytes).substr(0, bytes.size() / 2));
    std::string turned = bytes;
    if (!turned.empty()) turned[turned.size() / 3] = static_cast<char>(turned[turned.size() / 3] ^ 0x20);
    GetParam().run(turned);
    ++files;
  }
  EXPECT_GE(files, 3U);
}
INSTANTIATE_TEST_SUITE_P(Fuzz, Corpus, testing::ValuesIn(fuzz::kTargets),
                         [](const auto& target) { return std::string(target.param.name); });

}  // namespace fuzz_corpus_test
}  // namespace mezzet
