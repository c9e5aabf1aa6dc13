// The pack: for whom, on which paper, which sheets, a picture of each; written as one PDF or a folder; recorded as an
// issue.
#pragma once

#include <QDialog>

#include "app/document/worker.h"
#include "app/document/workspace.h"
#include "core/sheets/pack.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QListWidget;
class QPushButton;

namespace mezzet {

class StillView;

class PackDialog : public QDialog {
  Q_OBJECT

 public:
  PackDialog(Workspace& workspace, FileSystem& files, QWidget* parent = nullptr);
  ~PackDialog() override;
  [[nodiscard]] bool working() const { return worker_.busy(); }
  [[nodiscard]] const Pack& pack() const { return pack_; }
  /// One PDF where the path ends with .pdf, else a folder of them with its contents; the complaint, or nothing.
  [[nodiscard]] std::optional<Error> write(const QString& path);

 private:
  [[nodiscard]] QLayout* choices();
  [[nodiscard]] PackRequest request() const;
  void compose();
  void take(Result<Pack>);
  void draw();
  void takeNames();
  void record();
  void askAndWrite(bool folder);
  [[nodiscard]] QString title() const;

  Workspace& workspace_;
  FileSystem& files_;
  Worker worker_;
  Pack pack_;
  QComboBox *reader_, *paper_;
  QLineEdit *firm_, *client_;
  QListWidget* sheets_;
  StillView* picture_;
  QLabel* says_;
  QPushButton *record_, *write_, *folder_;
};

}  // namespace mezzet
