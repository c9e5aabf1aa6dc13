// Photometric files: IES LM-63, 1986 to 2019, type C. Hostile until parsed: bounded in bytes, angles and values.
#pragma once

#include <string>
#include <string_view>

#include "core/base/result.h"
#include "core/light/photometry.h"

namespace mezzet {

inline constexpr std::size_t kMostIesBytes = 4u << 20;
inline constexpr long long kMostAngles = 721, kMostCandelas = 200'000;

/// The error names the file (`name`), the line where reading stopped, and what to do. Planes from 90 to 270 degrees are
/// laid out over the whole circle.
[[nodiscard]] Result<Photometry> readIes(std::string_view text, const std::string& name);
/// As LM-63-2002: for tests and for handing on; what is read back is the same web.
[[nodiscard]] std::string writeIes(const Photometry&);

/// How a job names photometric data: "photometry/" and the SHA-256 of the file's bytes.
[[nodiscard]] bool isPhotometryName(std::string_view);
inline constexpr std::string_view kPhotometryFolder = "photometry/";

}  // namespace mezzet
