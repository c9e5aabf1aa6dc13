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
  void addLength(FieldGrid&, const Opening&, const QString& words, const char* name, double Opening::*member);
  /// One that may be unknown; what was read at the trim follows its width.
  void addOptional(FieldGrid&, const Opening&, const QString& words, const char* name,
                   std::optional<double> Opening::*member);
  void addWindowFields(FieldGrid&, const Opening&);
  void addDoorFields(FieldGrid&, const Opening&);
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
