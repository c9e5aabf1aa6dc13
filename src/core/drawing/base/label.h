// Words that are placed where they meet no others. A composer asks for a label with the spots where it may stand, best
// first; drawing/labels chooses among the spots of all labels that are shown together.
#pragma once

#include <vector>

#include "core/drawing/base/items.h"

namespace mezzet {

/// What matters more is placed first.
enum class Rank { Tape, Finding, Dimension, Tag, Sign, Piece, Rug, Note };
inline constexpr std::size_t kRanks = 8;

/// What goes with the words wherever they stand.
enum class Badge { None, Circle, Cross };
inline constexpr double kTagCircle = 3.2;                   // radius, mm of paper
inline constexpr double kCrossArm = 1.15, kCrossOff = 2.9;  // half a cross, and from its middle to the words

struct Label {
  /// One line or more, as they stand together.
  using Spot = std::vector<TextItem>;

  Layer layer = Layer::Label;
  ItemId id;  ///< what bears it may be crossed by it
  Rank rank = Rank::Note;
  std::vector<Spot> spots;
  /// Where none of the spots is free it stands beside, as `aside`, with a leader to the first of these that is free.
  std::vector<Vec2> anchors = {};
  TextItem aside = {};
  Badge badge = Badge::None;
  bool needed = false;  ///< never left out
};

/// Words on a line from a to b: in its middle, elsewhere along it, beside it; where it is too short, beside on a
/// leader. `like` gives words, height, turn and inks.
[[nodiscard]] Label labelOnLine(Layer, ItemId, Rank, Vec2 a, Vec2 b, const TextItem& like, double scale);
/// Words that stand at one of some points, else beside the first of them on a leader.
[[nodiscard]] Label labelAt(Layer, ItemId, Rank, const std::vector<Vec2>& points, const TextItem& like);
/// Words that stand at one of some points or nowhere.
[[nodiscard]] Label labelOnlyAt(Layer, ItemId, Rank, const std::vector<Vec2>& points, const TextItem& like);

}  // namespace mezzet
