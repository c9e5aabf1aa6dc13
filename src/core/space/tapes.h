// Tapes: the free way along the selected piece's own sides. Typing into one moves the piece.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/model/thing.h"
#include "core/space/bodies.h"

namespace mezzet {

/// On the floor the piece's own sides; on a wall left, right, down and up as seen from inside; under the ceiling all
/// six.
enum class Side { Front, Right, Back, Left, Down, Up };

struct Tape {
  Side side = Side::Front;
  Vec2 along;         ///< unit, away from the piece; plan or elevation
  Vec2 from, to;      ///< on the piece and on what it hits
  double length = 0;  ///< negative: already overlapping by as much
  Thing hits;
};

/// The tapes of a placement: four where something stops each, fewer outside the room; none for what is carried.
/// Floor: against bodies and walls (a rug's only against walls and features). Wall: against the wall's ends, the
/// ceiling, neighbouring pictures and the tops of what stands below. Ceiling: from the light's middle to the walls, as
/// lights are set out; down from its underside to what stands under it, or the floor, and up to the ceiling: its drop,
/// both in the section, x of the plan and the height above the datum.
[[nodiscard]] std::vector<Tape> tapesOf(const Job&, const Scheme&, const PlacementId&);
[[nodiscard]] std::optional<Tape> tapeOf(const Job&, const Scheme&, const PlacementId&, Side);

/// Where the placement is once `tape` reads `length`: moved along it by exactly the difference.
[[nodiscard]] Place placeReading(const Place&, const Tape&, double length);

/// "front", "right", ... for names and messages.
[[nodiscard]] const char* sideName(Side);

}  // namespace mezzet
