// The journal: every finished edit of an open document, so that a crash loses none. docs/job-file.md says what it
// holds.
#pragma once

#include <condition_variable>
#include <memory>
#include <mutex>
#include <optional>
#include <string>
#include <thread>
#include <vector>

#include "core/survey/runs.h"
#include "io/files/file_system.h"
#include "io/files/job_file.h"

namespace mezzet {

/// Edits that no file holds.
struct Unsaved {
  int edits = 0;
  std::string last = {};  ///< the name of the last one
  bool operator==(const Unsaved&) const = default;
};

/// What a journal brings back.
struct Recovered {
  std::string path;                ///< of the saved file; "" for a job that was never saved
  std::string savedSha;            ///< SHA-256 of the saved file when it was last read or written
  JobFile file;                    ///< with all complete edits; images are in the saved file or beside the journals
  int edits = 0;                   ///< that the saved file does not hold
  std::string lastEdit;            ///< its name
  std::optional<WalkDraft> draft;  ///< walls that were typed and not used yet
  std::size_t goodBytes = 0;       ///< where the complete records end
  [[nodiscard]] bool worthOffering() const { return edits > 0 || draft.has_value(); }
};

/// More than a journal ever grows to: it is written anew before.
inline constexpr std::size_t kMostJournalBytes = 256u << 20;

/// Reads a journal; a torn last record is dropped. Refused when no record that carries a whole job can be read.
[[nodiscard]] Result<Recovered> readJournal(const Bytes& bytes, const std::string& name);

/// One open, locked journal.
class Journal {
 public:
  struct Begun {
    std::unique_ptr<Journal> journal;
    std::vector<std::string> putAside;  ///< journals with unsaved edits, or unreadable ones, that had the name
  };
  /// Begins a journal for a document: base job, path ("" if never saved) and the saved file's SHA-256. What another one
  /// left under its name is put aside first; where that cannot be done it is kept, and this is refused.
  /// Refused with an Error whose `what` is kInUse when another window holds it.
  [[nodiscard]] static Result<Begun> begin(const std::string& folder, const std::string& path,
                                           const std::string& savedSha, const JobFile& base, const Unsaved& unsaved,
                                           const std::optional<WalkDraft>& draft, FileSystem& files);
  ~Journal();
  Journal(const Journal&) = delete;
  Journal& operator=(const Journal&) = delete;

  /// Hands one edit's record to the kernel; the disk is told within a second by another thread. After a record that
  /// could not be written the next one carries the whole job, so that nothing is built on what is not there.
  [[nodiscard]] std::optional<Error> append(const std::string& name, const Job& before, const Job& after,
                                            long long nextId, int edits = 1);
  /// Walls that are being typed; none once they are used or left.
  [[nodiscard]] std::optional<Error> draft(const std::optional<WalkDraft>& draft, const JobFile& now);
  /// Tries again what could not be written.
  [[nodiscard]] std::optional<Error> retry(const JobFile& now);
  /// Starts over after a save.
  [[nodiscard]] std::optional<Error> restart(const std::string& savedSha, const JobFile& base);
  /// The document was closed in order: nothing is left to recover.
  void finish();

  /// Whether everything up to now is written.
  [[nodiscard]] bool whole() const { return !broken_; }
  [[nodiscard]] const std::string& filePath() const { return filePath_; }

  static constexpr const char* kInUse = "is open in another window";

 private:
  Journal(std::string filePath, std::string path, std::string savedSha, int descriptor, FileSystem& files);
  [[nodiscard]] std::optional<Error> put(const std::string& bytes);
  [[nodiscard]] std::optional<Error> putWhole(const JobFile& now);
  void compact(const std::string& base);
  void syncLoop(const std::stop_token& stop);

  std::string filePath_, path_, savedSha_;
  FileSystem& files_;
  Unsaved unsaved_;
  std::optional<WalkDraft> draft_;
  bool broken_ = false;
  std::size_t end_ = 0;        ///< where the complete records end
  std::size_t baseBytes_ = 0;  ///< of the last record that carries a whole job
  std::size_t sinceBase_ = 0;  ///< bytes of what came after it
  std::mutex mutex_;           ///< of what follows
  std::condition_variable_any wake_;
  Descriptor descriptor_;
  bool dirty_ = false;
  std::jthread syncer_;
};

/// Where the journal of a saved file lies.
[[nodiscard]] std::string journalPathFor(const std::string& folder, const std::string& path);

/// What crashed windows left behind: journals that no window holds.
struct LeftBehind {
  std::vector<std::string> worth;       ///< with unsaved edits, to be offered
  std::vector<std::string> unreadable;  ///< to be told of, and kept
};
/// Those with nothing in them, or nothing that their file does not hold as well, are swept up.
[[nodiscard]] LeftBehind leftBehind(FileSystem&, const std::string& folder);

/// $XDG_STATE_HOME/mezzet/journal, else below the home folder, made if it is not there. "" when there is no home.
[[nodiscard]] std::string journalFolder();

/// An RFC 6902 patch from one job to another, made only of the rooms, schemes or pieces that changed. JSON text.
[[nodiscard]] std::string patchText(const Job& before, const Job& after, long long nextId);

// ---- images that are not in a saved file yet
/// Stored by name before the edit that uses it, for its owner alone to read.
[[nodiscard]] std::optional<Error> keepImage(FileSystem&, const std::string& folder, const std::string& name,
                                             const Bytes&);
/// Takes images that the job names and `images` lacks from beside the journals, where they are what their names say.
void bringImages(const std::string& folder, const Job&, Images& images);

}  // namespace mezzet
