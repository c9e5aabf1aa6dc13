// A section through a light, below the plan in line with it: floor, ceiling, what stands under the light, eyes, cords.
#pragma once

#include "core/drawing/base/drawing.h"
#include "core/light/fixtures.h"
#include "core/rules/base/names.h"
#include "core/space/arrange.h"

namespace mezzet {

/// Where the section lies in the drawing: x is the plan's, heights count from `base` upwards.
struct SectionFrame {
  double base = 0;             ///< y in the drawing of the datum, the floor at corner A
  double high = 0;             ///< the highest ceiling above the datum
  double left = 0, right = 0;  ///< of the room
  double cut = 0;              ///< y in the plan where it is cut
  [[nodiscard]] Vec2 home(double x, double height) const { return {x, base + height}; }
  [[nodiscard]] double heightAt(Vec2 drawn) const { return drawn.y - base; }
  [[nodiscard]] bool covers(Vec2 drawn) const;
};
/// Below a plan whose lower edge is at `below`.
[[nodiscard]] SectionFrame sectionFrame(const Room&, const RoomHeights&, double below, double scale, double cut);
/// How far down it reaches.
[[nodiscard]] double sectionFoot(const SectionFrame&, double scale);

struct SectionOptions {
  PlacementId chosen;    ///< the light it is cut through; its figures are written
  PlacementIds without;  ///< left out: in the hand
  bool figures = true;   ///< of the chosen light: drop, gap, underside
  LengthFormat format;
  Layer layer = Layer::Furniture;
};
void addSection(Drawing&, const Job&, const Room&, const Scheme&, const SectionFrame&, const SectionOptions&);
/// The light a section is cut through when none is chosen: over a top, else the first under the ceiling, else none.
[[nodiscard]] PlacementId sectionThrough(const Job&, const Room&, const Scheme&, const PlacementId& chosen);

}  // namespace mezzet
