// Which dining table a place bears: the best rectangle, round and oval, with every clearance of the house.
#pragma once

#include <stop_token>

#include "core/rules/check.h"

namespace mezzet {

/// A rectangle is so deep, an oval so deep, until entered [D].
inline constexpr double kTableDepth = 40 * kInch, kOvalDepth = 42 * kInch;

struct DiningSize {
  Shape shape = Shape::Rect;
  double width = 0, depth = 0;
  int seats = 0;
  CornerId wall;  ///< with the longest run left for a serving piece
  double left = 0;
};
/// The largest of each shape in the table's place, its middle and turn kept, at which nothing of weight breaks that
/// would not without it: chairs set round it, as many as fit. Looked for from the room's size downward by whole inches
/// or two centimetres. A shape of which none holds is left out. Empty when the placement is no dining table on the
/// floor.
[[nodiscard]] std::vector<DiningSize> diningSizes(const Job&, const Rulebook&, const SchemeId&,
                                                  const PlacementId& table, LengthFormat, const CheckWith&,
                                                  const std::stop_token& = {});
/// "Best rectangle 72 x 40 in for 6; left for a serving piece: 90 in of wall B."
[[nodiscard]] std::vector<std::string> diningSizeWords(const std::vector<DiningSize>&, LengthFormat);

}  // namespace mezzet
