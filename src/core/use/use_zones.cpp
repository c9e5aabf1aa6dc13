#include "core/use/use_zones.h"

#include <algorithm>
#include <cmath>

#include "core/model/kinds.h"

namespace mezzet {

Parts openZone(const Piece& piece, const FloorPlace& place) {
  const double by = opensBy(piece);
  if (by <= 0) return {};
  const Turn turn = turnOf(place.turn);
  const double w = piece.width / 2, d = piece.depth.value_or(piece.width) / 2;
  Convex zone;
  for (const Vec2 corner : {Vec2{-w, -d - by}, Vec2{w, -d - by}, Vec2{w, -d}, Vec2{-w, -d}})
    zone.core.push_back(place.at + rotated(corner, turn));
  return {zone};
}

Parts turningZone(const Piece& piece, const FloorPlace& place) {
  if (!turnsRound(piece.kind)) return {};
  return {Convex{
      {place.at},
      piece.shape == Shape::Round ? piece.width / 2 : std::hypot(piece.width, piece.depth.value_or(piece.width)) / 2}};
}

Piece extended(const Piece& piece) {
  Piece out = piece;
  if (const double by = extendsBy(piece); by > 0) {
    // A round table becomes an oval with its leaf in.
    if (out.shape == Shape::Round) out.shape = Shape::Oval;
    if (!out.depth) out.depth = out.width;
    (out.width >= *out.depth ? out.width : *out.depth) += by;
  }
  return out;
}

std::vector<UseZone> useZones(const PieceIndex& pieces, const Scheme& scheme, UseState state) {
  std::vector<UseZone> out;
  if (state == UseState::Everyday &&
      std::none_of(scheme.placements.begin(), scheme.placements.end(), [](const Placement& p) { return p.inUse; }))
    return out;
  const std::vector<DiningSeat> seats = diningSeatsIn(pieces, scheme);
  for (const Placement& p : scheme.placements) {
    const auto* place = onFloor(p.on);
    if (place == nullptr) continue;
    const Piece& piece = pieces.of(p);
    const bool occupied = p.inUse || state != UseState::Everyday, party = p.inUse || state == UseState::Party;
    Parts zone;
    const auto add = [&](const Parts& parts) { zone.insert(zone.end(), parts.begin(), parts.end()); };
    if (isDiningSeat(piece.kind) && occupied)
      for (const DiningSeat& seat : seats)
        if (seat.chair == &p) add(footprint(piece, pulledOut(pieces, seat)));
    if (opensForward(piece.kind) && (reclines(piece.kind) ? occupied : p.inUse)) add(openZone(piece, *place));
    if (occupied) add(turningZone(piece, *place));
    if (party && extendsBy(piece) > 0) add(footprint(extended(piece), *place));
    if (party && p.usedAt) add(footprint(piece, *p.usedAt));
    if (!zone.empty()) out.push_back({p.id.value, std::move(zone), party && p.usedAt});
  }
  return out;
}

std::vector<Body> bodiesInUse(const PieceIndex& pieces, const Scheme& scheme, UseState state) {
  std::vector<Body> bodies = floorBodies(pieces, scheme);
  for (UseZone& zone : useZones(pieces, scheme, state)) {
    const auto at = std::find_if(bodies.begin(), bodies.end(), [&](const Body& b) { return b.id == zone.id; });
    if (at == bodies.end()) continue;
    if (zone.instead) at->parts.clear();
    at->parts.insert(at->parts.end(), zone.parts.begin(), zone.parts.end());
    at->bounds = boundsOf(at->parts);
  }
  return bodies;
}

}  // namespace mezzet
