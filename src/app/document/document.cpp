#include "app/document/document.h"

#include <QFileInfo>

#include "core/edit/validate.h"

#include "io/photometry/ies.h"
namespace mezzet {
namespace {

constexpr std::size_t kMostCopyBytes = std::size_t{1} << 30;

}  // namespace

namespace {

constexpr int kTryAgain = 5000;  // ms between two tries to journal what could not be journalled

}  // namespace

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

Document::Document(FileSystem& files, QObject* parent) : QObject(parent), files_(files), open_(files, journalFolder()) {
  undo_.setUndoLimit(500);
  connect(&undo_, &QUndoStack::cleanChanged, this, &Document::stateChanged);
  again_.setInterval(kTryAgain);
  connect(&again_, &QTimer::timeout, this, [this] {
    open_.retry(asFile());
    tellJournal();
  });
}

Document::~Document() = default;

QString Document::title() const {
  if (!job_.name.empty() && job_.name != kNewJob) return QString::fromStdString(job_.name);
  return path().isEmpty() ? QString::fromUtf8(kNewJob) : QFileInfo(path()).completeBaseName();
}

void Document::tellJournal() {
  const QString now =
      open_.trouble() ? QString::fromStdString(open_.trouble()->text()) + QStringLiteral(".") : QString();
  // What was put aside is offered once whoever opened this has taken its words in.
  for (const std::string& journal : open_.takePutAside())
    QMetaObject::invokeMethod(
        this, [this, journal] { emit leftBehind(QString::fromStdString(journal)); }, Qt::QueuedConnection);
  if (now == told_) return;
  told_ = now;
  now.isEmpty() ? again_.stop() : again_.start();
  emit journalTrouble(now);
  emit stateChanged();
}

void Document::show(JobFile file, bool unsaved) {
  undo_.clear();
  job_ = std::move(file.job);
  ids_ = IdSource(file.nextId);
  images_ = std::move(file.images);
  draft_.reset();
  everUnsaved_ = unsaved;
  tellJournal();
  emit jobChanged();
  emit stateChanged();
  if (open_.readOnly())
    emit trouble(tr("This job is open in another window. Here it can be looked at, but not changed."));
}

std::optional<Error> Document::open(const QString& path) {
  Result<JobFile> file = open_.open(QFileInfo(path).absoluteFilePath().toStdString());
  if (!file) return file.error();
  show(std::move(file).value(), false);
  return std::nullopt;
}

std::optional<Error> Document::openCopy(const QString& path) {
  const auto bytes = readFile(path.toStdString(), kMostCopyBytes);
  if (!bytes) return bytes.error();
  auto file = readJobBytes(*bytes, path.toStdString());
  if (!file) return file.error();
  for (const auto& [name, content] : file->images)
    if (auto fault = keepImage(files_, open_.folder(), name, *content)) return fault;
  start(std::move(file).value(), false);
  return std::nullopt;
}

void Document::start(JobFile file, bool unsaved) {
  open_.start(file, unsaved ? Unsaved{1, tr("a job that no file holds").toStdString()} : Unsaved{});
  show(std::move(file), unsaved);
}

OpenJob::SaveAnswer Document::save(const QString& path, bool replace) {
  OpenJob::SaveAnswer answer = open_.save(QFileInfo(path).absoluteFilePath().toStdString(), asFile(), replace);
  if (answer.ok()) {
    everUnsaved_ = false;
    undo_.setClean();
    if (answer.fault) emit trouble(QString::fromStdString(answer.fault->text()) + QStringLiteral("."));
  }
  tellJournal();
  emit stateChanged();
  return answer;
}

Result<std::string> Document::addImage(const std::string& bytes, const std::string& ending) {
  if (open_.readOnly())
    return Error{"picture", "cannot be taken in: this job is open in another window",
                 "Save it under another name to work on a copy"};
  if (bytes.size() > kMostImageBytes) return Error{"picture", "is larger than 64 MB", "Make it smaller first"};
  return keep(sha256(bytes) + "." + ending, bytes);
}

Result<std::string> Document::addPhotometry(const std::string& bytes) {
  if (open_.readOnly())
    return Error{"photometric file", "cannot be taken in: this job is open in another window",
                 "Save it under another name to work on a copy"};
  return keep(std::string(kPhotometryFolder) + sha256(bytes), bytes);
}

Result<std::string> Document::keep(const std::string& name, const std::string& bytes) {
  if (images_.contains(name)) return name;
  if (auto fault = keepImage(files_, open_.folder(), name, bytes)) return *fault;
  images_[name] = std::make_shared<const Bytes>(bytes);
  return name;
}

void Document::close() {
  undo_.clear();
  draft_.reset();
  open_.close();
  tellJournal();
}

void Document::setDraft(std::optional<WalkDraft> draft) {
  if (draft == draft_ || open_.readOnly()) return;
  draft_ = std::move(draft);
  open_.keepDraft(draft_, asFile());
  tellJournal();
}

bool Document::edit(const QString& name, Job after, long long nextId) {
  if (open_.readOnly()) {
    emit trouble(
        tr("This job is open in another window, so nothing can be changed here. Save it under another name to work on "
           "a copy."));
    return false;
  }
  if (after == job_) return true;
  if (settle_) after = settle_(job_, std::move(after));
  // Whatever made it: a job that could not be opened again must not come about.
  if (const auto fault = faultOf(after)) {
    emit trouble(QString::fromStdString(fault->text()) + QStringLiteral("."));
    return false;
  }
  ids_.atLeast(nextId);
  undo_.push(new SnapshotCommand(*this, name, job_, std::move(after)));
  return true;
}

std::optional<Error> Document::bringBack(const QString& journal) {
  Result<OpenJob::BroughtBack> brought = open_.bringBack(journal.toStdString(), asFile());
  if (!brought) {
    tellJournal();
    return brought.error();
  }
  OpenJob::BroughtBack back = std::move(brought).value();
  if (back.copy) {
    show(std::move(back.after), back.edits.edits > 0);
  } else {
    if (back.before) show(std::move(*back.before), false);
    images_ = std::move(back.after.images);
    ids_.atLeast(back.after.nextId);
    recorded_ = true;
    if (back.edits.edits > 0)
      undo_.push(new SnapshotCommand(
          *this, (back.edits.edits == 1 ? tr("bring back 1 edit") : tr("bring back %1 edits").arg(back.edits.edits)),
          job_, std::move(back.after.job)));
    recorded_ = false;
  }
  draft_ = std::move(back.draft);
  tellJournal();
  if (draft_) emit draftBroughtBack();
  return std::nullopt;
}

void Document::lookForLeftBehind() {
  const LeftBehind left = mezzet::leftBehind(files_, open_.folder());
  for (const std::string& journal : left.worth) emit leftBehind(QString::fromStdString(journal));
  for (const std::string& journal : left.unreadable) emit unreadable(QString::fromStdString(journal));
}

void Document::become(const QString& name, const Job& job) {
  // Journalled before it shows as done.
  if (!recorded_) open_.record(name.toStdString(), job_, job, ids_.next());
  job_ = job;
  tellJournal();
  emit jobChanged();
}

}  // namespace mezzet
