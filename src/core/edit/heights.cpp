#include "core/edit/heights.h"

#include <algorithm>

#include "core/edit/put.h"
#include "core/site/heights.h"

namespace mezzet {
namespace {

template <class Change>
Result<Job> withChangedHeights(const Job& job, const RoomId& id, Change change) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return Error{"room " + id.value, "is not in this job", "Choose another room"};
  Room changed = *room;
  change(changed);
  if (std::any_of(changed.heights.begin(), changed.heights.end(),
                  [](const HeightReading& h) { return h.kind != HeightKind::ToFloor && !h.taken.superseded; })) {
    const RoomHeights heights = heightsOf(changed);
    for (const Vec2 p : heightLookouts(changed, heights))
      if (heights.clearAt(p) <= 0)
        return Error{room->name, "would have its ceiling below its floor at one corner",
                     "Check the figures, and at which point each was taken"};
    changed.ceilingHeight = usualClear(changed, heights);
  }
  return withRoom(job, std::move(changed));
}

}  // namespace

Result<Job> withHeight(const Job& job, const RoomId& id, HeightReading height) {
  return withChangedHeights(job, id, [&](Room& room) {
    std::erase_if(room.heights, [&](const HeightReading& h) { return h.id == height.id; });
    room.heights.push_back(std::move(height));
  });
}
Result<Job> withoutHeight(const Job& job, const RoomId& id, const ReadingId& reading) {
  return withChangedHeights(job, id, [&](Room& room) {
    std::erase_if(room.heights, [&](const HeightReading& h) { return h.id == reading; });
  });
}
Result<Job> withCeilingShape(const Job& job, const RoomId& id, CeilingShape shape) {
  return withChangedHeights(job, id, [&](Room& room) { room.ceiling = shape; });
}
Result<Job> withCeilingArea(const Job& job, const RoomId& id, CeilingArea area) {
  return withChangedHeights(job, id, [&](Room& room) { putValue(room.ceilingAreas, std::move(area)); });
}
Result<Job> withoutCeilingArea(const Job& job, const RoomId& id, const CeilingId& area) {
  return withChangedHeights(job, id, [&](Room& room) {
    std::erase_if(room.ceilingAreas, [&](const CeilingArea& a) { return a.id == area; });
  });
}

}  // namespace mezzet
