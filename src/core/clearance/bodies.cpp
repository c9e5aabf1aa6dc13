#include "core/clearance/bodies.h"

#include <algorithm>
#include <limits>

#include "core/job/kinds.h"

namespace mezzet {
namespace {

Body bodyOf(std::string id, std::vector<Convex> parts, bool flat = false) {
  Body body{std::move(id), std::move(parts), flat, {}};
  body.bounds = boundsOf(body.parts.front());
  for (const Convex& part : body.parts) {
    const Box box = boundsOf(part);
    body.bounds.low = {std::min(body.bounds.low.x, box.low.x), std::min(body.bounds.low.y, box.low.y)};
    body.bounds.high = {std::max(body.bounds.high.x, box.high.x), std::max(body.bounds.high.y, box.high.y)};
  }
  return body;
}

}  // namespace

Convex footprint(const Piece& piece, const FloorPlace& place) {
  if (piece.shape == Shape::Round) return {{place.at}, piece.width / 2};
  const Turn turn = turnOf(place.turn);
  const double w = piece.width / 2, d = piece.depth.value_or(piece.width) / 2;
  Convex body;
  body.core.reserve(4);
  for (const Vec2 corner : {Vec2{-w, -d}, Vec2{w, -d}, Vec2{w, d}, Vec2{-w, d}}) body.core.push_back(place.at + rotated(corner, turn));
  return body;
}

std::vector<Body> floorBodies(const Job& job, const Scheme& scheme, const PlacementId& without) {
  std::vector<Body> bodies;
  bodies.reserve(scheme.placements.size());
  const PieceIndex pieces(job);
  for (const Placement& p : scheme.placements) {
    const auto* place = std::get_if<FloorPlace>(&p.on);
    if (place == nullptr || p.id == without) continue;
    const Piece& piece = pieces.of(p);
    bodies.push_back(bodyOf(p.id.value, {footprint(piece, *place)}, isRug(piece.kind)));
  }
  return bodies;
}

std::vector<Body> wallBodies(const Room& room) {
  std::vector<Body> bodies;
  for (const Wall& wall : wallsOf(room)) bodies.push_back(bodyOf(wallKey(wall.id), {Convex{{wall.start, wall.end}, 0}}));
  return bodies;
}

std::vector<Body> openingBodies(const Room& room) {
  std::vector<Body> bodies;
  for (const Opening& o : room.openings)
    if (const auto wall = findWall(room, o.wall)) {
      const Vec2 from = wall->start + wall->along() * o.offset;
      bodies.push_back(bodyOf(o.id.value, {Convex{{from, from + wall->along() * o.width}, 0}}));
    }
  return bodies;
}

std::vector<Body> featureBodies(const Room& room) {
  std::vector<Body> bodies;
  for (const Feature& f : room.features)
    if (auto parts = convexParts(f.outline); !parts.empty()) bodies.push_back(bodyOf(f.id.value, std::move(parts)));
  return bodies;
}

Separation separation(const Body& a, const Body& b) {
  // Of bodies in several parts the nearest pair counts; where some overlap, the deepest.
  Separation best{std::numeric_limits<double>::infinity(), {}, {}};
  for (const Convex& p : a.parts)
    for (const Convex& q : b.parts)
      if (const Separation s = separation(p, q); s.gap < best.gap) best = s;
  return best;
}

std::string wallKey(const CornerId& id) { return "wall:" + id.value; }

FrontEdge seatFront(const Piece& piece, const FloorPlace& place) {
  const Turn turn = turnOf(place.turn);
  const double depth = piece.depth.value_or(piece.width);
  // Arms never take more than half of the width between them.
  const double arm = piece.armHeight ? std::min(kDefaultArmWidth, piece.width / 4) : 0;
  const double half = piece.width / 2 - arm;
  return {place.at + rotated({-half, -depth / 2}, turn), place.at + rotated({half, -depth / 2}, turn), rotated({0, -1}, turn)};
}

}  // namespace mezzet
