// What makes candidates, areas and the budget of a job sound.
#pragma once

#include <functional>
#include <optional>

#include "core/base/result.h"
#include "core/model/job.h"

namespace mezzet {

[[nodiscard]] std::optional<Error> faultOfBudget(const BudgetList&);
/// Candidates of every placement, areas, and what the scheme takes out. `pieceOf` is null for what is not there.
[[nodiscard]] std::optional<Error> faultOfChoosing(const Scheme&,
                                                   const std::function<const Piece*(const PieceId&)>& pieceOf);

inline constexpr std::size_t kMostCandidates = 40, kMostAreas = 12, kMostPrices = 400, kMostTakenOut = 40;

}  // namespace mezzet
