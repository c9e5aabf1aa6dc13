// Where nails go on a wall: from one end and one level line for the whole wall, in the order in which they are put in.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/hang/fixings.h"
#include "core/hang/hooks.h"
#include "core/space/arrange.h"
#include "core/space/hung.h"

namespace mezzet {

/// The level line is drawn this high above the datum until typed [D].
inline constexpr double kLevelLine = 48 * kInch;
/// Half of a stud's width: a nail nearer to its middle is in it.
inline constexpr double kHalfStud = 19;
/// A frame is moved into studs no further than this [D].
inline constexpr double kStudMove = 4 * kInch;
/// About sockets, switches and wall lights: cables run straight up, down and to the sides of them by this (a regional
/// convention) [D].
inline constexpr double kCableZone = 6 * kInch;
/// Over a floor or tread this high one works from a stair ladder or a tower [D].
inline constexpr double kLadderFrom = 7 * kFoot;
/// Heavier than this, or more glass, takes structure behind it and two people [D].
inline constexpr double kHeavy = 50 * kPound, kMuchGlass = 1.0;  // kg, m2

/// Two spots of a wall nearer than this are one [D].
inline constexpr double kSameSpot = 10;

enum class WallEnd { Left, Right };
struct NailAsk {
  CornerId wall;
  WallEnd end = WallEnd::Left;
  double line = kLevelLine;  ///< above the datum
  PlacementIds only = {};    ///< these alone; empty: all that hangs there
  HookSchool school = HookSchool::Two;
};

struct Nail {
  int order = 0;  ///< from 1
  PlacementId placement;
  int hook = 1;                                       ///< of its frame, from the left
  double u = 0, v = 0;                                ///< on the wall
  double fromEnd = 0, aboveLine = 0, aboveFloor = 0;  ///< below the line is less than 0; over a flight above the tread
  std::optional<double> load;                         ///< kg on this hook
  bool guess = false;                                 ///< of a weight that is guessed
  StudVerdict stud = StudVerdict::Unknown;
  std::optional<double> toStud;      ///< along u to the nearest stud's middle
  std::vector<PointId> near;         ///< sockets and the like whose cables may run here
  std::string clear;                 ///< when that spot was detected and found clear; "" until then
  std::vector<std::string> fixings;  ///< what fits, the lightest first
  bool captive = false;              ///< over a seat or a bed: nothing that a knock lifts off
};
struct UnknownNails {
  PlacementId placement;
  std::vector<HookMissing> missing;
  std::string fault;
};
struct WirePull {
  PlacementId placement;
  double degrees = 0;
  std::optional<double> kgf;
};
/// A move along the wall that puts all nails of a frame in studs; + is to the right.
struct StudMove {
  PlacementId placement;
  double by = 0;
};
struct NailPlan {
  std::vector<Nail> nails;  ///< in order
  std::vector<UnknownNails> unknown;
  std::vector<WirePull> pulls;
  std::vector<StudMove> moves;
  std::vector<std::string> cautions;
  std::vector<std::pair<PlacementId, std::string>> says;  ///< of a frame's wire and hooks: what shows, what pulls hard
  WallMaterial wallOf = WallMaterial::Unknown;
  WallEnd end = WallEnd::Left;  ///< as it was asked
  bool wallKnown = false;       ///< what it is made of: fixings can be chosen
};
/// Groups from left to right; of a row from the middle outward, of a grid the middle row first, of a salon the largest
/// first, of a loose hang the corners first, along a stair the highest first; else from left to right.
[[nodiscard]] NailPlan nailPlan(const Job&, const Room&, const Scheme&, const std::vector<Fixing>&, const NailAsk&,
                                LengthFormat);

/// What is said of one frame's nails: where each goes, its load and fixing, its stud; or what is not known.
[[nodiscard]] std::vector<std::string> nailWords(const NailPlan&, const PlacementId&, const std::vector<Fixing>&, Unit,
                                                 LengthFormat);
/// "how far below its top the hook bears, what it hangs by".
[[nodiscard]] std::string missingWords(const UnknownNails&);
/// "in a stud", "stud 2 in right", "not known".
[[nodiscard]] std::string studWords(const Nail&, LengthFormat);
/// What fits a nail, with tool and pilot hole, and why the rest does not: one sentence each.
[[nodiscard]] std::vector<std::string> fixingWords(const NailPlan&, const Nail&, const std::vector<Fixing>&,
                                                   bool tenant, Unit, LengthFormat);
/// Null for an id that is none.
[[nodiscard]] const Fixing* findFixing(const std::vector<Fixing>&, const std::string& id);

/// The members of one group in the order in which they are hung.
[[nodiscard]] PlacementIds hangingOrder(const PieceIndex&, const Scheme&, const Hung&);

}  // namespace mezzet
