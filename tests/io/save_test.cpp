#include <unistd.h>

#include <filesystem>

#include "io/file_system.h"

namespace mezzet {
namespace {

enum class Step { Write, Sync, Rename, SyncFolder };

/// Fails at one step, as a full disk or a pulled stick would.
class Failing : public FileSystem {
 public:
  explicit Failing(Step step) : step_(step) {}
  std::optional<std::string> writeNew(const std::string& p, const std::string& b, unsigned mode) override {
    if (step_ != Step::Write) return FileSystem::writeNew(p, b, mode);
    static_cast<void>(FileSystem::writeNew(p, b.substr(0, b.size() / 2), mode));
    return "No space left on device";
  }
  std::optional<std::string> sync(const std::string& p) override {
    return step_ == Step::Sync ? std::optional<std::string>("Input/output error") : FileSystem::sync(p);
  }
  std::optional<std::string> rename(const std::string& a, const std::string& b) override {
    return step_ == Step::Rename ? std::optional<std::string>("Permission denied") : FileSystem::rename(a, b);
  }
  std::optional<std::string> syncFolder(const std::string& f) override {
    return step_ == Step::SyncFolder ? std::optional<std::string>("Input/output error") : FileSystem::syncFolder(f);
  }

 private:
  Step step_;
};

class Save : public testing::TestWithParam<Step> {
 protected:
  void SetUp() override {
    folder_ = testing::TempDir() + "/save-" + std::to_string(::getpid());
    std::filesystem::remove_all(folder_);
    std::filesystem::create_directories(folder_);
    path_ = folder_ + "/job.mezzet";
    FileSystem files;
    ASSERT_FALSE(saveAtomically(files, path_, "the old job"));
  }
  void TearDown() override { std::filesystem::remove_all(folder_); }
  std::string folder_, path_;
};

TEST_P(Save, ThatFailsLeavesAWholeFile) {
  Failing files(GetParam());
  const auto fault = saveAtomically(files, path_, "the new job");
  ASSERT_TRUE(fault);
  EXPECT_EQ(readFile(path_, 100).value(), GetParam() == Step::SyncFolder ? "the new job" : "the old job");
  EXPECT_EQ(std::distance(std::filesystem::directory_iterator(folder_), {}), 1) << "a temporary file was left";
  EXPECT_FALSE(fault->hint.empty());
}
INSTANTIATE_TEST_SUITE_P(AtEachStep, Save, testing::Values(Step::Write, Step::Sync, Step::Rename, Step::SyncFolder));

TEST(SaveText, SaysWhatWhyAndWhatToDo) {
  Failing files(Step::Write);
  EXPECT_EQ(
      saveAtomically(files, testing::TempDir() + "/x.mezzet", "abc")->text(),
      "x.mezzet: was not saved: No space left on device. The file is as it was, and your work is still here. Save it under another name or in another folder");
}
TEST(Paths, AreTakenApart) {
  EXPECT_EQ(folderOf("/a/b/c.mezzet"), "/a/b");
  EXPECT_EQ(folderOf("c.mezzet"), ".");
  EXPECT_EQ(fileNameOf("/a/b/c.mezzet"), "c.mezzet");
}

}  // namespace
}  // namespace mezzet
