#include "core/space/carried.h"

#include <algorithm>
#include <cmath>

#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kFreeOfWalls = 50;  // an edge of a fixed thing whose middle is so far from every wall is its front

/// The edge of a fixed thing that looks into the room: the longest whose middle is free of the walls.
std::size_t frontEdge(const Room& room, const Polygon& outline) {
  const Polygon walls = outlineOf(room);
  std::size_t best = 0;
  double longest = -1;
  for (std::size_t i = 0; i < outline.size(); ++i) {
    const Vec2 a = edgeStart(outline, i), b = edgeEnd(outline, i);
    const bool free = distanceToEdge(walls, midpoint(a, b)) > kFreeOfWalls;
    const double length = distance(a, b) + (free ? 1e6 : 0);
    if (length > longest) longest = length, best = i;
  }
  return best;
}

std::optional<Carrier> fixedCarrier(const Room& room, const Feature& feature) {
  const auto level = feature.kind == FeatureKind::Niche    ? feature.base
                     : feature.kind == FeatureKind::Hearth ? feature.mantel
                                                           : feature.height;
  const bool carries = feature.kind == FeatureKind::Hearth || feature.kind == FeatureKind::BuiltIn ||
                       feature.kind == FeatureKind::Radiator || feature.kind == FeatureKind::Niche;
  if (!carries || !level || feature.outline.size() < 3) return std::nullopt;
  Polygon outline = feature.outline;
  if (signedArea(outline) < 0) std::reverse(outline.begin(), outline.end());
  const std::size_t i = frontEdge(room, outline);
  Carrier out;
  out.id = feature.id.value;
  // Its area lies to the left of an edge: who looks at it from outside has the edge's start at the left.
  out.left = edgeStart(outline, i);
  out.along = unit(edgeEnd(outline, i) - out.left);
  out.back = leftOf(out.along);
  out.width = distance(edgeStart(outline, i), edgeEnd(outline, i));
  for (const Vec2 p : outline) out.depth = std::max(out.depth, dot(p - out.left, out.back));
  out.height = *level;
  const double depth = feature.kind == FeatureKind::Hearth ? std::min(kUsualMantel, out.depth) : out.depth;
  std::optional<double> top;
  if (feature.kind == FeatureKind::Niche && feature.height) top = *level + *feature.height;
  out.surfaces.push_back({std::string(kTopSurface), 0, out.width, *level, top, depth});
  return out;
}

std::optional<Carrier> sillCarrier(const Room& room, const Opening& window) {
  const auto wall = findWall(room, window.wall);
  if (window.kind != OpeningKind::Window || !wall || window.sill <= 0) return std::nullopt;
  Carrier out;
  out.id = window.id.value;
  out.along = -wall->along();
  out.back = -wall->inward();
  out.left = onWall(*wall, wall->length() - window.offset - window.width);
  out.width = window.width;
  out.depth = kUsualSill;
  out.height = window.sill;
  out.surfaces.push_back({std::string(kTopSurface), 0, window.width, window.sill, window.head(), kUsualSill});
  return out;
}

std::optional<Carrier> fixedNamed(const Room& room, std::string_view id) {
  for (const Feature& f : room.features)
    if (f.id.value == id) return fixedCarrier(room, f);
  for (const Opening& o : room.openings)
    if (o.id.value == id) return sillCarrier(room, o);
  return std::nullopt;
}

double turnTowards(Vec2 along) { return normalisedTurn(directionOf(along)); }

std::optional<StandingFrame> frameAt(const PieceIndex& pieces, const Room& room, const Scheme& scheme,
                                     const Placement& p, int depth);

/// What stands on another: in the frame of that, on its surface.
std::optional<StandingFrame> carriedFrame(const PieceIndex& pieces, const Room& room, const Scheme& scheme,
                                          const CarriedPlace& on, int depth) {
  if (!on.fixed.empty()) {
    const auto fixed = fixedNamed(room, on.fixed);
    if (!fixed) return std::nullopt;
    return StandingFrame{fixed->left + fixed->along * on.at.x + fixed->back * on.at.y,
                         normalisedTurn(turnTowards(fixed->along) + on.turn), fixed->surfaces.front().bottom};
  }
  const Placement* carrier = findPlacement(scheme, on.carrier);
  if (carrier == nullptr || depth > kDeepestCarried) return std::nullopt;
  const auto under = frameAt(pieces, room, scheme, *carrier, depth + 1);
  if (!under) return std::nullopt;
  const Piece& piece = pieces.of(*carrier);
  const auto* carried = onAnother(carrier->on);
  double bottom = lyingSize(piece, carried != nullptr ? carried->lie : Lie::Standing).z;
  for (const Surface& s : piece.surfaces->all)
    if (s.id == surfaceOf(on)) bottom = s.bottom;
  return StandingFrame{under->origin + rotated(on.at, turnOf(under->turn)), normalisedTurn(under->turn + on.turn),
                       under->foot + bottom};
}

std::optional<StandingFrame> frameAt(const PieceIndex& pieces, const Room& room, const Scheme& scheme,
                                     const Placement& p, int depth) {
  return onEach(
      p.on,
      [](const FloorPlace& on) {
        return std::optional(StandingFrame{on.at, on.turn, 0});
      },
      [&](const WallPlace& on) -> std::optional<StandingFrame> {
        const auto wall = findWall(room, on.wall);
        if (!wall) return std::nullopt;
        const Piece& piece = pieces.of(p);
        return StandingFrame{onWall(*wall, on.u) + wall->inward() * (piece.depth.value_or(0) / 2),
                             turnTowards(-wall->along()), on.v - piece.height.value_or(0) / 2};
      },
      [&](const CarriedPlace& on) { return carriedFrame(pieces, room, scheme, on, depth); },
      [](const CeilingPlace&) { return std::optional<StandingFrame>(); },
      [](const LeaningPlace&) { return std::optional<StandingFrame>(); });
}

}  // namespace

LyingSize lyingSize(const Piece& piece, Lie lie) {
  const double w = piece.width, d = piece.depth.value_or(kUsualThingDepth);
  double h = piece.height.value_or(0);
  if (!piece.height)
    for (const StackItem& item : piece.thing->items) h += item.height;
  if (lie != Lie::Lying) return {w, d, std::max(h, piece.thing->branches.value_or(0))};
  if (w <= d && w <= h) return {h, d, w};
  if (d <= h) return {w, h, d};
  return {w, d, h};
}

const Surface* Carrier::surface(std::string_view surfaceId) const {
  const auto at = std::find_if(surfaces.begin(), surfaces.end(), [&](const Surface& s) { return s.id == surfaceId; });
  return at == surfaces.end() ? nullptr : &*at;
}

std::optional<StandingFrame> standingFrameOf(const PieceIndex& pieces, const Room& room, const Scheme& scheme,
                                             const Placement& p) {
  return frameAt(pieces, room, scheme, p, 1);
}

std::optional<Carrier> carrierNamed(const PieceIndex& pieces, const Room& room, const Scheme& scheme,
                                    std::string_view id) {
  const Placement* placement = findPlacement(scheme, PlacementId(std::string(id)));
  if (placement == nullptr) return fixedNamed(room, id);
  const auto frame = standingFrameOf(pieces, room, scheme, *placement);
  if (!frame) return std::nullopt;
  const Piece& piece = pieces.of(*placement);
  const auto* carried = onAnother(placement->on);
  const LyingSize size = lyingSize(piece, carried != nullptr ? carried->lie : Lie::Standing);
  Carrier out;
  out.id = placement->id.value;
  out.placement = placement;
  out.piece = &piece;
  out.width = size.x;
  out.depth = size.y;
  out.height = size.z;
  out.foot = frame->foot;
  const Turn turn = turnOf(frame->turn);
  out.along = rotated({1, 0}, turn);
  out.back = rotated({0, 1}, turn);
  out.left = frame->origin + rotated({-size.x / 2, -size.y / 2}, turn);
  for (Surface s : piece.surfaces->all) {
    s.left += piece.width / 2;
    s.right += piece.width / 2;
    s.depth = s.depth.value_or(std::max(0.0, size.y - s.setback));
    out.surfaces.push_back(std::move(s));
  }
  if (out.surfaces.empty()) out.surfaces.push_back({std::string(kTopSurface), 0, size.x, size.z, {}, size.y});
  return out;
}

RootCarrier rootCarrierOf(const Scheme& scheme, const Placement& p) {
  const CarriedPlace* on = onAnother(p.on);
  for (int depth = 0; on != nullptr && depth <= kDeepestCarried; ++depth) {
    if (!on->fixed.empty()) return {on->fixed, on->surface};
    const Placement* carrier = findPlacement(scheme, on->carrier);
    const CarriedPlace* next = carrier != nullptr ? onAnother(carrier->on) : nullptr;
    if (next == nullptr) return {on->carrier.value, on->surface};
    on = next;
  }
  return {};
}

}  // namespace mezzet
