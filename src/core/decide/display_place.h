// Where a new thing first stands on a carrier.
#pragma once

#include <optional>
#include <string>

#include "core/decide/adding.h"

namespace mezzet {

/// A piece of the job put on a carrier: thrown into the bay at a point of its elevation (x from its left end, height
/// above its foot), whose things close up round it; without a point into the bay that it fills best of those where it
/// is free. Refused with the largest size that would go where it fits nowhere.
[[nodiscard]] Result<Added> withSetDown(const Job&, const SchemeId&, const std::string& carrier, const PieceId&,
                                        IdSource&, std::optional<Vec2> at = std::nullopt);

}  // namespace mezzet
