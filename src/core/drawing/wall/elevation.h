// One wall seen from inside, with a strip of the floor below it in line.
#pragma once

#include "core/drawing/plan/plan.h"
#include "core/hang/nails.h"
#include "core/rules/art/mirror_views.h"

namespace mezzet {

struct ElevationOptions {
  double scale = 24;
  LengthFormat format;
  PlacementIds without;
  bool grid = true;
  Vec2 gridLow, gridHigh;
  bool titles = true;
  bool alone = false;     ///< only the wall itself: no floor strip, no lengths
  bool strip = true;      ///< the strip of floor below it
  bool services = false;  ///< studs as predicted, and where cables are likely: for who drills
};

/// Model coordinates: u to the right from the wall's end corner, v up from the floor; the floor strip lies below v = 0.
[[nodiscard]] Drawing composeElevation(const Job&, const Room&, const Scheme*, const CornerId& wall,
                                       const ElevationOptions&);

/// Over the elevation while working: bands, the distance between bands that do not meet, the selected picture's tapes
/// and its centre's height.
struct ElevationWork {
  const Scheme* scheme = nullptr;
  CornerId wall;
  PlacementId selected;
  PlacementIds selection, inHand;  ///< as in PlanWork
  std::vector<Tape> tapes;
  std::vector<Band> bands;
  std::vector<Guide> guides;
  const Job* ghost = nullptr;
  std::vector<Finding> findings;
  ItemId typedInto;
  std::optional<MirrorCone> mirror = {};  ///< what the selected mirror shows, drawn in the strip of floor
  std::optional<NailPlan> nails = {};     ///< where they are asked for
  double levelLine = kLevelLine;
};
[[nodiscard]] Drawing composeElevationWork(const Job&, const Room&, const ElevationWork&, double scale,
                                           LengthFormat format);

/// How thick side walls, ceiling and floor are drawn where they are cut, mm of the room [D].
inline constexpr double kElevationCut = 60;

}  // namespace mezzet
