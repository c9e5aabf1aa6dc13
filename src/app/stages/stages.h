// The stages of a job, in working order. A new stage is a file with its row, a value of Stage and a line in stages.cpp;
// tape, menus, window, bar and ledger read the row.
#pragma once

#include <QString>
#include <span>

#include "core/model/place.h"

namespace mezzet {

class Workspace;

enum class Stage { Brief, Measure, Floor, Light, Walls, Displays, HandOver };
/// What of the site is being measured.
enum class Topic { Walls, Openings, Heights, Fixed, InWall, Picture, Photographs, House };

/// What lies on the desk.
enum class Content { Plan, Ceiling, Wall, Picture, House, Fold, Display };
/// What stands beside it.
enum class Panel { Ledger, Site, Brief, HandOver };
/// What can be picked up and put down there.
enum class Accepts { Nothing, Floor, Ceiling, Wall, Display };

struct StageRow {
  Stage id = Stage::Brief;
  const char* name = "";    ///< on the tape and in the menu
  const char* action = "";  ///< of the menu: "stage-floor"
  const char* key = "";     ///< "F3"
  const char* tip = "";     ///< of the menu
  Content (*content)(const Workspace&) = nullptr;
  Panel panel = Panel::Ledger;
  Accepts accepts = Accepts::Nothing;
  int (*broken)(const Workspace&) = nullptr;    ///< how many things break here; red strokes on the tape
  bool (*reached)(const Workspace&) = nullptr;  ///< whether the blade is drawn out as far
  QString (*hint)(const Workspace&) = nullptr;  ///< in the bar while nothing is selected
};

/// By Stage.
[[nodiscard]] std::span<const StageRow> stageRows();
[[nodiscard]] inline const StageRow& rowOf(Stage stage) { return stageRows()[static_cast<std::size_t>(stage)]; }

[[nodiscard]] StageRow briefStage();
[[nodiscard]] StageRow measureStage();
[[nodiscard]] StageRow floorStage();
[[nodiscard]] StageRow lightStage();
[[nodiscard]] StageRow wallsStage();
[[nodiscard]] StageRow displaysStage();
[[nodiscard]] StageRow handOverStage();

/// What is put down where a finding's view is: on the floor, the ceiling, a wall.
[[nodiscard]] Accepts acceptsOf(const View&);
/// Where a new piece of a kind is looked at; a lamp stays where it was typed.
[[nodiscard]] Stage stageFor(const Piece&, Stage now);
/// Whether a stage is about a thing: lights in Light, what stands in Floor, what hangs in Walls.
[[nodiscard]] bool isAbout(const StageRow&, const Piece&, const Place&);

}  // namespace mezzet
