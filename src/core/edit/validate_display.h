// What makes surfaces, things on them, palettes and displays sound; called by the checks of validate.h.
#pragma once

#include <functional>
#include <optional>

#include "core/base/result.h"
#include "core/model/job.h"

namespace mezzet {

/// Its parts `surfaces` and `thing`; `name` is what the piece is called.
[[nodiscard]] std::optional<Error> faultOfDisplayed(const Piece&, const std::string& name);
/// What stands on what: carriers that are there, no rings, at most kDeepestCarried levels, surfaces that are there.
/// `pieceOf` answers by a placement's piece and may be null.
[[nodiscard]] std::optional<Error> faultOfCarried(const Room&, const Scheme&,
                                                  const std::function<const Piece*(const PieceId&)>& pieceOf);
[[nodiscard]] std::optional<Error> faultOfPalette(const ColourPalette&, const std::string& where);
[[nodiscard]] std::optional<Error> faultOfDisplays(const Room&, const Scheme&);
/// Surfaces that things of some scheme stand on and that the piece no longer has.
[[nodiscard]] std::optional<Error> faultOfLostSurfaces(const Job&, const Piece& changed);

}  // namespace mezzet
