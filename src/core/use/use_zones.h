// What furniture takes up in use: chairs pulled out, footrests and drawers out, leaves in, stools drawn up.
#pragma once

#include "core/use/dining.h"

namespace mezzet {

/// How a room is looked at. Everyday: as it is placed. Occupied: people sit at the tables and on the recliners. Party:
/// all that, and the extra stools are drawn up and the tables extended.
enum class UseState { Everyday, Occupied, Party };

/// Someone stands this deep before an open drawer or leaf [D].
inline constexpr double kStandingRoom = 18 * kInch;

/// The zone before a piece that it comes forward into, as deep as opensBy(); empty when it does not.
[[nodiscard]] Parts openZone(const Piece&, const FloorPlace&);
/// The circle that a swivel sweeps about its middle; empty for what does not turn.
[[nodiscard]] Parts turningZone(const Piece&, const FloorPlace&);
/// A table with its leaves in; the piece itself when it has none.
[[nodiscard]] Piece extended(const Piece&);

/// What each floor placement takes up in a state, beside its own body: nothing for most. Placements marked `inUse` are
/// in use in every state.
struct UseZone {
  std::string id;  ///< of the placement
  Parts parts;
  bool instead = false;  ///< of its body, not beside it: a stool that was drawn up is not where it was pushed back to
};
[[nodiscard]] std::vector<UseZone> useZones(const PieceIndex&, const Scheme&, UseState);
/// Bodies on the floor in a state: floorBodies with their zones, as walkers meet them.
[[nodiscard]] std::vector<Body> bodiesInUse(const PieceIndex&, const Scheme&, UseState);

}  // namespace mezzet
