// What is told of a thing on a wall where it is selected: never a finding.
#pragma once

#include <string>
#include <vector>

#include "core/rules/base/facts.h"
#include "core/sight/wall_photograph.h"

namespace mezzet {

/// One sentence each: the nearest neighbour, what a mirror shows, why a height is not asked, heat below, the other
/// middle of an L, finishes of a group. Empty for what does not hang.
[[nodiscard]] std::vector<std::string> toldOfHung(const Situation&, const Placement&);

/// The same of a whole group: the tally of its finishes, and its wall's colour where that is neither white nor very
/// dark. Empty for a thing alone.
[[nodiscard]] std::vector<std::string> toldOfGroup(const Situation&, const Hung&);

/// What could be read of planned pieces from a photograph, as a warning: "river print: about 56 ± 3/4 in wide ...".
[[nodiscard]] std::vector<std::string> photographWords(const std::vector<PhotographPiece>&, const SchemeNames&,
                                                       LengthFormat);

}  // namespace mezzet
