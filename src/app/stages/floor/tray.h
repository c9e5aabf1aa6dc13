// The tray: a line to type pieces into, and the pieces not placed yet as paper cut-outs.
#pragma once

#include <QWidget>

#include "app/document/workspace.h"
#include "core/entry/piece_line.h"

class QHBoxLayout;
class QLabel;
class QLineEdit;
class QPushButton;

namespace mezzet {

inline constexpr const char* kPieceMime = "application/x-mezzet-piece";

/// One piece of the tray, at a scale at which all of them can be compared. Dragged onto the sheet, or placed by Enter.
class CutOut : public QWidget {
  Q_OBJECT

 public:
  CutOut(const Piece& piece, int left, double pixelsPerMm, Workspace& workspace, QWidget* parent = nullptr);

 signals:
  void placeWanted();

 protected:
  void paintEvent(QPaintEvent*) override;
  void mousePressEvent(QMouseEvent*) override;
  void mouseMoveEvent(QMouseEvent*) override;
  void mouseDoubleClickEvent(QMouseEvent*) override { emit placeWanted(); }
  void keyPressEvent(QKeyEvent*) override;
  void focusInEvent(QFocusEvent*) override { update(); }
  void focusOutEvent(QFocusEvent*) override { update(); }

 private:
  Piece piece_;
  int left_;
  double perMm_;
  Workspace& workspace_;
  QPoint pressed_;
};

class Tray : public QWidget {
  Q_OBJECT

 public:
  explicit Tray(Workspace& workspace, QWidget* parent = nullptr);
  void goToLine();

 signals:
  void addWanted();
  void left();  ///< Escape in the line

 protected:
  bool eventFilter(QObject*, QEvent*) override;

 private:
  void echo();
  void putEcho(bool beside);
  void take(bool placeAtOnce);
  void rebuild();
  void place(const PieceId&);

  Workspace& workspace_;
  QLineEdit* line_;
  QLabel* echo_;
  QVBoxLayout* left_;
  QWidget* scroll_;  // of the cut-outs
  QHBoxLayout* cutOuts_;
  QPushButton* add_;
  bool swapped_ = false;
};

}  // namespace mezzet
