// Boards to be cut, from a file: JSON or lines of text.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/display/cuts.h"

namespace mezzet {

inline constexpr std::size_t kMostCutBytes = 1u << 20;

/// A JSON list of lengths in mm, or of {"length","count","what"}; or lines "length,count,what" of which the last two
/// may be missing; lines that begin with # are skipped. The fault names the line.
[[nodiscard]] Result<std::vector<Cut>> readCuts(std::string_view text, const std::string& name);

}  // namespace mezzet
