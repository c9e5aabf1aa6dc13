// What cannot be moved: hearths, columns, built-in pieces, and how thick the walls are.
#pragma once

#include <QWidget>

#include "app/document/workspace.h"
#include "core/site/fixed_things.h"

class QLabel;
class QVBoxLayout;

namespace mezzet {

class FieldGrid;

class FixedList : public QWidget {
  Q_OBJECT

 public:
  explicit FixedList(Workspace& workspace, QWidget* parent = nullptr);

 private:
  void rebuild();
  void addHeights(FieldGrid&, const Feature&);
  void addNotes(FieldGrid&, const Room&, const Feature&);  ///< cautions, and alcoves beside it
  void addFields(const Feature& feature);
  void addStairFields(FieldGrid& grid, const Feature& feature);
  void addThicknesses(const Room& room);
  void addFeature(FeatureKind kind);
  /// Takes a feature with new measures; the complaint, or nothing.
  LengthReading take(Feature changed, const FixedMeasures& measures);
  LengthReading take(const Feature& changed);
  LengthReading refused(const Error& fault);

  Workspace& workspace_;
  QVBoxLayout* rows_;
  QLabel* complaint_;
  FeatureId open_;
  bool thicknesses_ = false;
};

}  // namespace mezzet
