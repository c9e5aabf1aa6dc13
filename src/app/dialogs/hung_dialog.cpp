#include "app/dialogs/hung_dialog.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/document/today.h"
#include "app/widgets/layouts.h"
#include "core/edit/edits.h"
#include "core/hang/as_hung.h"

namespace mezzet {

HungDialog::HungDialog(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("hungDialog"));
  setWindowTitle(tr("Hung and holes"));
  resize(780, 480);
  rows_ = scrollingRows(this);
  rebuild();
}

void HungDialog::rebuild() {
  emptyLayout(rows_);
  addHung();
  rows_->addSpacing(10);
  addHoles();
  rows_->addStretch(1);
}

/// Every frame that was hung, with how far it is off its plan.
void HungDialog::addHung() {
  rows_->addWidget(words(tr("As hung"), "panelTitle"));
  const std::vector<Deviation> all = deviations(PieceIndex(workspace_.job()), *workspace_.scheme());
  if (all.empty())
    rows_->addWidget(words(tr("Nothing is recorded yet: F5 on a wall reads its nails out."), "quietNote"));
  for (const Deviation& d : all) {
    const Placement& p = *findPlacement(*workspace_.scheme(), d.placement);
    auto* row = new QWidget;
    auto* line = new QHBoxLayout(row);
    line->setContentsMargins(0, 0, 0, 0);
    line->addWidget(
        words(tr("%1%2, wall %3, %4: %5%6")
                  .arg(d.over() ? QString::fromUtf8("\u2715 ") : QString(), workspace_.nameOf(p),
                       QString::fromStdString(onWall(p.on)->wall.value), QString::fromStdString(p.asHung->date),
                       QString::fromStdString(deviationWords(d, workspace_.format())),
                       d.over() ? tr(", more than %1").arg(workspace_.write(d.limit)) : QString()),
              d.over() ? "hungOver" : "hungRow"),
        1);
    auto* plan = new QPushButton(tr("Plan it there"));
    plan->setObjectName(QStringLiteral("planAsHung:") + QString::fromStdString(d.placement.value));
    plan->setToolTip(tr("Moves it in the plan to where it hangs, so that everything is judged there"));
    connect(plan, &QPushButton::clicked, this, [this, id = d.placement] {
      const Placement* hung = findPlacement(*workspace_.scheme(), id);
      if (hung == nullptr || !hung->asHung) return;
      WallPlace there = wallPlace(hung->on);
      there.u = hung->asHung->u;
      there.v = hung->asHung->v;
      workspace_.document().edit(tr("plan as hung"), placed(workspace_.job(), workspace_.schemeId(), id, there));
      rebuild();
    });
    auto* forget = new QPushButton(tr("Forget"));
    forget->setObjectName(QStringLiteral("forgetHung:") + QString::fromStdString(d.placement.value));
    connect(forget, &QPushButton::clicked, this, [this, id = d.placement] {
      workspace_.document().edit(tr("forget as hung"),
                                 withAsHung(workspace_.job(), workspace_.schemeId(), id, std::nullopt));
      rebuild();
    });
    line->addWidget(plan);
    line->addWidget(forget);
    rows_->addWidget(row);
  }
}

/// The ledger of holes: tenants make them good.
void HungDialog::addHoles() {
  rows_->addWidget(words(tr("Holes"), "panelTitle"));
  const std::vector<std::string> lines = holeWords(*workspace_.room(), workspace_.format());
  if (lines.empty()) rows_->addWidget(words(tr("No hole was made yet."), "quietNote"));
  for (std::size_t i = 0; i < lines.size(); ++i) {
    auto* row = new QWidget;
    auto* line = new QHBoxLayout(row);
    line->setContentsMargins(0, 0, 0, 0);
    auto* filled = new QCheckBox;
    filled->setAccessibleName(onScreen(lines[i]));
    filled->setObjectName(QStringLiteral("holeFilled:%1").arg(i));
    filled->setToolTip(tr("Ticked: filled"));
    filled->setChecked(!workspace_.room()->holes[i].filled.empty());
    connect(filled, &QCheckBox::toggled, this, [this, i](bool on) {
      workspace_.document().edit(
          on ? tr("hole filled") : tr("hole open"),
          withHoleFilled(workspace_.job(), workspace_.room()->id, i, on ? today() : std::string()));
      QMetaObject::invokeMethod(this, &HungDialog::rebuild, Qt::QueuedConnection);
    });
    line->addWidget(filled);
    line->addWidget(words(onScreen(lines[i]), "hungRow"), 1);
    rows_->addWidget(row);
  }
}

}  // namespace mezzet
