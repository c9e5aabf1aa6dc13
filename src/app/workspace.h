// What is being looked at: room, scheme, wall, selection, and the findings of the scheme shown. Views observe it.
#pragma once

#include <QObject>

#include "app/document.h"
#include "core/clearance/tapes.h"
#include "core/rules/bands.h"
#include "core/rules/ways_out.h"
#include "render/painter.h"

namespace mezzet {

enum class Stage { Brief, Measure, Floor, Walls };

class Workspace : public QObject {
  Q_OBJECT

 public:
  Workspace(Document& document, const Rulebook& book, QObject* parent = nullptr);

  [[nodiscard]] Document& document() { return document_; }
  [[nodiscard]] const Job& job() const { return document_.job(); }
  [[nodiscard]] const Rulebook& book() const { return book_; }
  [[nodiscard]] const Room* room() const { return findRoom(job(), room_); }
  [[nodiscard]] const Scheme* scheme() const { return findScheme(job(), scheme_); }
  [[nodiscard]] const SchemeId& schemeId() const { return scheme_; }
  [[nodiscard]] Stage stage() const { return stage_; }
  [[nodiscard]] const CornerId& wall() const { return wall_; }
  [[nodiscard]] const PlacementId& selected() const { return selected_; }
  [[nodiscard]] const Placement* selectedPlacement() const;
  /// The hand moves in whole steps, so that readings stay round: a quarter inch or 5 mm.
  [[nodiscard]] double handStep() const { return job().units == Unit::Inch ? kInch / 4 : 5.0; }
  [[nodiscard]] LengthFormat format() const { return format_; }
  [[nodiscard]] const ImageStore& images() const { return images_; }

  [[nodiscard]] const std::vector<Finding>& findings() const { return findings_; }
  [[nodiscard]] const std::vector<Decision>& decisions() const { return decisions_; }
  /// Broken findings of weight on the plan, or on the walls.
  [[nodiscard]] int brokenIn(Stage) const;
  [[nodiscard]] std::vector<WayOut> waysOutOf(const Decision&) const;

  // ---- looking
  void showRoom(const RoomId&);
  void showScheme(const SchemeId&);
  void showStage(Stage);
  void showWall(const CornerId&);
  void stepWall(int by);
  void select(const PlacementId&);
  void setFormat(LengthFormat);
  /// Selects the next or previous thing of this stage; false past the last one.
  bool selectNext(bool forward);
  void showGhost(std::optional<Job>);
  [[nodiscard]] const std::optional<Job>& ghost() const { return ghost_; }

  // ---- editing
  /// Puts the selected piece somewhere; one step of undo.
  void place(const QString& verb, const Place&);
  /// Types a reading into a tape of the selected piece ("tape:front", "tape:centre"). The complaint, or nothing.
  [[nodiscard]] LengthReading typeTape(const std::string& key, const QString& text);
  /// Types a reading into a finding's own gap: the selected piece, or the one to decide on, moves along it.
  [[nodiscard]] LengthReading typeFinding(const std::string& id, const QString& text);
  [[nodiscard]] LengthReading typeTurn(const QString& text);
  void turnBy(double degrees);
  /// Moves the selected piece on the screen's axes: plan x, y or wall u, v.
  void nudge(Vec2 by);
  void take(const WayOut&);
  void removeSelected();
  void toggleLock();
  void copySelected();
  void newScheme(bool copy);
  void switchUnits();
  /// Reads a length in the job's unit.
  [[nodiscard]] LengthReading read(const QString& text) const;
  [[nodiscard]] QString write(double length) const { return QString::fromStdString(writeLength(length, format_)); }
  [[nodiscard]] QString nameOf(const Placement&) const;

 signals:
  void jobChanged();   ///< findings are up to date
  void viewChanged();  ///< room, scheme, stage, wall or format
  void selectionChanged();
  void ghostChanged();

 private:
  void refresh();
  void keepValid();

  Document& document_;
  const Rulebook& book_;
  ImageStore images_;
  RoomId room_;
  SchemeId scheme_;
  CornerId wall_;
  PlacementId selected_;
  Stage stage_ = Stage::Floor;
  LengthFormat format_;
  std::vector<Finding> findings_;
  std::vector<Decision> decisions_;
  std::optional<Job> ghost_;
  Unit knownUnits_ = Unit::Inch;
};

}  // namespace mezzet
