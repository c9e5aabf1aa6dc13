// A file system that fails as disks and folders do, and ends the program at any step, also in the middle of a write.
#pragma once

#include <unistd.h>

#include <filesystem>
#include <string>

#include "io/files/file_system.h"

namespace mezzet::test {

/// A folder in memory where there is one: thousands of savings are then quick.
inline std::string fastFolder() {
  return ::access("/dev/shm", W_OK) == 0 ? "/dev/shm" : std::filesystem::temp_directory_path().string();
}

class FaultyFiles : public FileSystem {
 public:
  /// The program ends here; nothing that follows in it is done.
  struct Killed {};
  int killAfter = -1;        ///< so many steps more; none when negative
  bool full = false;         ///< writes stop half way
  bool fullJournal = false;  ///< those of journals do
  bool fixedNames = false;   ///< nothing is made, renamed or removed: a folder that turned unwritable
  int kills = 0, refusals = 0;
  void mend() {
    killAfter = -1;
    full = fullJournal = fixedNames = false;
  }

  std::optional<std::string> writeNew(const std::string& path, const std::string& bytes, unsigned mode) override {
    step();
    if (fixedNames) return refused("Permission denied");
    if (killAfter == 0 || full) static_cast<void>(FileSystem::writeNew(path, bytes.substr(0, bytes.size() / 2), mode));
    step();
    if (full) return refused("No space left on device");
    auto fault = FileSystem::writeNew(path, bytes, mode);
    step();
    return fault;
  }
  std::optional<std::string> takeModeOf(const std::string& path, const std::string& from) override {
    step();
    return FileSystem::takeModeOf(path, from);
  }
  std::optional<std::string> sync(const std::string&) override { return step(), std::nullopt; }
  std::optional<std::string> syncFolder(const std::string&) override { return step(), std::nullopt; }
  std::optional<std::string> rename(const std::string& from, const std::string& to) override {
    step();
    if (fixedNames) return refused("Permission denied");
    auto fault = FileSystem::rename(from, to);
    step();
    return fault;
  }
  std::optional<std::string> renameNew(const std::string& from, const std::string& to) override {
    step();
    if (fixedNames) return refused("Permission denied");
    auto fault = FileSystem::renameNew(from, to);
    step();
    return fault;
  }
  std::optional<std::string> writeAt(int descriptor, std::size_t at, const std::string& bytes) override {
    step();
    if (killAfter == 0 || full || fullJournal)
      static_cast<void>(FileSystem::writeAt(descriptor, at, bytes.substr(0, bytes.size() / 2)));
    step();
    if (full || fullJournal) return refused("No space left on device");
    auto fault = FileSystem::writeAt(descriptor, at, bytes);
    step();
    return fault;
  }
  std::optional<std::string> truncate(int descriptor, std::size_t size) override {
    step();
    if (full) return refused("Input/output error");
    auto fault = FileSystem::truncate(descriptor, size);
    step();
    return fault;
  }
  std::optional<std::string> remove(const std::string& path) override {
    step();
    if (fixedNames) return refused("Permission denied");
    auto fault = FileSystem::remove(path);
    step();
    return fault;
  }
  Locked openLocked(const std::string& path, Lock how) override {
    step();
    if (fixedNames && how != Lock::Existing && !std::filesystem::exists(path))
      return {-1, false, *refused("Permission denied")};
    const Locked open = FileSystem::openLocked(path, how);
    try {
      step();
    } catch (const Killed&) {
      if (open.descriptor >= 0) ::close(open.descriptor);
      throw;
    }
    return open;
  }

 private:
  void step() {
    if (killAfter < 0) return;
    if (killAfter-- > 0) return;
    ++kills;
    throw Killed{};
  }
  std::optional<std::string> refused(const char* why) {
    ++refusals;
    return why;
  }
};

}  // namespace mezzet::test
