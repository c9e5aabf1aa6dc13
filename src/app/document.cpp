#include "app/document.h"

#include <QDateTime>
#include <QFileInfo>

#include "core/job/validate.h"

namespace mezzet {

/// One step of undo: the whole job before and after. Copies are cheap, since rooms, schemes and pieces are shared.
class SnapshotCommand : public QUndoCommand {
 public:
  SnapshotCommand(Document& document, const QString& name, Job before, Job after)
      : QUndoCommand(name), document_(document), before_(std::move(before)), after_(std::move(after)) {}
  void undo() override { document_.become(QStringLiteral("undo: ") + text(), before_); }
  void redo() override { document_.become(text(), after_); }

 private:
  Document& document_;
  Job before_, after_;
};

Document::Document(FileSystem& files, QObject* parent) : QObject(parent), files_(files) {
  undo_.setUndoLimit(500);
  connect(&undo_, &QUndoStack::cleanChanged, this, &Document::stateChanged);
}

Document::~Document() = default;

QString Document::title() const { return job_.name.empty() ? QStringLiteral("New job") : QString::fromStdString(job_.name); }

void Document::beginJournal(const std::string& savedSha) {
  const std::string folder = journalFolder(), path = path_.toStdString();
  readOnly_ = false;
  journal_.reset();
  if (!path.empty()) {
    // Edits left by a crash are put aside before this window's journal takes the name; they are offered, never lost.
    const std::string here = journalPathFor(folder, path);
    const auto abandoned = abandonedJournals(folder);
    if (std::find(abandoned.begin(), abandoned.end(), here) != abandoned.end()) {
      const std::string aside = here.substr(0, here.size() - 8) + "-left-" + std::to_string(QDateTime::currentMSecsSinceEpoch()) + ".journal";
      if (!files_.rename(here, aside))
        QMetaObject::invokeMethod(
            this, [this, aside] { emit leftBehind(QString::fromStdString(aside)); }, Qt::QueuedConnection);
    }
  }
  Result<std::unique_ptr<Journal>> journal = Journal::begin(folder, path, savedSha, asFile(), files_);
  if (journal) {
    journal_ = std::move(journal).value();
  } else if (journal.error().what == Journal::kInUse) {
    readOnly_ = true;
    emit trouble(tr("This job is open in another window. Here it can be looked at, but not changed."));
  } else {
    emit trouble(QString::fromStdString(journal.error().text()));
  }
}

std::optional<Error> Document::open(const QString& path) {
  const std::string name = path.toStdString();
  const auto bytes = readFile(name, std::size_t{1} << 30);
  if (!bytes) return bytes.error();
  auto file = readJobBytes(*bytes, fileNameOf(name));
  if (!file) return file.error();
  close();
  JobFile read = std::move(file).value();
  job_ = std::move(read.job);
  ids_ = IdSource(read.nextId);
  images_ = std::move(read.images);
  path_ = QFileInfo(path).absoluteFilePath();
  everUnsaved_ = false;
  beginJournal(sha256(*bytes));
  emit jobChanged();
  emit stateChanged();
  return std::nullopt;
}

void Document::start(JobFile file, bool unsaved) {
  close();
  job_ = std::move(file.job);
  ids_ = IdSource(file.nextId);
  images_ = std::move(file.images);
  bringImages(journalFolder(), job_, images_);
  path_.clear();
  everUnsaved_ = unsaved;
  beginJournal({});
  emit jobChanged();
  emit stateChanged();
}

std::optional<Error> Document::save(const QString& path) {
  const auto bytes = writeJobBytes(asFile());
  if (!bytes) return bytes.error();
  const QString absolute = QFileInfo(path).absoluteFilePath();
  if (readOnly_ && absolute == path_) return Error{fileNameOf(path.toStdString()), "is open in another window", "Save it there, or here under another name"};
  if (auto fault = saveAtomically(files_, absolute.toStdString(), *bytes)) return fault;
  const bool elsewhere = absolute != path_;
  path_ = absolute;
  everUnsaved_ = false;
  if (elsewhere) {
    if (journal_) journal_->finish();
    beginJournal(sha256(*bytes));
  } else if (journal_) {
    if (auto fault = journal_->restart(sha256(*bytes), asFile())) emit trouble(QString::fromStdString(fault->text()));
  }
  undo_.setClean();
  emit stateChanged();
  return std::nullopt;
}

Result<std::string> Document::addImage(const std::string& bytes, const std::string& ending) {
  if (readOnly_) return Error{"picture", "cannot be taken in: this job is open in another window", "Save it under another name to work on a copy"};
  if (bytes.size() > kMostImageBytes) return Error{"picture", "is larger than 64 MB", "Make it smaller first"};
  const std::string name = sha256(bytes) + "." + ending;
  if (images_.contains(name)) return name;
  if (auto fault = keepImage(files_, journalFolder(), name, bytes)) return *fault;
  images_[name] = std::make_shared<const Bytes>(bytes);
  return name;
}

void Document::close() {
  undo_.clear();
  if (journal_) journal_->finish();
  journal_.reset();
}

bool Document::edit(const QString& name, Job after, long long nextId) {
  if (readOnly_) {
    emit trouble(tr("This job is open in another window, so nothing can be changed here. Save it under another name to work on a copy."));
    return false;
  }
  if (after == job_) return true;
  // Whatever made it: a job that could not be opened again must not come about.
  if (const auto fault = faultOf(after)) {
    emit trouble(QString::fromStdString(fault->text()) + QStringLiteral("."));
    return false;
  }
  ids_.atLeast(nextId);
  undo_.push(new SnapshotCommand(*this, name, job_, std::move(after)));
  return true;
}

bool Document::bringBack(const QString& name, const JobFile& left) {
  bringImages(journalFolder(), left.job, images_);
  return edit(name, left.job, left.nextId);
}

void Document::become(const QString& name, const Job& job) {
  // Journalled before it shows as done.
  if (journal_)
    if (auto fault = journal_->append(name.toStdString(), job_, job, ids_.next())) emit trouble(QString::fromStdString(fault->text()));
  job_ = job;
  emit jobChanged();
}

}  // namespace mezzet
