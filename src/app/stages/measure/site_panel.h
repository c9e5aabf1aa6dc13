// The Measure stage's panel: a topic, its page, and the measuring device under it.
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QStackedWidget>
#include <QWidget>

#include "app/stages/measure/meter_link.h"
#include "app/document/workspace.h"

namespace mezzet {

class InWallPage;
class MeasurePanel;
class PhotographsPage;
class TracePage;
class TraceView;

class SitePanel : public QWidget {
  Q_OBJECT

 public:
  SitePanel(Workspace& workspace, TraceView& trace, QWidget* parent = nullptr);
  [[nodiscard]] MeasurePanel& walls() { return *walls_; }
  [[nodiscard]] TracePage& tracing() { return *tracing_; }
  [[nodiscard]] PhotographsPage& photographs() { return *photographs_; }
  [[nodiscard]] MeterLink& meter() { return meter_; }
  /// Looks for a device, or lets it go.
  void switchMeter();

  /// A reading of the device goes into the field for a length that has the keyboard, and into nothing else.
  void drop(double value, double u95);

 private:
  void show();
  void showMeter();

  Workspace& workspace_;
  MeterLink meter_;
  QList<QPushButton*> topics_;
  QStackedWidget* pages_;
  MeasurePanel* walls_;
  InWallPage* inWall_;
  TracePage* tracing_;
  PhotographsPage* photographs_;
  QLabel* live_;
  QPushButton* connect_;
  QPushButton* press_;
};

}  // namespace mezzet
