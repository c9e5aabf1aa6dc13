#include "core/drawing/wall/nail_marks.h"

#include "core/drawing/base/drafting.h"

namespace mezzet {

void addNailCrosses(Drawing& d, const NailPlan& plan, Layer layer) {
  const double arm = kNailCross * d.scale;
  for (const Nail& nail : plan.nails)
    for (const Vec2 by : {Vec2{arm, 0}, Vec2{0, arm}}) {
      const Vec2 at{nail.u, nail.v};
      d.add(layer, nail.placement.value, line(at - by, at + by, {Ink::Ink, kWallLine, Dash::Solid}));
    }
}

void addLevelLine(Drawing& d, double level, double length, Layer layer, LengthFormat format) {
  d.add(layer, "level", line({0, level}, {length, level}, {Ink::Ink, kDimensionLine, Dash::Dashed}));
  const double in = 22 * d.scale, off = 3 * d.scale;
  std::vector<Vec2> places;
  for (const double by : {off, -off})
    for (const double u : {length - in, in, length / 2}) places.push_back({u, level + by});
  Label words = labelAt(layer, "level", Rank::Dimension, places,
                        TextItem{{},
                                 "level line, " + writeLength(level, format) + " up",
                                 kSmallLetters,
                                 Align::Centre,
                                 0,
                                 Ink::Ink,
                                 Ink::Floor});
  words.needed = true;
  d.add(std::move(words));
}

void addNailMarks(Drawing& d, const NailPlan& plan, double level, double length, LengthFormat format) {
  addLevelLine(d, level, length, Layer::Working, format);
  addNailCrosses(d, plan, Layer::Working);
  for (const Nail& nail : plan.nails) {
    const Vec2 at{nail.u, nail.v};
    if (!nail.near.empty())
      d.add(Layer::Working, nail.placement.value,
            ArcItem{at, 2 * kNailCross * d.scale, 0, 360, Ink::None, {Ink::Breaks, kFurnitureLine, Dash::Solid}});
    const double off = (kNailCross + kTagCircle + 0.8) * d.scale;
    addTag(d, {at + Vec2{0, off}, at + Vec2{off, off}, at - Vec2{off, -off}, at + Vec2{off, 0}, at - Vec2{off, 0}},
           std::to_string(nail.order), nail.placement.value, Rank::Finding);
    d.labels.back().layer = Layer::Working;
  }
}

}  // namespace mezzet
