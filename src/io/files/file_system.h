// The few file operations Mezzet makes, behind a seam so that tests can make each step fail, or end there.
#pragma once

#include <optional>
#include <string>
#include <utility>

#include "core/base/result.h"

namespace mezzet {

/// An open file, closed at the end of its life.
class Descriptor {
 public:
  explicit Descriptor(int descriptor = -1) : descriptor_(descriptor) {}
  ~Descriptor();
  Descriptor(Descriptor&& other) noexcept : descriptor_(other.release()) {}
  Descriptor& operator=(Descriptor&& other) noexcept {
    std::swap(descriptor_, other.descriptor_);
    return *this;
  }
  [[nodiscard]] int get() const { return descriptor_; }
  int release() { return std::exchange(descriptor_, -1); }

 private:
  int descriptor_;
};

/// Each operation returns nothing when it worked, else the reason in words ("No space left on device").
class FileSystem {
 public:
  virtual ~FileSystem() = default;
  /// Makes a file that was not there, never through a link, and writes it. `mode` as for open(2), less the umask.
  virtual std::optional<std::string> writeNew(const std::string& path, const std::string& bytes, unsigned mode);
  /// Gives it the mode and, where that is allowed, the owner of another file.
  virtual std::optional<std::string> takeModeOf(const std::string& path, const std::string& from);
  virtual std::optional<std::string> sync(const std::string& path);
  virtual std::optional<std::string> rename(const std::string& from, const std::string& to);
  /// Likewise, but a file that is there already is left alone.
  virtual std::optional<std::string> renameNew(const std::string& from, const std::string& to);
  virtual std::optional<std::string> syncFolder(const std::string& folder);
  /// Writes at a place of an open file, over what stood there.
  virtual std::optional<std::string> writeAt(int descriptor, std::size_t at, const std::string& bytes);
  virtual std::optional<std::string> truncate(int descriptor, std::size_t size);
  virtual std::optional<std::string> remove(const std::string& path);

  struct Locked {
    int descriptor = -1;  ///< -1 when it could not be opened and locked
    bool inUse = false;   ///< because somebody else has locked it
    std::string fault = {};
  };
  enum class Lock { Existing, MadeIfMissing, New };
  /// Opens a file for one owner alone, to read and write; never through a link. Whoever made it here has mode 0600.
  virtual Locked openLocked(const std::string& path, Lock how);
};

/// Reads a whole file of at most `most` bytes. Folders, pipes and devices are refused at once.
[[nodiscard]] Result<std::string> readFile(const std::string& path, std::size_t most);
/// What an open file holds, from its beginning.
[[nodiscard]] Result<std::string> readOpenFile(int descriptor, const std::string& path, std::size_t most);

/// Writes a file so that either the old or the new content is there, whatever happens: temporary file in the same
/// folder, fsync, rename, fsync of the folder. On failure the old file is untouched and the temporary one is gone.
/// A link stays a link, and its target is written; the mode of an existing file stays, a new one has `newMode` less the
/// umask; pipes and devices are refused. What killed savings of the same file left behind is swept up.
[[nodiscard]] std::optional<Error> saveAtomically(FileSystem&, const std::string& path, const std::string& bytes,
                                                  unsigned newMode = 0666);

/// Where a path leads when all links are followed, also to a file that is not there yet.
[[nodiscard]] std::string targetOf(const std::string& path);

[[nodiscard]] std::string folderOf(const std::string& path);
[[nodiscard]] std::string fileNameOf(const std::string& path);

}  // namespace mezzet
