// How long texts of a job may be: as long as they can be read again.
#pragma once

#include <optional>

#include "core/model/job.h"
#include "core/base/result.h"

namespace mezzet {

inline constexpr std::size_t kLongestText = 10'000;        ///< bytes of any text of a job
inline constexpr std::size_t kMostExtraBytes = 64u << 10;  ///< of one free object `x`
inline constexpr std::size_t kMostExtrasBytes = 1u << 20;  ///< of all of them

[[nodiscard]] std::optional<Error> faultOfTexts(const Job&);

}  // namespace mezzet
