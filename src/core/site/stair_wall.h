// A flight that climbs along a wall: what heights over it count from, and the lines that things hang by.
#pragma once

#include <algorithm>
#include <optional>
#include <utility>
#include <vector>

#include "core/model/job.h"
#include "core/site/heights.h"

namespace mezzet {

/// A flight runs along a wall when an edge of its outline and its climb are this near to the wall's direction, and the
/// edge's ends this near to the wall [D].
inline constexpr double kAlongDegrees = 5, kAlongOff = 6 * kInch;

/// All heights are above the datum, all places are u of the wall.
struct StairWall {
  FeatureId feature;
  Stair stair;
  CornerId wall;
  double low = 0, high = 0;  ///< where the flight's outline lies along the wall
  double foot = 0;           ///< of its first riser
  double base = 0;           ///< of the floor at the foot
  bool rising = true;        ///< it climbs to the right

  [[nodiscard]] double along(double u) const { return rising ? u - foot : foot - u; }
  [[nodiscard]] double at(double along) const { return rising ? foot + along : foot - along; }
  [[nodiscard]] bool over(double u) const { return u >= low && u <= high; }
  [[nodiscard]] double run() const { return stair.going * std::max(1, stair.risers - 1); }
  /// How far treads go along the climb: to the last riser, or to where the outline ends.
  [[nodiscard]] double treads() const { return std::min(run(), high - low); }
  /// The same along the wall, from the left.
  [[nodiscard]] std::pair<double, double> span() const { return std::minmax({foot, at(treads())}); }
  /// Of the nosings, flat from the last riser on.
  [[nodiscard]] double nosing(double u) const;
  /// Half a riser below the nosings: what a tread's height is in its middle. Beyond the last riser the landing.
  [[nodiscard]] double walking(double u) const;
  /// Of the tread that is there.
  [[nodiscard]] double tread(double u) const;
  /// Of the handrail; only where its height is known.
  [[nodiscard]] std::optional<double> rail(double u) const;
};
[[nodiscard]] std::vector<StairWall> stairsAlong(const Room&, const RoomHeights&, const Wall&);
/// Null where none is over that place.
[[nodiscard]] const StairWall* flightAt(const std::vector<StairWall>&, double u);

/// What heights on a wall count from there, above the datum: over a flight its walking line, else the floor.
[[nodiscard]] double floorAlong(const Room&, const RoomHeights&, const Wall&, double u);
/// What one stands on there: over a flight the tread, else the floor.
[[nodiscard]] double footingAlong(const Room&, const RoomHeights&, const Wall&, double u);

}  // namespace mezzet
