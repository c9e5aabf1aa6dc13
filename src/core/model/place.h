// Where a thing is placed. This file and place.cpp are the only ones that take the alternatives apart: another kind of
// place does not compile until it is handled there.
#pragma once

#include <optional>
#include <string>
#include <variant>

#include "core/base/ids.h"
#include "core/base/view.h"
#include "core/geometry/convex.h"
#include "core/model/piece.h"
#include "core/model/room.h"

namespace mezzet {

struct FloorPlace {
  Vec2 at;          ///< centre of the piece's box
  double turn = 0;  ///< degrees anticlockwise, 0 <= turn < 360
  bool operator==(const FloorPlace&) const = default;
};
struct WallPlace {
  CornerId wall;
  double u = 0, v = 0;  ///< centre of the frame, seen from inside: u from the wall's end corner, v above the floor
  std::optional<std::string> group;
  bool apart = false;  ///< never grouped with its neighbours of itself
  bool operator==(const WallPlace&) const = default;
};
/// How a thing is put down. Lying, its smallest dimension stands upright.
enum class Lie { Standing, Lying, Leaning };
/// On another placement, or on a fixed thing: a mantel, a window's sill.
struct CarriedPlace {
  PlacementId carrier;  ///< empty: on `fixed`
  Vec2 at;  ///< in the carrier's piece frame; on a fixed thing x from its left end as seen, y behind its edge
  double turn = 0;
  std::string surface = {};  ///< of the carrier; "": its top
  Lie lie = Lie::Standing;
  std::string fixed = {};  ///< a fixed thing or a window of the room; "" on a placement
  bool operator==(const CarriedPlace&) const = default;
};
/// In the plan. What is recessed has a drop of 0: its face is the ceiling.
struct CeilingPlace {
  Vec2 at;
  double turn = 0;
  double drop = 0;  ///< from the ceiling right there down to the lowest point
  bool operator==(const CeilingPlace&) const = default;
};
/// Leans against a wall. Its foot stands on the floor, on a thing's top or on a plank.
struct LeaningPlace {
  CornerId wall;
  double u = 0;              ///< of its middle, seen from inside
  double foot = 0;           ///< height of its foot above the floor
  double lean = 0;           ///< distance of its foot from the wall, at its back edge
  std::string carrier = {};  ///< the placement or fixed thing its foot stands on; "": the floor
  bool operator==(const LeaningPlace&) const = default;
};
using Place = std::variant<FloorPlace, WallPlace, CarriedPlace, CeilingPlace, LeaningPlace>;

// ---- for code that is about one kind of place only: the place if it is of that kind, else null
[[nodiscard]] const FloorPlace* onFloor(const Place&);
[[nodiscard]] FloorPlace* onFloor(Place&);
[[nodiscard]] const WallPlace* onWall(const Place&);
[[nodiscard]] WallPlace* onWall(Place&);
[[nodiscard]] const CarriedPlace* onAnother(const Place&);
[[nodiscard]] CarriedPlace* onAnother(Place&);
[[nodiscard]] const CeilingPlace* onCeiling(const Place&);
[[nodiscard]] CeilingPlace* onCeiling(Place&);
[[nodiscard]] const LeaningPlace* leaning(const Place&);
[[nodiscard]] LeaningPlace* leaning(Place&);
/// Of what is known to stand on the floor, or to hang on a wall; throws std::bad_variant_access otherwise.
[[nodiscard]] const FloorPlace& floorPlace(const Place&);
[[nodiscard]] const WallPlace& wallPlace(const Place&);

// ---- for code that is about any place: one answer for each kind
/// One answer for each kind of place, all of them named: `onEach(place, [](const FloorPlace&) ..., ...)`.
template <class... Each>
[[nodiscard]] auto onEach(const Place& place, Each... each) {
  struct All : Each... {
    using Each::operator()...;
  };
  return std::visit(All{each...}, place);
}
/// Moved by a vector of its own view: plan x and y, or a wall's u and v.
[[nodiscard]] Place moved(Place, Vec2 by);
/// With its turn brought to 0 <= turn < 360.
[[nodiscard]] Place normalised(Place);
/// From one place to another of the same view, as `moved` takes it; none when they are seen in different views.
[[nodiscard]] std::optional<Vec2> between(const Place& from, const Place& to);
/// Where it is seen and edited; none: with what carries it.
[[nodiscard]] std::optional<View> viewOf(const Place&);
/// What it stands on, where that is another placement.
[[nodiscard]] std::optional<PlacementId> carrierOf(const Place&);
/// The group it is in, where that is kept with the place: frames hung as one.
[[nodiscard]] std::optional<std::string> groupOf(const Place&);
/// Its extent in its own view; none where `footprint` (of a piece on the floor) or a view is missing.
[[nodiscard]] std::optional<Box> extentOf(const Piece&, const Place&,
                                          Box (*footprint)(const Piece&, const FloorPlace&));

// ---- a framed picture on its wall, in elevation
struct WallRect {
  double left = 0, right = 0, bottom = 0, top = 0;  ///< u and v
  [[nodiscard]] double width() const { return right - left; }
  [[nodiscard]] double height() const { return top - bottom; }
  [[nodiscard]] double centreHeight() const { return (bottom + top) / 2; }
};
[[nodiscard]] WallRect wallRectOf(const Piece&, const WallPlace&);
/// What of a leaning piece is seen from the room: its height shrinks as it leans. Heights are above the floor there.
[[nodiscard]] WallRect leaningRectOf(const Piece&, const LeaningPlace&);
/// Its angle from upright, degrees: asin(lean / height). 90 where it lies.
[[nodiscard]] double leanAngle(const Piece&, const LeaningPlace&);

}  // namespace mezzet
