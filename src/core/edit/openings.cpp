#include "core/edit/openings.h"

#include <algorithm>

#include "core/site/openings.h"

namespace mezzet {
namespace {

Error noOpening(const OpeningId& id) { return {"opening " + id.value, "is not in this room", "Choose another"}; }

template <class Change>
Result<Job> withChangedReadings(const Job& job, const RoomId& roomId, const OpeningId& id, Change change) {
  const Room* room = findRoom(job, roomId);
  if (room == nullptr) return Error{"room " + roomId.value, "is not in this job", "Choose another room"};
  Room changed = *room;
  const auto at =
      std::find_if(changed.openings.begin(), changed.openings.end(), [&](const Opening& o) { return o.id == id; });
  if (at == changed.openings.end()) return noOpening(id);
  change(*at);
  auto closed = openingsClosed(std::move(changed));
  if (!closed) return closed.error();
  return withRoom(job, std::move(closed).value());
}

}  // namespace

Result<Job> withOpeningReading(const Job& job, const RoomId& roomId, const OpeningId& id, OpeningReading reading) {
  return withChangedReadings(job, roomId, id, [&](Opening& o) {
    for (OpeningReading& r : o.readings)
      if (r.part == reading.part && r.id != reading.id) r.taken.superseded = true;
    std::erase_if(o.readings, [&](const OpeningReading& r) { return r.id == reading.id; });
    o.readings.push_back(std::move(reading));
  });
}

Result<Job> withoutOpeningReading(const Job& job, const RoomId& roomId, const OpeningId& id, const ReadingId& reading) {
  return withChangedReadings(job, roomId, id, [&](Opening& o) {
    std::erase_if(o.readings, [&](const OpeningReading& r) { return r.id == reading; });
  });
}

}  // namespace mezzet
