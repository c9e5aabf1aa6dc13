// Where recessed lights go: evenly over the room, over tasks, before pictures; and round what is above the ceiling.
#pragma once

#include <string>
#include <vector>

#include "core/light/fixtures.h"
#include "core/units/area.h"

namespace mezzet {

/// Floor area that one evenly laid light serves (common practice): 20 to 25 sq ft, mm2.
inline constexpr double kLeastEach = 20 * kSquareFoot, kMostEach = 25 * kSquareFoot;
/// Lights keep this clear of joists, and this of detectors and vents; a row gives way by at most this [D].
inline constexpr double kJoistClear = kInch, kPointClear = 12 * kInch, kRowGivesWay = 3 * kInch;
/// Seats count at a wall whose back is within this of it and parallel within so many degrees [D].
inline constexpr double kSeatAtWall = 24 * kInch, kSeatParallel = 15;

/// How far the front edge of the farthest-reaching seat that stands at a wall is from it; none without such a seat.
struct SeatAtWall {
  const Placement* seat = nullptr;
  double front = 0;  ///< mm from the wall
};
[[nodiscard]] std::optional<SeatAtWall> seatAtWall(const PieceIndex&, const Wall&,
                                                   const std::vector<const Placement*>& seats);

/// School A: a box at the seats' front edge from all four walls, its corners first, then evenly between. School B: half
/// a space from each wall.
enum class LaySchool { Box, HalfSpace };
struct DownlightAsk {
  LaySchool school = LaySchool::Box;
  std::optional<int> count;      ///< by the floor's area until said
  std::optional<Box> corners;    ///< the box's own, in the plan; by the seats until said
  std::optional<double> cutOut;  ///< diameter of what must clear joists; kUsualCutOut until said
};
inline constexpr double kUsualCutOut = 5 * kInch;
/// Off the walls where no main seat stands at one [D].
inline constexpr double kUsualBox = 36 * kInch;

struct Downlights {
  int rows = 0, columns = 0;  ///< rows along x
  std::vector<Vec2> at;       ///< row by row
  double area = 0;            ///< of the floor, mm2
  double box = 0;             ///< from the walls to the first row
  Vec2 space;                 ///< between neighbours along x and y; 0 of a single one
  struct FromWall {
    CornerId wall;
    double distance = 0;  ///< of its nearest row
  };
  std::vector<FromWall> offset;
  std::vector<std::string> says;
  [[nodiscard]] double each() const { return at.empty() ? 0 : area / static_cast<double>(at.size()); }
};
/// Evenly over a room's floor. Lights that would lie outside an angled room are left out, and it says so.
[[nodiscard]] Downlights laidEvenly(const Room&, const std::vector<SeatAtWall>& seats, const DownlightAsk&,
                                    LengthFormat);
/// From every wall: seats that stand at it.
[[nodiscard]] std::vector<SeatAtWall> seatsAtWalls(const PieceIndex&, const Room&,
                                                   const std::vector<const Placement*>& seats);

/// How near the middle of a light may come to the wall its picture hangs on: at 30 degrees from straight down.
[[nodiscard]] double artLightOffset(double lampHeight, double artCentre);

// ---- what is above the ceiling
/// Middles of the joists across the room, along the other axis than they run, from `low` to `high`.
[[nodiscard]] std::vector<double> joistsBetween(const Joists&, double low, double high);
/// How far a light's box with its clearance reaches into the nearest joist; 0 or less: it is clear.
[[nodiscard]] double intoJoist(const Joists&, Vec2 at, double cutOut);
/// A detector or a vent in the ceiling nearer than kPointClear to a light's edge.
[[nodiscard]] std::vector<const WallPoint*> pointsTooNear(const Room&, Vec2 at, double cutOut);
/// Rows moved clear of the joists: the whole row by at most kRowGivesWay, else left where it is, and `says` tells it.
void clearOfJoists(Downlights&, const Room&, double cutOut, LengthFormat);

}  // namespace mezzet
