// What was hung otherwise than planned, and the holes that were made, to be filled one day.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"

class QVBoxLayout;

namespace mezzet {

class HungDialog : public QDialog {
  Q_OBJECT

 public:
  explicit HungDialog(Workspace& workspace, QWidget* parent = nullptr);

 private:
  void rebuild();
  void addHung();
  void addHoles();

  Workspace& workspace_;
  QVBoxLayout* rows_;
};

}  // namespace mezzet
