// Shelves of a case as edits: moved by their tape, set evenly, split by an upright.
#pragma once

#include <string>

#include "core/base/result.h"
#include "core/model/job.h"

namespace mezzet {

/// A shelf of a placement's piece set so high that things on it stand `bottom` above the case's foot; the bay below it
/// grows or shrinks with it. Refused when a bay would have no height, or below the lowest shelf.
[[nodiscard]] Result<Job> withShelfAt(const Job&, const SchemeId&, const PlacementId&, const std::string& surface,
                                      double bottom);
/// An upright of the usual thickness at the middle of a shelf: two bays "b2" and "b2r", what stood in the right half in
/// every scheme stays where it is. Refused when the shelf is too short. What stands across its middle does
/// not fit then, and is told so.
[[nodiscard]] Result<Job> withUpright(const Job&, const SchemeId&, const PlacementId&, const std::string& surface);

}  // namespace mezzet
