// Above the plan on the Floor: how the room is used, and what is laid over it.
#pragma once

#include <QWidget>
#include <map>

#include "app/document/workspace.h"

class QComboBox;
class QLabel;
class QLineEdit;
class QToolButton;

namespace mezzet {

class FloorBar : public QWidget {
  Q_OBJECT

 public:
  FloorBar(Workspace& workspace, QWidget* parent = nullptr);

 private:
  void follow();
  void takeWidth();

  Workspace& workspace_;
  QComboBox* state_;
  std::map<FloorLayer, QToolButton*> layers_;
  QLineEdit* width_;
  QLabel* note_;
};

}  // namespace mezzet
