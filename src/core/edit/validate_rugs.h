// What makes rugs and carpet sound; called by the checks of validate.h and by edits.
#pragma once

#include <optional>
#include <string>

#include "core/base/result.h"
#include "core/model/job.h"

namespace mezzet {

/// Its pile, and the outline it is cut to.
[[nodiscard]] std::optional<Error> faultOfRug(const Piece&, const std::string& name);
[[nodiscard]] std::optional<Error> faultOf(const CarpetList&);
[[nodiscard]] std::optional<Error> faultOf(const Broadloom&);

}  // namespace mezzet
