// Where a new piece first stands or hangs: free of everything else, and where it was dropped if that can be.
#pragma once

#include <optional>

#include "core/model/job.h"
#include "core/space/arrange.h"

namespace mezzet {

/// What hangs on a wall, and its openings, in elevation.
[[nodiscard]] std::vector<WallRect> takenOn(const Job&, const Scheme&, const Wall&, const PlacementIds& without = {});

/// Where it is free, as near the middle of the room as can be, or in the middle if nowhere is free.
[[nodiscard]] FloorPlace freePlace(const Job&, const Scheme&, const Piece&);

/// Dropped at a point of the plan: as near it as is free, within kDropReach; nothing where nothing is. What has a back
/// turns it to a wall that it is dropped at (its back then no more than kBackReach off), flush with it. A rug may lie
/// under anything.
[[nodiscard]] std::optional<FloorPlace> droppedPlace(const Job&, const Scheme&, const Piece&, Vec2 at);
inline constexpr double kDropReach = 36 * kInch, kBackReach = 12 * kInch;  // [D]

/// Above the widest sofa or table that stands there, beside what hangs there already and clear of openings.
[[nodiscard]] WallPlace firstHanging(const Job&, const Scheme&, const Wall&, const Piece&);

/// Dropped at (u, v) of a wall: within it, as near along it as is free of what hangs there; nothing where nothing is.
[[nodiscard]] std::optional<WallPlace> droppedHanging(const Job&, const Scheme&, const Wall&, const Piece&, Vec2 at);

/// Whether what is placed meets neither another piece, a fixed thing nor a wall; pictures: no other on their wall.
[[nodiscard]] bool standsFree(const Job&, const Scheme&, const PlacementId&);

}  // namespace mezzet
