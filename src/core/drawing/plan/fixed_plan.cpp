#include "core/drawing/plan/fixed_plan.h"

#include <algorithm>
#include <cmath>

#include "core/space/bodies.h"
#include "core/drawing/base/drafting.h"
#include "core/geometry/offset.h"
#include "core/model/kinds.h"
#include "core/site/stairs.h"

namespace mezzet {
namespace {

Ink fillOf(FeatureKind kind) {
  switch (kind) {
    case FeatureKind::Hearth: return Ink::Hearth;
    case FeatureKind::Column:
    case FeatureKind::ChimneyBreast: return Ink::CutWall;
    case FeatureKind::BuiltIn: return Ink::Wood;
    case FeatureKind::Radiator: return Ink::Paper;
    case FeatureKind::Beam: return Ink::None;
    case FeatureKind::Niche: return Ink::Floor;
    case FeatureKind::Stair: return Ink::Paper;
  }
  return Ink::None;
}

std::string nameOf(const Feature& f, LengthFormat format) {
  switch (f.kind) {
    case FeatureKind::Column: return "column: structure";
    case FeatureKind::BuiltIn: return "built-in";
    case FeatureKind::Beam: return f.base ? "beam over, " + writeLength(*f.base, format) + " clear" : "beam over";
    case FeatureKind::Stair: return "up " + std::to_string(f.stair ? f.stair->risers : 0);
    default: return std::string(featureWord(f.kind));
  }
}

void addSteps(Drawing& d, const Feature& f) {
  const StairPlan plan = stairPlan(f.outline, *f.stair);
  for (const auto& [a, b] : plan.risers) d.add(Layer::Feature, f.id.value, line(a, b, thin()));
  const Vec2 up = unit(plan.top - plan.foot), side = leftOf(up) * (1.2 * d.scale), back = up * (2.2 * d.scale);
  d.add(Layer::Feature, f.id.value, ArcItem{plan.foot, 0.7 * d.scale, 0, 360, Ink::Ink, Stroke{}});
  d.add(Layer::Feature, f.id.value, line(plan.foot, plan.top, thin()));
  d.add(Layer::Feature, f.id.value,
        PathItem{{plan.top, plan.top - back + side, plan.top - back - side}, true, Ink::Ink, Stroke{}});
}

}  // namespace

void addFeature(Drawing& d, const Room& room, const Feature& f, LengthFormat format) {
  const double clear = f.clear.value_or(f.kind == FeatureKind::Hearth ? kHearthClear : 0);
  if (clear > 0)
    for (const Polygon& zone : clippedTo(grown(f.outline, clear), outlineOf(room)))
      d.add(Layer::Feature, f.id.value, PathItem{zone, true, Ink::None, {Ink::Fine, kDimensionLine, Dash::Dashed}});
  const bool overhead = f.kind == FeatureKind::Beam || !standsInTheWay(f);
  const Layer layer = f.kind == FeatureKind::Niche ? Layer::Opening : Layer::Feature;
  d.add(layer, f.id.value,
        PathItem{f.outline,
                 true,
                 fillOf(f.kind),
                 {Ink::Ink, kFurnitureLine, overhead && f.kind != FeatureKind::Niche ? Dash::Dashed : Dash::Solid}});
  if (f.stair) addSteps(d, f);
  // Words lie along the longest side when that is neither level nor upright.
  Vec2 middle = meanOf(f.outline), longest{};
  for (std::size_t i = 0; i < f.outline.size(); ++i) {
    const Vec2 side = edgeEnd(f.outline, i) - edgeStart(f.outline, i);
    if (norm(side) > norm(longest) + kTouch) longest = side;
  }
  const Vec2 run = unit(longest);
  const bool skew = std::min(std::abs(run.x), std::abs(run.y)) > 0.02;
  const Vec2 along = skew ? run : Vec2{1, 0};
  double low = dot(f.outline.front() - middle, along), high = low;
  for (const Vec2 p : f.outline) {
    low = std::min(low, dot(p - middle, along));
    high = std::max(high, dot(p - middle, along));
  }
  std::string name = nameOf(f, format);
  if (f.kind == FeatureKind::Hearth && clear > 0) {
    const std::string withZone = name + ", keep " + writeLength(clear, format) + " clear";
    if (letteringWidth(withZone, kSmallLetters) * d.scale < high - low) name = withZone;
  }
  const bool dark = fillOf(f.kind) == Ink::CutWall;
  const bool crossed = f.stair.has_value() || f.kind == FeatureKind::Beam;
  const double half = letteringWidth(name, kSmallLetters) / 2 * d.scale;
  const bool inside = 2 * half < (high - low) * 0.9;
  const TextItem words{{},
                       name,
                       kSmallLetters,
                       Align::Centre,
                       inside && skew ? readableTurn(run) : 0,
                       Ink::Ink,
                       inside && !dark && !crossed ? Ink::None : Ink::Floor};
  std::vector<Vec2> places;
  if (inside && !dark)
    for (const double by : {0.0, 0.15, -0.15, 0.3, -0.3})
      if (std::abs(by) * (high - low) + half < (high - low) / 2) places.push_back(middle + along * (by * (high - low)));
  Label label = labelAt(Layer::Label, f.id.value, Rank::Piece, places, words);
  label.aside.ground = Ink::Floor;
  label.anchors = {middle};
  d.add(std::move(label));
}

const char* pointSign(PointKind kind) {
  switch (kind) {
    case PointKind::Socket: return "S";
    case PointKind::Switch: return "sw";
    case PointKind::WallLight: return "L";
    case PointKind::Vent: return "V";
    case PointKind::Detector: return "D";
    case PointKind::Thermostat: return "T";
  }
  return "";
}

const char* pointWord(PointKind kind) {
  switch (kind) {
    case PointKind::Socket: return "socket";
    case PointKind::Switch: return "switch";
    case PointKind::WallLight: return "wall light";
    case PointKind::Vent: return "vent";
    case PointKind::Detector: return "detector";
    case PointKind::Thermostat: return "thermostat";
  }
  return "point";
}

void addSign(Drawing& d, const ItemId& id, Vec2 at, const std::string& letters) {
  // Where the thing is, or not at all.
  d.add(labelOnlyAt(Layer::Label, id, Rank::Sign, {at},
                    TextItem{{}, letters, 1.8, Align::Centre, 0, Ink::Ink, Ink::None}));
}

void addPoints(Drawing& d, const Room& room) {
  for (const WallPoint& p : room.points) {
    Vec2 at = p.at;
    if (const auto wall = findWall(room, p.wall)) {
      const Vec2 face = wall->start + wall->along() * p.along;
      at = face + wall->inward() * (2.4 * d.scale);
      d.add(Layer::Opening, p.id.value, line(face, at, thin()));
    }
    d.add(Layer::Label, p.id.value, ArcItem{at, 1.7 * d.scale, 0, 360, Ink::Floor, thin()});
    addSign(d, p.id.value, at, pointSign(p.kind));
  }
}

}  // namespace mezzet
