// The readings of a room: a line to type them into, what they say, and each with its residual.
#pragma once

#include <QWidget>

#include "app/document/workspace.h"

class QLabel;
class QLineEdit;
class QPushButton;
class QVBoxLayout;

namespace mezzet {

class SurveyPanel : public QWidget {
  Q_OBJECT

 public:
  explicit SurveyPanel(Workspace& workspace, QWidget* parent = nullptr);
  /// Puts the keyboard on a wall's reading, or into the line for one that is not read yet.
  void goToWall(const CornerId&);
  void goToLine();

 signals:
  void sketchWanted();   ///< the corners themselves are to be changed
  void readOutWanted();  ///< one reading at a time, in large figures

 protected:
  bool eventFilter(QObject*, QEvent*) override;

 private:
  void rebuild();
  void echo();
  void take();
  void addReading(const Reading& reading, std::size_t observation);
  void showVerdict();
  void listReadings(const Room&);
  void listFolded(const std::vector<Reading>&);  ///< what no longer counts
  void addCorners();
  [[nodiscard]] std::optional<std::pair<CornerId, CornerId>> expected() const;

  Workspace& workspace_;
  QLabel *closure_, *next_, *complaint_;
  QLineEdit* line_;
  QPushButton* measureNext_;
  QVBoxLayout *verdict_, *rows_, *corners_;
  bool old_ = false, plans_ = false;                    ///< superseded readings are on show
  std::optional<std::pair<CornerId, CornerId>> asked_;  ///< taken up from "measure next"
};

}  // namespace mezzet
