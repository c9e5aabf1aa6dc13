#include "app/stages/stages.h"

#include <QtGlobal>
#include <array>

#include "core/model/kinds.h"

namespace mezzet {

std::span<const StageRow> stageRows() {
  static const std::array rows = [] {
    std::array all{briefStage(), measureStage(),  floorStage(),   lightStage(),
                   wallsStage(), displaysStage(), handOverStage()};
    for (std::size_t i = 0; i < all.size(); ++i) Q_ASSERT(static_cast<std::size_t>(all[i].id) == i);
    return all;
  }();
  return rows;
}

Accepts acceptsOf(const View& view) {
  return view.isWall()      ? Accepts::Wall
         : view.isDisplay() ? Accepts::Display
         : view.ceiling     ? Accepts::Ceiling
                            : Accepts::Floor;
}

Stage stageFor(const Piece& piece, Stage now) {
  if (goesOnCeiling(piece.kind)) return Stage::Light;
  if (isDisplayed(piece.kind) || (now == Stage::Displays && canBeThing(piece.kind))) return Stage::Displays;
  if (hangs(piece.kind)) return Stage::Walls;
  return now == Stage::Light && mountOf(piece) ? now : Stage::Floor;
}

bool isAbout(const StageRow& row, const Piece& piece, const Place& place) {
  switch (row.accepts) {
    case Accepts::Nothing: return row.id == Stage::HandOver && (onFloor(place) != nullptr || onWall(place) != nullptr);
    case Accepts::Floor: return onFloor(place) != nullptr;
    case Accepts::Ceiling: return mountOf(piece).has_value();
    case Accepts::Wall: return onWall(place) != nullptr || leaning(place) != nullptr;
    case Accepts::Display: return onAnother(place) != nullptr || !piece.surfaces->all.empty();
  }
  return false;
}

}  // namespace mezzet
