// The names of the job, the room and the scheme: what stands in the title block.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"

class QLabel;
class QLineEdit;

namespace mezzet {

class NamesDialog : public QDialog {
  Q_OBJECT

 public:
  explicit NamesDialog(Workspace& workspace, QWidget* parent = nullptr);

 private:
  void accept() override;

  Workspace& workspace_;
  QLineEdit *job_, *room_, *scheme_;
  QLabel* complaint_;
};

}  // namespace mezzet
