// Things of displays seen from the front and from the side, in marks of our own and in their own colours.
#pragma once

#include "core/display/display.h"
#include "core/drawing/base/drawing.h"

namespace mezzet {

/// Where a thing is drawn: x across, y upright.
struct ThingBox {
  double left = 0, right = 0, bottom = 0, top = 0;
  [[nodiscard]] double width() const { return right - left; }
  [[nodiscard]] double height() const { return top - bottom; }
  [[nodiscard]] double middle() const { return (left + right) / 2; }
};
/// From the front. `dim`: 1 as it is, less in the evening where no light reaches it. Without a colour it is drawn as
/// cloth, paper or wood is.
void addThingFront(Drawing&, const DisplayedThing&, const ThingBox&, double dim, const ItemId& id);
/// All of a display, those further back first, with its lower left end at a point.
void addThingsFront(Drawing&, const Display&, Vec2 at);
/// Its outline from the side: depth across.
void addThingSide(Drawing&, const DisplayedThing&, const ThingBox&, const ItemId& id);

}  // namespace mezzet
