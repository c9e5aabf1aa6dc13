// How one frame hangs, in full: what the row in the bar has no room for, and every fixing with why it fits or does not.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"

class QVBoxLayout;

namespace mezzet {

class HangerDialog : public QDialog {
  Q_OBJECT

 public:
  HangerDialog(Workspace& workspace, PlacementId frame, QWidget* parent = nullptr);

 private:
  void rebuild();
  void addLengths();
  void addClear(const Nail&);

  Workspace& workspace_;
  PlacementId frame_;
  QVBoxLayout* rows_;
};

}  // namespace mezzet
