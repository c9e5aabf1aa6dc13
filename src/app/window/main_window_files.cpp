// Jobs opened, saved, left and brought back.
#include "app/window/main_window.h"

#include <QCloseEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QMenu>
#include <QMessageBox>
#include <QPushButton>
#include <QSettings>
#include <utility>

#include "app/stages/measure/measure_panel.h"
#include "app/view/wall_view.h"
#include "app/widgets/layouts.h"
#include "app/widgets/notice_bar.h"
#include "app/window/actions.h"
#include "app/window/causes.h"
#include "app/window/last_shown.h"
#include "app/window/welcome.h"
#include "core/edit/edits.h"
#include "core/rules/check.h"
#include "io/tables/dxf.h"

namespace mezzet {
namespace {

constexpr int kMostRecent = 8;
constexpr const char* kRecentKey = "recent";
const QLatin1String kEnding(".mezzet");

}  // namespace

void MainWindow::openPath(const QString& path) {
  // Asked before: what opening shows first is remembered, too.
  const auto last = lastShown(QFileInfo(path).absoluteFilePath());
  if (const auto fault = document_->open(path)) {
    notice_->say(sentenceOf(*fault), {}, cause::kNotOpened);
    return;
  }
  notice_->settle(cause::kNotOpened);
  settleOffers();
  remember(path);
  workspace_->select({});
  if (last) showAgain(*last, *workspace_);
  workspace_->showStage(workspace_->room() != nullptr ? Stage::Floor : Stage::Measure);
  sheet().fit();
  tellNews();
}

void MainWindow::tellNews() {
  const std::string news = rulebookNews(workspace_->job(), workspace_->book(), workspace_->findings());
  if (news.empty() || document_->readOnly()) return;
  notice_->say(onScreen(news), {{tr("I have seen it"), [this] {
                                   document_->edit(tr("rulebook %1").arg(workspace_->book().version),
                                                   withRulebook(workspace_->job(), workspace_->book().version));
                                 }}});
}

void MainWindow::newJob(bool first) {
  JobFile file;
  file.job.name = kNewJob;
  file.job.houseRules = newHouseRules(workspace_->book(), file.job.brief);
  document_->start(std::move(file), false);
  if (!first) settleOffers();
  workspace_->select({});
  workspace_->showTopic(Topic::Walls);
  sheet().fit();
  measure_->goToWall(cornerName(0));
  if (first) welcome_->appear();
}

void MainWindow::openCopy(const QString& path) {
  if (const auto fault = document_->openCopy(path)) return notice_->say(sentenceOf(*fault), {}, cause::kNotOpened);
  notice_->settle(cause::kNotOpened);
  settleOffers();
  workspace_->select({});
  workspace_->showStage(workspace_->room() != nullptr ? Stage::Floor : Stage::Measure);
  sheet().fit();
  sheet().setFocus();
}

void MainWindow::wireWelcome() {
  for (auto signal : {&Workspace::viewChanged, &Workspace::selectionChanged})
    connect(workspace_.get(), signal, welcome_, &QWidget::hide);
  connect(workspace_.get(), &Workspace::jobChanged, welcome_, &QWidget::hide);
  connect(welcome_, &Welcome::measureWanted, this, [this] {
    welcome_->hide();
    measure_->goToWall(cornerName(0));
  });
  connect(welcome_, &Welcome::demoWanted, this, [this] { openCopy(demoPath()); });
  connect(welcome_, &Welcome::openWanted, this, [this] { (*actions_)["open"]->trigger(); });
}

void MainWindow::exportDxf(const QString& path) {
  const Room& room = *workspace_->room();
  const Bytes bytes = writeDxf(workspace_->job(), room, workspace_->scheme(), workspace_->format());
  if (const auto fault = saveAtomically(files_, path.toStdString(), bytes))
    return notice_->say(sentenceOf(*fault), {}, cause::kRefused);
  notice_->say(tr("%1 was written in millimetres, on the layers WALLS, OPENINGS, FEATURES, DIMENSIONS and FURNITURE.")
                   .arg(QFileInfo(path).fileName()));
}

bool MainWindow::save(bool elsewhere) {
  QString path = document_->path();
  bool agreed = false;
  if (elsewhere || path.isEmpty()) {
    path = QFileDialog::getSaveFileName(this, tr("Save the job"), path.isEmpty() ? tr("job.mezzet") : path,
                                        tr("Mezzet jobs (*.mezzet)"));
    if (path.isEmpty()) return false;
    agreed = true;  // the dialog asks by itself
  }
  // With its ending it is another name, which nobody was asked about.
  if (!path.endsWith(kEnding)) {
    path += kEnding;
    agreed = false;
  }
  return saveTo(path, agreed);
}

bool MainWindow::saveTo(const QString& path, bool agreed) {
  const OpenJob::SaveAnswer answer = document_->save(path, agreed);
  if (answer.ok()) {
    notice_->settle(cause::kNotSaved);
    remember(path);
    return true;
  }
  const bool changed = answer.saved == OpenJob::Saved::FileChanged;
  if (!changed && answer.saved != OpenJob::Saved::WouldReplace) {
    notice_->say(sentenceOf(*answer.fault), {}, cause::kNotSaved);
    return false;
  }
  const QFileInfo file(path);
  QString beside;
  for (int n = 2; beside.isEmpty() || QFileInfo::exists(beside); ++n)
    beside =
        QStringLiteral("%1/%2 %3%4").arg(file.path(), file.completeBaseName(), QString::number(n), QString(kEnding));
  QMessageBox box(
      QMessageBox::Question, tr("Not saved yet"),
      changed
          ? tr("%1 has been changed by another program since it was opened here. Saving would lose what that wrote.")
                .arg(file.fileName())
          : tr("%1 is there already. Saving would replace it.").arg(file.fileName()),
      QMessageBox::NoButton, this);
  box.setObjectName(QStringLiteral("replaceQuestion"));
  QPushButton* other =
      box.addButton(tr("Save beside it as %1").arg(QFileInfo(beside).fileName()), QMessageBox::AcceptRole);
  QPushButton* replace = box.addButton(tr("Replace it"), QMessageBox::DestructiveRole);
  box.addButton(tr("Do not save"), QMessageBox::RejectRole);
  box.setDefaultButton(other);
  box.exec();
  if (box.clickedButton() == other) return saveTo(beside, false);
  return box.clickedButton() == replace && saveTo(path, true);
}

void MainWindow::remember(const QString& path) {
  QSettings settings;
  QStringList recent = settings.value(QString::fromUtf8(kRecentKey)).toStringList();
  const QString absolute = QFileInfo(path).absoluteFilePath();
  recent.removeAll(absolute);
  recent.prepend(absolute);
  while (recent.size() > kMostRecent) recent.removeLast();
  settings.setValue(QString::fromUtf8(kRecentKey), recent);
  fillRecent();
}

void MainWindow::fillRecent() {
  QMenu* menu = (*actions_)["recent"]->menu();
  menu->clear();
  for (const QString& path : QSettings().value(QString::fromUtf8(kRecentKey)).toStringList()) {
    QAction* action = menu->addAction(QFileInfo(path).fileName() + QStringLiteral("   ") + QFileInfo(path).path());
    action->setEnabled(QFileInfo::exists(path));
    connect(action, &QAction::triggered, this, [this, path] {
      if (mayLeave()) openPath(path);
    });
  }
  (*actions_)["recent"]->setEnabled(!menu->isEmpty());
}

bool MainWindow::mayLeave() {
  if (document_->readOnly()) return true;
  if (document_->draft()) {
    QMessageBox box(QMessageBox::Question, tr("Walls not used"),
                    tr("The walls that were typed in Measure are no outline yet, and no file holds them."),
                    QMessageBox::NoButton, this);
    box.setObjectName(QStringLiteral("draftQuestion"));
    QPushButton* stay = box.addButton(tr("Stay"), QMessageBox::RejectRole);
    QPushButton* drop = box.addButton(tr("Leave without them"), QMessageBox::DestructiveRole);
    box.setDefaultButton(stay);
    box.exec();
    if (box.clickedButton() != drop) return false;
  }
  if (!document_->unsaved()) return true;
  QMessageBox box(QMessageBox::Question, tr("Not saved"),
                  tr("%1 has edits that are not saved.").arg(document_->title()), QMessageBox::NoButton, this);
  box.setObjectName(QStringLiteral("leaveQuestion"));
  QPushButton* keep = box.addButton(tr("Save"), QMessageBox::AcceptRole);
  QPushButton* drop = box.addButton(tr("Leave without saving"), QMessageBox::DestructiveRole);
  box.addButton(tr("Stay"), QMessageBox::RejectRole);
  box.setDefaultButton(keep);
  box.exec();
  if (box.clickedButton() == keep) return save(false);
  return box.clickedButton() == drop;
}

void MainWindow::closeEvent(QCloseEvent* event) {
  if (!mayLeave()) {
    event->ignore();
    return;
  }
  document_->close();
  event->accept();
}

// ---- after a crash

void MainWindow::offerAbandoned() { document_->lookForLeftBehind(); }

void MainWindow::offer(const QString& journal) {
  const auto bytes = readFile(journal.toStdString(), kMostJournalBytes);
  if (!bytes) return;
  const auto left = readJournal(*bytes, journal.toStdString());
  if (!left || !left->worthOffering()) return;
  // An offer belongs to its job: it is made where nothing is open yet, and over that job itself.
  const QString path = QString::fromStdString(left->path);
  const bool blank = document_->path().isEmpty() && document_->job().rooms.empty() && !document_->unsaved();
  if (!blank && path != document_->path()) return;
  const QString cause = cause::kLeftBehind + journal;
  offers_.emplace_back(cause, path);
  const QString name = left->path.empty() ? tr("A job that was never saved")
                                          : tr("\"%1\"").arg(QString::fromStdString(left->file.job.name));
  const QString last = QString::fromStdString(left->lastEdit);
  const QString what = left->edits == 0   ? tr("walls that were being typed")
                       : left->edits == 1 ? tr("1 edit was not saved: %1").arg(last)
                                          : tr("%1 edits were not saved, the last: %2").arg(left->edits).arg(last);
  notice_->say(tr("%1 was not closed in order: %2.").arg(name, what),
               {{tr("Bring them back"), [this, journal] { bringBack(journal); }},
                {tr("Throw them away"),
                 [this, journal] {
                   if (const auto fault = document_->throwAway(journal))
                     notice_->say(sentenceOf(*fault), {}, cause::kRefused);
                 }}},
               cause);
}

/// Another job is open now: what is offered for others waits until theirs is, or until the next start.
void MainWindow::settleOffers() {
  for (const auto& [cause, path] : std::exchange(offers_, {}))
    if (path.isEmpty() || path != document_->path()) notice_->settle(cause);
    else offers_.emplace_back(cause, path);
}

void MainWindow::bringBack(const QString& journal) {
  if (!mayLeave()) return offer(journal);  // ask again, nothing is lost
  const QString before = document_->path();
  if (const auto fault = document_->bringBack(journal)) return notice_->say(sentenceOf(*fault), {}, cause::kRefused);
  if (!document_->path().isEmpty() && document_->path() != before) remember(document_->path());
  workspace_->showStage(workspace_->room() != nullptr && !document_->draft() ? Stage::Floor : Stage::Measure);
  sheet().fit();
}

}  // namespace mezzet
