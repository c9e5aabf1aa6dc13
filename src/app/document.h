// The open document: a Job, its undo list, its file and its journal.
#pragma once

#include <QObject>
#include <QString>
#include <QUndoStack>
#include <memory>
#include <optional>

#include "core/job/job.h"
#include "core/result.h"
#include "io/journal.h"

namespace mezzet {

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
  /// Keeps an image beside the journal, so that a crash does not lose it, and in the job's images. Its name, for the edit that uses it.
  [[nodiscard]] Result<std::string> addImage(const std::string& bytes, const std::string& ending);
  [[nodiscard]] const QString& path() const { return path_; }  ///< "" while it was never saved
  [[nodiscard]] QString title() const;
  [[nodiscard]] bool readOnly() const { return readOnly_; }
  [[nodiscard]] bool unsaved() const { return everUnsaved_ || !undo_.isClean(); }
  [[nodiscard]] QUndoStack& undoStack() { return undo_; }

  // ---- opening and saving
  /// Opens a file. A journal with edits that lies beside it is set aside and offered through `leftBehind`.
  [[nodiscard]] std::optional<Error> open(const QString& path);
  /// Starts with a job that was never saved.
  void start(JobFile file, bool unsaved);
  [[nodiscard]] std::optional<Error> save(const QString& path);
  /// Closes in order: nothing is left to recover.
  void close();

  // ---- editing
  /// Makes `after` the job, as one step of undo called `name`. No-op edits are dropped. `nextId` is the id source's
  /// next number if the edit took ids. False, with a word through `trouble`, when the document is
  /// read-only or `after` is a job that could not be opened again.
  bool edit(const QString& name, Job after, long long nextId = 0);
  /// As edit, to a job that was left in a journal: its images come from beside that.
  bool bringBack(const QString& name, const JobFile& left);

 signals:
  void jobChanged();
  void stateChanged();                      ///< path, saved mark, read-only
  void leftBehind(const QString& journal);  ///< a journal with unsaved edits of this file lies there
  void trouble(const QString& sentence);    ///< something went wrong that the user must know, such as a full disk

 private:
  friend class SnapshotCommand;
  void become(const QString& name, const Job& job);
  void beginJournal(const std::string& savedSha);
  [[nodiscard]] JobFile asFile() const { return {job_, ids_.next(), images_}; }

  FileSystem& files_;
  Job job_;
  IdSource ids_;
  Images images_;
  QString path_;
  QUndoStack undo_;
  std::unique_ptr<Journal> journal_;
  bool readOnly_ = false;
  bool everUnsaved_ = false;  ///< holds work that no file holds, whatever the undo list says
};

}  // namespace mezzet
