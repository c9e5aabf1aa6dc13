// What makes lights, circuits and what light meets sound; called by the checks of validate.h.
#pragma once

#include <optional>

#include "core/base/result.h"
#include "core/model/job.h"

namespace mezzet {

/// Joists and reflectances.
[[nodiscard]] std::optional<Error> faultOfLight(const Room&);
/// Its part `light`; `name` is what the piece is called.
[[nodiscard]] std::optional<Error> faultOfLight(const Piece&, const std::string& name);
/// What a placement has to do with light: its place on the ceiling, its circuit, its aim.
[[nodiscard]] std::optional<Error> faultOfLight(const Scheme&, const Placement&, const std::string& where);
/// Circuits, lights laid together, tasks.
[[nodiscard]] std::optional<Error> faultOfLight(const Room&, const Scheme&);

}  // namespace mezzet
