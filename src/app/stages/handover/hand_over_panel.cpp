#include "app/stages/handover/hand_over_panel.h"

#include <QPushButton>

#include "app/document/today.h"
#include "app/widgets/layouts.h"
#include "core/base/sentence.h"

namespace mezzet {
namespace {

constexpr int kLineWide = 268;  // px of a line that leads somewhere
constexpr std::size_t kMostWaiting = 6, kMostChanges = 10, kMostHard = 3;

QString text(const std::string& words) { return onScreen(words); }

/// A column that blocks are put into from the top.
QVBoxLayout* columnOf(QWidget* panel) {
  QVBoxLayout* column = scrollingColumn(panel);
  column->addStretch(1);
  return column;
}

}  // namespace

HandOverPanel::HandOverPanel(Workspace& workspace, QWidget* parent)
    : QWidget(parent), workspace_(workspace), outlook_(workspace.book()), column_(columnOf(this)) {
  setObjectName(QStringLiteral("handOverPanel"));
  connect(&workspace_, &Workspace::jobChanged, this, &HandOverPanel::follow);
  connect(&workspace_, &Workspace::viewChanged, this, &HandOverPanel::follow);
  connect(&outlook_, &Outlook::changed, this, &HandOverPanel::rebuild);
}

void HandOverPanel::follow() {
  if (workspace_.stage() != Stage::HandOver) return;
  outlook_.ask(workspace_.job(), workspace_.format());
  if (outlook_.facts() == nullptr) rebuild();
}

void HandOverPanel::rebuild() {
  column_.begin();
  column_.add("heading", [](QVBoxLayout* column) { column->addWidget(words(tr("Hand over"), "panelTitle")); });
  if (const OutlookFacts* facts = outlook_.facts()) {
    addNext(*facts);
    addStale(*facts);
    addWaiting(*facts);
    addHard(*facts);
    addChanges(*facts);
  } else {
    column_.add("working", [](QVBoxLayout* column) { column->addWidget(words(tr("working ..."), "quietNote")); });
  }
  column_.end();
}

namespace {

/// A block under a title, with a button that leads on.
void fillBlock(QVBoxLayout* column, const QString& title, const QStringList& lines, const char* style = "sentence") {
  column->addWidget(ledgerLine());
  column->addWidget(words(title, "subject"));
  for (const QString& line : lines) column->addWidget(words(line, style));
}
QPushButton* onward(QVBoxLayout* column, const QString& what, const char* name) {
  auto* button = new QPushButton(what);
  button->setObjectName(QString::fromUtf8(name));
  button->setAutoDefault(false);
  column->addWidget(button);
  return button;
}

}  // namespace

void HandOverPanel::addNext(const OutlookFacts& facts) {
  QStringList lines;
  if (!facts.dates) {
    lines << text(capital(facts.dates.error().text()) + ".");
  } else {
    const JobTask* risk = nextAtRisk(*facts.dates, thisDay());
    lines << (risk != nullptr ? text(riskWords(*facts.dates, *risk)) : tr("No date is at risk."));
    lines << tr("All done on %1.").arg(text(dayWords(facts.dates->end)));
    for (const HeldDate& late : facts.dates->late)
      if (late.id == "due") lines << text(late.says);
  }
  column_.add("next" + lines.join(u'\n').toStdString(), [&](QVBoxLayout* column) {
    fillBlock(column, tr("Next date at risk"), lines);
    connect(onward(column, tr("Dates ..."), "goDates"), &QPushButton::clicked, this,
            [this] { emit actionWanted("dates"); });
  });
}

void HandOverPanel::addStale(const OutlookFacts& facts) {
  const QString of = tr("issue %1, %2").arg(facts.issue).arg(text(facts.issued));
  const QString line = !facts.everIssued ? tr("Nothing was issued yet.")
                       : facts.asIssued  ? tr("The drawings are as in %1.").arg(of)
                                         : tr("Drawings of %1 are stale: the job has changed.").arg(of);
  column_.add("stale" + line.toStdString(), [&](QVBoxLayout* column) {
    fillBlock(column, tr("Issued drawings"), {line});
    connect(onward(column, tr("Pack ..."), "goPack"), &QPushButton::clicked, this,
            [this] { emit actionWanted("pack"); });
  });
}

void HandOverPanel::addWaiting(const OutlookFacts& facts) {
  std::string content = "waiting";
  for (const Waiting& w : facts.waiting) content += w.placement.value + w.says;
  column_.add(content, [&](QVBoxLayout* column) {
    fillBlock(column, tr("Waits for a tape"),
              facts.waiting.empty() ? QStringList{tr("Nothing: all is measured.")} : QStringList{});
    for (std::size_t i = 0; i < std::min(facts.waiting.size(), kMostWaiting); ++i) {
      const QString says = text(facts.waiting[i].says);
      auto* button = new QPushButton(fontMetrics().elidedText(says, Qt::ElideRight, kLineWide));
      button->setObjectName(QStringLiteral("wait:") + QString::fromStdString(facts.waiting[i].placement.value));
      button->setProperty("leads", true);
      button->setAutoDefault(false);
      button->setToolTip(says);
      button->setAccessibleName(says);
      connect(button, &QPushButton::clicked, this, [this, w = facts.waiting[i]] { go(w); });
      column->addWidget(button);
    }
    if (facts.waiting.size() > kMostWaiting)
      column->addWidget(words(tr("and %1 more").arg(facts.waiting.size() - kMostWaiting), "quietNote"));
    connect(onward(column, tr("Orders ..."), "goOrders"), &QPushButton::clicked, this,
            [this] { emit actionWanted("orders"); });
  });
}

void HandOverPanel::addHard(const OutlookFacts& facts) {
  QStringList lines;
  for (std::size_t i = 0; i < std::min(facts.hard.size(), kMostHard); ++i) lines << text(facts.hard[i].says);
  if (workspace_.job().records->legs.empty()) lines = {tr("The way in is not measured yet.")};
  else if (lines.isEmpty()) lines = {tr("Everything goes in.")};
  column_.add("hard" + lines.join(u'\n').toStdString(), [&](QVBoxLayout* column) {
    fillBlock(column, tr("The way in"), lines);
    connect(onward(column, tr("Way in ..."), "goDelivery"), &QPushButton::clicked, this,
            [this] { emit actionWanted("delivery"); });
  });
}

void HandOverPanel::addChanges(const OutlookFacts& facts) {
  if (!facts.everIssued) return;
  QStringList lines;
  for (std::size_t i = 0; i < std::min(facts.changes.size(), kMostChanges); ++i)
    lines << text(changeWords(facts.changes[i], workspace_.format(), workspace_.job().units));
  if (facts.changes.size() > kMostChanges) lines << tr("and %1 more").arg(facts.changes.size() - kMostChanges);
  if (lines.isEmpty()) lines << tr("Nothing changed in measures.");
  column_.add("changes" + lines.join(u'\n').toStdString(), [&](QVBoxLayout* column) {
    fillBlock(column, tr("Changed since issue %1").arg(facts.issue), lines, "quietNote");
  });
}

void HandOverPanel::go(const Waiting& w) {
  workspace_.showScheme(w.scheme);
  const Scheme* scheme = workspace_.scheme();
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, w.placement) : nullptr;
  if (p == nullptr) return;
  if (const auto* on = onWall(p->on)) workspace_.showWall(on->wall);
  workspace_.showHandsWall(onWall(p->on) != nullptr);
  workspace_.select(w.placement);
}

}  // namespace mezzet
