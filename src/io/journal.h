// The journal: every finished edit of an open document, so that a crash loses none.
#pragma once

#include <condition_variable>
#include <memory>
#include <mutex>
#include <optional>
#include <string>
#include <thread>
#include <vector>

#include "io/file_system.h"
#include "io/job_file.h"

namespace mezzet {

/// What a journal brings back.
struct Recovered {
  std::string path;      ///< of the saved file; "" for a job that was never saved
  std::string savedSha;  ///< SHA-256 of the saved file when the journal began
  JobFile file;          ///< with all complete edits; images are in the saved file
  int edits = 0;
  std::string lastEdit;       ///< its name
  std::size_t goodBytes = 0;  ///< where the complete records end
};

/// Reads a journal; a torn last record is dropped. Refused when the first record is not whole.
[[nodiscard]] Result<Recovered> readJournal(const Bytes& bytes, const std::string& name);

/// One open, locked journal.
class Journal {
 public:
  /// Begins a journal for a document: base job, path ("" if never saved) and the saved file's SHA-256.
  /// Refused with an Error whose `what` is kInUse when another window holds it.
  [[nodiscard]] static Result<std::unique_ptr<Journal>> begin(const std::string& folder, const std::string& path, const std::string& savedSha,
                                                              const JobFile& base, FileSystem& files);
  ~Journal();
  Journal(const Journal&) = delete;
  Journal& operator=(const Journal&) = delete;

  /// Hands one edit's record to the kernel; the disk is told within a second by another thread.
  [[nodiscard]] std::optional<Error> append(const std::string& name, const Job& before, const Job& after, long long nextId);
  /// Starts over after a save.
  [[nodiscard]] std::optional<Error> restart(const std::string& savedSha, const JobFile& base);
  /// The document was closed in order: nothing is left to recover.
  void finish();

  [[nodiscard]] const std::string& filePath() const { return filePath_; }

  static constexpr const char* kInUse = "is open in another window";

 private:
  Journal(std::string filePath, std::string path, int descriptor, FileSystem& files);
  void syncLoop(const std::stop_token& stop);

  std::string filePath_, path_;
  int descriptor_;
  FileSystem& files_;
  std::mutex mutex_;
  std::condition_variable_any wake_;
  bool dirty_ = false;
  std::jthread syncer_;
};

/// Where the journal of a saved file lies.
[[nodiscard]] std::string journalPathFor(const std::string& folder, const std::string& path);

/// Journals with edits that no window holds: what a crash left behind.
[[nodiscard]] std::vector<std::string> abandonedJournals(const std::string& folder);

/// $XDG_STATE_HOME/mezzet/journal, made if it is not there.
[[nodiscard]] std::string journalFolder();

/// An RFC 6902 patch from one job to another, made only of the rooms, schemes or pieces that changed. JSON text.
[[nodiscard]] std::string patchText(const Job& before, const Job& after, long long nextId);

// ---- images that are not in a saved file yet
/// Stored by name before the edit that uses it.
[[nodiscard]] std::optional<Error> keepImage(FileSystem&, const std::string& folder, const std::string& name, const Bytes&);
/// Takes images that the job names and `images` lacks from beside the journals, where they are what their names say.
void bringImages(const std::string& folder, const Job&, Images& images);

}  // namespace mezzet
