// Where the work on one open job is kept: its file, and the journal of what the file does not hold yet. No screen, no
// undo: the window's document stands on it, and the tests kill it at every step.
#pragma once

#include "io/files/journal.h"

namespace mezzet {

class OpenJob {
 public:
  /// `folder` is where journals lie; `files` must outlive this.
  OpenJob(FileSystem& files, std::string folder) : files_(files), folder_(std::move(folder)) {}

  /// Reads a file and begins its journal. On an error nothing has changed.
  [[nodiscard]] Result<JobFile> open(const std::string& path);
  /// A job that no file holds. `unsaved` says what of it would be lost.
  void start(JobFile& file, const Unsaved& unsaved, const std::optional<WalkDraft>& draft = {});
  /// Closes in order: nothing is left to recover.
  void close();

  enum class Saved {
    Yes,
    No,             ///< and `fault` says why
    WouldReplace,   ///< another file has that name
    FileChanged,    ///< another program has changed the job's own file since it was read or written
    OpenElsewhere,  ///< another window works on that file
  };
  struct SaveAnswer {
    Saved saved = Saved::No;
    std::optional<Error> fault = {};
    [[nodiscard]] bool ok() const { return saved == Saved::Yes; }
  };
  /// Saves to an absolute path. Nothing that was not said to be `replaced` is written over.
  [[nodiscard]] SaveAnswer save(const std::string& path, const JobFile& file, bool replace);

  /// Hands a finished edit to the journal, before it shows as done; `edits` when it stands for several.
  void record(const std::string& name, const Job& before, const Job& after, long long nextId, int edits = 1);
  /// Walls that are being typed; they come back after a crash like edits.
  void keepDraft(const std::optional<WalkDraft>& draft, const JobFile& now);
  /// Tries again what could not be journalled.
  void retry(const JobFile& now);

  // ---- after a crash
  struct BroughtBack {
    std::optional<JobFile> before;  ///< the saved job, when its file was opened for this
    JobFile after;
    Unsaved edits;
    std::optional<WalkDraft> draft;
    bool copy = false;  ///< a job without a file: it never had one, or the file has changed since and is not touched
  };
  /// Brings back what a journal holds. When `path()` is the journal's file, that stays open and `now` is edited; else
  /// what is open here is closed in order, so ask before. The journal goes only when everything of it stands in the new
  /// one.
  [[nodiscard]] Result<BroughtBack> bringBack(const std::string& journal, const JobFile& now);
  /// Throws a journal away. The complaint, or nothing.
  [[nodiscard]] std::optional<Error> throwAway(const std::string& journal);

  [[nodiscard]] const std::string& path() const { return path_; }  ///< "" while it was never saved
  [[nodiscard]] bool readOnly() const { return readOnly_; }
  /// Why unsaved edits are not kept for a crash now; nothing when they are.
  [[nodiscard]] const std::optional<Error>& trouble() const { return trouble_; }
  /// Journals that had the name of this job's, with unsaved edits: to be offered. Told once.
  [[nodiscard]] std::vector<std::string> takePutAside() { return std::exchange(putAside_, {}); }
  [[nodiscard]] const std::string& folder() const { return folder_; }

 private:
  void begin(const JobFile& base, const Unsaved& unsaved);
  void told(std::optional<Error> fault) { trouble_ = std::move(fault); }

  FileSystem& files_;
  std::string folder_, path_, savedSha_;
  std::unique_ptr<Journal> journal_;
  Unsaved unsaved_;
  std::optional<WalkDraft> draft_;
  bool readOnly_ = false;
  std::optional<Error> trouble_;
  std::vector<std::string> putAside_;
};

}  // namespace mezzet
