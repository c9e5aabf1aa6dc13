#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include <filesystem>

#include "io/files/file_system.h"

namespace mezzet {
namespace save_test {
namespace fs = std::filesystem;

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
  EXPECT_EQ(saveAtomically(files, testing::TempDir() + "/x.mezzet", "abc")->text(),
            "x.mezzet: was not saved: No space left on device. The file is as it was, and your work is still here. "
            "Save it under another name or in another folder");
}
class Saved : public testing::Test {
 protected:
  void SetUp() override {
    folder_ = testing::TempDir() + "/saved-" + std::to_string(::getpid()) + "-" +
              testing::UnitTest::GetInstance()->current_test_info()->name();
    fs::remove_all(folder_);
    fs::create_directories(folder_);
  }
  void TearDown() override { fs::remove_all(folder_); }
  [[nodiscard]] std::string path(const std::string& name) const { return folder_ + "/" + name; }
  [[nodiscard]] static unsigned modeOf(const std::string& p) {
    struct stat status {};
    return ::stat(p.c_str(), &status) == 0 ? status.st_mode & 0777U : 0;
  }
  [[nodiscard]] std::size_t entries() const {
    return static_cast<std::size_t>(std::distance(fs::directory_iterator(folder_), {}));
  }
  std::string folder_;
  FileSystem files_;
};
TEST_F(Saved, ThroughALinkWritesItsTargetAndStaysALink) {
  fs::create_directory(path("elsewhere"));
  ASSERT_FALSE(saveAtomically(files_, path("elsewhere/job.mezzet"), "old"));
  fs::create_symlink("elsewhere/job.mezzet", path("link.mezzet"));
  fs::create_symlink(path("link.mezzet"), path("twice.mezzet"));
  ASSERT_FALSE(saveAtomically(files_, path("twice.mezzet"), "new"));
  EXPECT_TRUE(fs::is_symlink(path("link.mezzet")));
  EXPECT_TRUE(fs::is_symlink(path("twice.mezzet")));
  EXPECT_EQ(readFile(path("elsewhere/job.mezzet"), 100).value(), "new");
}
TEST_F(Saved, ThroughALinkToNothingYetMakesItsTarget) {
  fs::create_symlink(path("later.mezzet"), path("link.mezzet"));
  ASSERT_FALSE(saveAtomically(files_, path("link.mezzet"), "new"));
  EXPECT_TRUE(fs::is_symlink(path("link.mezzet")));
  EXPECT_EQ(readFile(path("later.mezzet"), 100).value(), "new");
}
TEST_F(Saved, KeepsTheModeOfAFileAndFollowsTheUmaskWithANewOne) {
  const mode_t before = ::umask(0027);
  ASSERT_FALSE(saveAtomically(files_, path("new.mezzet"), "a"));
  EXPECT_EQ(modeOf(path("new.mezzet")), 0640U);
  for (const unsigned mode : {0600U, 0664U, 0444U}) {
    ASSERT_EQ(::chmod(path("new.mezzet").c_str(), mode), 0);
    ASSERT_FALSE(saveAtomically(files_, path("new.mezzet"), "b"));
    EXPECT_EQ(modeOf(path("new.mezzet")), mode);
  }
  ::umask(before);
}
TEST_F(Saved, NeverWritesThroughALinkThatWasLaidInItsWay) {
  ASSERT_FALSE(saveAtomically(files_, path("victim"), "precious"));
  for (const char* how : {"writeNew", "lock"}) {
    fs::create_symlink(path("victim"), path("trap"));
    if (how == std::string("writeNew")) EXPECT_TRUE(files_.writeNew(path("trap"), "x", 0666));
    else EXPECT_LT(files_.openLocked(path("trap"), FileSystem::Lock::MadeIfMissing).descriptor, 0);
    fs::remove(path("trap"));
  }
  EXPECT_EQ(readFile(path("victim"), 100).value(), "precious");
}
TEST_F(Saved, SweepsUpWhatAKilledSavingLeft) {
  // A process that is killed in the middle of a save leaves a file that says whose it was.
  const pid_t pid = ::fork();
  if (pid == 0) {
    class Killing : public FileSystem {
      std::optional<std::string> sync(const std::string&) override { ::_exit(9); }
    } files;
    static_cast<void>(saveAtomically(files, path("job.mezzet"), "half"));
    ::_exit(0);
  }
  int status = 0;
  ASSERT_EQ(::waitpid(pid, &status, 0), pid);
  ASSERT_EQ(entries(), 1U) << "nothing was left to sweep";
  ASSERT_FALSE(saveAtomically(files_, path("other.mezzet"), "of another name"));
  EXPECT_EQ(entries(), 2U) << "another file's was swept";
  ASSERT_FALSE(saveAtomically(files_, path("job.mezzet"), "whole"));
  EXPECT_EQ(entries(), 2U);
  EXPECT_EQ(readFile(path("job.mezzet"), 100).value(), "whole");
}
TEST_F(Saved, TakesNamesUpToWhatAFileSystemAllows) {
  const std::string longest = std::string(255 - 7, 'n') + ".mezzet";
  EXPECT_FALSE(saveAtomically(files_, path(longest), "a"));
  EXPECT_EQ(readFile(path(longest), 100).value(), "a");
  EXPECT_TRUE(saveAtomically(files_, path("n" + longest), "a")) << "no name is that long";
}
TEST_F(Saved, DoesNotReplaceAPipeOrADevice) {
  ASSERT_EQ(::mkfifo(path("pipe").c_str(), 0600), 0);
  EXPECT_EQ(saveAtomically(files_, path("pipe"), "a")->text(),
            "pipe: is not a file. Choose another name: folders, pipes and devices are not written to");
  EXPECT_TRUE(saveAtomically(files_, "/dev/null", "a"));
  EXPECT_TRUE(fs::is_fifo(path("pipe")));
}
TEST_F(Saved, APipeIsNotWaitedForWhenItIsRead) {
  ASSERT_EQ(::mkfifo(path("pipe").c_str(), 0600), 0);
  EXPECT_EQ(readFile(path("pipe"), 100).error().what, "is not a file");
  EXPECT_EQ(readFile("/dev/zero", 100).error().what, "is not a file");
}
TEST(Paths, AreTakenApart) {
  EXPECT_EQ(folderOf("/a/b/c.mezzet"), "/a/b");
  EXPECT_EQ(folderOf("c.mezzet"), ".");
  EXPECT_EQ(fileNameOf("/a/b/c.mezzet"), "c.mezzet");
}

}  // namespace save_test
}  // namespace mezzet
