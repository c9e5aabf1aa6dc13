// Where people's eyes are.
#pragma once

#include <optional>

#include "core/model/job.h"

namespace mezzet {

/// Above the seat, of who sits upright on a chair, a stool, a bench, a banquette, and of who leans back [D] (contract).
inline constexpr double kUprightEye = 765, kLeaningEye = 660;
/// Of someone who stands, until the viewers' statures are known [D] (contract).
inline constexpr double kStandingEye = 1564;

/// Eyes of who sits on it, above the floor; none for what is no seat, or whose seat has not been measured.
[[nodiscard]] std::optional<double> seatedEye(const Piece&);

/// Standing eye height over stature (common practice, trade guide): viewers see the centre at eye height.
inline constexpr double kEyeOverStature = 0.936;
/// Mean eye height of the job's viewers; absent when no stature is known.
[[nodiscard]] std::optional<double> meanEyeHeight(const Brief&);
/// The same, or kStandingEye until a stature is known.
[[nodiscard]] double standingEye(const Brief&);

}  // namespace mezzet
