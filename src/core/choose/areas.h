// A room in areas: what each part is for, found from its groups, or offered for a long room.
#pragma once

#include <string>
#include <vector>

#include "core/model/job.h"

namespace mezzet {

/// A room longer than so many times its width wants areas [D].
inline constexpr double kLongRoom = 2.2;

/// Length over width of the least box along its longest wall.
[[nodiscard]] double lengthOverWidth(const Room&);

/// A scheme's room in two and in three along its length; empty where it is not long. They part where they go through
/// the fewest things, and are for what stands in them; where nothing does, the part where one comes in is the entry of
/// three and the one with most window for reading, of two the entry's is for meals.
[[nodiscard]] std::vector<std::vector<RoomArea>> areasOffered(const Job&, const SchemeId&, IdSource&);

/// Found from what stands there: seats that talk, dining tables with their chairs, desks, a seat alone by a window.
/// Each is the box along the room's walls round its things, grown by room to move, inside the room, no two over each
/// other.
[[nodiscard]] std::vector<RoomArea> areasFound(const Job&, const SchemeId&, IdSource&);

/// Round these, clear of the scheme's other areas; none where nothing of it stands on the floor.
[[nodiscard]] std::optional<RoomArea> areaRound(const Job&, const SchemeId&, const std::vector<PlacementId>&,
                                                IdSource&);

/// Drawn from one corner to the other: the box between them along the room's walls, inside the room and clear of the
/// scheme's other areas; none where less than a foot of it is left.
[[nodiscard]] std::optional<RoomArea> areaDrawn(const Job&, const SchemeId&, Vec2 from, Vec2 to, IdSource&);

struct AreaSeen {
  RoomArea area;
  double floor = 0;                    ///< mm2
  std::optional<double> way;           ///< clear width of the narrowest way from the entry to what stands in it
  std::vector<PlacementId> rugs;       ///< most of them lies in it
  std::optional<CornerId> wall;        ///< that it has most of
  double wallLength = 0;               ///< of that one, in the area
  std::vector<PlacementId> dividedBy;  ///< what stands along its edges inside the room: backs, cases, screens
  std::vector<std::string> says;       ///< in sentences
};
/// The scheme's areas with what each has.
[[nodiscard]] std::vector<AreaSeen> areasSeen(const Job&, const SchemeId&, LengthFormat);

/// "sitting", "dining", "reading", "entry", "work"
[[nodiscard]] const char* areaWords(AreaUse);

}  // namespace mezzet
