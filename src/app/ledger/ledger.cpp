#include "app/ledger/ledger.h"

#include <QEvent>
#include <QLabel>
#include <QPainter>
#include <QScrollBar>
#include <QTextLayout>
#include <QVBoxLayout>
#include <set>
#include <span>

#include "app/ledger/gauge.h"
#include "app/dialogs/keep_dialog.h"
#include "app/widgets/layouts.h"
#include "app/widgets/style.h"
#include "core/edit/edits.h"
#include "core/rules/check.h"
#include "core/rules/registry.h"

namespace mezzet {
namespace {

QWidget* rule() {
  auto* line = new QWidget;
  line->setFixedHeight(1);
  line->setObjectName(QStringLiteral("ledgerLine"));
  line->setAttribute(Qt::WA_StyledBackground);
  return line;
}

constexpr int kTextLeft = 24;
constexpr std::size_t kMostShown = 6, kMostUnfolded = 60;  // findings of one decision, and of a fold
constexpr int kColumnWidth = 282;                          // of the ledger's column beside its scroll bar

/// Height of a text wrapped at a width.
int wrapped(const QFont& font, const QString& text, int width) {
  return QFontMetrics(font).boundingRect(QRect(0, 0, std::max(40, width), 10000), Qt::TextWordWrap, text).height();
}

}  // namespace

WayButton::WayButton(WayOut way, Workspace& workspace, QWidget* parent)
    : QPushButton(parent), way_(std::move(way)), from_(workspace.job()), workspace_(workspace) {
  setObjectName(QStringLiteral("way:") + QString::fromStdString(way_.id));
  setAccessibleName(onScreen(way_.sentence));
  setAccessibleDescription(onScreen(way_.gives));
  setToolTip(tr("Do this. One undo takes it back."));
  setCursor(Qt::PointingHandCursor);
  setFixedHeight(heightFor(kColumnWidth));
  connect(this, &QPushButton::clicked, this, [this] {
    if (workspace_.job() == from_) workspace_.take(way_);
  });
}

int WayButton::heightFor(int width) const {
  return wrapped(interfaceFont(13), onScreen(way_.sentence), width - kTextLeft - 6) +
         wrapped(interfaceFont(12), onScreen(way_.gives), width - kTextLeft - 6) + 10;
}

void WayButton::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  if (hasFocus() || underMouse()) {
    p.setPen(hasFocus() ? QPen(palette().color(QPalette::WindowText), 2) : QPen(Qt::NoPen));
    p.setBrush(palette().color(QPalette::AlternateBase));
    p.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), 3, 3);
  }
  p.setPen(QPen(palette().color(QPalette::Link), 2.2, Qt::SolidLine, Qt::FlatCap));
  p.setBrush(Qt::NoBrush);
  p.drawPolyline(QPolygonF({QPointF(9, 8), QPointF(14, 13), QPointF(9, 18)}));
  const int w = width() - kTextLeft - 6;
  const QString sentence = onScreen(way_.sentence);
  p.setFont(interfaceFont(13));
  p.setPen(palette().color(QPalette::Link));
  const int h = wrapped(p.font(), sentence, w);
  p.drawText(QRect(kTextLeft, 4, w, h), Qt::TextWordWrap, sentence);
  p.setFont(interfaceFont(12));
  p.setPen(palette().color(QPalette::Mid));
  p.drawText(QRect(kTextLeft, 5 + h, w, height() - h), Qt::TextWordWrap, onScreen(way_.gives));
}

bool WayButton::event(QEvent* event) {
  if (event->type() == QEvent::Enter || event->type() == QEvent::FocusIn) workspace_.showGhost(way_.job);
  if (event->type() == QEvent::Leave || event->type() == QEvent::FocusOut) workspace_.showGhost(std::nullopt);
  return QPushButton::event(event);
}

Ledger::Ledger(Workspace& workspace, QWidget* parent)
    : QWidget(parent), workspace_(workspace), scroll_(new QScrollArea(this)) {
  setObjectName(QStringLiteral("panel"));
  setAttribute(Qt::WA_StyledBackground);
  scroll_->setObjectName(QStringLiteral("ledger"));
  scroll_->setWidgetResizable(true);
  scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll_->setFocusPolicy(Qt::NoFocus);
  auto* all = new QVBoxLayout(this);
  all->setContentsMargins(0, 0, 0, 0);
  all->addWidget(scroll_);
  // Several changes in one turn of the event loop are shown once, and the sheet is painted first.
  later_.setSingleShot(true);
  connect(&later_, &QTimer::timeout, this, &Ledger::rebuild);
  const auto follow = [this] { later_.start(0); };
  connect(&workspace_, &Workspace::jobChanged, this, follow);
  for (auto signal : {&Workspace::judged, &Workspace::viewChanged}) connect(&workspace_, signal, this, follow);
  connect(&workspace_, &Workspace::waysArrived, this, [this] {
    if (later_.isActive()) return;  // they are of what is shown next
    for (const auto& [decision, stack] : waysOf_) fillWays(decision, stack);
  });
  rebuild();
}

QString Ledger::ruleName(const Finding& f) const {
  const Rule* rule = findRule(workspace_.book(), f.rule);
  QString name = QString::fromStdString(rule != nullptr ? rule->name : f.rule);
  if (!name.isEmpty()) name[0] = name[0].toLower();
  return name;
}

void Ledger::addTaste(QVBoxLayout* column) {
  std::vector<const Finding*> here;
  for (const Finding& f : workspace_.findings())
    if (f.verdict == Verdict::Breaks && f.weight == Weight::Taste) here.push_back(&f);
  if (here.empty()) return;
  auto* fold = new QPushButton(tr("%1 matters of taste").arg(here.size()) + (tasteOpen_ ? tr(", hide") : tr(", show")));
  fold->setObjectName(QStringLiteral("fold"));
  connect(fold, &QPushButton::clicked, this, [this] {
    tasteOpen_ = !tasteOpen_;
    QMetaObject::invokeMethod(this, &Ledger::rebuild, Qt::QueuedConnection);
  });
  auto* row = new QHBoxLayout;
  row->setContentsMargins(kTextLeft - 4, 0, 0, 0);
  row->addWidget(fold, 1);
  column->addLayout(row);
  if (!tasteOpen_) return;
  if (here.size() > kMostUnfolded) here.resize(kMostUnfolded);
  for (const Finding* f : here) {
    auto* sentence = words(onScreen(f->sentence), "quietNote");
    sentence->setContentsMargins(kTextLeft, 0, 0, 2);
    column->addWidget(sentence);
  }
}

void Ledger::addDecision(QVBoxLayout* column, const Decision& decision) {
  column->addWidget(words(onScreen(decision.title), "subject"));
  if (!decision.conflict.empty()) column->addWidget(words(onScreen(decision.conflict), "conflict"));
  // In a heap one piece has hundreds; the worst say what is wrong.
  const std::size_t shown = std::min(decision.findings.size(), kMostShown);
  const std::span<const std::size_t> worst(decision.findings.data(), shown);
  for (const std::size_t i : worst) {
    const Finding& f = workspace_.findings()[i];
    auto* row = new QHBoxLayout;
    row->setContentsMargins(0, 2, 0, 0);
    row->setSpacing(6);
    row->addWidget(new VerdictMark(f.verdict), 0, Qt::AlignTop);
    row->addWidget(words(onScreen(f.sentence), "sentence"), 1);
    column->addLayout(row);
    if (f.quantity == Quantity::Length && (f.asked.low || f.asked.high) && !showsOf(f.rule, shows::kNoRange)) {
      auto* gauge = new Gauge(f, workspace_.format());
      auto* indent = new QHBoxLayout;
      indent->setContentsMargins(kTextLeft, 0, 4, 0);
      indent->addWidget(gauge);
      column->addLayout(indent);
    }
    if (!f.rival.empty()) {
      auto* rival = words(onScreen(f.rival), "rival");
      rival->setContentsMargins(kTextLeft, 0, 0, 0);
      column->addWidget(rival);
    }
  }
  if (decision.findings.size() > shown)
    column->addWidget(words(tr("and %1 more of it").arg(decision.findings.size() - shown), "quietNote"));
  auto* ways = new QWidget;
  auto* stack = new QVBoxLayout(ways);
  stack->setContentsMargins(0, 0, 0, 0);
  stack->setSpacing(5);
  column->addWidget(ways);
  waysOf_.emplace_back(decision, stack);
  fillWays(decision, stack);
  for (const std::size_t i : worst) {
    const Finding& f = workspace_.findings()[i];
    auto* keep = new QPushButton(decision.findings.size() > 1 ? tr("keep on purpose: %1").arg(ruleName(f))
                                                              : tr("keep it on purpose"));
    keep->setObjectName(QStringLiteral("keep"));
    keep->setProperty("finding", QString::fromStdString(f.id));
    connect(keep, &QPushButton::clicked, this, [this, f] { KeepDialog(workspace_, f, this).exec(); });
    keep->setMaximumWidth(kColumnWidth);  // a long name must not widen the column
    column->addWidget(keep, 0, Qt::AlignLeft);
  }
  if (const Rule* rule = findRule(workspace_.book(), workspace_.findings()[decision.findings.front()].rule);
      rule != nullptr && rule->caution)
    column->addWidget(words(onScreen(*rule->caution), "note"));
}

void Ledger::fillWays(const Decision& decision, QVBoxLayout* stack) {
  while (QLayoutItem* item = stack->takeAt(0)) {
    delete item->widget();
    delete item;
  }
  const std::vector<WayOut>* found = workspace_.waysShown(decision);
  const auto add = [&](QWidget* one) {
    stack->addWidget(one);
    one->show();  // the ledger may be on the screen already
  };
  if (found == nullptr) add(words(tr("Looking for ways out ..."), "quietNote"));
  else
    for (const WayOut& way : *found) add(new WayButton(way, workspace_));
  stack->parentWidget()->setVisible(found == nullptr || !found->empty());
}

void Ledger::addFold(QVBoxLayout* column, Verdict verdict, const QString& title, const QString& none) {
  std::vector<const Finding*> here;
  for (const Finding& f : workspace_.findings())
    if (f.verdict == verdict) here.push_back(&f);
  auto* row = new QHBoxLayout;
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(6);
  row->addWidget(new VerdictMark(verdict), 0, Qt::AlignVCenter);
  if (here.empty()) {
    row->addWidget(words(none, "quietNote"), 1);
    column->addLayout(row);
    return;
  }
  bool& open = openFold_[static_cast<int>(verdict)];
  auto* fold = new QPushButton;
  fold->setObjectName(QStringLiteral("fold"));
  fold->setText(title.arg(here.size()) + (open ? tr(", hide") : tr(", show")));
  fold->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
  connect(fold, &QPushButton::clicked, this, [this, &open] {
    open = !open;
    QMetaObject::invokeMethod(this, &Ledger::rebuild, Qt::QueuedConnection);
  });
  row->addWidget(fold, 1);
  column->addLayout(row);
  if (!open) return;
  if (here.size() > kMostUnfolded) {
    column->addWidget(words(tr("The first %1:").arg(kMostUnfolded), "quietNote"));
    here.resize(kMostUnfolded);
  }
  for (const Finding* f : here) {
    auto* sentence = words(onScreen(f->sentence), "quietNote");
    sentence->setContentsMargins(kTextLeft, 0, 0, 2);
    column->addWidget(sentence);
    if (verdict != Verdict::Kept) continue;
    for (const Kept& kept : workspace_.scheme()->kept)
      if (kept.finding == f->id) {
        auto* why = words(tr("Kept %1: %2").arg(QString::fromStdString(kept.date), QString::fromStdString(kept.reason)),
                          "rival");
        why->setContentsMargins(kTextLeft, 0, 0, 0);
        column->addWidget(why);
        auto* again = new QPushButton(tr("Judge it again"));
        again->setObjectName(QStringLiteral("judgeAgain"));
        connect(again, &QPushButton::clicked, this, [this, id = f->id] {
          workspace_.document().edit(tr("judge again"), withoutKept(workspace_.job(), workspace_.schemeId(), id));
        });
        column->addWidget(again, 0, Qt::AlignLeft);
      }
  }
}

void Ledger::rebuild() {
  later_.stop();
  waysOf_.clear();
  const int scrolled = scroll_->verticalScrollBar()->value();
  auto* body = new QWidget;
  body->setObjectName(QStringLiteral("panelBody"));
  auto* column = new QVBoxLayout(body);
  column->setContentsMargins(14, 12, 12, 14);
  column->setSpacing(5);
  const auto& decisions = workspace_.decisions();
  column->addWidget(words(tr("Decide next"), "panelTitle"));
  column->addWidget(rule());
  if (workspace_.room() == nullptr)
    column->addWidget(words(tr("There is no room yet. Measure one, and Mezzet will say what to decide."), "quietNote"));
  else if (workspace_.judging()) column->addWidget(words(tr("Judging a crowded room ..."), "quietNote"));
  else if (decisions.empty())
    column->addWidget(words(tr("Nothing to decide: every rule that was asked holds here."), "quietNote"));
  // What the stage in view is about comes first.
  std::size_t shown = 0;
  for (const bool onStage : {true, false})
    for (const Decision& d : decisions) {
      const bool wall = !workspace_.findings()[d.findings.front()].view.isPlan();
      if ((wall == (rowOf(workspace_.stage()).accepts == Accepts::Wall)) != onStage || shown == kMostDecisions)
        continue;
      addDecision(column, d);
      column->addSpacing(4);
      column->addWidget(rule());
      ++shown;
    }
  if (decisions.size() > shown)
    column->addWidget(words(tr("%1 more after these.").arg(decisions.size() - shown), "quietNote"));
  column->addSpacing(4);
  addFold(column, Verdict::Close, tr("%1 close calls"), tr("no close calls"));
  addFold(column, Verdict::Holds, tr("%1 hold"), tr("nothing else was asked"));
  addFold(column, Verdict::Kept, tr("%1 kept on purpose"), tr("nothing kept on purpose"));
  addFold(column, Verdict::NotMeasured, tr("%1 wait for the tape"), tr("nothing waits for the tape"));
  addTaste(column);
  column->addStretch(1);
  scroll_->setWidget(body);
  scroll_->verticalScrollBar()->setValue(scrolled);
}

}  // namespace mezzet
