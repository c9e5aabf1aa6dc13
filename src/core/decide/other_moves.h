// What else than a slide or a turn can cure a finding on the floor: the other hand, back to the wall, another size,
// left out.
#pragma once

#include "core/decide/movers.h"
#include "core/decide/trial.h"

namespace mezzet {

/// Pieces are made larger or smaller by at most this.
inline constexpr double kMostResized = 12 * kInch;

/// One change each of a subject that makes the target hold by its own rule alone: an L with its return on the other
/// side; a piece with its back moved to the wall it has its back to; a piece that is not owned yet smaller, or a top
/// larger, by whole inches or centimetres, the least that does; a placement marked optional left out. Locked things
/// stay.
[[nodiscard]] std::vector<MoveCandidate> otherMoves(Trial&, const Finding& target, const Job&, const Scheme&,
                                                    LengthFormat, const IdSource&);

}  // namespace mezzet
