// What makes the records of a job sound.
#pragma once

#include <functional>
#include <optional>

#include "core/base/result.h"
#include "core/model/job.h"

namespace mezzet {

inline constexpr std::size_t kMostOrders = 2'000, kMostIssues = 60, kMostFigures = 20'000, kMostLegs = 60,
                             kMostReviews = 400, kMostApart = 40;
inline constexpr int kMostLead = 1'000;

[[nodiscard]] std::optional<Error> faultOfRecords(const Records&,
                                                  const std::function<const Piece*(const PieceId&)>& pieceOf);
/// The boxes that a piece comes apart into.
[[nodiscard]] std::optional<Error> faultOfCarry(const Piece&, const std::string& name);

}  // namespace mezzet
