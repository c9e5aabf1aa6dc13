// F1: every action with its keys, made from the action table.
#pragma once

#include <QDialog>

namespace mezzet {

class ShortcutSheet : public QDialog {
  Q_OBJECT

 public:
  explicit ShortcutSheet(QWidget* parent = nullptr);
};

}  // namespace mezzet
