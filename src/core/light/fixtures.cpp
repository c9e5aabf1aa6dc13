#include "core/light/fixtures.h"

#include <algorithm>

#include "core/model/kinds.h"
#include "core/space/carried.h"

namespace mezzet {
namespace {

double topOf(const Piece& piece) { return piece.height.value_or(0); }

/// Of a lamp that stands with its foot at a height.
void standOn(Fixture& f, double foot) {
  f.underside = foot;
  f.top = foot + topOf(*f.piece);
  const bool shaded = f.mount == Mount::Floor || f.mount == Mount::Table;
  f.source = shaded ? foot + f.piece->light->shadeBottom.value_or(kUsualShade * topOf(*f.piece)) : f.top;
}

}  // namespace

std::optional<Fixture> fixtureOf(const PieceIndex& pieces, const Room& room, const RoomHeights& heights,
                                 const Scheme& scheme, const Placement& p) {
  const Piece& piece = pieces.of(p);
  const auto mount = mountOf(piece);
  if (!mount) return std::nullopt;
  Fixture f;
  f.placement = &p;
  f.piece = &piece;
  f.mount = *mount;
  if (const auto* up = onCeiling(p.on)) {
    f.at = {up->at, up->turn};
    f.floor = heights.floorAt(up->at);
    f.ceiling = heights.clearAt(up->at);
    f.underside = f.source = f.ceiling - up->drop;
    f.top = f.recessed() ? f.ceiling : f.underside + topOf(piece);
  } else if (const auto* hung = onWall(p.on)) {
    const auto wall = findWall(room, hung->wall);
    if (!wall) return std::nullopt;
    const double deep = piece.depth.value_or(0);
    f.wall = hung->wall;
    f.at = {onWall(*wall, hung->u) + wall->inward() * (deep / 2), normalisedTurn(directionOf(wall->inward()) + 90)};
    f.floor = heights.floorAt(inFrontOf(*wall, hung->u));
    f.ceiling = heights.clearAt(inFrontOf(*wall, hung->u));
    f.underside = hung->v - topOf(piece) / 2 - f.floor;
    f.top = f.underside + topOf(piece);
    // A shade on the wall shines from its middle, a strip or a picture light downward.
    f.source = f.mount == Mount::Wall ? hung->v - f.floor : f.underside;
  } else if (const auto stands = standingFrameOf(pieces, room, scheme, p)) {
    f.at = {stands->origin, stands->turn};
    f.floor = heights.floorAt(stands->origin);
    f.ceiling = heights.clearAt(stands->origin);
    standOn(f, stands->foot);
  } else {
    return std::nullopt;
  }
  if (piece.depth) f.body = footprint(piece, f.at);
  return f;
}

std::vector<Fixture> fixturesIn(const PieceIndex& pieces, const Room& room, const RoomHeights& heights,
                                const Scheme& scheme) {
  std::vector<Fixture> out;
  for (const Placement& p : scheme.placements)
    if (auto f = fixtureOf(pieces, room, heights, scheme, p)) out.push_back(std::move(*f));
  return out;
}

Under underOf(const PieceIndex& pieces, const Scheme& scheme, const std::vector<Body>& bodies, Vec2 at) {
  Under best;
  for (const Body& body : bodies) {
    if (body.flat || at.x < body.bounds.low.x || at.x > body.bounds.high.x || at.y < body.bounds.low.y ||
        at.y > body.bounds.high.y || !covers(body.parts, at))
      continue;
    const Placement* p = findPlacement(scheme, PlacementId(body.id));
    if (p == nullptr) continue;
    const Piece& piece = pieces.of(*p);
    const double top = topOf(piece);
    if (best.placement == nullptr || top > best.top || (top == best.top && p->id < best.placement->id))
      best = {p, top, piece.height.has_value()};
  }
  return best;
}

double dropFor(const RoomHeights& heights, Vec2 at, double underside) {
  return std::max(0.0, heights.clearAt(at) - underside);
}

}  // namespace mezzet
