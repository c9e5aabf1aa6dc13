// What a flat glass shows an eye: the law of reflection in the plan, with heights.
//
// The eye is reflected in the face of the glass; one ray for each plan direction crosses the glass at the height of its
// middle, keeps its slope, and ends at the first thing it meets. As all these rays lie in one sloping plane, where a
// body is met is the body's outline cut where that plane runs between its underside and its top. Floor and ceiling are
// met where the ray runs through their planes, slopes and steps included.
#pragma once

#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "core/sight/sight.h"
#include "core/site/heights.h"

namespace mezzet {

/// What a ray can end at.
enum class MetKind { Placement, Hung, Light, Feature, Opening, Wall, Floor, Ceiling };
struct Meetable {
  Convex shape;  ///< in the plan
  double bottom = 0, top = 0;
  std::string id;  ///< "wall:A", "floor" and "ceiling" too
  MetKind kind = MetKind::Placement;
  std::optional<std::pair<Vec2, Vec2>> back = std::nullopt;  ///< of what has one: a point of it, and outward
};
/// Everything a mirror may show in a room: what stands, hangs and is carried, lights, fixed things, openings, walls;
/// floor and ceiling.
struct Reflected {
  std::vector<Meetable> things;
  RoomHeights heights;
};
[[nodiscard]] Reflected reflectedIn(const PieceIndex&, const Room&, const Scheme&);

/// The middle of the glass and its ends in the plan, from left to right as seen from inside; its face looks `inward`.
struct Glass {
  Vec2 a, b, inward;
  double height = 0;      ///< of its middle, above the datum
  std::string owner;      ///< the placement: not shown in itself
  std::string wall = {};  ///< "wall:A": what it lies in
  [[nodiscard]] Vec2 middle() const { return (a + b) * 0.5; }
};
/// Of a mirror (its glass) or a television (its screen) on a wall; none for what hangs on no wall.
[[nodiscard]] std::optional<Glass> glassOf(const PieceIndex&, const Room&, const Placement&);

/// A thing and the share of the glass's plan angle in which it is seen; `back`: its back is.
struct Shown {
  std::string id;
  MetKind kind = MetKind::Wall;
  bool back = false;
  double share = 0;
};
/// By id. Empty for an eye that is not before the glass. The own seat and what stands between eye and glass hide
/// nothing.
[[nodiscard]] std::vector<Shown> shownIn(const Glass&, const Eye&, const Reflected&, const std::string& ownSeat = {});

/// Where the rays through both ends of the glass end: what is drawn of it. Empty as above.
[[nodiscard]] std::vector<Vec2> raysThrough(const Glass&, const Eye&, const Reflected&,
                                            const std::string& ownSeat = {});

}  // namespace mezzet
