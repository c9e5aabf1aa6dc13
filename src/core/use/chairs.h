// Chairs that set themselves round a dining table.
#pragma once

#include "core/use/dining.h"
#include "core/edit/edits.h"

namespace mezzet {

/// Chairs are pushed in this far under the edge when they are set [D].
inline constexpr double kSetUnder = 3 * kInch;

/// The chairs at this table set anew, evenly, each with a place setting of edge: as many as stand there now, or `count`
/// of them, or as many as fit where there are none. Chairs that are too many go; more are of the kind that stands
/// there, else of the job's first dining chair, else usual ones. Chairs that are locked stay and count. The error says
/// why it cannot be done.
[[nodiscard]] Result<Job> withChairsSet(const Job&, const SchemeId&, const PlacementId& table, std::optional<int> count,
                                        IdSource&);
/// How many chairs stand at it.
[[nodiscard]] int chairsAt(const Job&, const SchemeId&, const PlacementId& table);

}  // namespace mezzet
