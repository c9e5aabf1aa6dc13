#include "core/space/tapes.h"

#include <algorithm>

#include "core/space/below.h"
#include "core/model/kinds.h"
#include "core/site/stair_wall.h"

namespace mezzet {
namespace {

/// Keeps the shortest tape in one direction.
struct Shortest {
  std::optional<Tape> tape;
  void offer(Tape candidate) {
    if (!tape || candidate.length < tape->length) tape = std::move(candidate);
  }
};

struct FloorSide {
  Side side;
  Vec2 along;  // in the piece's frame
};
constexpr FloorSide kFloorSides[] = {
    {Side::Front, {0, -1}}, {Side::Right, {1, 0}}, {Side::Back, {0, 1}}, {Side::Left, {-1, 0}}};

void offerBody(Shortest& best, Side side, const Parts& moving, Vec2 along, const Convex& fixed, const Thing& hits) {
  for (const Convex& part : moving) {
    const auto length = slideUntilTouch(part, fixed, along, kTouch);
    if (!length || (best.tape && *length >= best.tape->length)) continue;
    Convex there = part;
    for (Vec2& p : there.core) p += along * *length;
    const Vec2 touch = separation(there, fixed).b;
    best.offer({side, along, touch - along * *length, touch, *length, hits});
  }
}

/// A chair drawn up to a table goes with it: what counts is the way behind it.
bool isItsChair(const Job& job, const Scheme& scheme, const Body& body, const Parts& table) {
  constexpr double kDrawnUp = 12 * kInch;  // further off a chair stands by itself [D]
  const Placement* chair = findPlacement(scheme, PlacementId(body.id));
  return chair != nullptr && isDiningSeat(pieceOf(job, *chair).kind) && separation(body.parts, table).gap <= kDrawnUp;
}

std::vector<Tape> floorTapes(const Job& job, const Scheme& scheme, const Placement& placement,
                             const FloorPlace& place) {
  const Room& room = roomOf(job, scheme);
  const Piece& piece = pieceOf(job, placement);
  const Parts moving = footprint(piece, place);
  std::vector<Body> obstacles = featureBodies(room);
  const std::size_t fixed = obstacles.size();
  if (!isRug(piece.kind))
    for (Body& body : floorBodies(job, scheme, placement.id))
      if (!body.flat && !(isDiningTable(piece.kind) && isItsChair(job, scheme, body, moving)))
        obstacles.push_back(std::move(body));
  const Turn turn = turnOf(place.turn);
  std::vector<Tape> out;
  for (const FloorSide& s : kFloorSides) {
    const Vec2 along = rotated(s.along, turn);
    Shortest best;
    for (std::size_t i = 0; i < obstacles.size(); ++i)
      for (const Convex& part : obstacles[i].parts)
        offerBody(best, s.side, moving, along, part,
                  {i < fixed ? Thing::Of::Fixed : Thing::Of::Placement, obstacles[i].id});
    for (const Wall& wall : wallsOf(room))
      if (dot(along, wall.inward()) < -1e-9)  // a wall stops only what moves out of the room
        offerBody(best, s.side, moving, along, Convex{{wall.start, wall.end}, 0},
                  Thing{Thing::Of::Wall, wall.id.value});
    if (best.tape) out.push_back(*best.tape);
  }
  return out;
}

std::vector<Tape> wallTapes(const Job& job, const Scheme& scheme, const Placement& placement, const WallPlace& place) {
  const Room& room = roomOf(job, scheme);
  const auto wall = findWall(room, place.wall);
  if (!wall) return {};
  const WallRect r = wallRectOf(pieceOf(job, placement), place);
  const auto tape = [](Side side, Vec2 along, Vec2 from, double length, Thing hits) {
    return Tape{side, along, from, from + along * length, length, std::move(hits)};
  };
  Shortest left, right, down, up;
  left.offer(tape(Side::Left, {-1, 0}, {r.left, place.v}, r.left, Thing{Thing::Of::WallEnd}));
  right.offer(tape(Side::Right, {1, 0}, {r.right, place.v}, wall->length() - r.right, Thing{Thing::Of::WallEnd}));
  const RoomHeights heights = heightsOf(room);
  const Vec2 here = inFrontOf(*wall, std::clamp(place.u, 0.0, wall->length()));
  down.offer(tape(Side::Down, {0, -1}, {place.u, r.bottom}, r.bottom - footingAlong(room, heights, *wall, place.u),
                  Thing{Thing::Of::Floor}));
  up.offer(tape(Side::Up, {0, 1}, {place.u, r.top}, heights.ceilingAt(here) - r.top, Thing{Thing::Of::Ceiling}));

  // A neighbour counts on the side where its centre lies, if it overlaps this picture across that side.
  for (const Placement& other : scheme.placements) {
    const auto* on = onWall(other.on);
    if (on == nullptr || other.id == placement.id || on->wall != place.wall) continue;
    const WallRect o = wallRectOf(pieceOf(job, other), *on);
    const bool level = o.top > r.bottom + kTouch && o.bottom < r.top - kTouch;
    const bool inLine = o.right > r.left + kTouch && o.left < r.right - kTouch;
    const double v = std::clamp(place.v, std::max(o.bottom, r.bottom),
                                std::max(std::min(o.top, r.top), std::max(o.bottom, r.bottom)));
    const double u =
        std::clamp(place.u, std::max(o.left, r.left), std::max(std::min(o.right, r.right), std::max(o.left, r.left)));
    if (level && on->u < place.u)
      left.offer(tape(Side::Left, {-1, 0}, {r.left, v}, r.left - o.right, Thing{Thing::Of::Placement, other.id.value}));
    if (level && on->u > place.u)
      right.offer(
          tape(Side::Right, {1, 0}, {r.right, v}, o.left - r.right, Thing{Thing::Of::Placement, other.id.value}));
    if (inLine && on->v < place.v)
      down.offer(
          tape(Side::Down, {0, -1}, {u, r.bottom}, r.bottom - o.top, Thing{Thing::Of::Placement, other.id.value}));
    if (inLine && on->v > place.v)
      up.offer(tape(Side::Up, {0, 1}, {u, r.top}, o.bottom - r.top, Thing{Thing::Of::Placement, other.id.value}));
  }
  for (const Below& s : candidatesBelow(job, roomOf(job, scheme), scheme, *wall)) {
    const double low = std::max(s.left, r.left), high = std::min(s.right, r.right);
    if (!s.top || high - low < kTouch || *s.top > place.v) continue;
    down.offer(tape(Side::Down, {0, -1}, {std::clamp(place.u, low, high), r.bottom}, r.bottom - *s.top,
                    Thing{s.placement.empty() ? Thing::Of::Fixed : Thing::Of::Placement, s.id}));
  }
  return {*left.tape, *right.tape, *down.tape, *up.tape};
}

/// To the wall's ends alone: what leans may lean before another.
std::vector<Tape> leaningTapes(const Job& job, const Scheme& scheme, const Placement& placement,
                               const LeaningPlace& place) {
  const Room& room = roomOf(job, scheme);
  const auto wall = findWall(room, place.wall);
  if (!wall) return {};
  const WallRect r = leaningRectOf(pieceOf(job, placement), place);
  const double v = heightsOf(room).floorAt(inFrontOf(*wall, place.u)) + r.centreHeight();
  return {
      {Side::Left, {-1, 0}, {r.left, v}, {0, v}, r.left, Thing{Thing::Of::WallEnd}},
      {Side::Right, {1, 0}, {r.right, v}, {wall->length(), v}, wall->length() - r.right, Thing{Thing::Of::WallEnd}}};
}

std::vector<Tape> ceilingTapes(const Job& job, const Scheme& scheme, const Placement& placement,
                               const CeilingPlace& place) {
  const Room& room = roomOf(job, scheme);
  const Turn turn = turnOf(place.turn);
  const Parts middle{Convex{{place.at}, 0}};
  std::vector<Tape> out;
  for (const FloorSide& s : kFloorSides) {
    const Vec2 along = rotated(s.along, turn);
    Shortest best;
    for (const Wall& wall : wallsOf(room))
      if (dot(along, wall.inward()) < -1e-9)
        offerBody(best, s.side, middle, along, Convex{{wall.start, wall.end}, 0},
                  Thing{Thing::Of::Wall, wall.id.value});
    if (best.tape) out.push_back(*best.tape);
  }
  const RoomHeights heights = heightsOf(room);
  const double floor = heights.floorAt(place.at), ceiling = heights.ceilingAt(place.at), under = ceiling - place.drop;
  double top = floor;
  Thing below{Thing::Of::Floor};
  for (const Body& body : floorBodies(job, scheme)) {
    if (body.flat || !covers(body.parts, place.at)) continue;
    const double high = floor + pieceOf(job, *findPlacement(scheme, PlacementId(body.id))).height.value_or(0);
    if (high > top) {
      top = high;
      below = {Thing::Of::Placement, body.id};
    }
  }
  const Vec2 foot{place.at.x, under};
  out.push_back({Side::Down, {0, -1}, foot, {foot.x, top}, under - top, below});
  if (mountOf(pieceOf(job, placement)) != Mount::Recessed)
    out.push_back({Side::Up, {0, 1}, foot, {foot.x, ceiling}, place.drop, Thing{Thing::Of::Ceiling}});
  return out;
}

}  // namespace

std::vector<Tape> tapesOf(const Job& job, const Scheme& scheme, const PlacementId& id) {
  const Placement* placement = findPlacement(scheme, id);
  if (placement == nullptr) return {};
  if (const auto* floor = onFloor(placement->on)) return floorTapes(job, scheme, *placement, *floor);
  if (const auto* wall = onWall(placement->on)) return wallTapes(job, scheme, *placement, *wall);
  if (const auto* leans = leaning(placement->on)) return leaningTapes(job, scheme, *placement, *leans);
  if (const auto* up = onCeiling(placement->on)) return ceilingTapes(job, scheme, *placement, *up);
  return {};
}

std::optional<Tape> tapeOf(const Job& job, const Scheme& scheme, const PlacementId& id, Side side) {
  for (const Tape& tape : tapesOf(job, scheme, id))
    if (tape.side == side) return tape;
  return std::nullopt;
}

Place placeReading(const Place& place, const Tape& tape, double length) {
  const Vec2 move = tape.along * (tape.length - length);
  Place out = place;
  if (auto* floor = onFloor(out)) floor->at += move;
  if (auto* wall = onWall(out)) {
    wall->u += move.x;
    wall->v += move.y;
  }
  if (auto* leans = leaning(out)) leans->u += move.x;
  if (auto* up = onCeiling(out)) {
    // A shorter way down is a longer cord.
    if (tape.side == Side::Down) up->drop = std::max(0.0, up->drop + tape.length - length);
    else if (tape.side == Side::Up) up->drop = length;
    else up->at += move;
  }
  return out;
}

const char* sideName(Side side) {
  switch (side) {
    case Side::Front: return "front";
    case Side::Right: return "right";
    case Side::Back: return "back";
    case Side::Left: return "left";
    case Side::Down: return "below";
    case Side::Up: return "above";
  }
  return "";
}

}  // namespace mezzet
