// What size to buy: the size card of the selected piece, worked out beside the interface.
#pragma once

#include <QDialog>

#include "app/document/worker.h"
#include "app/document/workspace.h"

class QLabel;

namespace mezzet {

class SizeDialog : public QDialog {
  Q_OBJECT

 public:
  explicit SizeDialog(Workspace& workspace, QWidget* parent = nullptr);
  [[nodiscard]] bool working() const { return worker_.busy(); }

 private:
  Workspace& workspace_;
  QLabel* lines_;
  Worker worker_;
};

}  // namespace mezzet
