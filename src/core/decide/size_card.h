// What size to buy: for a piece where it stands, from what to what each of its sizes may be, and what sets each end.
#pragma once

#include <stop_token>

#include "core/rules/check.h"

namespace mezzet {

/// Sizes from this are looked at, mm.
inline constexpr double kLeastSize = 6 * kInch;

/// Where a range ends: the rule that breaks just beyond, and what it is measured to ("" where that is the piece alone).
struct SizeEnd {
  double value = 0;  ///< mm
  std::string rule, with;
};
struct SizeRange {
  std::optional<SizeEnd> low, high;           ///< absent: nothing asked ends it there
  std::optional<double> idealLow, idealHigh;  ///< all ideals hold, taste included; absent when they never do
  double recommended = 0;                     ///< the middle of the ideal range, else of the tolerated one
};
struct SizeCard {
  SizeRange width;
  std::optional<SizeRange> depth, height;  ///< absent where the piece has none, or is round
  bool round = false;                      ///< its width is its diameter
  bool holds = false;                      ///< the recommended sizes together
  std::vector<std::string> says;           ///< in sentences: what must give where nothing holds
};

/// The card of a piece that stands on the floor or hangs on a wall: its middle, its turn and everything else stay. One
/// size at a time, the others at their recommended value; from there outward by half an inch, each change of verdict
/// closed in on to a hundredth of a millimetre. `low` to `high`: nothing of weight breaks that would not without the
/// piece, no matter of taste that holds at the recommended size, and what is asked of the piece now is still asked of
/// it. Absent when the placement is not there, or is carried by another.
[[nodiscard]] std::optional<SizeCard> sizeCardOf(const Job&, const Rulebook&, const SchemeId&, const PlacementId&,
                                                 LengthFormat, const CheckWith&, const std::stop_token& = {});

/// The card in lines, in both units: "Depth 25 to 37 in (635 to 940 mm), best 28 in (711 mm)".
[[nodiscard]] std::vector<std::string> sizeCardWords(const SizeCard&, const Rulebook&, const SchemeNames&, const Room&);

}  // namespace mezzet
