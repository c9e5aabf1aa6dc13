// Which two walls the selected piece is set out from.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"

class QComboBox;
class QLabel;

namespace mezzet {

class SetOutDialog : public QDialog {
  Q_OBJECT

 public:
  explicit SetOutDialog(Workspace& workspace, QWidget* parent = nullptr);

 protected:
  void accept() override;

 private:
  Workspace& workspace_;
  QComboBox *first_, *second_;
  QLabel* complaint_;
};

}  // namespace mezzet
