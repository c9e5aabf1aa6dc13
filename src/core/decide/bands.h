// Bands: where a thing may be for a rule to hold. Drawn as soft zones while it is moved.
#pragma once

#include "core/rules/check.h"

namespace mezzet {

struct Band {
  std::string rule;
  View view;
  Polygon zone;             ///< plan: where the facing edge may lie; wall: where the frame's centre may lie
  std::string label;        ///< "reach 12 to 18 in"
  std::string beside = {};  ///< of bands across a wall, in few words: "height 57 to 60 in"
};

/// The bands that bind one placement, given where everything else is.
/// Low table: before each seat, between the asked reaches, where the table's near edge may lie.
/// Seat: before each low table's side that faces it, where the seat's front edge may lie.
/// Picture: across its wall, where its centre may lie by each rule.
/// Light: where its underside, or on a wall its middle, may be (light_bands.h).
[[nodiscard]] std::vector<Band> bandsOf(const Job&, const Rulebook&, const SchemeId&, const PlacementId&,
                                        LengthFormat format);

}  // namespace mezzet
