#include "core/edit/site.h"

#include <algorithm>

namespace mezzet {

Result<Job> withStuds(const Job& job, const RoomId& id, StudRecord record) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return Error{"room " + id.value, "is not in this job", "Choose another room"};
  Room changed = *room;
  std::erase_if(changed.studs, [&](const StudRecord& s) { return s.wall == record.wall; });
  if (!record.hits.empty() || record.pitch) changed.studs.push_back(std::move(record));
  return withRoom(job, std::move(changed));
}

Result<Job> withUnderlay(const Job& job, const RoomId& id, std::optional<Underlay> underlay) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return Error{"room " + id.value, "is not in this job", "Choose another room"};
  Room changed = *room;
  changed.underlay = std::move(underlay);
  return withRoom(job, std::move(changed));
}

}  // namespace mezzet
