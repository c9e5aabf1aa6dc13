// Rooms put together through the doors they share.
//
// A door that belongs to two rooms is an opening of each; each says where it leads. From one room of a storey the
// others follow: their walls lie back to back, as far apart as the wall is thick, with the two openings in line.
#pragma once

#include <string>
#include <vector>

#include <map>

#include "core/base/result.h"
#include "core/model/job.h"
#include "core/model/job.h"
#include "core/base/result.h"

namespace mezzet {

/// A room's plan turned anticlockwise and moved into the storey's.
struct PlacedRoom {
  RoomId room;
  Vec2 at;
  double turn = 0;  ///< degrees
  bool joined = false;
  [[nodiscard]] Vec2 inHouse(Vec2 p) const { return at + rotated(p, turnOf(turn)); }
};
struct HouseStorey {
  StoreyId id;
  std::string name;
  std::vector<PlacedRoom> rooms;  ///< in the job's order
  std::vector<std::string>
      sentences;  ///< what does not agree: thicknesses, widths, rings that do not close, rooms in one place
};
/// Storeys from the lowest; rooms of none of them come first, as one storey.
[[nodiscard]] std::vector<HouseStorey> layoutOf(const Job&, LengthFormat);

/// The thickness of the wall between two rooms at a shared door: as measured on either side, else kUsualWall.
struct Between {
  double thickness = kUsualWall;
  bool measured = false;
  double disagreement = 0;  ///< of the two sides, mm
};
[[nodiscard]] Between thicknessAt(const Job&, const Room&, const Opening&);

/// All rooms that doors join to `first` among those allowed, laid together from it.
[[nodiscard]] std::map<RoomId, PlacedRoom> roomsJoined(const Job&, const RoomId& first,
                                                       const std::map<RoomId, bool>& allowed);
[[nodiscard]] Polygon outlineInHouse(const Room&, const PlacedRoom&);

}  // namespace mezzet
