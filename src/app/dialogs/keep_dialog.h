// Bending a rule on purpose: the finding, and the reason that is kept with it.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"

class QLabel;
class QLineEdit;

namespace mezzet {

class KeepDialog : public QDialog {
  Q_OBJECT

 public:
  KeepDialog(Workspace& workspace, const Finding& finding, QWidget* parent = nullptr);
  void accept() override;

 private:
  Workspace& workspace_;
  Finding finding_;
  QLineEdit* reason_;
  QLabel* complaint_;
};

}  // namespace mezzet
