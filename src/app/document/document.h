// The open document: a Job, its undo list, its file and its journal.
#pragma once

#include <functional>
#include <QObject>
#include <QString>
#include <QTimer>
#include <QUndoStack>
#include <memory>
#include <optional>

#include "core/model/job.h"
#include "core/base/result.h"
#include "io/files/open_job.h"

namespace mezzet {

/// What a job is called until it is named or saved.
inline constexpr const char* kNewJob = "New job";

class Document : public QObject {
  Q_OBJECT

 public:
  /// `files` is the seam through which saving and journalling go; it must outlive the document.
  explicit Document(FileSystem& files, QObject* parent = nullptr);
  ~Document() override;

  // ---- what is open
  [[nodiscard]] const Job& job() const { return job_; }
  [[nodiscard]] IdSource ids() const { return ids_; }
  [[nodiscard]] const Images& images() const { return images_; }
  /// Keeps an image beside the journal, so that a crash does not lose it, and in the job's images. Its name, for the
  /// edit that uses it.
  [[nodiscard]] Result<std::string> addImage(const std::string& bytes, const std::string& ending);
  /// The same for a photometric file.
  [[nodiscard]] Result<std::string> addPhotometry(const std::string& bytes);
  [[nodiscard]] QString path() const { return QString::fromStdString(open_.path()); }  ///< "" while it was never saved
  [[nodiscard]] QString title() const;
  [[nodiscard]] bool readOnly() const { return open_.readOnly(); }
  [[nodiscard]] bool unsaved() const { return everUnsaved_ || !undo_.isClean(); }
  /// Whether unsaved edits would be lost in a crash; `journalTrouble` has said why.
  [[nodiscard]] bool unkept() const { return open_.trouble().has_value(); }
  /// Walls that are being typed and are no outline yet.
  [[nodiscard]] const std::optional<WalkDraft>& draft() const { return draft_; }
  void setDraft(std::optional<WalkDraft> draft);
  [[nodiscard]] QUndoStack& undoStack() { return undo_; }

  // ---- opening and saving
  /// Opens a file. A journal with edits that lies beside it is set aside and offered through `leftBehind`.
  [[nodiscard]] std::optional<Error> open(const QString& path);
  /// Reads a file and goes on with what it holds as a job that no file holds: the file is never written.
  [[nodiscard]] std::optional<Error> openCopy(const QString& path);
  /// Starts with a job that was never saved.
  void start(JobFile file, bool unsaved);
  /// Saves; what is not the job's own file as it knows it is only replaced when that was said.
  [[nodiscard]] OpenJob::SaveAnswer save(const QString& path, bool replace = false);
  /// Closes in order: nothing is left to recover.
  void close();

  // ---- editing
  /// Makes `after` the job, as one step of undo called `name`. No-op edits are dropped. `nextId` is the id source's
  /// next number if the edit took ids. False, with a word through `trouble`, when the document is
  /// read-only or `after` is a job that could not be opened again.
  bool edit(const QString& name, Job after, long long nextId = 0);
  /// What follows from every edit and belongs to it: groups on a wall are hung again when a frame changed.
  void setSettling(std::function<Job(const Job& before, Job after)> settle) { settle_ = std::move(settle); }
  /// Brings back what a journal holds: as one edit of its file, or as a copy where that has changed. What is open now
  /// is closed in order unless it is that file, so ask before.
  [[nodiscard]] std::optional<Error> bringBack(const QString& journal);
  [[nodiscard]] std::optional<Error> throwAway(const QString& journal) {
    return open_.throwAway(journal.toStdString());
  }
  /// Offers what crashed windows left behind, and tells of what cannot be read.
  void lookForLeftBehind();

 signals:
  void jobChanged();
  void stateChanged();                           ///< path, saved mark, read-only
  void leftBehind(const QString& journal);       ///< a journal with unsaved edits of this file lies there
  void unreadable(const QString& journal);       ///< a journal lies there that cannot be read
  void trouble(const QString& sentence);         ///< something was refused, and why
  void journalTrouble(const QString& sentence);  ///< why unsaved edits are not kept for a crash; empty once they are
  void draftBroughtBack();

 private:
  std::function<Job(const Job&, Job)> settle_;
  friend class SnapshotCommand;
  void become(const QString& name, const Job& job);
  void show(JobFile file, bool unsaved);
  void tellJournal();
  [[nodiscard]] Result<std::string> keep(const std::string& name, const std::string& bytes);
  [[nodiscard]] JobFile asFile() const { return {job_, ids_.next(), images_}; }

  FileSystem& files_;
  OpenJob open_;
  Job job_;
  IdSource ids_;
  Images images_;
  QUndoStack undo_;
  std::optional<WalkDraft> draft_;
  QTimer again_;  ///< tries what could not be journalled
  QString told_;
  bool everUnsaved_ = false;  ///< holds work that no file holds, whatever the undo list says
  bool recorded_ = false;     ///< the step that is being done stands in the journal already
};

}  // namespace mezzet
