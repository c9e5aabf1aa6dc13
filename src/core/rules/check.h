// Every rule applied to one scheme.
#pragma once

#include "core/rules/base/facts.h"

namespace mezzet {

/// All findings of the scheme in a steady order: by rule, then by subjects. An unknown scheme has none.
/// Pure: the same job and rulebook always give the same findings.
[[nodiscard]] std::vector<Finding> check(const Job&, const Rulebook&, const SchemeId&, LengthFormat format,
                                         const CheckWith&);

/// What the rulebook has brought since the job was last looked at with it, and what of it breaks; "" when nothing is
/// new. "Rulebook 2 brings 14 rules that rulebook 1 had not. 3 of their findings break here: a table for every seat,
/// feet on the rug."
[[nodiscard]] std::string rulebookNews(const Job&, const Rulebook&, const std::vector<Finding>&);

/// Where a subject of a finding must be for its gap to measure `length`: moved along the line between the witness
/// points. Absent when the finding has no such line or the placement is none of its subjects.
[[nodiscard]] std::optional<Place> placeForGap(const Job&, const Scheme&, const Finding&, const PlacementId& mover,
                                               double length);

}  // namespace mezzet
