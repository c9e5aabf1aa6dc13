#include "core/model/place.h"

#include <cmath>
#include <numbers>

#include "core/model/kinds.h"

namespace mezzet {

const FloorPlace* onFloor(const Place& place) { return std::get_if<FloorPlace>(&place); }
FloorPlace* onFloor(Place& place) { return std::get_if<FloorPlace>(&place); }
const WallPlace* onWall(const Place& place) { return std::get_if<WallPlace>(&place); }
WallPlace* onWall(Place& place) { return std::get_if<WallPlace>(&place); }
const CarriedPlace* onAnother(const Place& place) { return std::get_if<CarriedPlace>(&place); }
CarriedPlace* onAnother(Place& place) { return std::get_if<CarriedPlace>(&place); }
const CeilingPlace* onCeiling(const Place& place) { return std::get_if<CeilingPlace>(&place); }
CeilingPlace* onCeiling(Place& place) { return std::get_if<CeilingPlace>(&place); }
const LeaningPlace* leaning(const Place& place) { return std::get_if<LeaningPlace>(&place); }
LeaningPlace* leaning(Place& place) { return std::get_if<LeaningPlace>(&place); }
const FloorPlace& floorPlace(const Place& place) { return std::get<FloorPlace>(place); }
const WallPlace& wallPlace(const Place& place) { return std::get<WallPlace>(place); }

Place moved(Place place, Vec2 by) {
  return onEach(
      place, [&](FloorPlace p) { return p.at += by, Place(p); },
      [&](WallPlace p) { return p.u += by.x, p.v += by.y, Place(p); },
      [&](CarriedPlace p) { return Place(p); },  // goes with what carries it
      [&](CeilingPlace p) { return p.at += by, Place(p); },
      [&](LeaningPlace p) { return p.u += by.x, Place(p); });  // how high its foot stands is what it stands on
}

Place normalised(Place place) {
  return onEach(
      place, [](FloorPlace p) { return p.turn = normalisedTurn(p.turn), Place(p); },
      [](const WallPlace& p) { return Place(p); },
      [](CarriedPlace p) { return p.turn = normalisedTurn(p.turn), Place(p); },
      [](CeilingPlace p) { return p.turn = normalisedTurn(p.turn), Place(p); },
      [](const LeaningPlace& p) { return Place(p); });
}

std::optional<Vec2> between(const Place& from, const Place& to) {
  if (from.index() != to.index()) return std::nullopt;
  return onEach(
      from, [&](const FloorPlace& p) { return std::optional(floorPlace(to).at - p.at); },
      [&](const WallPlace& p) {
        return std::optional(Vec2{wallPlace(to).u - p.u, wallPlace(to).v - p.v});
      },
      [](const CarriedPlace&) { return std::optional<Vec2>(); },
      [&](const CeilingPlace& p) { return std::optional(std::get<CeilingPlace>(to).at - p.at); },
      [&](const LeaningPlace& p) {
        return std::optional(Vec2{leaning(to)->u - p.u, 0});
      });
}

std::optional<View> viewOf(const Place& place) {
  return onEach(
      place, [](const FloorPlace&) { return std::optional(View{}); },
      [](const WallPlace& p) { return std::optional(View{p.wall}); },
      [](const CarriedPlace&) { return std::optional<View>(); },
      [](const CeilingPlace&) { return std::optional(kCeilingView); },
      [](const LeaningPlace& p) { return std::optional(View{p.wall}); });
}

std::optional<PlacementId> carrierOf(const Place& place) {
  return onEach(
      place, [](const FloorPlace&) { return std::optional<PlacementId>(); },
      [](const WallPlace&) { return std::optional<PlacementId>(); },
      [](const CarriedPlace& p) { return p.fixed.empty() ? std::optional(p.carrier) : std::nullopt; },
      [](const CeilingPlace&) { return std::optional<PlacementId>(); },
      // It keeps its place on the wall when that moves away, and is then told of.
      [](const LeaningPlace&) { return std::optional<PlacementId>(); });
}

std::optional<std::string> groupOf(const Place& place) {
  return onEach(
      place, [](const FloorPlace&) { return std::optional<std::string>(); }, [](const WallPlace& p) { return p.group; },
      [](const CarriedPlace&) { return std::optional<std::string>(); },
      [](const CeilingPlace&) { return std::optional<std::string>(); },
      [](const LeaningPlace&) { return std::optional<std::string>(); });
}

std::optional<Box> extentOf(const Piece& piece, const Place& place, Box (*footprint)(const Piece&, const FloorPlace&)) {
  return onEach(
      place, [&](const FloorPlace& p) { return std::optional(footprint(piece, p)); },
      [&](const WallPlace& p) {
        const WallRect r = wallRectOf(piece, p);
        return std::optional(Box{{r.left, r.bottom}, {r.right, r.top}});
      },
      [](const CarriedPlace&) { return std::optional<Box>(); },
      [&](const CeilingPlace& p) {
        return std::optional(footprint(piece, FloorPlace{p.at, p.turn}));
      },
      [&](const LeaningPlace& p) {
        const WallRect r = leaningRectOf(piece, p);
        return std::optional(Box{{r.left, r.bottom}, {r.right, r.top}});
      });
}

WallRect wallRectOf(const Piece& piece, const WallPlace& place) {
  // Round things have one diameter.
  const double halfWidth = piece.width / 2, halfHeight = piece.shape == Shape::Round && isSeenUpright(piece.kind)
                                                             ? halfWidth
                                                             : piece.height.value_or(0) / 2;
  return {place.u - halfWidth, place.u + halfWidth, place.v - halfHeight, place.v + halfHeight};
}

double leanAngle(const Piece& piece, const LeaningPlace& place) {
  const double height = piece.height.value_or(0);
  if (height <= 0 || place.lean >= height) return 90;
  return std::asin(place.lean / height) * 180 / std::numbers::pi;
}

WallRect leaningRectOf(const Piece& piece, const LeaningPlace& place) {
  const double half = piece.width / 2,
               up = piece.height.value_or(0) * std::cos(leanAngle(piece, place) * std::numbers::pi / 180);
  return {place.u - half, place.u + half, place.foot, place.foot + up};
}

}  // namespace mezzet
