// Where a thing that is not there yet would stand, so that its size can be asked: a low table for this sofa, a rug for
// this group, a picture above this.
#pragma once

#include <string_view>

#include "core/decide/adding.h"
#include "core/rules/check.h"

namespace mezzet {

/// The job with a usual piece of the kind put where it would serve `what`: a low table half way between the seat's
/// front and what faces it, else at the middle of its reach; a side table beside its arm; a console along its back; a
/// rug under its group; what hangs above it, on the wall it stands at. Anything else, and without `what`, where it is
/// free. Refused when the kind is not known, or when `what` does not stand on the floor.
[[nodiscard]] Result<Added> placedFor(const Job&, const Rulebook&, const SchemeId&, std::string_view kind,
                                      const std::optional<PlacementId>& what, LengthFormat, const CheckWith&,
                                      IdSource&);

}  // namespace mezzet
