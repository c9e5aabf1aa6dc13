// The palette of one display: its main colours, its accent, what is read as another, and whether strays are told.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"

class QCheckBox;
class QHBoxLayout;
class QLabel;
class QLineEdit;

namespace mezzet {

class ColoursDialog : public QDialog {
  Q_OBJECT

 public:
  explicit ColoursDialog(Workspace& workspace, QWidget* parent = nullptr);

 private:
  void take();
  void put(const ColourPalette&);
  void follow();
  void fromPicture();

  Workspace& workspace_;
  QLineEdit *main_, *accent_, *readsAs_;
  QCheckBox* accepted_;
  QHBoxLayout* swatches_;
  QLabel* complaint_;
};

}  // namespace mezzet
