#include "app/dialogs/set_out_dialog.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QPushButton>

#include "app/widgets/layouts.h"
#include "core/edit/edits.h"

namespace mezzet {

SetOutDialog::SetOutDialog(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("setOutDialog"));
  setWindowTitle(tr("Set out from"));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(18, 16, 18, 14);
  column->addWidget(words(tr("The piece keeps its distances to these two walls. They are printed on the installer's "
                             "plan, and the doubt of every gap counts from them."),
                          "quietNote"));
  auto* form = new QFormLayout;
  const Placement* p = workspace_.selectedPlacement();
  const auto choice = [&](const QString& label, const char* name, std::size_t which) {
    auto* combo = new QComboBox;
    combo->setObjectName(QString::fromUtf8(name));
    combo->setAccessibleName(label);
    combo->addItem(tr("the nearest"), QString());
    for (const Corner& c : workspace_.room()->corners)
      combo->addItem(tr("wall %1").arg(QString::fromStdString(c.id.value)), QString::fromStdString(c.id.value));
    if (p != nullptr && p->setOut.size() == 2)
      combo->setCurrentIndex(combo->findData(QString::fromStdString(p->setOut[which].value)));
    form->addRow(label, combo);
    return combo;
  };
  first_ = choice(tr("One wall"), "setOutFirst", 0);
  second_ = choice(tr("Another"), "setOutSecond", 1);
  column->addLayout(form);
  complaint_ = words({}, "fieldComplaint");
  complaint_->setMinimumHeight(20);
  column->addWidget(complaint_);
  auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
  buttons->button(QDialogButtonBox::Ok)->setText(tr("Set out from these"));
  buttons->button(QDialogButtonBox::Ok)->setObjectName(QStringLiteral("primary"));
  connect(buttons, &QDialogButtonBox::accepted, this, &SetOutDialog::accept);
  connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
  column->addWidget(buttons);
  setMinimumWidth(400);
}

void SetOutDialog::accept() {
  const Placement* p = workspace_.selectedPlacement();
  if (p == nullptr) return QDialog::reject();
  const QString a = first_->currentData().toString(), b = second_->currentData().toString();
  std::vector<CornerId> walls;
  if (!a.isEmpty() || !b.isEmpty()) {
    if (a.isEmpty() || b.isEmpty()) return complaint_->setText(tr("Choose both walls, or the nearest for both."));
    walls = {CornerId(a.toStdString()), CornerId(b.toStdString())};
  }
  const auto after = withSetOut(workspace_.job(), workspace_.schemeId(), p->id, std::move(walls));
  if (!after) return complaint_->setText(QString::fromStdString(after.error().text()) + QStringLiteral("."));
  workspace_.document().edit(tr("set out %1").arg(workspace_.nameOf(*p)), *after);
  QDialog::accept();
}

}  // namespace mezzet
