// A thing with other dimensions in one scheme only.
#pragma once

#include "core/base/result.h"
#include "core/model/job.h"

namespace mezzet {

/// The placement stands for a variant of its piece from now on: `changed` is that piece with other dimensions. Its id,
/// its count and whose variant it is are set here. Refused when it is no sound piece.
[[nodiscard]] Result<Job> withVariant(const Job&, const SchemeId&, const PlacementId&, Piece changed, IdSource&);

}  // namespace mezzet
