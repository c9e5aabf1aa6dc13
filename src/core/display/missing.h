// What a display is still without: the largest thing that fits, its kind and colour, and what of the job would do.
#pragma once

#include <string>
#include <vector>

#include "core/display/display.h"

namespace mezzet {

struct MissingThing {
  std::size_t bay = 0;
  double width = 0, height = 0, depth = 0;  ///< at most
  std::string kind;                         ///< "vase"
  std::string colour;                       ///< "#rrggbb", or "" where any will do
  std::string why;                          ///< "its tallest thing is 0.4 of the bay"
  PlacementId under = {};                   ///< of a riser: what it lifts
  std::vector<PieceId> wouldDo;             ///< pieces of the job, not placed in this scheme, that fit
};
/// Bay by bay: those too empty (under half their width taken [D]), too low, and one place for an accent where too
/// little of one is seen.
[[nodiscard]] std::vector<MissingThing> missingOf(const Display&, const Job&, const Scheme&);
/// "a vase in black, at most 8 x 8 x 12 in"
[[nodiscard]] std::string missingWords(const MissingThing&, LengthFormat);

/// A bay under this share of its width is too empty; air kept beside a thing that is bought [D].
inline constexpr double kEmptyBay = 0.5, kBuyAir = 0.5 * kInch;

}  // namespace mezzet
