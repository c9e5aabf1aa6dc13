// How wide a way is: the widest disc that gets from one place to another between all that stands in a room.
//
// The method is exact. A disc of diameter W fails to get from A to B just when a chain of gaps narrower than W parts
// them. So the gaps are joined in ascending order; the first that closes a ring round one of the two but not the other
// is the pinch, and its length is the answer (an application of the duality of cuts and paths in the plane).
#pragma once

#include <array>
#include <optional>
#include <string>
#include <vector>

#include "core/walk/walk_space.h"

namespace mezzet {

/// Two things as near each other as those of a pinch.
struct TiedPair {
  std::string first, second;  ///< owners, in ascending byte order
  std::array<Vec2, 2> at{};   ///< on the first and on the second
};
/// What makes a way as narrow as it is.
struct Pinch {
  std::string first, second;
  std::array<Vec2, 2> at{};
  std::vector<TiedPair> tied = {};  ///< other pairs just as near each other that share one of the two
};
/// How wide a way is, and what makes it so: an end that is no wider, or a pinch; neither when it is `atLeast`.
struct Way {
  double width = 0;
  bool atLeast = false;  ///< wider than the gaps that were looked at
  std::optional<std::string> cappedBy;
  std::optional<Pinch> pinch;
};

/// Where ways begin. What all ways from there share is worked out once.
class WaysFrom {
 public:
  /// Keeps a reference to the space.
  WaysFrom(const WalkSpace&, WayEnd);
  [[nodiscard]] const WalkSpace& space() const { return space_; }
  [[nodiscard]] const WayEnd& end() const { return end_; }
  /// How often a ring winds round the end, by its index.
  [[nodiscard]] int round(std::size_t ring) const { return round_[ring]; }

 private:
  const WalkSpace& space_;
  WayEnd end_;
  std::vector<int> round_;
};

/// The widest way to another place. Exact up to WalkSpace::cap; 0 when there is none.
[[nodiscard]] Way widestWay(const WaysFrom&, const WayEnd& to);

/// Of a pinch and those tied with it the one that a drawn route really passes; as it is when the route passes none.
[[nodiscard]] Pinch crossedPinch(Pinch, const std::vector<Vec2>& route);

}  // namespace mezzet
