// The few file operations Mezzet makes, behind a seam so that tests can make each step fail.
#pragma once

#include <optional>
#include <string>

#include "core/result.h"

namespace mezzet {

/// Each operation returns nothing when it worked, else the reason in words ("No space left on device").
class FileSystem {
 public:
  virtual ~FileSystem() = default;
  virtual std::optional<std::string> writeNew(const std::string& path, const std::string& bytes);
  virtual std::optional<std::string> sync(const std::string& path);
  virtual std::optional<std::string> rename(const std::string& from, const std::string& to);
  virtual std::optional<std::string> syncFolder(const std::string& folder);
  virtual std::optional<std::string> append(int descriptor, const std::string& bytes);
  virtual void remove(const std::string& path);
};

/// Reads a whole file of at most `most` bytes.
[[nodiscard]] Result<std::string> readFile(const std::string& path, std::size_t most);

/// Writes a file so that either the old or the new content is there, whatever happens: temporary file in the same
/// folder, fsync, rename, fsync of the folder. On failure the old file is untouched and the temporary one is gone.
[[nodiscard]] std::optional<Error> saveAtomically(FileSystem&, const std::string& path, const std::string& bytes);

[[nodiscard]] std::string folderOf(const std::string& path);
[[nodiscard]] std::string fileNameOf(const std::string& path);

}  // namespace mezzet
