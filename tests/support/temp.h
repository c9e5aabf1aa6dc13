// Files of a test's own: tests run beside each other, each in a process of its own.
#pragma once

#include <gtest/gtest.h>
#include <unistd.h>

#include <string>

namespace mezzet::test {

inline std::string ownFile(const std::string& name) {
  return testing::TempDir() + "/mezzet-" + std::to_string(::getpid()) + "-" + name;
}

}  // namespace mezzet::test
