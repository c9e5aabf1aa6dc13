#include "app/dialogs/names_dialog.h"

#include <QDialogButtonBox>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

#include "core/edit/edits.h"

namespace mezzet {

NamesDialog::NamesDialog(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("namesDialog"));
  setWindowTitle(tr("Names"));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(18, 16, 18, 14);
  auto* form = new QFormLayout;
  const auto field = [&](const QString& words, const char* name, const std::string& value, bool there) {
    auto* f = new QLineEdit(QString::fromStdString(value));
    f->setObjectName(QString::fromUtf8(name));
    f->setMaxLength(120);
    f->setEnabled(there);
    form->addRow(words, f);
    return f;
  };
  const Room* room = workspace_.room();
  const Scheme* scheme = workspace_.scheme();
  job_ = field(tr("The job"), "nameOfJob", workspace_.job().name, true);
  room_ = field(tr("This room"), "nameOfRoom", room != nullptr ? room->name : "", room != nullptr);
  scheme_ = field(tr("This scheme"), "nameOfScheme", scheme != nullptr ? scheme->name : "", scheme != nullptr);
  column->addLayout(form);
  complaint_ = new QLabel;
  complaint_->setObjectName(QStringLiteral("fieldComplaint"));
  complaint_->setMinimumHeight(20);
  column->addWidget(complaint_);
  auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
  buttons->button(QDialogButtonBox::Ok)->setText(tr("Take these names"));
  buttons->button(QDialogButtonBox::Ok)->setObjectName(QStringLiteral("primary"));
  connect(buttons, &QDialogButtonBox::accepted, this, &NamesDialog::accept);
  connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
  column->addWidget(buttons);
  setMinimumWidth(380);
}

void NamesDialog::accept() {
  for (QLineEdit* f : {job_, room_, scheme_})
    if (f->isEnabled() && f->text().trimmed().isEmpty()) {
      complaint_->setText(tr("A name cannot be empty."));
      return f->setFocus();
    }
  Job after = workspace_.job();
  after.name = job_->text().trimmed().toStdString();
  if (const Room* room = workspace_.room()) {
    Room renamed = *room;
    renamed.name = room_->text().trimmed().toStdString();
    const auto with = withRoom(after, std::move(renamed));
    if (!with) return complaint_->setText(QString::fromStdString(with.error().text()));
    after = *with;
  }
  if (const Scheme* scheme = workspace_.scheme()) {
    Scheme renamed = *scheme;
    renamed.name = scheme_->text().trimmed().toStdString();
    after = withScheme(after, std::move(renamed));
  }
  workspace_.document().edit(tr("names"), std::move(after));
  QDialog::accept();
}

}  // namespace mezzet
