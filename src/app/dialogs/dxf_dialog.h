// An outline from a drawing file: layer, unit, gaps; what was closed is said before it is taken.
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QSpinBox>

#include "app/document/worker.h"
#include "app/document/workspace.h"
#include "io/tables/dxf.h"

namespace mezzet {

class LengthField;
class OutlinePicture;

class DxfDialog : public QDialog {
  Q_OBJECT

 public:
  DxfDialog(Workspace& workspace, const QString& path, QWidget* parent = nullptr);
  [[nodiscard]] Worker& worker() { return worker_; }
  [[nodiscard]] bool ready() const { return outline_.has_value(); }

 private:
  void read();
  void fill(DxfDrawing drawing);
  void search();
  void takeIt();

  Workspace& workspace_;
  QString path_;
  Worker worker_;
  std::shared_ptr<const DxfDrawing> drawing_;
  std::optional<DxfOutline> outline_;
  double tolerance_ = 10;
  QProgressBar* progress_;
  QComboBox* layer_;
  QComboBox* unit_;
  LengthField* gap_;
  QSpinBox* which_;
  QLabel* said_;
  OutlinePicture* picture_;
  QPushButton* take_;
  QCheckBox* fresh_;
};

}  // namespace mezzet
