// What makes a job one that can be worked on. Every edit and every file passes through here.
#pragma once

#include <optional>
#include <string>

#include "core/model/job.h"
#include "core/base/result.h"

namespace mezzet {

/// The first thing that is wrong, in words; nothing when all is well. `format` writes the lengths in the message.
[[nodiscard]] std::optional<Error> faultOf(const Room&, LengthFormat format);
[[nodiscard]] std::optional<Error> faultOf(const Piece&);
/// Also checks that ids are unique and that everything referred to is there.
[[nodiscard]] std::optional<Error> faultOf(const Job&);

}  // namespace mezzet
