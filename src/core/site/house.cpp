#include "core/site/house.h"

#include <algorithm>
#include <cmath>
#include <deque>
#include <map>

#include "core/geometry/offset.h"

namespace mezzet {
namespace {

constexpr double kApart = 1500;       // between rooms that no door joins
constexpr double kAgree = kInch / 4;  // thicknesses, widths and rings that agree within this are not spoken of
constexpr double kSameSpot = 1e4;     // mm² of overlap that is not spoken of

Vec2 middleIn(const Room& room, const Opening& o) { return middleOf(*findWall(room, o.wall), o); }

/// Where the room beyond a shared door must lie.
PlacedRoom beyond(const Job& job, const Room& room, const PlacedRoom& here, const Opening& door) {
  const Room& other = *findRoom(job, door.leadsTo->room);
  const Opening& back = *findOpening(other, door.leadsTo->opening);
  const auto wall = findWall(room, door.wall), facing = findWall(other, back.wall);
  const double turn = normalisedTurn(here.turn + directionOf(-wall->along()) - directionOf(facing->along()));
  const Vec2 out = rotated(-wall->inward(), turnOf(here.turn)) * thicknessAt(job, room, door).thickness;
  return {other.id, here.inHouse(middleIn(room, door)) + out - rotated(middleIn(other, back), turnOf(turn)), turn,
          true};
}

struct OutlineBox {
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

std::string doorWords(const Room& room, const Opening& o) { return openingName(room, o) + " of " + room.name; }

/// All rooms that doors join to `first`, among `allowed`.
std::map<RoomId, PlacedRoom> group(const Job& job, const RoomId& first, const std::map<RoomId, bool>& allowed,
                                   std::vector<std::string>* sentences, LengthFormat format) {
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
          sentences->push_back("The ring of rooms through " + doorWords(room, door) +
                               " does not close: " + writeLength(off, format) + " and " +
                               std::to_string(static_cast<int>(std::lround(turn))) +
                               " degrees are left over. A wall or a thickness is off.");
      }
      const Between between = thicknessAt(job, room, door);
      if (!between.measured)
        sentences->push_back("The wall between " + room.name + " and " + other.name + " is taken as " +
                             writeLength(kUsualWall, format) + " thick until measured.");
      else if (between.disagreement > kAgree)
        sentences->push_back("The wall between " + room.name + " and " + other.name + " is " +
                             writeLength(between.disagreement, format) +
                             " thicker on one side than on the other. Measure it in the doorway.");
      if (std::abs(door.width - back.width) > kAgree)
        sentences->push_back("The door between " + room.name + " and " + other.name + " is " +
                             writeLength(door.width, format) + " wide from the one and " +
                             writeLength(back.width, format) + " from the other.");
    }
  }
  return placed;
}

}  // namespace

Polygon outlineInHouse(const Room& room, const PlacedRoom& placed) {
  Polygon out;
  for (const Vec2 p : outlineOf(room)) out.push_back(placed.inHouse(p));
  return out;
}

std::map<RoomId, PlacedRoom> roomsJoined(const Job& job, const RoomId& first, const std::map<RoomId, bool>& allowed) {
  return group(job, first, allowed, nullptr, {});
}

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
  if (std::any_of(job.rooms.begin(), job.rooms.end(), [](const auto& r) { return r->storey.empty(); }))
    levels.insert(levels.begin(), Storey{{}, "", 0});
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
      OutlineBox span;
      for (const auto& [id, p] : together) span.add(outlineInHouse(*findRoom(job, id), p));
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
        if (coveredArea({outlineInHouse(a, storey.rooms[i])}, outlineInHouse(b, storey.rooms[j])) > kSameSpot)
          storey.sentences.push_back(a.name + " and " + b.name +
                                     " lie in one place. Check their walls, and which doors they share.");
      }
    out.push_back(std::move(storey));
  }
  return out;
}

}  // namespace mezzet
