// A field for a length, with its complaint under it.
#pragma once

#include <QLineEdit>
#include <functional>

#include "core/units/length.h"

class QLabel;

namespace mezzet {

/// A property of fields that a measuring device may drop its reading into; no other field ever takes one.
inline constexpr const char* kTakesLength = "takesLength";

/// Reads on Enter and on leaving the field. A reading that is refused stays in the field with a sentence under it and
/// the cursor where the complaint is; nothing else changes.
class LengthField : public QLineEdit {
  Q_OBJECT

 public:
  using Commit = std::function<LengthReading(const QString&)>;
  LengthField(const QString& name, Commit commit, QWidget* parent = nullptr);
  /// Where complaints go; a label of its own row, hidden while all is well.
  void setComplaintLabel(QLabel* label) { complaint_ = label; }
  /// Shows a text that is already taken.
  void show(const QString& text);
  void complain(const QString& sentence);

 protected:
  void focusInEvent(QFocusEvent*) override;
  void focusOutEvent(QFocusEvent*) override;
  void keyPressEvent(QKeyEvent*) override;

 private:
  void commit();

  Commit commit_;
  QString taken_;
  QLabel* complaint_ = nullptr;
};

}  // namespace mezzet
