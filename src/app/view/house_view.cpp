#include "app/view/house_view.h"

#include "core/drawing/plan/site_plan.h"

namespace mezzet {

Drawing HouseView::composeStill(double scale, const PlacementIds&) const {
  const Room* room = workspace_.room();
  for (const HouseStorey& storey : layoutOf(shownJob(), workspace_.format()))
    if (room != nullptr && storey.id == room->storey)
      return composeStorey(shownJob(), storey, room->id, scale, workspace_.format());
  return Drawing{scale, {0, 0}, {4000, 3000}, {}};
}

void HouseView::clickedItem(const ItemId& id) {
  if (id.of == ItemId::Of::Room) workspace_.showRoom(RoomId(id.id));
}

QString HouseView::emptyHint() const {
  return workspace_.room() == nullptr ? tr("No room has been measured yet.") : QString();
}

}  // namespace mezzet
