#include "core/decide/first_place.h"

#include <algorithm>
#include <cmath>

#include "core/model/kinds.h"
#include "core/space/bodies.h"
#include "core/hang/art_solver.h"
#include "core/space/standing.h"

namespace mezzet {
namespace {

constexpr double kSearchStep = 150, kDropStep = 50;  // between places tried, mm
constexpr double kHangStep = 25, kBetween = 2 * kInch;

bool isFree(const Parts& body, const Polygon& outline, const std::vector<Body>& others) {
  const Body here{{}, body, false, boundsOf(body)};
  const Box room = boundsOf(outline);
  if (here.bounds.low.x < room.low.x - kTouch || here.bounds.low.y < room.low.y - kTouch ||
      here.bounds.high.x > room.high.x + kTouch || here.bounds.high.y > room.high.y + kTouch)
    return false;
  return std::all_of(others.begin(), others.end(),
                     [&](const Body& other) {
                       return other.flat || furtherApart(here.bounds, other.bounds, 0) ||
                              separation(here, other).gap >= -kTouch;
                     }) &&
         reachOutside(body, outline) <= kTouch;
}

/// What it may not stand in: nothing for a rug.
std::vector<Body> othersOf(const Job& job, const Scheme& scheme, const Piece& piece, const PlacementId& without = {}) {
  if (isRug(piece.kind)) return {};
  std::vector<Body> others = floorBodies(job, scheme, without);
  for (Body& body : featureBodies(roomOf(job, scheme))) others.push_back(std::move(body));
  return others;
}

bool hasBack(const Piece& piece) {
  return isSeat(piece.kind) || isStorage(piece.kind) || isBed(piece.kind) || staysPut(piece.kind) ||
         (isSatAt(piece.kind) && !isDiningTable(piece.kind));
}

/// With its back flush to the wall it is dropped at; nothing where it is dropped at none.
std::optional<FloorPlace> backToWall(const Room& room, const Piece& piece, Vec2 at) {
  if (!hasBack(piece) || piece.shape != Shape::Rect) return std::nullopt;
  const double half = piece.depth.value_or(piece.width) / 2;
  const Wall* nearest = nullptr;
  double least = half + kBackReach;
  const std::vector<Wall> walls = wallsOf(room);
  for (const Wall& wall : walls) {
    const double off = dot(at - wall.start, wall.inward()), along = dot(at - wall.start, wall.along());
    if (off < 0 || off > least || along < 0 || along > wall.length()) continue;
    least = off;
    nearest = &wall;
  }
  if (nearest == nullptr) return std::nullopt;
  const Vec2 in = nearest->inward();
  // Its front, -y, looks into the room.
  return FloorPlace{at + in * (half - least), normalisedTurn(directionOf(in) + 90)};
}

bool overlaps(const WallRect& a, const WallRect& b, double apart) {
  return a.right + apart > b.left + kTouch && b.right + apart > a.left + kTouch && a.top + apart > b.bottom + kTouch &&
         b.top + apart > a.bottom + kTouch;
}

/// The nearest place along the wall to `from` that is free; nothing where nothing is.
std::optional<WallPlace> alongWall(const Wall& wall, const Piece& piece, WallPlace from,
                                   const std::vector<WallRect>& taken, double apart) {
  const double half = piece.width / 2, length = wall.length();
  const auto at = [&](double u) {
    WallPlace place = from;
    place.u = std::clamp(u, std::min(half, length / 2), std::max(length - half, length / 2));
    return place;
  };
  for (double off = 0; off <= length; off += kHangStep)
    for (const double side : {1.0, -1.0}) {
      const WallPlace place = at(from.u + side * off);
      const WallRect here = wallRectOf(piece, place);
      if (std::none_of(taken.begin(), taken.end(), [&](const WallRect& r) { return overlaps(here, r, apart); }))
        return place;
    }
  return std::nullopt;
}

}  // namespace

std::vector<WallRect> takenOn(const Job& job, const Scheme& scheme, const Wall& wall, const PlacementIds& without) {
  std::vector<WallRect> out;
  for (const Placement& p : scheme.placements)
    if (const auto* on = onWall(p.on); on != nullptr && on->wall == wall.id && !has(without, p.id))
      out.push_back(wallRectOf(pieceOf(job, p), *on));
  for (const Opening& o : roomOf(job, scheme).openings)
    if (o.wall == wall.id)
      out.push_back({wall.length() - o.offset - o.width, wall.length() - o.offset, o.sill, o.head()});
  return out;
}

FloorPlace freePlace(const Job& job, const Scheme& scheme, const Piece& piece) {
  const Polygon outline = outlineOf(roomOf(job, scheme));
  const Box bounds = boundsOf(outline);
  const Vec2 middle = midpoint(bounds.low, bounds.high);
  const std::vector<Body> others = othersOf(job, scheme, piece);
  FloorPlace best{middle, 0};
  double nearest = HUGE_VAL;
  // From the middle outward, in steps to either side.
  const int across = static_cast<int>((bounds.high.x - bounds.low.x) / 2 / kSearchStep),
            deep = static_cast<int>((bounds.high.y - bounds.low.y) / 2 / kSearchStep);
  for (int i = -across; i <= across; ++i)
    for (int j = -deep; j <= deep; ++j) {
      const FloorPlace place{middle + Vec2{i * kSearchStep, j * kSearchStep}, 0};
      const double d = distance(place.at, middle);
      if (d < nearest && isFree(footprint(piece, place), outline, others)) {
        best = place;
        nearest = d;
      }
    }
  return best;
}

std::optional<FloorPlace> droppedPlace(const Job& job, const Scheme& scheme, const Piece& piece, Vec2 at) {
  const Room& room = roomOf(job, scheme);
  const Polygon outline = outlineOf(room);
  const std::vector<Body> others = othersOf(job, scheme, piece);
  const FloorPlace wanted = backToWall(room, piece, at).value_or(FloorPlace{at, 0});
  if (isFree(footprint(piece, wanted), outline, others)) return wanted;
  // In squares outward; along its own two sides, so that a back stays at its wall.
  const Turn turn = turnOf(wanted.turn);
  std::optional<FloorPlace> best;
  double nearest = kDropReach + 1;
  const int rings = static_cast<int>(kDropReach / kDropStep);
  for (int ring = 1; ring <= rings && ring * kDropStep < nearest; ++ring)
    for (int i = -ring; i <= ring; ++i)
      for (int j = -ring; j <= ring; ++j) {
        if (std::max(std::abs(i), std::abs(j)) != ring) continue;
        const Vec2 by = rotated({i * kDropStep, j * kDropStep}, turn);
        if (norm(by) >= nearest) continue;
        const FloorPlace place{wanted.at + by, wanted.turn};
        if (!isFree(footprint(piece, place), outline, others)) continue;
        best = place;
        nearest = norm(by);
      }
  return best;
}

namespace {

/// A ledge goes close over the back of the seat that stands there, and stays under the sills of the wall.
WallPlace ledgePlace(const Job& job, const Scheme& scheme, const Wall& wall, const Piece& piece) {
  constexpr double kOverBack = 1 * kInch, kUnderSill = 1 * kInch, kUsualLedge = 36 * kInch;  // [D]
  const double half = piece.height.value_or(0) / 2;
  WallPlace out{wall.id, wall.length() / 2, kUsualLedge, std::nullopt};
  double widest = 0;
  for (const Standing& s : standingAt(job, scheme, wall)) {
    const Piece& below = pieceOf(job, *findPlacement(scheme, s.id));
    if (!isSeat(below.kind) || !s.top || s.right - s.left <= widest) continue;
    widest = s.right - s.left;
    out.u = (s.left + s.right) / 2;
    out.v = *s.top - s.floor + kOverBack + half;
  }
  for (const Opening& o : roomOf(job, scheme).openings) {
    if (o.wall != wall.id || o.kind != OpeningKind::Window) continue;
    const double right = wall.length() - o.offset, left = right - o.width;
    if (left < out.u + piece.width / 2 && right > out.u - piece.width / 2)
      out.v = std::min(out.v, o.sill - kUnderSill - half);
  }
  out.u = std::clamp(out.u, std::min(piece.width / 2, wall.length() / 2),
                     std::max(wall.length() - piece.width / 2, wall.length() / 2));
  return out;
}

}  // namespace

WallPlace firstHanging(const Job& job, const Scheme& scheme, const Wall& wall, const Piece& piece) {
  if (isLedge(piece.kind)) return ledgePlace(job, scheme, wall, piece);
  double u = wall.length() / 2, widest = 0;
  for (const Standing& s : standingAt(job, scheme, wall)) {
    const Placement& p = *findPlacement(scheme, s.id);
    if (!carriesArtAbove(pieceOf(job, p).kind) || s.right - s.left <= widest) continue;
    widest = s.right - s.left;
    u = (s.left + s.right) / 2;
  }
  const WallPlace wanted{wall.id, u, kUsualCentre, std::nullopt};
  std::vector<WallRect> taken = takenOn(job, scheme, wall);
  // Its height is not settled yet: nothing that hangs there is above or below it.
  for (WallRect& r : taken) {
    r.bottom = std::min(r.bottom, kUsualCentre);
    r.top = std::max(r.top, kUsualCentre);
  }
  if (const auto free = alongWall(wall, piece, wanted, taken, kBetween)) return *free;
  return alongWall(wall, piece, wanted, {}, 0).value_or(wanted);
}

std::optional<WallPlace> droppedHanging(const Job& job, const Scheme& scheme, const Wall& wall, const Piece& piece,
                                        Vec2 at) {
  return alongWall(wall, piece, {wall.id, at.x, at.y, std::nullopt}, takenOn(job, scheme, wall), 0);
}

bool standsFree(const Job& job, const Scheme& scheme, const PlacementId& id) {
  const Placement* p = findPlacement(scheme, id);
  if (p == nullptr) return false;
  const Piece& piece = pieceOf(job, *p);
  const Room& room = roomOf(job, scheme);
  if (const auto* floor = onFloor(p->on))
    return isFree(footprint(piece, *floor), outlineOf(room), othersOf(job, scheme, piece, id));
  const auto* hung = onWall(p->on);
  const auto wall = hung != nullptr ? findWall(room, hung->wall) : std::nullopt;
  if (!wall) return true;
  const WallRect here = wallRectOf(piece, *hung);
  const std::vector<WallRect> taken = takenOn(job, scheme, *wall, {id});
  return std::none_of(taken.begin(), taken.end(), [&](const WallRect& r) { return overlaps(here, r, 0); });
}

}  // namespace mezzet
