// When two layouts are two ideas, not one nudged.
#pragma once

#include "core/search/ground.h"

namespace mezzet {

inline constexpr double kOtherPlace = 24 * kInch, kOtherTurn = 90;  // further, or as much

/// After the best matching of equal pieces some seat, table or storage piece lies over 24 in or a quarter turn apart.
/// What looks the same turned (round things; tables by a half turn) is not turned.
[[nodiscard]] bool differ(const Ground&, const Layout&, const Layout&);

}  // namespace mezzet
