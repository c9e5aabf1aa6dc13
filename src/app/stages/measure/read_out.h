// The read-out of Measure: one wall at a time in figures 30 mm high, for one hand and poor light.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"

class QLabel;
class QLineEdit;

namespace mezzet {

/// Number pad only: what was typed, Enter takes it and goes on; + skips, - goes back and takes again, Escape ends.
class ReadOut : public QDialog {
  Q_OBJECT

 public:
  explicit ReadOut(Workspace& workspace, QWidget* parent = nullptr);

 protected:
  bool eventFilter(QObject*, QEvent*) override;

 private:
  void show_();
  void step(int by);
  void take();

  Workspace& workspace_;
  std::size_t at_ = 0;  ///< which corner's wall
  QLabel *place_, *last_, *echo_, *keys_;
  QLineEdit* figure_;
};

}  // namespace mezzet
