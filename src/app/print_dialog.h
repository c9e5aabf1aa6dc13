// Printing the plan to scale: paper, scale, a picture of the sheet, and the PDF.
#pragma once

#include <QDialog>

#include "app/workspace.h"
#include "core/drawing/sheet.h"

class QComboBox;
class QLabel;
class QPushButton;

namespace mezzet {

class PrintDialog : public QDialog {
  Q_OBJECT

 public:
  PrintDialog(Workspace& workspace, FileSystem& files, QWidget* parent = nullptr);
  /// Writes the PDF; the complaint, or nothing.
  [[nodiscard]] std::optional<Error> writePdf(const QString& path) const;
  [[nodiscard]] Result<Sheet> sheet() const;

 private:
  void preview();
  void askAndWrite();

  Workspace& workspace_;
  FileSystem& files_;
  QComboBox *paper_, *scale_;
  QLabel *words_, *picture_;
  QPushButton* write_;
};

}  // namespace mezzet
