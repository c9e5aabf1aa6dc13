#include "app/view/tape_editor.h"

#include <QLabel>
#include <QLineEdit>
#include <algorithm>

#include "app/widgets/length_field.h"
#include "app/widgets/style.h"

namespace mezzet {

TapeEditor::TapeEditor(QWidget& on, Take take) : QObject(&on), on_(on), take_(std::move(take)) {}

void TapeEditor::open(const ItemId& item, QPointF at, const QString& text) {
  close(true);
  item_ = item;
  field_ = new QLineEdit(text, &on_);
  field_->setObjectName(QStringLiteral("tapeEditor"));
  field_->setProperty(kTakesLength, true);
  field_->setAccessibleName(tr("Reading of this tape"));
  field_->setStyleSheet(style::tapeEditor());
  field_->setAlignment(Qt::AlignCenter);
  field_->setFixedSize(112, 30);
  const QPoint corner(static_cast<int>(at.x()) - 56, static_cast<int>(at.y()) - 15);
  field_->move(std::clamp(corner.x(), 2, std::max(2, on_.width() - 114)),
               std::clamp(corner.y(), 2, std::max(2, on_.height() - 60)));
  field_->selectAll();
  field_->show();
  field_->setFocus();
  connect(field_, &QLineEdit::returnPressed, this, &TapeEditor::commit);
  connect(field_, &QLineEdit::textEdited, this, [this] {
    if (complaint_ != nullptr) complaint_->hide();
  });
  emit changed();
}

void TapeEditor::close(bool keepFocus) {
  if (field_ == nullptr) return;
  const bool had = field_->hasFocus() || keepFocus;
  field_->deleteLater();
  field_ = nullptr;
  item_ = {};
  if (complaint_ != nullptr) complaint_->deleteLater();
  complaint_ = nullptr;
  if (had && on_.isVisible()) on_.setFocus();
  emit changed();
}

void TapeEditor::commit() {
  if (field_ == nullptr) return;
  // What nobody typed is rounded for the eye: taking it would move the thing by what was rounded off.
  if (!field_->isModified()) return close(true);
  const ItemId item = item_;  // taking it may close the editor
  const LengthReading reading = take_(item, field_->text());
  if (!reading) complain(reading);
  else close(true);
}

void TapeEditor::complain(const LengthReading& reading) {
  if (complaint_ == nullptr) {
    complaint_ = new QLabel(&on_);
    complaint_->setObjectName(QStringLiteral("tapeComplaint"));
    complaint_->setWordWrap(true);
    complaint_->setStyleSheet(style::complaint());
  }
  complaint_->setText(QString::fromStdString(reading.complaint));
  complaint_->setFixedWidth(260);
  complaint_->adjustSize();
  complaint_->move(std::clamp(field_->x() - 70, 2, std::max(2, on_.width() - 262)),
                   std::min(field_->y() + 33, on_.height() - complaint_->height() - 2));
  complaint_->show();
  field_->setCursorPosition(
      static_cast<int>(std::min<std::size_t>(reading.at, static_cast<std::size_t>(field_->text().size()))));
}

}  // namespace mezzet
