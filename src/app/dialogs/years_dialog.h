// The years after: what is looked at again, and when.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"

class QLabel;
class QLineEdit;
class QVBoxLayout;

namespace mezzet {

class YearsDialog : public QDialog {
  Q_OBJECT

 public:
  explicit YearsDialog(Workspace& workspace, QWidget* parent = nullptr);

 private:
  void rebuild();
  void add(const Review&);

  Workspace& workspace_;
  QVBoxLayout* rows_;
  QLineEdit *date_, *what_;
  QLabel* complaint_;
};

}  // namespace mezzet
