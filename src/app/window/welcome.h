// The first page, where nothing is open yet: what Mezzet does, the Ferry House to look at, a room to measure.
#pragma once

#include <QWidget>

class QPushButton;

namespace mezzet {

class Welcome : public QWidget {
  Q_OBJECT

 public:
  /// Covers its parent until it is dismissed.
  explicit Welcome(QWidget* parent);
  void appear();

 signals:
  void measureWanted();
  void demoWanted();
  void openWanted();

 protected:
  bool eventFilter(QObject*, QEvent*) override;
  void keyPressEvent(QKeyEvent*) override;

 private:
  QPushButton* first_;
};

/// Where the Ferry House lies beside the program, installed or in a build; "" where it does not.
[[nodiscard]] QString demoPath();

}  // namespace mezzet
