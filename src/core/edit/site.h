// What else is recorded of a site: studs that were found, the plan picture that is traced.
#pragma once

#include "core/edit/edits.h"

namespace mezzet {

[[nodiscard]] Result<Job> withStuds(const Job&, const RoomId&, StudRecord);  ///< without hits and pitch: taken out
/// The underlay and its trace stay apart: a new underlay takes no trace of the old one along.
[[nodiscard]] Result<Job> withUnderlay(const Job&, const RoomId&, std::optional<Underlay>);

}  // namespace mezzet
