// Running a program and taking what it says.
#pragma once

#include <sys/wait.h>

#include <array>
#include <cstdio>
#include <string>

namespace mezzet::test {

struct Answer {
  int code = -1;
  std::string out;  ///< standard output; add "2>&1" to the command for both
};

inline Answer run(const std::string& command) {
  Answer answer;
  FILE* pipe = ::popen(command.c_str(), "r");
  if (pipe == nullptr) return answer;
  std::array<char, 4096> part{};
  while (const std::size_t got = std::fread(part.data(), 1, part.size(), pipe)) answer.out.append(part.data(), got);
  const int status = ::pclose(pipe);
  answer.code = WIFEXITED(status) ? WEXITSTATUS(status) : -2;
  return answer;
}

}  // namespace mezzet::test
