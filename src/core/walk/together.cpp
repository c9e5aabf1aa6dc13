#include "core/walk/together.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "core/edit/validate.h"
#include "core/geometry/offset.h"

namespace mezzet {
namespace {

constexpr double kOnEdge = 2;  // an opening lies on the edge of the common outline within this

/// The first corner is the datum, and the first wall runs along +x: the longest edge, so that rounding turns nothing.
Polygon longestFirst(Polygon outline) {
  std::size_t first = 0;
  for (std::size_t i = 0; i < outline.size(); ++i)
    if (distance(edgeStart(outline, i), edgeEnd(outline, i)) >
        distance(edgeStart(outline, first), edgeEnd(outline, first)) + 0.01)
      first = i;
  std::rotate(outline.begin(), outline.begin() + static_cast<std::ptrdiff_t>(first), outline.end());
  return outline;
}

}  // namespace

Result<Room> walkedTogether(const Job& job, const std::vector<RoomId>& rooms) {
  if (rooms.empty()) return Error{"rooms", "are none", "Name two rooms or more"};
  std::map<RoomId, bool> allowed;
  for (const RoomId& id : rooms) {
    if (findRoom(job, id) == nullptr) return Error{"room " + id.value, "is not in this job", "Choose another room"};
    allowed[id] = true;
  }
  const std::map<RoomId, PlacedRoom> placed = roomsJoined(job, rooms.front(), allowed);
  for (const RoomId& id : rooms)
    if (!placed.contains(id))
      return Error{findRoom(job, id)->name, "is joined to " + findRoom(job, rooms.front())->name + " by no door",
                   "Say which door leads there"};
  std::vector<Polygon> parts;
  const double grid = 0.5;  // necks reach this far into both rooms, so that rounding leaves no slit
  for (const auto& [id, p] : placed) {
    const Room& room = *findRoom(job, id);
    parts.push_back(outlineInHouse(room, p));
    for (const Opening& o : room.openings) {
      if (!o.leadsTo || !allowed.contains(o.leadsTo->room) || o.leadsTo->room < id) continue;
      const auto wall = findWall(room, o.wall);
      const Vec2 a = wall->start + wall->along() * o.offset, b = a + wall->along() * o.width;
      const Vec2 out = -wall->inward(), deep = out * (thicknessAt(job, room, o).thickness + grid), in = -out * grid;
      parts.push_back({p.inHouse(a + in), p.inHouse(a + deep), p.inHouse(b + deep), p.inHouse(b + in)});
    }
  }
  Joined all = joined(parts);
  if (all.outer.size() != 1)
    return Error{"rooms", "do not come to one outline", "Check the wall between them, and the doors they share"};
  if (!all.holes.empty()) return Error{"rooms", "run in a ring", "Leave one of them out"};
  const Polygon outline = longestFirst(all.outer.front());
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
      const Vec2 a = home(p.inHouse(wall->start + wall->along() * o.offset)),
                 b = home(p.inHouse(wall->start + wall->along() * (o.offset + o.width)));
      for (const Wall& w : walls) {
        const double s = dot(a - w.start, w.along()), t = dot(b - w.start, w.along());
        if (std::abs(cross(w.along(), a - w.start)) > kOnEdge || std::abs(cross(w.along(), b - w.start)) > kOnEdge ||
            s < -kOnEdge || t > w.length() + kOnEdge || t < s)
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

}  // namespace mezzet
