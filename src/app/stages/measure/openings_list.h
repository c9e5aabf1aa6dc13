// Doors and windows of the room: one line each, and the fields of the one that is open.
#pragma once

#include <QWidget>

#include "app/document/workspace.h"

class QLabel;
class QVBoxLayout;

namespace mezzet {

class FieldGrid;

class OpeningsList : public QWidget {
  Q_OBJECT

 public:
  explicit OpeningsList(Workspace& workspace, QWidget* parent = nullptr);

 private:
  void rebuild();
  void addFields(const Opening& opening);
  void addReadings(FieldGrid& grid, const Opening& opening);
  void addOpening(OpeningKind kind);
  /// Takes a changed opening; the complaint, or nothing.
  LengthReading take(const Opening& changed);

  Workspace& workspace_;
  QVBoxLayout* rows_;
  QLabel* complaint_;
  OpeningId open_;
};

}  // namespace mezzet
