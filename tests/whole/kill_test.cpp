// The program is killed at random moments while it edits: every edit that it called done is there afterwards.
#include <fcntl.h>
#include <sys/wait.h>
#include <unistd.h>

#include <csignal>
#include <cstring>
#include <filesystem>
#include <random>

#include "io/files/journal.h"

namespace mezzet {
namespace kill_test {

constexpr unsigned kSeed = 1999;
constexpr int kKills = 40;

struct Child {
  pid_t pid;
  int out;
};

Child start(const std::string& state, const std::string& job) {
  int ends[2];
  if (::pipe(ends) != 0) return {-1, -1};
  const pid_t pid = ::fork();
  if (pid == 0) {
    ::dup2(ends[1], 1);
    ::close(ends[0]);
    ::setenv("XDG_STATE_HOME", state.c_str(), 1);
    ::setenv("XDG_CONFIG_HOME", state.c_str(), 1);
    ::setenv("QT_QPA_PLATFORM", "offscreen", 1);
    const char* program = MEZZET_BIN_DIR "/mezzet";
    ::execl(program, program, "--rehearse", "100000", job.c_str(), static_cast<char*>(nullptr));
    ::_exit(127);
  }
  ::close(ends[1]);
  return {pid, ends[0]};
}

/// The highest N of "done N" in what the child printed until it was gone.
int lastDone(const std::string& text) {
  int last = 0;
  for (std::size_t at = text.find("done "); at != std::string::npos; at = text.find("done ", at + 1)) {
    const std::size_t end = text.find('\n', at);
    if (end != std::string::npos) last = std::max(last, std::atoi(text.c_str() + at + 5));
  }
  return last;
}

TEST(Kill, LosesNoFinishedEdit) {
  std::printf("seed %u\n", kSeed);
  std::mt19937 random(kSeed);
  const std::string root = testing::TempDir() + "/kill-" + std::to_string(::getpid());
  int withEdits = 0;
  for (int i = 0; i < kKills; ++i) {
    std::filesystem::remove_all(root);
    std::filesystem::create_directories(root);
    const std::string job = root + "/job.mezzet";
    std::filesystem::copy_file(MEZZET_PARLOUR, job);
    const Child child = start(root, job);
    ASSERT_GT(child.pid, 0);
    // Wait for a random number of edits, then a random while into the next ones.
    const std::string reached = "done " + std::to_string(1 + random() % 30) + "\n";
    std::string text;
    char part[4096];
    while (text.find(reached) == std::string::npos) {
      const ssize_t got = ::read(child.out, part, sizeof part);
      ASSERT_GT(got, 0) << "the program ended by itself";
      text.append(part, static_cast<std::size_t>(got));
    }
    ::usleep(static_cast<useconds_t>(random() % 40'000));
    ::kill(child.pid, SIGKILL);
    int status = 0;
    ::waitpid(child.pid, &status, 0);
    ASSERT_TRUE(WIFSIGNALED(status));
    for (ssize_t got = ::read(child.out, part, sizeof part); got > 0; got = ::read(child.out, part, sizeof part))
      text.append(part, static_cast<std::size_t>(got));
    ::close(child.out);

    FileSystem files;
    const auto journals = leftBehind(files, root + "/mezzet/journal").worth;
    ASSERT_EQ(journals.size(), 1u) << "kill " << i;
    const auto back = readJournal(readFile(journals.front(), std::size_t{1} << 30).value(), "journal");
    ASSERT_TRUE(back.ok()) << back.error().text();
    EXPECT_GE(back->edits, lastDone(text)) << "kill " << i;
    EXPECT_EQ(back->lastEdit, "edit " + std::to_string(back->edits));
    withEdits += back->edits > 5;
  }
  EXPECT_GT(withEdits, kKills / 2) << "too few edits were made before the kills to show anything";
  std::filesystem::remove_all(root);
}

}  // namespace kill_test
}  // namespace mezzet
