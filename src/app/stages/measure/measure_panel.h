// The Measure stage's panel: walls as runs and turns, ceiling, openings.
#pragma once

#include <QWidget>

#include "app/document/workspace.h"
#include "core/survey/runs.h"

class QComboBox;
class QLabel;
class QPushButton;
class QVBoxLayout;

namespace mezzet {

class LengthField;
class SurveyPanel;

class MeasurePanel : public QWidget {
  Q_OBJECT

 public:
  explicit MeasurePanel(Workspace& workspace, QWidget* parent = nullptr);
  /// Puts the cursor into a wall's run.
  void goToWall(const CornerId& wall);

 signals:
  /// The walk as it stands; nothing when it is the room's own outline.
  void draftChanged(std::optional<std::vector<Run>> runs, std::size_t current);
  void readOutWanted();

 private:
  void makeWalk();
  void makeCeiling(QVBoxLayout*);
  /// Walls that came back after a crash.
  void showDraft();
  void reload();
  void rebuildRows();
  void showState();
  [[nodiscard]] LengthReading typeRun(std::size_t index, const QString& text);
  void setTurn(std::size_t index, double turn);
  void typeTurn(std::size_t index, const QString& text, QComboBox* from);
  void addWall();
  void removeWall();
  void useOutline();
  [[nodiscard]] LengthReading typeCeiling(const QString& text);
  [[nodiscard]] bool changed() const;
  /// The walk is shown instead of the readings: of a room that has none, or while its sketch is changed.
  [[nodiscard]] bool walking() const;
  [[nodiscard]] std::vector<WalkedRun> walkedRuns() const;
  /// The room that the walk would make, with its readings; why it makes none.
  [[nodiscard]] Result<Room> roomOfWalk(Room room, IdSource& ids) const;
  void leaveSketch();

  Workspace& workspace_;
  std::vector<Run> runs_, taken_;
  std::optional<std::size_t> justTyped_;
  RoomId room_;
  double ceiling_ = 0;  ///< of a room that is not yet there
  QVBoxLayout* rows_;
  QVBoxLayout* offers_;
  QLabel *state_, *runComplaint_, *ceilingComplaint_;
  QPushButton* use_;
  LengthField* ceilingField_;
  SurveyPanel* survey_;
  QWidget* walk_;
  QPushButton *keepReadings_, *leaveSketch_;
  bool sketching_ = false, restoring_ = false;
  std::vector<LengthField*> fields_;
};

}  // namespace mezzet
