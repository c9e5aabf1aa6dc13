#include "app/view/compare_view.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSignalBlocker>
#include <QScrollArea>

#include "app/document/today.h"
#include "app/view/still_picture.h"
#include "app/widgets/layouts.h"
#include "app/widgets/style.h"
#include "core/edit/edits.h"
#include "core/decide/compare.h"

namespace mezzet {
CompareView::CompareView(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("compareView"));
  setWindowTitle(tr("Two schemes beside each other"));
  resize(1180, 720);
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(18, 14, 18, 14);
  grid->setHorizontalSpacing(14);
  SchemeId second;
  if (const Scheme* now = workspace_.scheme())
    for (const auto& scheme : workspace_.job().schemes)
      if (second.empty() && scheme->room == now->room && scheme->id != now->id) second = scheme->id;
  first_ = schemeList("firstScheme", workspace_.schemeId());
  first_->setAccessibleName(tr("The first scheme"));
  other_ = schemeList("otherScheme", second);
  other_->setAccessibleName(tr("The scheme to compare with"));
  left_ = new QLabel;
  right_ = new QLabel;
  for (QLabel* picture : {left_, right_}) {
    picture->setAlignment(Qt::AlignCenter);
    picture->setMinimumSize(300, 240);
    picture->setStyleSheet(QStringLiteral("background: #f8f4ea; border: 1px solid #39464f;"));
    picture->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Ignored);
  }
  leftFigures_ = words({}, "figures");
  rightFigures_ = words({}, "figures");
  list_ = words({}, "differences");
  log_ = words({}, "quietNote");
  auto* lists = new QWidget;
  lists->setObjectName(QStringLiteral("panelBody"));
  auto* column = new QVBoxLayout(lists);
  column->addWidget(words(tr("How the second differs"), "subject"));
  column->addWidget(list_);
  column->addSpacing(10);
  column->addWidget(words(tr("What was decided"), "subject"));
  column->addWidget(log_);
  column->addStretch(1);
  auto* scroll = new QScrollArea;
  scroll->setWidgetResizable(true);
  scroll->setWidget(lists);
  scroll->setMinimumWidth(300);
  grid->addWidget(first_, 0, 0);
  grid->addWidget(other_, 0, 1);
  grid->addWidget(left_, 1, 0);
  grid->addWidget(right_, 1, 1);
  grid->addWidget(leftFigures_, 2, 0);
  grid->addWidget(rightFigures_, 2, 1);
  grid->addWidget(scroll, 0, 2, 3, 1);
  grid->setColumnStretch(0, 5);
  grid->setColumnStretch(1, 5);
  grid->setColumnStretch(2, 4);
  grid->setRowStretch(1, 1);
  auto* row = new QHBoxLayout;
  reason_ = new QLineEdit;
  reason_->setObjectName(QStringLiteral("logText"));
  reason_->setPlaceholderText(tr("why: works, but leaves no wall for a sideboard"));
  reason_->setAccessibleName(tr("What was decided, and why"));
  reason_->setMaxLength(400);
  row->addWidget(reason_, 1);
  const auto button = [&](const QString& text, const char* name, LogKind kind) {
    auto* b = new QPushButton(text);
    b->setObjectName(QString::fromUtf8(name));
    b->setAutoDefault(false);
    connect(b, &QPushButton::clicked, this, [this, kind] { note(kind); });
    row->addWidget(b);
  };
  button(tr("Choose the first"), "logDecision", LogKind::Decision);
  button(tr("Turn the first down"), "logRejection", LogKind::Rejection);
  button(tr("Note a candidate"), "logCandidate", LogKind::Candidate);
  auto* close = new QPushButton(tr("Close"));
  close->setAutoDefault(false);
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  row->addWidget(close);
  grid->addLayout(row, 3, 0, 1, 3);
  firstShown_ = idOf(first_);
  otherShown_ = idOf(other_);
  connect(first_, &QComboBox::currentIndexChanged, this, [this] { chosen(first_, other_); });
  connect(other_, &QComboBox::currentIndexChanged, this, [this] { chosen(other_, first_); });
  connect(&workspace_, &Workspace::jobChanged, this, &CompareView::show_);
  show_();
}

QComboBox* CompareView::schemeList(const char* name, const SchemeId& chosen) {
  auto* list = new QComboBox;
  list->setObjectName(QString::fromUtf8(name));
  for (const auto& scheme : workspace_.job().schemes)
    if (workspace_.scheme() != nullptr && scheme->room == workspace_.scheme()->room) {
      list->addItem(tr("Scheme %1").arg(QString::fromStdString(scheme->name)),
                    QString::fromStdString(scheme->id.value));
      if (scheme->id == chosen) list->setCurrentIndex(list->count() - 1);
    }
  if (chosen.empty()) list->setCurrentIndex(-1);
  return list;
}

SchemeId CompareView::idOf(const QComboBox* list) { return SchemeId(list->currentData().toString().toStdString()); }

void CompareView::chosen(QComboBox* here, QComboBox* there) {
  if (idOf(here) == idOf(there)) {
    // They change sides.
    const QSignalBlocker quiet(there);
    there->setCurrentIndex(there->findData(QString::fromStdString((here == first_ ? firstShown_ : otherShown_).value)));
  }
  firstShown_ = idOf(first_);
  otherShown_ = idOf(other_);
  show_();
}

void CompareView::paint(QLabel* on, const SchemeId& id) {
  if (findScheme(workspace_.job(), id) == nullptr) return on->clear();
  on->setPixmap(planPicture(workspace_, workspace_.job(), id, on->size() - QSize(4, 4), devicePixelRatioF()));
}

QString CompareView::inWords(const SchemeFigures& figures) const {
  QStringList words;
  const Room* room = workspace_.room();
  if (room == nullptr) return {};
  for (const std::string& w : figureWords(figures, *room, workspace_.job().units, workspace_.format()))
    words << onScreen(w);
  return words.join(QStringLiteral(", ")) + QStringLiteral(".");
}

void CompareView::paintBoth() {
  paint(left_, idOf(first_));
  paint(right_, idOf(other_));
}

void CompareView::show_() {
  const Scheme* first = findScheme(workspace_.job(), idOf(first_));
  if (first == nullptr) return;
  paintBoth();
  // In the state of use that is shown, like everything else on screen.
  const auto judge = [&](const SchemeId& id) {
    return judged(workspace_.job(), workspace_.book(), id, workspace_.format(), {workspace_.useState(), nullptr});
  };
  const Judged one = judge(first->id);
  leftFigures_->setText(inWords(one.figures));
  rightFigures_->clear();
  QString log;
  const auto tell = [&](const Scheme& scheme) {
    for (const LogEntry& e : scheme.log) {
      const char* kind = e.kind == LogKind::Decision    ? "chosen"
                         : e.kind == LogKind::Rejection ? "turned down"
                                                        : "candidate";
      log += tr("%1  %2 %3: %4\n")
                 .arg(QString::fromStdString(e.date), QString::fromStdString(scheme.name), tr(kind),
                      QString::fromStdString(e.text));
    }
  };
  tell(*first);
  if (const Scheme* second = findScheme(workspace_.job(), idOf(other_))) {
    const Judged two = judge(second->id);
    rightFigures_->setText(inWords(two.figures));
    QString text;
    for (const std::string& line : differences(workspace_.job(), one, two, workspace_.format()))
      text += onScreen(line) + QStringLiteral("\n");
    list_->setText(text.isEmpty() ? tr("Nothing measured differs.") : text.trimmed());
    tell(*second);
  } else {
    list_->setText(tr("This room has one scheme. Copy it (Ctrl+D), change the copy, and compare."));
  }
  log_->setText(log.isEmpty() ? tr("Nothing yet.") : log.trimmed());
}

void CompareView::note(LogKind kind) {
  const QString text = reason_->text().trimmed();
  if (text.isEmpty()) return reason_->setFocus();
  workspace_.document().edit(tr("note what was decided"),
                             withLogEntry(workspace_.job(), idOf(first_), {kind, today(), text.toStdString()}));
  reason_->clear();
}

void CompareView::resizeEvent(QResizeEvent* event) {
  QDialog::resizeEvent(event);
  paintBoth();
}

}  // namespace mezzet
