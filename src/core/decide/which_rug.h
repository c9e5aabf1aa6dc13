// Which rug for a group: the smallest that is sold and takes its front feet, and the smallest that takes them all.
#pragma once

#include "core/rules/check.h"
#include "core/rugs/trade.h"
#include "core/space/arrange.h"

namespace mezzet {

/// Opposite borders are made even where both are at most this wide: further off a wall is not read against it [D].
inline constexpr double kEvenBorders = 36 * kInch;

struct RugFit {
  StockRug sold;
  Piece piece;  ///< at its actual size; without id
  FloorPlace at;
  std::vector<double> borders;  ///< bare floor before its front, right, back and left side, where a wall faces it
  std::string binds;            ///< why no smaller one, in a sentence
};
struct WhichRug {
  std::optional<RugFit> front, all;  ///< at a dining table both take every chair pulled out
  Polygon cut;                       ///< the template that follows the group, in the plan; empty: none fits
  std::string none;                  ///< why no stock size does, where one of the two is missing; else ""
  bool dining = false;
};

/// For a group of placements on the floor: seats and low tables, or a dining table with its chairs (all of them when
/// none is named). Its long side runs along the main seat, or along the table; round ones only under a round table. It
/// lies where it is nearest to the group's middle, with even borders where the walls are near, at least kRugOffWalls
/// off walls and fixed things, out of the sweep of leaves that do not pass over it, and with no corner in a route (by
/// rug-corner; without drawn routes that is not looked at). Absent when the group has no seat, low table or dining
/// table.
[[nodiscard]] std::optional<WhichRug> whichRug(const Job&, const Rulebook&, const SchemeId&, const PlacementIds& group,
                                               LengthFormat, const CheckWith&);

/// The answer in sentences: what to take, where it lies, what binds.
[[nodiscard]] std::vector<std::string> whichRugWords(const WhichRug&, Unit, LengthFormat);

/// What is asked about when these are selected: they themselves, or of one piece what it belongs to, its talk group
/// with its tables or its dining table with the chairs.
[[nodiscard]] PlacementIds rugGroupOf(const Job&, const SchemeId&, const PlacementIds& selected);

/// A rug laid: the piece added and placed; `placed` receives its id.
[[nodiscard]] Result<Job> withRugLaid(const Job&, const SchemeId&, Piece, const FloorPlace&, IdSource&,
                                      PlacementId& placed);

}  // namespace mezzet
