// Printing to scale: plan, wall or list of pieces, for whom, paper, scale, a picture of the sheet, and the file.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"
#include "core/sheets/sheet.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QPushButton;

namespace mezzet {

class LengthField;

class PrintDialog : public QDialog {
  Q_OBJECT

 public:
  PrintDialog(Workspace& workspace, FileSystem& files, QWidget* parent = nullptr);
  /// Writes the sheet as its ending says: PDF, SVG or PNG; the complaint, or nothing.
  [[nodiscard]] std::optional<Error> write(const QString& path) const;
  [[nodiscard]] Result<std::vector<Sheet>> pages() const;

 private:
  void preview();
  void askAndWrite();

  Workspace& workspace_;
  FileSystem& files_;
  QComboBox *kind_, *for_, *paper_, *scale_;
  QLabel *words_, *picture_;
  QPushButton* write_;
  QCheckBox* whole_;
  LengthField* roll_;
  std::optional<double> rollWidth_;
};

}  // namespace mezzet
