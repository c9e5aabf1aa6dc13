// What a workspace knows of handing over: the floor or a wall, what comes there in which order.
#include "app/document/today.h"
#include "app/document/workspace.h"
#include "core/edit/records.h"
#include "core/model/kinds.h"
#include "core/plan/carrying.h"

namespace mezzet {

void Workspace::showHandsWall(bool wall) {
  if (wall == handsWall_) return;
  handsWall_ = wall;
  // The first wall on which something hangs, where the one that was seen is bare.
  if (wall && room() != nullptr && handOrder().empty())
    for (const Corner& corner : room()->corners) {
      const CornerId before = std::exchange(wall_, corner.id);
      if (!handOrder().empty()) break;
      wall_ = before;
    }
  select({});
  emit viewChanged();
}

PlacementIds Workspace::handOrder() const {
  if (room() == nullptr || scheme() == nullptr) return {};
  return handsWall_ ? hangOrder(job(), book(), *room(), *scheme(), wall_) : settingOrder(job(), *room(), *scheme());
}

std::vector<OrderMark> Workspace::handMarks() const {
  std::vector<OrderMark> out;
  for (const PlacementId& id : handOrder()) {
    const Placement* p = findPlacement(*scheme(), id);
    const auto* floor = onFloor(p->on);
    const auto* hung = onWall(p->on);
    const Piece& piece = pieceOf(job(), *p);
    const Vec2 half = Vec2{piece.width, piece.depth.value_or(piece.width)} * 0.5;
    // What stands on a rug hides its middle.
    const Vec2 off = floor != nullptr && isRug(piece.kind)
                         ? rotated(Vec2{half.x * -0.88, half.y * -0.84}, turnOf(floor->turn))
                         : Vec2{};
    const Vec2 at = floor != nullptr ? floor->at + off : hung != nullptr ? Vec2{hung->u, hung->v} : Vec2{};
    out.push_back({id, at, static_cast<int>(out.size()) + 1, isDone(job(), *p), id == selected_});
  }
  return out;
}

CameReading Workspace::readCame(const QString& line) const {
  return readCameLine(line.toStdString(), job(), {}, job().units, format());
}

bool Workspace::takeCame(const CameReading& came) {
  if (!came.piece) return false;
  const auto after = withDelivered(job(), *came.piece, came.sizes, today());
  if (!after) return false;
  const QString name = QString::fromStdString(findPiece(job(), *came.piece)->name);
  return document_.edit(tr("%1 came").arg(name), *after);
}

}  // namespace mezzet
