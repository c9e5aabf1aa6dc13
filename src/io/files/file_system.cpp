#include "io/files/file_system.h"

#include <fcntl.h>
#include <signal.h>
#include <stdio.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>
#include <zlib.h>

#include <cerrno>
#include <charconv>
#include <cstring>
#include <filesystem>
#include <thread>

namespace mezzet {
namespace {

std::string reason() { return std::strerror(errno); }

std::optional<std::string> writeAll(int descriptor, std::size_t at, const std::string& bytes) {
  std::size_t done = 0;
  while (done < bytes.size()) {
    const ssize_t wrote = ::pwrite(descriptor, bytes.data() + done, bytes.size() - done, static_cast<off_t>(at + done));
    if (wrote < 0 && errno == EINTR) continue;
    if (wrote < 0) return reason();
    done += static_cast<std::size_t>(wrote);
  }
  return std::nullopt;
}

std::optional<std::string> syncPath(const std::string& path, int flags) {
  const Descriptor file(::open(path.c_str(), flags | O_CLOEXEC));
  if (file.get() < 0 || ::fsync(file.get()) != 0) return reason();
  return std::nullopt;
}

/// Temporary files begin with a mark of the file they are for, so that those of killed savings are known; the mark is
/// short, so that any name a file may have can be saved.
std::string temporaryMark(const std::string& name) {
  char mark[32];
  const auto crc = static_cast<unsigned long>(
      ::crc32(0, reinterpret_cast<const Bytef*>(name.data()), static_cast<uInt>(name.size())));
  std::snprintf(mark, sizeof mark, ".mezzet-%08lx-", crc);
  return mark;
}

/// Whether a temporary file's name says that the process which made it is no more.
bool isLeftOver(std::string_view rest) {
  pid_t pid = 0;
  const auto [end, fault] = std::from_chars(rest.data(), rest.data() + rest.size(), pid);
  if (fault != std::errc{} || end == rest.data() + rest.size() || *end != '-' || pid <= 0) return false;
  return ::kill(pid, 0) != 0 && errno == ESRCH;
}

void sweep(FileSystem& files, const std::string& folder, const std::string& mark) {
  std::error_code fault;
  for (std::filesystem::directory_iterator at(folder, fault), end; !fault && at != end; at.increment(fault)) {
    const std::string name = at->path().filename().string();
    if (name.starts_with(mark) && isLeftOver(std::string_view(name).substr(mark.size())))
      static_cast<void>(files.remove(at->path().string()));
  }
}

}  // namespace

Descriptor::~Descriptor() {
  if (descriptor_ >= 0) ::close(descriptor_);
}

std::optional<std::string> FileSystem::writeNew(const std::string& path, const std::string& bytes, unsigned mode) {
  Descriptor file(
      ::open(path.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_NOFOLLOW | O_CLOEXEC, static_cast<mode_t>(mode)));
  if (file.get() < 0) return reason();
  auto fault = writeAll(file.get(), 0, bytes);
  if (::close(file.release()) != 0 && !fault) fault = reason();
  return fault;
}

std::optional<std::string> FileSystem::takeModeOf(const std::string& path, const std::string& from) {
  struct stat status {};
  if (::stat(from.c_str(), &status) != 0) return reason();
  if (::chown(path.c_str(), status.st_uid, status.st_gid) != 0) errno = 0;  // only root may give files away
  return ::chmod(path.c_str(), status.st_mode & 0777U) == 0 ? std::nullopt : std::optional(reason());
}

std::optional<std::string> FileSystem::sync(const std::string& path) { return syncPath(path, O_RDONLY); }

std::optional<std::string> FileSystem::rename(const std::string& from, const std::string& to) {
  return ::rename(from.c_str(), to.c_str()) == 0 ? std::nullopt : std::optional(reason());
}

std::optional<std::string> FileSystem::renameNew(const std::string& from, const std::string& to) {
  if (::renameat2(AT_FDCWD, from.c_str(), AT_FDCWD, to.c_str(), RENAME_NOREPLACE) == 0) return std::nullopt;
  if (errno != EINVAL && errno != ENOSYS) return reason();
  // Some file systems do not know how; a link does the same in two steps.
  if (::link(from.c_str(), to.c_str()) != 0) return reason();
  return ::unlink(from.c_str()) == 0 ? std::nullopt : std::optional(reason());
}

std::optional<std::string> FileSystem::syncFolder(const std::string& folder) {
  return syncPath(folder, O_RDONLY | O_DIRECTORY);
}

std::optional<std::string> FileSystem::writeAt(int descriptor, std::size_t at, const std::string& bytes) {
  return writeAll(descriptor, at, bytes);
}

std::optional<std::string> FileSystem::truncate(int descriptor, std::size_t size) {
  return ::ftruncate(descriptor, static_cast<off_t>(size)) == 0 ? std::nullopt : std::optional(reason());
}

std::optional<std::string> FileSystem::remove(const std::string& path) {
  return ::unlink(path.c_str()) == 0 || errno == ENOENT ? std::nullopt : std::optional(reason());
}

FileSystem::Locked FileSystem::openLocked(const std::string& path, Lock how) {
  using namespace std::chrono_literals;
  const int flags = O_RDWR | O_NOFOLLOW | O_NONBLOCK | O_CLOEXEC | (how == Lock::Existing ? 0 : O_CREAT) |
                    (how == Lock::New ? O_EXCL : 0);
  // Somebody who only looks whether a file is in use holds it for a moment, and may sweep it up.
  const int most = how == Lock::Existing ? 1 : 5;
  for (int tries = 0; tries < most; ++tries) {
    if (tries > 0) std::this_thread::sleep_for(10ms);
    Descriptor file(::open(path.c_str(), flags, 0600));
    if (file.get() < 0) return {-1, false, reason()};
    struct stat opened {
    }, named{};
    if (::fstat(file.get(), &opened) != 0 || !S_ISREG(opened.st_mode)) return {-1, false, "It is not a file"};
    if (::flock(file.get(), LOCK_EX | LOCK_NB) != 0) continue;
    // Between opening and locking another file may have taken the name.
    if (::lstat(path.c_str(), &named) != 0 || named.st_ino != opened.st_ino || named.st_dev != opened.st_dev) continue;
    return {file.release(), false, {}};
  }
  return {-1, true, {}};
}

Result<std::string> readOpenFile(int descriptor, const std::string& path, std::size_t most) {
  struct stat status {};
  if (::fstat(descriptor, &status) != 0 || !S_ISREG(status.st_mode))
    return Error{path, "is not a file", "Choose a file, not a folder, pipe or device"};
  if (static_cast<std::size_t>(status.st_size) > most)
    return Error{path, "is larger than Mezzet reads here: " + std::to_string(most >> 20) + " MB", ""};
  std::string bytes(static_cast<std::size_t>(status.st_size), '\0');
  std::size_t done = 0;
  while (done < bytes.size()) {
    const ssize_t got = ::pread(descriptor, bytes.data() + done, bytes.size() - done, static_cast<off_t>(done));
    if (got < 0 && errno == EINTR) continue;
    if (got <= 0) break;
    done += static_cast<std::size_t>(got);
  }
  if (done != bytes.size()) return Error{path, "could not be read to its end", "Try again"};
  return bytes;
}

Result<std::string> readFile(const std::string& path, std::size_t most) {
  // Without blocking: a pipe that nobody writes to would never open.
  const Descriptor file(::open(path.c_str(), O_RDONLY | O_NONBLOCK | O_NOCTTY | O_CLOEXEC));
  if (file.get() < 0) return Error{path, "cannot be opened: " + reason(), "Check the name and the folder"};
  return readOpenFile(file.get(), path, most);
}

std::string targetOf(const std::string& path) {
  std::filesystem::path at(path);
  std::error_code fault;
  for (int links = 0; links < 40 && std::filesystem::is_symlink(at, fault); ++links) {
    const std::filesystem::path to = std::filesystem::read_symlink(at, fault);
    if (fault) break;
    at = to.is_absolute() ? to : at.parent_path() / to;
  }
  return at.string();
}

std::optional<Error> saveAtomically(FileSystem& files, const std::string& path, const std::string& bytes,
                                    unsigned newMode) {
  const std::string target = targetOf(path), folder = folderOf(target), mark = temporaryMark(fileNameOf(target));
  struct stat status {};
  const bool known = ::stat(target.c_str(), &status) == 0;
  if (known && !S_ISREG(status.st_mode))
    return Error{fileNameOf(path), "is not a file",
                 "Choose another name: folders, pipes and devices are not written to"};
  sweep(files, folder, mark);
  static int count = 0;
  const std::string temporary = folder + "/" + mark + std::to_string(::getpid()) + "-" + std::to_string(++count);
  std::optional<std::string> fault = files.writeNew(temporary, bytes, known ? 0600U : newMode);
  if (!fault && known) fault = files.takeModeOf(temporary, target);
  if (!fault) fault = files.sync(temporary);
  if (!fault) fault = files.rename(temporary, target);
  if (fault) {
    static_cast<void>(files.remove(temporary));
    return Error{fileNameOf(path), "was not saved: " + *fault,
                 "The file is as it was, and your work is still here. Save it under another name or in another folder"};
  }
  // From here on the new file is in place. If the folder cannot be synced, only a power cut could bring the old one
  // back.
  if (auto late = files.syncFolder(folder))
    return Error{fileNameOf(path), "was written, but the disk did not confirm it: " + *late,
                 "Save once more, or to another disk"};
  return std::nullopt;
}

std::string folderOf(const std::string& path) {
  const std::size_t slash = path.find_last_of('/');
  return slash == std::string::npos ? "." : slash == 0 ? "/" : path.substr(0, slash);
}

std::string fileNameOf(const std::string& path) { return path.substr(path.find_last_of('/') + 1); }

}  // namespace mezzet
