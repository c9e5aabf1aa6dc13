// Dates: a bar for each task, from when, by when, what holds them; calendars and tables written.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"
#include "core/plan/dates.h"

class QLabel;
class QLineEdit;

namespace mezzet {

class StillView;

class DatesDialog : public QDialog {
  Q_OBJECT

 public:
  DatesDialog(Workspace& workspace, FileSystem& files, QWidget* parent = nullptr);
  /// By the ending: ".ics" a calendar, ".csv" a table. The complaint, or nothing.
  [[nodiscard]] std::optional<Error> write(const QString& path) const;

 private:
  void fill();
  void take();
  void askAndWrite(const QString& ending);

  Workspace& workspace_;
  FileSystem& files_;
  Result<Dates> dates_ = Error{};
  StillView* picture_;
  QLabel *held_, *complaint_;
  QLineEdit *starts_, *due_;
};

}  // namespace mezzet
