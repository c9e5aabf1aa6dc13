#include "app/dialogs/piece_rules.h"

#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>

#include "app/widgets/layouts.h"
#include "core/edit/edits.h"
#include "core/rules/check.h"
#include "core/rules/registry.h"

namespace mezzet {

PieceRules::PieceRules(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("pieceRules"));
  if (const Placement* p = workspace_.selectedPlacement()) {
    piece_ = p->piece;
    placement_ = p->id;
    setWindowTitle(
        tr("Rules for %1 alone").arg(QString::fromStdString(midSentence(pieceOf(workspace_.job(), *p).name))));
  }
  auto* all = new QVBoxLayout(this);
  all->setContentsMargins(8, 8, 8, 14);
  auto* panel = new QWidget;
  column_ = scrollingColumn(panel);
  all->addWidget(panel, 1);
  auto* close = new QPushButton(tr("Close"));
  close->setAutoDefault(false);
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  all->addWidget(close, 0, Qt::AlignRight);
  setMinimumSize(340, 520);
  connect(
      &workspace_, &Workspace::jobChanged, this, [this] { rebuild(); }, Qt::QueuedConnection);
  rebuild();
}

void PieceRules::bend(const std::string& rule, std::optional<OwnRule> own) {
  if (const auto after = withOwnRule(workspace_.job(), piece_, rule, std::move(own)))
    workspace_.document().edit(tr("rule of one piece"), *after);
}

void PieceRules::rebuild() {
  const FocusKept kept(this);
  emptyLayout(column_);
  const Piece* piece = findPiece(workspace_.job(), piece_);
  if (piece == nullptr) return;
  column_->addWidget(
      words(tr("What is chosen here holds for this piece, wherever it stands, and goes before the house rules."),
            "quietNote"));
  bool any = false;
  for (const Rule& rule : workspace_.book().rules) {
    const auto own = piece->ownRules.find(rule.id);
    const bool judged = std::any_of(workspace_.findings().begin(), workspace_.findings().end(), [&](const Finding& f) {
      return f.rule == rule.id && std::find(f.subjects.begin(), f.subjects.end(), placement_.value) != f.subjects.end();
    });
    if ((!judged && own == piece->ownRules.end()) || rule.schools.empty() || quantityOf(rule) == Quantity::YesNo ||
        showsOf(rule.id, shows::kNoRange))
      continue;
    any = true;
    const bool bent = own != piece->ownRules.end();
    addRuleRows(column_, workspace_, rule,
                {askedOf(rule, workspace_.job(), *piece), bent && own->second.range.has_value(), !bent},
                {[this, id = rule.id](const std::string& school) {
                   bend(id, OwnRule{school, {}});
                 },
                 [this, id = rule.id](const Range& range) {
                   bend(id, OwnRule{{}, range});
                 },
                 [this, id = rule.id] { bend(id, std::nullopt); }});
  }
  if (!any) column_->addWidget(words(tr("No rule judges this piece where it stands now."), "quietNote"));
  column_->addStretch(1);
}

}  // namespace mezzet
