// What a hook or screw goes into a wall with: general kinds as data, and which of them bear a load there. The packet
// decides; so do the wall, local codes and licensed trades.
#pragma once

#include <string>
#include <vector>

#include "core/model/site.h"
#include "core/units/length.h"

namespace mezzet {

struct Fixing {
  std::string id, words;            ///< "two-nail-hook", "picture hook with two nails"
  std::vector<WallMaterial> walls;  ///< that it holds in
  double kg = 0;                    ///< as packets print it
  bool ultimate = false;            ///< that is what breaks it: a quarter counts
  bool stud = false;                ///< it must meet a stud
  bool captive = false;             ///< what hangs on it cannot be lifted off by a knock
  double hole = 0;                  ///< diameter left in the wall; 0: none
  std::string tool;
  double pilot = 0;  ///< diameter of the pilot hole; 0: none
  /// What it may bear.
  [[nodiscard]] double bears() const { return ultimate ? kg / 4 : kg; }
};

/// A nail lies in a stud, near one, between two, or it is not known.
enum class StudVerdict { Unknown, In, Near, Between };

struct FixingQuestion {
  double load = 0;  ///< on this hook, kg; twice that is asked [D]
  WallMaterial wall = WallMaterial::Unknown;
  StudVerdict stud = StudVerdict::Unknown;
  bool captive = false;  ///< over a bed or a seat
  bool tenant = false;   ///< what leaves no hole comes first
};
inline constexpr double kLoadFactor = 2;

struct FixingAnswer {
  std::vector<const Fixing*> fit;                              ///< the lightest first
  std::vector<std::pair<const Fixing*, std::string>> refused;  ///< and why: "holds 9 kg, 14 kg are asked"
};
[[nodiscard]] FixingAnswer fixingsFor(const std::vector<Fixing>&, const FixingQuestion&, Unit);

}  // namespace mezzet
