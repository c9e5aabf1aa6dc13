#include "app/ledger/ledger.h"

#include <QScrollBar>
#include <QPushButton>
#include <QVBoxLayout>
#include <span>

#include "app/ledger/gauge.h"
#include "app/ledger/way_button.h"
#include "app/dialogs/keep_dialog.h"
#include "app/widgets/layouts.h"
#include "core/decide/movers.h"
#include "app/widgets/style.h"
#include "core/edit/edits.h"
#include "core/rules/check.h"
#include "core/rules/registry.h"

namespace mezzet {
namespace {

constexpr std::size_t kMostShown = 6, kMostUnfolded = 60;  // findings of one decision, and of a fold

/// Everything a finding's row shows.
std::string contentOf(const Finding& f) {
  std::string out = f.id + '\n' + verdictWord(f.verdict) + '\n' + f.sentence + '\n' + f.rival + '\n';
  const auto number = [&out](std::optional<double> x) { out += (x ? std::to_string(*x) : "-") + ' '; };
  for (const std::optional<double> x : {std::optional(f.measured), std::optional(f.u95)}) number(x);
  for (const Range& range : {f.asked, f.ideal}) {
    number(range.low);
    number(range.high);
  }
  return out;
}

std::string contentOf(const std::vector<const Finding*>& findings) {
  std::string out;
  for (const Finding* f : findings) out += contentOf(*f);
  return out;
}

QVBoxLayout* columnIn(QScrollArea* scroll) {
  auto* body = new QWidget;
  body->setObjectName(QStringLiteral("panelBody"));
  auto* column = new QVBoxLayout(body);
  column->setContentsMargins(14, 12, 12, 14);
  column->setSpacing(5);
  column->addStretch(1);
  scroll->setWidget(body);
  return column;
}

}  // namespace

Ledger::Ledger(Workspace& workspace, QWidget* parent)
    : QWidget(parent), workspace_(workspace), scroll_(new QScrollArea(this)), column_(columnIn(scroll_)) {
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
    column_.atOnce([this] {
      for (const auto& [decision, ways] : waysOf_) fillWays(decision, ways);
    });
  });
  connect(&workspace_, &Workspace::viewChanged, this, [this] { scroll_->verticalScrollBar()->setValue(0); });
  rebuild();
}

QString Ledger::ruleName(const Finding& f) const {
  const Rule* rule = findRule(workspace_.book(), f.rule);
  QString name = QString::fromStdString(rule != nullptr ? rule->name : f.rule);
  if (!name.isEmpty()) name[0] = name[0].toLower();
  return name;
}

std::vector<const Finding*> Ledger::findingsThat(const std::function<bool(const Finding&)>& fit) const {
  std::vector<const Finding*> out;
  for (const Finding& f : workspace_.findings())
    if (fit(f)) out.push_back(&f);
  return out;
}

void Ledger::addTaste() {
  auto here = findingsThat([](const Finding& f) { return f.verdict == Verdict::Breaks && f.weight == Weight::Taste; });
  if (here.empty()) return;
  const QString title = (here.size() == 1 ? tr("1 matter of taste") : tr("%1 matters of taste").arg(here.size())) +
                        (tasteOpen_ ? tr(", hide") : tr(", show"));
  if (!tasteOpen_) here.clear();
  if (here.size() > kMostUnfolded) here.resize(kMostUnfolded);
  column_.add(title.toStdString() + contentOf(here), [&](QVBoxLayout* column) {
    auto* fold = new QPushButton(title);
    fold->setObjectName(QStringLiteral("fold"));
    connect(fold, &QPushButton::clicked, this, [this] {
      tasteOpen_ = !tasteOpen_;
      QMetaObject::invokeMethod(this, &Ledger::rebuild, Qt::QueuedConnection);
    });
    auto* row = new QHBoxLayout;
    row->setContentsMargins(kLedgerText - 4, 0, 0, 0);
    row->addWidget(fold, 1);
    column->addLayout(row);
    for (const Finding* f : here) {
      auto* sentence = words(onScreen(f->sentence), "quietNote");
      sentence->setContentsMargins(kLedgerText, 0, 0, 2);
      column->addWidget(sentence);
    }
  });
}

void Ledger::addDecision(const Decision& decision) {
  // In a heap one piece has hundreds; the worst say what is wrong.
  std::vector<const Finding*> worst;
  for (const std::size_t i : decision.findings) {
    if (worst.size() == kMostShown) break;
    worst.push_back(&workspace_.findings()[i]);
  }
  const std::string content = "decide " + std::to_string(decision.findings.size()) + decision.title + '\n' +
                              decision.conflict + '\n' + contentOf(worst);
  QWidget* block = column_.add(content, [&](QVBoxLayout* column) { fillDecision(column, decision, worst); });
  waysOf_.emplace_back(decision, block->findChild<QWidget*>(QStringLiteral("ways"), Qt::FindDirectChildrenOnly));
  fillWays(decision, waysOf_.back().second);
}

void Ledger::fillDecision(QVBoxLayout* column, const Decision& decision, const std::vector<const Finding*>& worst) {
  column->addWidget(words(onScreen(decision.title), "subject"));
  if (!decision.conflict.empty()) column->addWidget(words(onScreen(decision.conflict), "conflict"));
  for (const Finding* finding : worst) {
    const Finding& f = *finding;
    auto* row = new QHBoxLayout;
    row->setContentsMargins(0, 2, 0, 0);
    row->setSpacing(6);
    row->addWidget(new VerdictMark(f.verdict), 0, Qt::AlignTop);
    row->addWidget(words(onScreen(f.sentence), "sentence"), 1);
    column->addLayout(row);
    if (f.quantity == Quantity::Length && (f.asked.low || f.asked.high) && !showsOf(f.rule, shows::kNoRange)) {
      auto* gauge = new Gauge(f, workspace_.format());
      auto* indent = new QHBoxLayout;
      indent->setContentsMargins(kLedgerText, 0, 4, 0);
      indent->addWidget(gauge);
      column->addLayout(indent);
    }
    if (!f.rival.empty()) {
      auto* rival = words(onScreen(f.rival), "rival");
      rival->setContentsMargins(kLedgerText, 0, 0, 0);
      column->addWidget(rival);
    }
  }
  if (decision.findings.size() > worst.size())
    column->addWidget(words(tr("and %1 more of it").arg(decision.findings.size() - worst.size()), "quietNote"));
  auto* ways = new QWidget;
  ways->setObjectName(QStringLiteral("ways"));
  auto* stack = new QVBoxLayout(ways);
  stack->setContentsMargins(0, 0, 0, 0);
  stack->setSpacing(5);
  column->addWidget(ways);
  for (const Finding* finding : worst) {
    const Finding& f = *finding;
    auto* keep =
        new QPushButton(decision.findings.size() > 1 ? tr("keep it: %1").arg(ruleName(f)) : tr("keep it on purpose"));
    keep->setObjectName(QStringLiteral("keep"));
    keep->setProperty("finding", QString::fromStdString(f.id));
    connect(keep, &QPushButton::clicked, this, [this, id = f.id] {
      const auto now = findingsThat([&](const Finding& one) { return one.id == id; });
      if (!now.empty()) KeepDialog(workspace_, Finding(*now.front()), this).exec();
    });
    keep->setMaximumWidth(kLedgerColumn);  // a long name must not widen the column
    column->addWidget(keep, 0, Qt::AlignLeft);
  }
  if (const Rule* rule = findRule(workspace_.book(), worst.front()->rule); rule != nullptr && rule->caution)
    column->addWidget(words(onScreen(*rule->caution), "note"));
  column->addSpacing(4);
  column->addWidget(ledgerLine());
}

void Ledger::fillWays(const Decision& decision, QWidget* ways) {
  ways->hide();  // laid out once, when it shows again
  while (QLayoutItem* item = ways->layout()->takeAt(0)) {
    delete item->widget();
    delete item;
  }
  const std::vector<WayOut>* found = workspace_.waysShown(decision);
  const auto add = [&](QWidget* one) {
    ways->layout()->addWidget(one);
    one->show();
  };
  if (found == nullptr) add(words(tr("Looking for ways out ..."), "quietNote"));
  else
    for (const WayOut& way : *found) add(new WayButton(way, workspace_));
  // An honest "none" instead of silence, where moving was tried.
  const bool moved =
      found != nullptr && found->empty() && workspace_.findings()[decision.findings.front()].view.isPlan();
  if (moved)
    add(words(
        tr("No single move within %1 cures it without breaking something else.").arg(workspace_.write(kMostSlide)),
        "quietNote"));
  addWhyNoOther(decision, ways);
  ways->setVisible(found == nullptr || !found->empty() || moved);
}

void Ledger::addWhyNoOther(const Decision& decision, QWidget* ways) {
  const std::vector<std::string> refused = workspace_.refusedShown(decision);
  if (refused.empty()) return;
  auto* ask = new QPushButton(tr("Why no other move?"));
  ask->setObjectName(QStringLiteral("fold"));
  ask->setToolTip(tr("What the nearest other changes would break"));
  ways->layout()->addWidget(ask);
  ask->show();
  QStringList all;
  for (const std::string& why : refused) all << onScreen(why);
  auto* why = words(all.join(QStringLiteral("\n")), "rival");
  ways->layout()->addWidget(why);
  why->setVisible(whyOpen_ == decision.subject);
  connect(ask, &QPushButton::clicked, this, [this, why, subject = decision.subject] {
    whyOpen_ = whyOpen_ == subject ? std::string() : subject;
    why->setVisible(!whyOpen_.empty());
  });
}

void Ledger::addFold(Verdict verdict, const QString& one, const QString& title, const QString& none) {
  auto here = findingsThat([verdict](const Finding& f) { return f.verdict == verdict; });
  const std::size_t all = here.size();
  const bool open = openFold_[static_cast<int>(verdict)];
  if (!open) here.clear();
  if (here.size() > kMostUnfolded) here.resize(kMostUnfolded);
  std::string content = verdictWord(verdict) + std::to_string(all) + (open ? " open" : "") + contentOf(here);
  if (open && verdict == Verdict::Kept)
    for (const Kept& kept : workspace_.scheme()->kept) content += kept.finding + kept.date + kept.reason + '\n';
  column_.add(content, [&](QVBoxLayout* column) {
    auto* row = new QHBoxLayout;
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    row->addWidget(new VerdictMark(verdict), 0, Qt::AlignVCenter);
    column->addLayout(row);
    if (all == 0) return row->addWidget(words(none, "quietNote"), 1);
    auto* fold = new QPushButton;
    fold->setObjectName(QStringLiteral("fold"));
    fold->setText((all == 1 ? one : title.arg(all)) + (open ? tr(", hide") : tr(", show")));
    fold->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    connect(fold, &QPushButton::clicked, this, [this, verdict] {
      openFold_[static_cast<int>(verdict)] = !openFold_[static_cast<int>(verdict)];
      QMetaObject::invokeMethod(this, &Ledger::rebuild, Qt::QueuedConnection);
    });
    row->addWidget(fold, 1);
    if (open && all > here.size()) column->addWidget(words(tr("The first %1:").arg(kMostUnfolded), "quietNote"));
    for (const Finding* f : here) {
      auto* sentence = words(onScreen(f->sentence), "quietNote");
      sentence->setContentsMargins(kLedgerText, 0, 0, 2);
      column->addWidget(sentence);
      if (verdict == Verdict::Kept) addWhyKept(column, *f);
    }
  });
}

void Ledger::addWhyKept(QVBoxLayout* column, const Finding& f) {
  for (const Kept& kept : workspace_.scheme()->kept)
    if (kept.finding == f.id) {
      auto* why =
          words(tr("Kept %1: %2").arg(QString::fromStdString(kept.date), QString::fromStdString(kept.reason)), "rival");
      why->setContentsMargins(kLedgerText, 0, 0, 0);
      column->addWidget(why);
      auto* again = new QPushButton(tr("Judge it again"));
      again->setObjectName(QStringLiteral("judgeAgain"));
      connect(again, &QPushButton::clicked, this, [this, id = f.id] {
        workspace_.document().edit(tr("judge again"), withoutKept(workspace_.job(), workspace_.schemeId(), id));
      });
      column->addWidget(again, 0, Qt::AlignLeft);
    }
}

void Ledger::addHeading() {
  QString said;
  if (workspace_.room() == nullptr) said = tr("There is no room yet. Measure one, and Mezzet will say what to decide.");
  else if (workspace_.judging()) said = tr("Judging a crowded room ...");
  else if (workspace_.decisions().empty()) said = tr("Nothing to decide: every rule that was asked holds here.");
  column_.add("heading " + said.toStdString(), [&](QVBoxLayout* column) {
    column->addWidget(words(tr("Decide next"), "panelTitle"));
    column->addWidget(ledgerLine());
    if (!said.isEmpty()) column->addWidget(words(said, "quietNote"));
  });
}

/// What the last edit cured is said once: it would vanish without a word.
void Ledger::addCured() {
  const auto& cured = workspace_.cured();
  if (cured.empty()) return;
  constexpr std::size_t kMostTold = 3;
  std::string content = "cured " + std::to_string(cured.size());
  for (const std::string& sentence : cured) content += '\n' + sentence;
  column_.add(content, [&](QVBoxLayout* column) {
    column->addWidget(words(tr("Now holds"), "subject"));
    for (std::size_t i = 0; i < std::min(cured.size(), kMostTold); ++i) {
      auto* row = new QHBoxLayout;
      row->setContentsMargins(0, 0, 0, 2);
      row->setSpacing(6);
      row->addWidget(new VerdictMark(Verdict::Holds), 0, Qt::AlignTop);
      row->addWidget(words(onScreen(cured[i]), "cured"), 1);
      column->addLayout(row);
    }
    if (cured.size() > kMostTold)
      column->addWidget(words(tr("and %1 more").arg(cured.size() - kMostTold), "quietNote"));
    column->addWidget(ledgerLine());
  });
}

/// What an edit turned though nobody touched it: at the foot, until it is cured or ticked.
void Ledger::addTurned() {
  const auto& turned = workspace_.turned();
  if (turned.empty()) return;
  std::string content = "turned";
  for (const Turned& t : turned) content += '\n' + t.finding + ' ' + t.sentence;
  column_.add(content, [&](QVBoxLayout* column) {
    column->addWidget(ledgerLine());
    column->addWidget(words(tr("By this, though it was not moved"), "subject"));
    for (const Turned& t : turned) {
      auto* row = new QHBoxLayout;
      row->setContentsMargins(0, 0, 0, 2);
      row->setSpacing(6);
      row->addWidget(new VerdictMark(Verdict::Breaks), 0, Qt::AlignTop);
      row->addWidget(words(onScreen(t.sentence), "turned"), 1);
      auto* seen = new QPushButton(tr("Seen"));
      seen->setObjectName(QStringLiteral("judgeAgain"));
      seen->setAccessibleName(tr("Seen: %1").arg(onScreen(t.sentence)));
      connect(seen, &QPushButton::clicked, this, [this, id = t.finding] {
        workspace_.tickTurned(id);
        QMetaObject::invokeMethod(this, &Ledger::rebuild, Qt::QueuedConnection);
      });
      row->addWidget(seen, 0, Qt::AlignTop);
      column->addLayout(row);
    }
  });
}

void Ledger::rebuild() {
  later_.stop();
  waysOf_.clear();
  column_.begin();
  addHeading();
  addCured();
  addMissing();
  const auto& decisions = workspace_.decisions();
  // What the stage in view is about comes first.
  std::size_t shown = 0;
  for (const bool onStage : {true, false})
    for (const Decision& d : decisions) {
      const Accepts where = acceptsOf(workspace_.findings()[d.findings.front()].view);
      const Accepts here = rowOf(workspace_.stage()).accepts;
      if ((where == (here == Accepts::Nothing ? Accepts::Floor : here)) != onStage || shown == kMostDecisions) continue;
      addDecision(d);
      ++shown;
    }
  const std::size_t left = decisions.size() - shown;
  column_.add("after these " + std::to_string(left), [&](QVBoxLayout* column) {
    if (left > 0) column->addWidget(words(tr("%1 more after these.").arg(left), "quietNote"));
    column->addSpacing(4);
  });
  addFold(Verdict::Close, tr("1 close call"), tr("%1 close calls"), tr("no close calls"));
  addFold(Verdict::Holds, tr("1 holds"), tr("%1 hold"), tr("nothing else was asked"));
  addFold(Verdict::Kept, tr("1 kept on purpose"), tr("%1 kept on purpose"), tr("nothing kept on purpose"));
  addFold(Verdict::NotMeasured, tr("1 waits for the tape"), tr("%1 wait for the tape"),
          tr("nothing waits for the tape"));
  addTaste();
  addTurned();
  column_.end();
}

}  // namespace mezzet
