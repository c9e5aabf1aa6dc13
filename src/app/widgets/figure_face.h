// A face for one hand and poor light: one thing at a time in figures 30 mm high, by the number pad.
#pragma once

#include <QDialog>

class QLabel;
class QLineEdit;
class QVBoxLayout;

namespace mezzet {

/// Enter takes what was typed, + goes on, - in an empty field goes back, Escape ends.
class FigureFace : public QDialog {
  Q_OBJECT

 public:
  FigureFace(const char* name, const QString& title, QWidget* parent);

 protected:
  /// Heights of figures on a screen that tells its size truly, mm.
  static constexpr double kFigure = 30, kTyped = 8, kPlace = 8, kEcho = 4.5, kKeys = 3.5;
  static int pixelsFor(double mm, const QWidget*);
  /// A line to type lengths into, its figures so high.
  QLineEdit* addTyped(QVBoxLayout*, const QString& name, double mm);

  virtual void take() = 0;
  virtual void step(int by) = 0;
  /// A key beside the usual ones; true where it was meant.
  virtual bool pressed(int key) { return static_cast<void>(key), false; }
  bool eventFilter(QObject*, QEvent*) override;

  QVBoxLayout* column_;
  QLabel* place_;
  QLineEdit* figure_ = nullptr;
};

}  // namespace mezzet
