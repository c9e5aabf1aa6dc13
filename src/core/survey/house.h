// Rooms put together through the doors they share.
//
// A door that belongs to two rooms is an opening of each; each says where it leads. From one room of a storey the others follow:
// their walls lie back to back, as far apart as the wall is thick, with the two openings in line.
#pragma once

#include <string>
#include <vector>

#include "core/job/edits.h"
#include "core/job/job.h"
#include "core/result.h"

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
  std::vector<PlacedRoom> rooms;       ///< in the job's order
  std::vector<std::string> sentences;  ///< what does not agree: thicknesses, widths, rings that do not close, rooms in one place
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

/// The rooms as one room: one outline, with each shared door as a neck as long as the wall is thick. Openings that lead out of
/// them stay, features come along. Refused for rooms that no door joins, and for a ring of rooms.
[[nodiscard]] Result<Room> walkedTogether(const Job&, const std::vector<RoomId>&);

// ---- edits
/// The two openings are two sides of one door; what either led to before is let go. Both walls get the thickness, if one is given.
[[nodiscard]] Result<Job> withDoorJoined(const Job&, const RoomId&, const OpeningId&, const LeadsTo&, std::optional<double> thickness = std::nullopt);
[[nodiscard]] Job withDoorParted(const Job&, const RoomId&, const OpeningId&);
/// Adds the storey, or replaces the one with its id.
[[nodiscard]] Job withStorey(const Job&, Storey);
/// Rooms on it are on none then.
[[nodiscard]] Job withoutStorey(const Job&, const StoreyId&);
[[nodiscard]] Result<Job> withRoomOnStorey(const Job&, const RoomId&, const StoreyId&);

}  // namespace mezzet
