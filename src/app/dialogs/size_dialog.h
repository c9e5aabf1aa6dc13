// What size to buy: the size card of the selected piece, or of a thing that is not there yet, worked out beside the
// interface.
#pragma once

#include <QDialog>

#include "app/document/worker.h"
#include "app/document/workspace.h"
#include "io/files/file_system.h"

class QComboBox;
class QLabel;
class QPushButton;

namespace mezzet {

class SizeDialog : public QDialog {
  Q_OBJECT

 public:
  SizeDialog(Workspace& workspace, FileSystem& files, QWidget* parent = nullptr);
  ~SizeDialog() override;
  [[nodiscard]] bool working() const { return worker_.busy(); }
  /// The card as a sheet. The complaint, or nothing.
  [[nodiscard]] std::optional<Error> write(const QString& path) const;

 private:
  /// The job with what is asked about, and its placement there.
  struct Card {
    Job job;
    PlacementId placement;
    std::vector<std::string> lines;
  };
  void work();
  void askAndWrite();

  Workspace& workspace_;
  FileSystem& files_;
  QComboBox* what_;
  QLabel* lines_;
  QPushButton* write_;
  Card card_;
  Worker worker_;
};

}  // namespace mezzet
