// Carpet off the roll: strips, seams, what is bought and what is wasted.
#pragma once

#include <optional>
#include <vector>

#include "core/geometry/offset.h"
#include "core/model/job.h"

namespace mezzet {

/// A seam is kept out of this much of the floor to either side of a main route's line [D].
inline constexpr double kSeamOffRoute = 18 * kInch;
/// Places of seams that are tried lie this far apart.
inline constexpr double kSeamStep = 1 * kInch;

/// Lengths in mm; `from`, `to` and seams lie across the pile, from the region's least point.
struct CarpetStrip {
  double from = 0, to = 0;  ///< what of the region it covers
  double length = 0;        ///< to cut: trims and repeat included
  double begins = 0;        ///< along the pile, from the region's least point
  double covers = 0;        ///< along the pile, without trims
};
struct CarpetCut {
  std::vector<CarpetStrip> strips;
  std::vector<double> seams;
  double bought = 0;  ///< length of the roll
  double boughtArea = 0, area = 0;
  double edge = 0;         ///< length of the region's edge, holes included
  double seamOnRoute = 0;  ///< length of the seams that lie in a main route
  [[nodiscard]] double waste() const { return boughtArea > 0 ? 1 - area / boughtArea : 0; }
};

/// ceil((width + 2 trims) / roll) strips; each as long as its own part of the region and two trims, after the first
/// rounded up to the repeat. Seams where they are least in the routes (lines of a walker's centre), then where least is
/// bought, then nearest to the region's least side. Absent when the region is empty or the roll is not wider than 0, or
/// when more than kMostStrips would be cut.
[[nodiscard]] std::optional<CarpetCut> cutCarpet(const std::vector<Area>& region, const Broadloom&,
                                                 const std::vector<std::vector<Vec2>>& routes);
inline constexpr int kMostStrips = 60;

/// The seams on the floor, in the plan: each as the parts of it that lie on the region.
[[nodiscard]] std::vector<std::pair<Vec2, Vec2>> seamLines(const std::vector<Area>& region, const Broadloom&,
                                                           const CarpetCut&);
/// The middle of a strip's box, in the plan.
[[nodiscard]] Vec2 stripMiddle(const std::vector<Area>& region, const Broadloom&, const CarpetCut&, std::size_t strip);
/// A way the pile can run: along a wall. Walls within a degree of another are one.
struct PileDirection {
  CornerId wall;
  double degrees = 0;  ///< 0 <= degrees < 180
};
[[nodiscard]] std::vector<PileDirection> pileDirections(const Room&);
/// Of these rolls and the pile along any wall: the least that is bought, seams out of the
/// routes first. Absent when none can be cut.
[[nodiscard]] std::optional<Broadloom> bestCarpet(const Room&, const std::vector<double>& rolls,
                                                  const std::vector<std::vector<Vec2>>& routes);

/// The floor of a room that carpet covers: its outline without what stands fixed on it.
[[nodiscard]] std::vector<Area> carpetedFloor(const Room&);

/// A runner on a straight flight: every riser, every going but the top one, round each nosing and back, and a trim at
/// either end (common practice).
[[nodiscard]] double runnerLength(const Stair&, double trim = kCarpetTrim);

}  // namespace mezzet
