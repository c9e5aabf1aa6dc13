// What a thing of a display is like: colours, family, seasons, a stack's items, what a box holds; and where it is put
// back.
#pragma once

#include <QDialog>
#include <vector>

#include "app/document/workspace.h"

class QLabel;
class QLineEdit;

namespace mezzet {

class ThingDialog : public QDialog {
  Q_OBJECT

 public:
  ThingDialog(Workspace& workspace, PieceId piece, QWidget* parent = nullptr);

 private:
  void take();
  void follow();

  Workspace& workspace_;
  PieceId piece_;
  QLineEdit *colours_, *story_, *family_ = nullptr, *collection_ = nullptr, *seasons_ = nullptr, *items_ = nullptr,
                                *inside_ = nullptr, *holds_ = nullptr;
  QLabel* complaint_;
};

}  // namespace mezzet
