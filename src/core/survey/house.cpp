#include "core/survey/house.h"

#include <algorithm>
#include <cmath>
#include <deque>
#include <map>

#include "core/geometry/offset.h"
#include "core/job/validate.h"

namespace mezzet {
namespace {

constexpr double kApart = 1500;       // between rooms that no door joins
constexpr double kAgree = kInch / 4;  // thicknesses, widths and rings that agree within this are not spoken of
constexpr double kSameSpot = 1e4;     // mm² of overlap that is not spoken of
constexpr double kOnEdge = 2;         // an opening lies on the edge of the common outline within this

Vec2 middleIn(const Room& room, const Opening& o) { return middleOf(*findWall(room, o.wall), o); }

/// Where the room beyond a shared door must lie.
PlacedRoom beyond(const Job& job, const Room& room, const PlacedRoom& here, const Opening& door) {
  const Room& other = *findRoom(job, door.leadsTo->room);
  const Opening& back = *findOpening(other, door.leadsTo->opening);
  const auto wall = findWall(room, door.wall), facing = findWall(other, back.wall);
  const double turn = normalisedTurn(here.turn + directionOf(-wall->along()) - directionOf(facing->along()));
  const Vec2 out = rotated(-wall->inward(), turnOf(here.turn)) * thicknessAt(job, room, door).thickness;
  return {other.id, here.inHouse(middleIn(room, door)) + out - rotated(middleIn(other, back), turnOf(turn)), turn, true};
}

Polygon inHouse(const Room& room, const PlacedRoom& placed) {
  Polygon out;
  for (const Vec2 p : outlineOf(room)) out.push_back(placed.inHouse(p));
  return out;
}

struct Span {
  double left = 1e300, right = -1e300, bottom = 1e300, top = -1e300;
  void add(const Polygon& outline) {
    for (const Vec2 p : outline) {
      left = std::min(left, p.x);
      right = std::max(right, p.x);
      bottom = std::min(bottom, p.y);
      top = std::max(top, p.y);
    }
  }
};

std::string doorWords(const Room& room, const Opening& o) { return openingName(o) + " of " + room.name; }

/// All rooms that doors join to `first`, among `allowed`.
std::map<RoomId, PlacedRoom> group(const Job& job, const RoomId& first, const std::map<RoomId, bool>& allowed, std::vector<std::string>* sentences,
                                   LengthFormat format) {
  std::map<RoomId, PlacedRoom> placed{{first, {first, {}, 0, false}}};
  std::deque<RoomId> queue{first};
  std::map<std::pair<RoomId, OpeningId>, bool> seen;
  while (!queue.empty()) {
    const Room& room = *findRoom(job, queue.front());
    queue.pop_front();
    for (const Opening& door : room.openings) {
      if (!door.leadsTo || !allowed.contains(door.leadsTo->room)) continue;
      const bool again = seen[{room.id, door.id}];
      seen[{door.leadsTo->room, door.leadsTo->opening}] = true;
      const PlacedRoom there = beyond(job, room, placed.at(room.id), door);
      const auto known = placed.find(there.room);
      placed.at(room.id).joined = true;
      if (known == placed.end()) {
        placed[there.room] = there;
        queue.push_back(there.room);
      }
      if (sentences == nullptr || again) continue;
      const Room& other = *findRoom(job, there.room);
      const Opening& back = *findOpening(other, door.leadsTo->opening);
      if (known != placed.end()) {
        const double off = distance(there.inHouse(middleIn(other, back)), known->second.inHouse(middleIn(other, back)));
        double turn = std::abs(normalisedTurn(there.turn - known->second.turn));
        turn = std::min(turn, 360 - turn);
        if (off > kAgree || turn > 0.5)
          sentences->push_back("The ring of rooms through " + doorWords(room, door) + " does not close: " + writeLength(off, format) + " and " +
                               std::to_string(static_cast<int>(std::lround(turn))) + " degrees are left over. A wall or a thickness is off.");
      }
      const Between between = thicknessAt(job, room, door);
      if (!between.measured)
        sentences->push_back("The wall between " + room.name + " and " + other.name + " is taken as " + writeLength(kUsualWall, format) +
                             " thick until measured.");
      else if (between.disagreement > kAgree)
        sentences->push_back("The wall between " + room.name + " and " + other.name + " is " + writeLength(between.disagreement, format) +
                             " thicker on one side than on the other. Measure it in the doorway.");
      if (std::abs(door.width - back.width) > kAgree)
        sentences->push_back("The door between " + room.name + " and " + other.name + " is " + writeLength(door.width, format) + " wide from the one and " +
                             writeLength(back.width, format) + " from the other.");
    }
  }
  return placed;
}

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

Between thicknessAt(const Job& job, const Room& room, const Opening& door) {
  std::vector<double> said;
  const auto look = [&](const Room& r, const CornerId& wall) {
    for (const Corner& c : r.corners)
      if (c.id == wall && c.wallThickness) said.push_back(*c.wallThickness);
  };
  look(room, door.wall);
  if (door.leadsTo)
    if (const Room* other = findRoom(job, door.leadsTo->room))
      if (const Opening* back = findOpening(*other, door.leadsTo->opening)) look(*other, back->wall);
  if (said.empty()) return {};
  if (said.size() == 1) return {said[0], true, 0};
  return {(said[0] + said[1]) / 2, true, std::abs(said[0] - said[1])};
}

std::vector<HouseStorey> layoutOf(const Job& job, LengthFormat format) {
  std::vector<Storey> levels = job.storeys;
  std::stable_sort(levels.begin(), levels.end(), [](const Storey& a, const Storey& b) { return a.level < b.level; });
  if (std::any_of(job.rooms.begin(), job.rooms.end(), [](const auto& r) { return r->storey.empty(); })) levels.insert(levels.begin(), Storey{{}, "", 0});
  std::vector<HouseStorey> out;
  for (const Storey& level : levels) {
    HouseStorey storey{level.id, level.name, {}, {}};
    std::map<RoomId, bool> here;
    for (const auto& room : job.rooms)
      if (room->storey == level.id) here[room->id] = true;
    std::map<RoomId, PlacedRoom> placed;
    double right = 0;
    for (const auto& room : job.rooms) {
      if (!here.contains(room->id) || placed.contains(room->id)) continue;
      std::map<RoomId, PlacedRoom> together = group(job, room->id, here, &storey.sentences, format);
      Span span;
      for (const auto& [id, p] : together) span.add(inHouse(*findRoom(job, id), p));
      const Vec2 by{placed.empty() ? 0 : right + kApart - span.left, 0};
      for (auto& [id, p] : together) {
        p.at += by;
        placed[id] = p;
      }
      right = span.right + by.x;
    }
    for (const auto& room : job.rooms)
      if (placed.contains(room->id)) storey.rooms.push_back(placed.at(room->id));
    for (std::size_t i = 0; i < storey.rooms.size(); ++i)
      for (std::size_t j = i + 1; j < storey.rooms.size(); ++j) {
        const Room &a = *findRoom(job, storey.rooms[i].room), &b = *findRoom(job, storey.rooms[j].room);
        if (coveredArea({inHouse(a, storey.rooms[i])}, inHouse(b, storey.rooms[j])) > kSameSpot)
          storey.sentences.push_back(a.name + " and " + b.name + " lie in one place. Check their walls, and which doors they share.");
      }
    out.push_back(std::move(storey));
  }
  return out;
}

Result<Room> walkedTogether(const Job& job, const std::vector<RoomId>& rooms) {
  if (rooms.empty()) return Error{"rooms", "are none", "Name two rooms or more"};
  std::map<RoomId, bool> allowed;
  for (const RoomId& id : rooms) {
    if (findRoom(job, id) == nullptr) return Error{"room " + id.value, "is not in this job", "Choose another room"};
    allowed[id] = true;
  }
  const std::map<RoomId, PlacedRoom> placed = group(job, rooms.front(), allowed, nullptr, {});
  for (const RoomId& id : rooms)
    if (!placed.contains(id))
      return Error{findRoom(job, id)->name, "is joined to " + findRoom(job, rooms.front())->name + " by no door", "Say which door leads there"};
  std::vector<Polygon> parts;
  const double grid = 0.5;  // necks reach this far into both rooms, so that rounding leaves no slit
  for (const auto& [id, p] : placed) {
    const Room& room = *findRoom(job, id);
    parts.push_back(inHouse(room, p));
    for (const Opening& o : room.openings) {
      if (!o.leadsTo || !allowed.contains(o.leadsTo->room) || o.leadsTo->room < id) continue;
      const auto wall = findWall(room, o.wall);
      const Vec2 a = wall->start + wall->along() * o.offset, b = a + wall->along() * o.width;
      const Vec2 out = -wall->inward(), deep = out * (thicknessAt(job, room, o).thickness + grid), in = -out * grid;
      parts.push_back({p.inHouse(a + in), p.inHouse(a + deep), p.inHouse(b + deep), p.inHouse(b + in)});
    }
  }
  Joined all = joined(parts);
  if (all.outer.size() != 1) return Error{"rooms", "do not come to one outline", "Check the wall between them, and the doors they share"};
  if (!all.holes.empty()) return Error{"rooms", "run in a ring", "Leave one of them out"};
  // The first corner is the datum, and the first wall runs along +x: the longest edge, so that rounding turns nothing.
  Polygon outline = all.outer.front();
  std::size_t first = 0;
  for (std::size_t i = 0; i < outline.size(); ++i)
    if (distance(edgeStart(outline, i), edgeEnd(outline, i)) > distance(edgeStart(outline, first), edgeEnd(outline, first)) + 0.01) first = i;
  std::rotate(outline.begin(), outline.begin() + static_cast<std::ptrdiff_t>(first), outline.end());
  const Vec2 origin = outline[0], along = unit(outline[1] - outline[0]);
  const auto home = [&](Vec2 p) { return Vec2{dot(p - origin, along), dot(p - origin, leftOf(along))}; };
  Room out;
  out.id = rooms.front();
  for (const RoomId& id : rooms) out.name += (out.name.empty() ? "" : " + ") + findRoom(job, id)->name;
  out.ceilingHeight = 1e300;
  for (std::size_t i = 0; i < outline.size(); ++i) out.corners.push_back({cornerName(i), home(outline[i])});
  out.corners[0].at = {0, 0};
  out.corners[1].at.y = 0;
  const std::vector<Wall> walls = wallsOf(out);
  for (const auto& [id, p] : placed) {
    const Room& room = *findRoom(job, id);
    out.ceilingHeight = std::min(out.ceilingHeight, room.ceilingHeight);
    for (Feature f : room.features) {
      f.id = FeatureId(id.value + "/" + f.id.value);
      for (Vec2& q : f.outline) q = home(p.inHouse(q));
      if (f.stair) f.stair->climbs = normalisedTurn(f.stair->climbs + p.turn - directionOf(along));
      out.features.push_back(std::move(f));
    }
    for (Opening o : room.openings) {
      if (o.leadsTo && allowed.contains(o.leadsTo->room)) continue;
      const auto wall = findWall(room, o.wall);
      const Vec2 a = home(p.inHouse(wall->start + wall->along() * o.offset)), b = home(p.inHouse(wall->start + wall->along() * (o.offset + o.width)));
      for (const Wall& w : walls) {
        const double s = dot(a - w.start, w.along()), t = dot(b - w.start, w.along());
        if (std::abs(cross(w.along(), a - w.start)) > kOnEdge || std::abs(cross(w.along(), b - w.start)) > kOnEdge || s < -kOnEdge ||
            t > w.length() + kOnEdge || t < s)
          continue;
        o.id = OpeningId(id.value + "/" + o.id.value);
        o.wall = w.id;
        o.offset = std::max(0.0, s);
        o.width = std::min(o.width, w.length() - o.offset);
        o.leadsTo.reset();
        o.readings.clear();
        out.openings.push_back(std::move(o));
        break;
      }
    }
  }
  for (Opening& o : out.openings) o.height = std::min(o.height, out.ceilingHeight - o.sill);
  std::erase_if(out.openings, [](const Opening& o) { return o.height <= 0; });
  if (auto fault = faultOf(out, usualFormat(job.units))) return *fault;
  return out;
}

Result<Job> withDoorJoined(const Job& job, const RoomId& id, const OpeningId& opening, const LeadsTo& to, std::optional<double> thickness) {
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
  const auto at = std::find_if(out.storeys.begin(), out.storeys.end(), [&](const Storey& s) { return s.id == storey.id; });
  if (at == out.storeys.end()) out.storeys.push_back(std::move(storey));
  else *at = std::move(storey);
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
  if (!storey.empty() && std::none_of(job.storeys.begin(), job.storeys.end(), [&](const Storey& s) { return s.id == storey; }))
    return Error{"storey " + storey.value, "is not in this job", "Add it first"};
  Room changed = *room;
  changed.storey = storey;
  return withRoom(job, std::move(changed));
}

}  // namespace mezzet
