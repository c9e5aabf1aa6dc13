// Several placements at once: moved, turned, lined up, spread, grouped. Locked ones stay where they are.
#pragma once

#include <algorithm>
#include <vector>

#include "core/geometry/convex.h"
#include "core/model/job.h"

namespace mezzet {

using PlacementIds = std::vector<PlacementId>;
[[nodiscard]] inline bool has(const PlacementIds& ids, const PlacementId& id) {
  return std::find(ids.begin(), ids.end(), id) != ids.end();
}

/// Those of `ids` and everything grouped with them, in the scheme's order; unknown ones are dropped.
[[nodiscard]] PlacementIds withGroupMates(const Scheme&, const PlacementIds& ids);

/// What a placement covers: on the floor the box round its footprint on the plan, on a wall its frame (u, v).
[[nodiscard]] Box extentOf(const Job&, const Placement&);

/// By a vector of the plan, or of the wall (u, v).
[[nodiscard]] Job movedTogether(const Job&, const SchemeId&, const PlacementIds&, Vec2 by);
/// Floor placements by degrees anticlockwise about the middle of what they cover together.
[[nodiscard]] Job turnedTogether(const Job&, const SchemeId&, const PlacementIds&, double degrees);

enum class Line { Left, Centre, Right, Top, Middle, Bottom };
/// Brings the others' edges or centres onto that of the first, which stays. Things of another view are left alone.
[[nodiscard]] Job aligned(const Job&, const SchemeId&, const PlacementIds&, Line);
/// Equal gaps between neighbours, to the side (`across`) or up; the outermost two stay. Needs three; less leaves the
/// job.
[[nodiscard]] Job spread(const Job&, const SchemeId&, const PlacementIds&, bool across);

/// Gives all of them one group, new from `ids`: floor things then move together, pictures hang as one.
[[nodiscard]] Job grouped(const Job&, const SchemeId&, const PlacementIds&, IdSource& ids);
[[nodiscard]] Job ungrouped(const Job&, const SchemeId&, const PlacementIds&);
/// The group that a placement belongs to; "" for none.
[[nodiscard]] std::string groupOf(const Placement&);

}  // namespace mezzet
