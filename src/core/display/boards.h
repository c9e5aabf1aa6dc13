// What boards bear: how far they sag, what stands on them, and what screws into studs hold.
#pragma once

#include <optional>
#include <string_view>
#include <vector>

#include "core/display/display.h"
#include "core/units/weight.h"

namespace mezzet {

/// Stiffness and specific gravity at 12 %: FPL Wood Handbook, table 5-3; boards by common practice.
struct BoardKind {
  Board board;
  std::string_view words;  ///< "red oak"
  double gigapascal = 0, gravity = 0;
  bool solid = true;  ///< else a made board, which creeps further
};
[[nodiscard]] const BoardKind& boardKind(Board);
[[nodiscard]] const std::vector<BoardKind>& boardKinds();

/// 5 w L^4 / (384 E I) of a board on two supports, mm; a fifth of it where it is built in at both ends.
/// `load` is N per mm; depth and thickness of the board in mm.
[[nodiscard]] double sagOf(double load, double span, double gigapascal, double depth, double thickness, bool builtIn);
/// What it comes to in time: 1.5 times of solid wood, 2 of made boards [D].
[[nodiscard]] double sagInTime(double sag, bool solid);
/// 1/16 in per foot of span [D].
[[nodiscard]] double sagLimit(double span);

/// Books per foot of run, standing or lying, where they were not weighed (common practice: 20 to 25 lb).
inline constexpr double kBooksPerFoot = 20 * kPound, kGravity = 9.80665;
/// Of a thing, kg: as weighed; books by their run; else what its glass and frame come to; none is known.
[[nodiscard]] std::optional<double> massOf(const Piece&);

/// What one surface carries and how its board takes it.
struct ShelfLoad {
  double mass = 0;      ///< of what stands on it, kg
  double perMetre = 0;  ///< that is judged, kg: what stands there over its span, or full of books where it is a shelf
  bool asFull = false;  ///< the second
  double span = 0;
  std::optional<double> sag, inTime, limit;  ///< none while its wood is not known
};
[[nodiscard]] ShelfLoad shelfLoadOf(const Display&, std::size_t bay);

/// Withdrawal of a wood screw: 2850 G^2 D lb per inch of thread in the stud (NDS 2018, 12.2.2), as N per mm.
[[nodiscard]] double withdrawalPerMm(double gravity, double diameter);

}  // namespace mezzet
