// The one thing that something hangs above.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/space/hung.h"
#include "core/space/standing.h"

namespace mezzet {

/// What rules ask of the gap above a thing depends on what it is.
enum class BelowRow { None, Seat, Table, Bed, Mantel };
struct Below {
  std::string id;              ///< of the placement or the fixed thing
  PlacementId placement = {};  ///< empty: a fixed thing
  BelowRow row = BelowRow::None;
  bool heats = false;                        ///< a radiator
  double left = 0, right = 0;                ///< u
  std::optional<double> top = std::nullopt;  ///< above the datum; absent if not measured
  double floor = 0;                          ///< of the floor under it, above the datum
  double offWall = 0;                        ///< its nearest point
  /// The u of the parts one may be centred over: its middle; of an L or a chaise with a return also the middle of what
  /// is left without it.
  std::vector<double> middles = {};
};

/// Everything a thing on this wall may hang above: what stands on the floor within kStandsAtWall of the wall's face but
/// for rugs, hearths with a mantel, built-ins and radiators. In no order that means anything.
[[nodiscard]] std::vector<Below> candidatesBelow(const Job&, const Room&, const Scheme&, const Wall&);
/// Of those that lie under a rectangle and whose top is lower than its middle (or not measured), the one it overlaps
/// most in u; within kTouch the nearer to the wall; then the smaller id.
[[nodiscard]] std::optional<Below> belowOf(const std::vector<Below>&, const WallRect&);
[[nodiscard]] std::optional<Below> belowOf(const Job&, const Room&, const Scheme&, const Hung&);

/// Something of `least` or more that stands on that top under the rectangle.
[[nodiscard]] bool somethingStandsOn(const Job&, const Scheme&, const Wall&, const Below&, const WallRect&,
                                     double least);

}  // namespace mezzet
