// Carpet off the roll: strips, seams, what is bought and what is wasted.
#pragma once

#include <optional>
#include <vector>

#include "core/geometry/offset.h"
#include "core/model/job.h"

namespace mezzet {

/// Left over at every cut edge, to trim to the wall [D].
inline constexpr double kCarpetTrim = 3 * kInch;
/// A seam is kept out of this much of the floor to either side of a main route's line [D].
inline constexpr double kSeamOffRoute = 18 * kInch;
/// Places of seams that are tried lie this far apart.
inline constexpr double kSeamStep = 1 * kInch;

struct Broadloom {
  double roll = 0;               ///< width of the roll
  double pile = 0;               ///< direction of the strips in the plan, degrees anticlockwise from x
  std::optional<double> repeat;  ///< of the pattern, along the pile
  double trim = kCarpetTrim;
};

/// Lengths in mm; `from`, `to` and seams lie across the pile, from the region's least point.
struct CarpetStrip {
  double from = 0, to = 0;    ///< what of the region it covers
  double length = 0;          ///< to cut: trims and repeat included
  double begins = 0;          ///< along the pile, from the region's least point
};
struct CarpetCut {
  std::vector<CarpetStrip> strips;
  std::vector<double> seams;
  double bought = 0;        ///< length of the roll
  double boughtArea = 0, area = 0;
  double edge = 0;          ///< length of the region's edge, holes included
  double seamOnRoute = 0;   ///< length of the seams that lie in a main route
  double across = 0, along = 0;  ///< the region's extent
  [[nodiscard]] double waste() const { return boughtArea > 0 ? 1 - area / boughtArea : 0; }
};

/// ceil((width + 2 trims) / roll) strips; each as long as its own part of the region and two trims, after the first
/// rounded up to the repeat. Seams where they are least in the routes (lines of a walker's centre), then where least is
/// bought, then nearest to the region's least side. Absent when the region is empty or the roll is not wider than 0, or
/// when more than kMostStrips would be cut.
[[nodiscard]] std::optional<CarpetCut> cutCarpet(const std::vector<Area>& region, const Broadloom&,
                                                 const std::vector<std::vector<Vec2>>& routes);
inline constexpr int kMostStrips = 60;

/// The floor of a room that carpet covers: its outline without what stands fixed on it.
[[nodiscard]] std::vector<Area> carpetedFloor(const Room&);

/// A runner on a straight flight: every riser, every going but the top one, round each nosing and back, and a trim at
/// either end (common practice).
[[nodiscard]] double runnerLength(const Stair&, double trim = kCarpetTrim);

}  // namespace mezzet
