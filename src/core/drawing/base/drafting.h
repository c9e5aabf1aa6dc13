// Drafting helpers shared by plan, elevation and sheet: dimension lines, tags, scale bars.
#pragma once

#include <string>

#include "core/base/ids.h"
#include "core/drawing/base/drawing.h"
#include "core/units/length.h"

namespace mezzet {

[[nodiscard]] inline ItemId wallItem(const CornerId& wall) { return {ItemId::Of::Wall, wall.value}; }

inline Stroke thin(Ink ink = Ink::Ink) { return {ink, kDimensionLine, Dash::Solid}; }
inline Stroke fine(Ink ink = Ink::Fine) { return {ink, kFineLine, Dash::Solid}; }

/// The turn of words along a direction, degrees: they read from below or from the right.
[[nodiscard]] double readableTurn(Vec2 along);

[[nodiscard]] PathItem line(Vec2 a, Vec2 b, Stroke stroke);
[[nodiscard]] PathItem rectangle(Vec2 low, Vec2 high, Ink fill, Stroke stroke);

/// A dimension line from a to b with oblique ticks and its value on it, in the middle if that is free. `offset` (mm of
/// paper, to the left of a-b) moves it out, with extension lines from the points.
struct Dimension {
  Vec2 a, b;
  double offset = 0;
  std::string text;
  Layer layer = Layer::Dimension;
  ItemId id;
  Ink ink = Ink::Ink;
  Ink ground = Ink::Paper;
  Ink letters = Ink::Ink;
};
void addDimension(Drawing&, const Dimension&);

/// Squared paper over the drawing and as far as low and high reach: 1 ft or 500 mm.
void addGrid(Drawing&, Vec2 low, Vec2 high, bool inches);

/// A letter or number in a circle, at the first of some points that is free.
void addTag(Drawing&, const std::vector<Vec2>& at, const std::string& letter, const ItemId& id, Rank rank = Rank::Tag);

/// A scale bar of 1 ft steps (or metres) with its length written; `at` is its left end.
void addScaleBar(Drawing&, Vec2 at, bool inches, LengthFormat format);

/// A north arrow of the drawing's sheet pointing up the plan.
void addNorth(Drawing&, Vec2 at);

/// What fits `width` mm of paper, with an ellipsis where it does not.
[[nodiscard]] std::string fittedText(std::string text, double width, double letters = kSmallLetters);

}  // namespace mezzet
