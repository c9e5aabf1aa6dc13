#include "io/file_system.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <cstdio>
#include <cstring>

namespace mezzet {
namespace {

std::string reason() { return std::strerror(errno); }

std::optional<std::string> writeAll(int descriptor, const std::string& bytes) {
  std::size_t done = 0;
  while (done < bytes.size()) {
    const ssize_t wrote = ::write(descriptor, bytes.data() + done, bytes.size() - done);
    if (wrote < 0 && errno == EINTR) continue;
    if (wrote < 0) return reason();
    done += static_cast<std::size_t>(wrote);
  }
  return std::nullopt;
}

std::optional<std::string> syncPath(const std::string& path, int flags) {
  const int descriptor = ::open(path.c_str(), flags | O_CLOEXEC);
  if (descriptor < 0) return reason();
  std::optional<std::string> fault;
  if (::fsync(descriptor) != 0) fault = reason();
  ::close(descriptor);
  return fault;
}

}  // namespace

std::optional<std::string> FileSystem::writeNew(const std::string& path, const std::string& bytes) {
  const int descriptor = ::open(path.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0644);
  if (descriptor < 0) return reason();
  auto fault = writeAll(descriptor, bytes);
  if (::close(descriptor) != 0 && !fault) fault = reason();
  return fault;
}

std::optional<std::string> FileSystem::sync(const std::string& path) { return syncPath(path, O_RDONLY); }

std::optional<std::string> FileSystem::rename(const std::string& from, const std::string& to) {
  if (std::rename(from.c_str(), to.c_str()) != 0) return reason();
  return std::nullopt;
}

std::optional<std::string> FileSystem::syncFolder(const std::string& folder) { return syncPath(folder, O_RDONLY | O_DIRECTORY); }

std::optional<std::string> FileSystem::append(int descriptor, const std::string& bytes) { return writeAll(descriptor, bytes); }

void FileSystem::remove(const std::string& path) { ::unlink(path.c_str()); }

Result<std::string> readFile(const std::string& path, std::size_t most) {
  const int descriptor = ::open(path.c_str(), O_RDONLY | O_CLOEXEC);
  if (descriptor < 0) return Error{path, "cannot be opened: " + reason(), "Check the name and the folder"};
  struct stat status {};
  if (::fstat(descriptor, &status) != 0 || !S_ISREG(status.st_mode)) {
    ::close(descriptor);
    return Error{path, "is not a file", "Choose a .mezzet file or a job.json"};
  }
  if (static_cast<std::size_t>(status.st_size) > most) {
    ::close(descriptor);
    return Error{path, "is too large for a Mezzet job", "Choose a .mezzet file or a job.json"};
  }
  std::string bytes(static_cast<std::size_t>(status.st_size), '\0');
  std::size_t done = 0;
  while (done < bytes.size()) {
    const ssize_t got = ::read(descriptor, bytes.data() + done, bytes.size() - done);
    if (got < 0 && errno == EINTR) continue;
    if (got <= 0) break;
    done += static_cast<std::size_t>(got);
  }
  ::close(descriptor);
  if (done != bytes.size()) return Error{path, "could not be read to its end", "Try again"};
  return bytes;
}

std::optional<Error> saveAtomically(FileSystem& files, const std::string& path, const std::string& bytes) {
  const std::string temporary = path + ".saving-" + std::to_string(::getpid());
  std::optional<std::string> fault = files.writeNew(temporary, bytes);
  if (!fault) fault = files.sync(temporary);
  if (!fault) fault = files.rename(temporary, path);
  if (fault) {
    files.remove(temporary);
    return Error{fileNameOf(path), "was not saved: " + *fault,
                 "The file is as it was, and your work is still here. Save it under another name or in another folder"};
  }
  // From here on the new file is in place. If the folder cannot be synced, only a power cut could bring the old one back.
  if (auto late = files.syncFolder(folderOf(path)))
    return Error{fileNameOf(path), "was written, but the disk did not confirm it: " + *late, "Save once more, or to another disk"};
  return std::nullopt;
}

std::string folderOf(const std::string& path) {
  const std::size_t slash = path.find_last_of('/');
  return slash == std::string::npos ? "." : slash == 0 ? "/" : path.substr(0, slash);
}

std::string fileNameOf(const std::string& path) { return path.substr(path.find_last_of('/') + 1); }

}  // namespace mezzet
