#include "core/walk/ways.h"

#include <algorithm>

#include "core/use/seats.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

std::vector<Destination> destinations(const PieceIndex& pieces, const Room& room, const Scheme& scheme,
                                      bool diningSeats) {
  std::vector<Destination> out;
  const Opening* entry = mainEntry(room);
  for (const Opening& o : room.openings) {
    if (entry != nullptr && o.id == entry->id) continue;
    const auto wall = findWall(room, o.wall);
    if (!wall || (!isWalkedThrough(o) && o.sill > kHighSill)) continue;
    out.push_back({isWalkedThrough(o) ? Goal::Opening : Goal::Window, o.id.value, {middleOf(*wall, o)}});
  }
  for (const Placement& p : scheme.placements) {
    const auto* place = onFloor(p.on);
    if (place == nullptr) continue;
    const Piece& piece = pieces.of(p);
    if (placesOn(piece) > 0) {
      if (!diningSeats && isDiningSeat(piece.kind)) continue;
      Destination to{Goal::Seat, p.id.value, {}};
      for (const SeatPlace& seat : seatPlaces(piece, *place)) to.marks.push_back(seat.front);
      out.push_back(std::move(to));
    } else if (isStorage(piece.kind)) {
      const Vec2 front = rotated({0, -piece.depth.value_or(piece.width) / 2}, turnOf(place->turn));
      out.push_back({Goal::Storage, p.id.value, {place->at + front}});
    }
  }
  return out;
}

}  // namespace

std::vector<Destination> destinationsIn(const PieceIndex& pieces, const Room& room, const Scheme& scheme) {
  return destinations(pieces, room, scheme, true);
}

std::vector<Destination> judgedDestinations(const PieceIndex& pieces, const Room& room, const Scheme& scheme) {
  return destinations(pieces, room, scheme, false);
}

std::vector<Destination> openingsAmong(std::vector<Destination> destinations) {
  std::erase_if(destinations, [](const Destination& d) { return d.goal != Goal::Opening; });
  return destinations;
}

RoomWay wayTo(const WaysFrom& from, const Destination& to) {
  if (to.goal == Goal::Opening) {
    const WayEnd* end = findEnd(from.space(), to.id);
    if (end == nullptr) return {to, {}, {}};
    return {to, widestWay(from, *end), end->at};
  }
  Approach approach = widestApproach(from, to.marks, to.id);
  return {to, std::move(approach.way), approach.at};
}

std::vector<RoomWay> waysIn(const WalkSpace& space, const std::vector<Destination>& destinations) {
  std::vector<RoomWay> out;
  if (space.openings.empty()) return out;
  const WaysFrom entry(space, space.openings[space.entry]);
  for (const Destination& to : destinations) out.push_back(wayTo(entry, to));
  return out;
}

const RoomWay* bestReached(const std::vector<RoomWay>& ways, const TalkGroup& group) {
  const RoomWay* best = nullptr;
  for (const RoomWay& way : ways)
    if (way.to.goal == Goal::Seat && sitsIn(group, way.to.id) && (best == nullptr || way.way.width > best->way.width))
      best = &way;
  return best;
}

WalkSpace walkSpaceOf(const PieceIndex& pieces, const Room& room, const Scheme& scheme, UseState state) {
  std::vector<Body> bodies = bodiesInUse(pieces, scheme, state);
  for (Body& body : hungBodies(pieces, room, scheme)) bodies.push_back(std::move(body));
  return walkSpace(room, bodies);
}

WayEnd endOf(const WalkSpace& space, const RoomWay& way) {
  const WayEnd* end = way.to.goal == Goal::Opening ? findEnd(space, way.to.id) : nullptr;
  return end != nullptr ? *end : WayEnd{way.to.id, way.at, way.way.width, {}};
}

WayEnd goOnFrom(const WalkSpace& space, const RoomWay& way) {
  return {way.to.id, way.at, 2 * std::max(0.0, clearanceAt(space, way.at)), {}};
}

}  // namespace mezzet
