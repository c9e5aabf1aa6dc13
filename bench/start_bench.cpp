// From start to the first painted window, and the memory it took: whole processes, median of nine after one warm-up.
// Usage: start_bench PROGRAM JOB
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

#include <algorithm>
#include <chrono>
#include <cstdio>
#include <vector>

int main(int argc, char** argv) {
  if (argc != 3) return 2;
  std::vector<double> seconds, megabytes;
  for (int i = 0; i < 10; ++i) {
    const auto begin = std::chrono::steady_clock::now();
    const pid_t child = ::fork();
    if (child == 0) {
      if (std::freopen("/dev/null", "w", stdout) == nullptr) ::_exit(126);
      ::execl(argv[1], argv[1], "--first-paint", argv[2], static_cast<char*>(nullptr));
      ::_exit(127);
    }
    int status = 0;
    struct rusage usage {};
    ::wait4(child, &status, 0, &usage);
    if (!WIFEXITED(status) || WEXITSTATUS(status) != 0) return 1;
    if (i == 0) continue;
    seconds.push_back(std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count());
    megabytes.push_back(static_cast<double>(usage.ru_maxrss) / 1024);
  }
  std::sort(seconds.begin(), seconds.end());
  std::sort(megabytes.begin(), megabytes.end());
  std::printf("start to first painted window and end: median %.2f s; peak memory: median %.0f MB\n",
              seconds[seconds.size() / 2], megabytes[megabytes.size() / 2]);
  return 0;
}
