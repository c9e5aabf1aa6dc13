// Putting a new piece into a scheme at a sensible first place.
#pragma once

#include <optional>
#include <vector>

#include "core/base/ids.h"
#include "core/base/result.h"
#include "core/rules/base/rulebook.h"

namespace mezzet {

struct Added {
  Job job;
  PlacementId placement;
};

/// Adds the piece to the job (with a new id) and places it once. A picture hangs on `wall`: above the widest sofa or
/// table that stands there, at the height that its rules recommend. Anything else stands where it is free, as near
/// the middle of the room as can be, or in the middle if nowhere is free.
[[nodiscard]] Result<Added> withNewPiece(const Job&, const Rulebook&, const SchemeId&, const CornerId& wall, Piece,
                                         IdSource&);

/// The same for a piece that the job has already. Dropped at a point, in the plan or on the wall, it goes where it is
/// free there (first_place.h), or is refused.
[[nodiscard]] Result<Added> withPlaced(const Job&, const Rulebook&, const SchemeId&, const CornerId& wall,
                                       const PieceId&, IdSource&, std::optional<Vec2> at = std::nullopt);

/// Pieces that this scheme has not placed yet, with how many are left. Variants, and pieces that stand in another room,
/// are left out.
struct Unplaced {
  PieceId piece;
  int left = 0;
};
[[nodiscard]] std::vector<Unplaced> trayOf(const Job&, const SchemeId&);

}  // namespace mezzet
