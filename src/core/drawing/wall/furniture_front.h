// Furniture seen from the room, as draughtsmen draw it: cushions on legs, tops, leaves and drawers, shelves, shades.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/model/job.h"
#include "core/space/standing.h"

namespace mezzet {

/// What stands at a wall, on its elevation (u, v). Outer edges, seat, arm and back are true to what was measured; legs,
/// leaves and shelves are indicative [D].
void addFurnitureFront(Drawing&, const Piece&, const FloorPlace&, const Standing&, const Wall&, const ItemId& id);

/// What hangs on it at that place: a picture in its mount, a mirror or a screen. Without an image its name is written
/// on it.
void addHung(Drawing&, const Piece&, const WallPlace&, const ItemId& id, const std::string& label, Layer);

}  // namespace mezzet
