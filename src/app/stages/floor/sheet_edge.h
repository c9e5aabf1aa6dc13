// The quiet row on the sheet's own edge: on the Floor how the room is used and what is laid over it, in Light what is
// estimated of it, at the Walls the next one and all of them.
#pragma once

#include <QWidget>
#include <map>

#include "app/document/workspace.h"

class QComboBox;
class QHBoxLayout;
class QLabel;
class QLineEdit;
class QToolButton;

namespace mezzet {

class DisplayEdge;

class SheetEdge : public QWidget {
  Q_OBJECT

 public:
  SheetEdge(Workspace& workspace, QWidget* parent = nullptr);

 signals:
  void previousWall();
  void nextWall();
  void coloursWanted();
  void resized();  ///< it wants another width

 public:
  [[nodiscard]] DisplayEdge& display() { return *display_; }

 private:
  void addLight();
  void addFoldOut();
  void addDisplay(QHBoxLayout& row);
  void follow();
  void say(const QString& words);
  void takeWidth();
  [[nodiscard]] QString estimateWords() const;

  Workspace& workspace_;
  QComboBox* state_;
  std::map<FloorLayer, QToolButton*> layers_;
  QLineEdit* width_;
  QLabel* note_;
  QWidget *floor_, *walls_, *light_;
  DisplayEdge* display_;
  QToolButton* opened_;  // the room opened like a box
  QToolButton* nails_;   // where they go
  QToolButton* lux_;     // how much light there is
  QLabel* luxNote_;
};

}  // namespace mezzet
