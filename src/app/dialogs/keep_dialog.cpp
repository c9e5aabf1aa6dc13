#include "app/dialogs/keep_dialog.h"

#include <QDialogButtonBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/document/today.h"
#include "app/widgets/layouts.h"
#include "core/edit/edits.h"

namespace mezzet {

KeepDialog::KeepDialog(Workspace& workspace, const Finding& finding, QWidget* parent)
    : QDialog(parent), workspace_(workspace), finding_(finding) {
  setObjectName(QStringLiteral("keepDialog"));
  setWindowTitle(tr("Keep it on purpose"));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(18, 16, 18, 14);
  const auto say = [&](const QString& words, const char* name) {
    auto* label = new QLabel(words);
    label->setObjectName(QString::fromUtf8(name));
    label->setWordWrap(true);
    column->addWidget(label);
    return label;
  };
  say(onScreen(finding_.sentence), "subject");
  const Rule* rule = findRule(workspace_.book(), finding_.rule);
  if (rule != nullptr && rule->weight == Weight::Must && rule->caution) say(onScreen(*rule->caution), "fieldComplaint");
  say(tr("Why is it right here? It is kept as it stands now and comes back if it gets worse."), "quietNote");
  reason_ = new QLineEdit;
  reason_->setObjectName(QStringLiteral("keepReason"));
  reason_->setAccessibleName(tr("Reason"));
  reason_->setMaxLength(400);
  column->addWidget(reason_);
  complaint_ = say({}, "fieldComplaint");
  complaint_->setMinimumHeight(20);
  auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
  buttons->button(QDialogButtonBox::Ok)->setText(tr("Keep it"));
  buttons->button(QDialogButtonBox::Ok)->setObjectName(QStringLiteral("primary"));
  connect(buttons, &QDialogButtonBox::accepted, this, &KeepDialog::accept);
  connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
  column->addWidget(buttons);
  setMinimumWidth(440);
}

void KeepDialog::accept() {
  const QString reason = reason_->text().trimmed();
  if (reason.isEmpty()) {
    complaint_->setText(tr("Say why, so that whoever reads it later knows."));
    return reason_->setFocus();
  }
  const std::string date = today();
  workspace_.document().edit(
      tr("keep on purpose"),
      withKept(workspace_.job(), workspace_.schemeId(), {finding_.id, reason.toStdString(), finding_.margin, date}));
  QDialog::accept();
}

}  // namespace mezzet
