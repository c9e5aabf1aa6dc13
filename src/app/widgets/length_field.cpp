#include "app/widgets/length_field.h"

#include <QKeyEvent>
#include <QLabel>
#include <QPointer>

namespace mezzet {

LengthField::LengthField(const QString& name, Commit commit, QWidget* parent)
    : QLineEdit(parent), commit_(std::move(commit)) {
  setAccessibleName(name);
  setMaxLength(64);
  setProperty(kTakesLength, true);
  connect(this, &QLineEdit::returnPressed, this, &LengthField::commit);
  connect(this, &QLineEdit::textEdited, this, [this] { complain({}); });
}

void LengthField::show(const QString& text) {
  taken_ = text;
  if (!hasFocus() || !isModified()) setText(text);
  setModified(false);
}

void LengthField::complain(const QString& sentence) {
  setAccessibleDescription(sentence);
  if (complaint_ == nullptr) {
    setToolTip(sentence);
    return;
  }
  complaint_->setText(sentence);
  complaint_->setVisible(!sentence.isEmpty());
}

void LengthField::commit() {
  if (text() == taken_) {
    setModified(false);
    complain({});
    return;
  }
  QPointer<LengthField> alive(this);  // taking a reading may rebuild the panel this field is in
  const LengthReading reading = commit_(text());
  if (!alive) return;
  if (!reading) {
    complain(QString::fromStdString(reading.complaint));
    setCursorPosition(static_cast<int>(std::min<std::size_t>(reading.at, static_cast<std::size_t>(text().size()))));
    return;
  }
  complain({});
  setModified(false);
  if (hasFocus()) selectAll();
}

void LengthField::focusInEvent(QFocusEvent* event) {
  QLineEdit::focusInEvent(event);
  if (event->reason() != Qt::MouseFocusReason) selectAll();
}

void LengthField::focusOutEvent(QFocusEvent* event) {
  QLineEdit::focusOutEvent(event);
  if (isModified() && event->reason() != Qt::PopupFocusReason && event->reason() != Qt::ActiveWindowFocusReason)
    commit();
}

void LengthField::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Escape && isModified()) {
    setText(taken_);
    setModified(false);
    complain({});
    selectAll();
    return;
  }
  QLineEdit::keyPressEvent(event);
}

}  // namespace mezzet
