// The fuzzer's corpus of pictures and PDF pages, replayed: what it once found stays mended. A broken promise aborts.
#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>
#include <iterator>

#include "pictures.h"

namespace mezzet {
namespace picture_corpus_test {

class PictureCorpus : public testing::TestWithParam<fuzz::PictureTarget> {};

TEST_P(PictureCorpus, EveryFileKeepsThePromises) {
  int files = 0;
  for (const auto& entry :
       std::filesystem::directory_iterator(std::filesystem::path(MEZZET_SOURCE_DIR "/fuzz/corpus") / GetParam().name)) {
    SCOPED_TRACE(entry.path().filename().string());
    std::ifstream in(entry.path(), std::ios::binary);
    const std::string bytes{std::istreambuf_iterator<char>(in), {}};
    GetParam().run(bytes);
    GetParam().run(std::string_view(bytes).substr(0, bytes.size() / 2));
    ++files;
  }
  EXPECT_GE(files, 3);
}
INSTANTIATE_TEST_SUITE_P(Fuzz, PictureCorpus, testing::ValuesIn(fuzz::kPictureTargets),
                         [](const auto& target) { return std::string(target.param.name); });

}  // namespace picture_corpus_test
}  // namespace mezzet
