#include "core/edit/house.h"

#include <algorithm>

#include "core/edit/put.h"
#include "core/edit/validate.h"

namespace mezzet {
namespace {

Room* changedRoom(Job& job, const RoomId& id, std::vector<std::pair<RoomId, Room>>& copies) {
  for (auto& [known, room] : copies)
    if (known == id) return &room;
  const Room* room = findRoom(job, id);
  if (room == nullptr) return nullptr;
  copies.emplace_back(id, *room);
  return &copies.back().second;
}

Opening* openingIn(Room* room, const OpeningId& id) {
  if (room == nullptr) return nullptr;
  for (Opening& o : room->openings)
    if (o.id == id) return &o;
  return nullptr;
}

Job taken(Job job, std::vector<std::pair<RoomId, Room>> copies) {
  for (auto& [id, room] : copies)
    for (auto& shared : job.rooms)
      if (shared->id == id) shared = std::make_shared<const Room>(std::move(room));
  return job;
}

void letGo(Job& job, const RoomId& id, const OpeningId& opening, std::vector<std::pair<RoomId, Room>>& copies) {
  Opening* o = openingIn(changedRoom(job, id, copies), opening);
  if (o == nullptr || !o->leadsTo) return;
  const LeadsTo old = *o->leadsTo;
  o->leadsTo.reset();
  if (Opening* back = openingIn(changedRoom(job, old.room, copies), old.opening)) back->leadsTo.reset();
}

}  // namespace

Result<Job> withDoorJoined(const Job& job, const RoomId& id, const OpeningId& opening, const LeadsTo& to,
                           std::optional<double> thickness) {
  if (to.room == id) return Error{"door", "would lead into its own room", "Choose a door of another room"};
  Job out = job;
  std::vector<std::pair<RoomId, Room>> copies;
  copies.reserve(8);  // pointers into it stay good
  letGo(out, id, opening, copies);
  letGo(out, to.room, to.opening, copies);
  Room *room = changedRoom(out, id, copies), *other = changedRoom(out, to.room, copies);
  Opening *door = openingIn(room, opening), *back = openingIn(other, to.opening);
  if (door == nullptr || back == nullptr) return Error{"door", "is not in these rooms", "Choose another"};
  door->leadsTo = to;
  back->leadsTo = LeadsTo{id, opening};
  if (door->kind == OpeningKind::Door && back->kind == OpeningKind::Door) {
    // One leaf, seen from the other side.
    back->swing = door->swing == Swing::In ? Swing::Out : Swing::In;
    back->hinge = door->hinge == Hinge::Start ? Hinge::End : Hinge::Start;
  }
  if (thickness) {
    for (Corner& c : room->corners)
      if (c.id == door->wall) c.wallThickness = thickness;
    for (Corner& c : other->corners)
      if (c.id == back->wall) c.wallThickness = thickness;
  }
  out = taken(std::move(out), std::move(copies));
  if (auto fault = faultOf(out)) return *fault;
  return out;
}

Job withDoorParted(const Job& job, const RoomId& id, const OpeningId& opening) {
  Job out = job;
  std::vector<std::pair<RoomId, Room>> copies;
  copies.reserve(8);
  letGo(out, id, opening, copies);
  return taken(std::move(out), std::move(copies));
}

Job withStorey(const Job& job, Storey storey) {
  Job out = job;
  putValue(out.storeys, std::move(storey));
  return out;
}

Job withoutStorey(const Job& job, const StoreyId& id) {
  Job out = job;
  std::erase_if(out.storeys, [&](const Storey& s) { return s.id == id; });
  for (auto& room : out.rooms)
    if (room->storey == id) {
      Room changed = *room;
      changed.storey = {};
      room = std::make_shared<const Room>(std::move(changed));
    }
  return out;
}

Result<Job> withRoomOnStorey(const Job& job, const RoomId& id, const StoreyId& storey) {
  const Room* room = findRoom(job, id);
  if (room == nullptr) return Error{"room " + id.value, "is not in this job", "Choose another room"};
  if (!storey.empty() &&
      std::none_of(job.storeys.begin(), job.storeys.end(), [&](const Storey& s) { return s.id == storey; }))
    return Error{"storey " + storey.value, "is not in this job", "Add it first"};
  Room changed = *room;
  changed.storey = storey;
  return withRoom(job, std::move(changed));
}

}  // namespace mezzet
