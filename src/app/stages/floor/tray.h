// The tray: a line to type pieces into, and the pieces not placed yet as paper cut-outs.
#pragma once

#include <QWidget>
#include <set>

#include "app/stages/floor/cut_out.h"
#include "core/entry/piece_line.h"

class QHBoxLayout;
class QLabel;
class QLineEdit;
class QPushButton;
class QScrollArea;

namespace mezzet {

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
  void addTurners(QHBoxLayout*);
  void take(bool placeAtOnce);
  void rebuild();
  void place(const PieceId&);
  /// What goes with a cut-out: all that is picked where it is, else one of it alone.
  [[nodiscard]] std::vector<PieceId> goingWith(const CutOut&) const;
  [[nodiscard]] std::vector<CutOut*> shownCutOuts() const;
  void pick(const PieceId&, bool on);
  void drag(const CutOut&);
  void placeAll(const std::vector<PieceId>&);

  Workspace& workspace_;
  QLineEdit* line_;
  QLabel* echo_;
  QVBoxLayout* left_;
  QScrollArea* scroll_;  // of the cut-outs
  QWidget* turners_;
  QHBoxLayout* cutOuts_;
  QPushButton* add_;
  bool swapped_ = false;
  std::set<PieceId> picked_;
};

}  // namespace mezzet
