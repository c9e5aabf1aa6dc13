#include "core/drawing/plan/furniture_plan.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/drawing/base/drafting.h"
#include "core/drawing/base/indicative.h"
#include "core/geometry/offset.h"
#include "core/model/kinds.h"
#include "core/space/bodies.h"

namespace mezzet {
namespace {

// What no one measures, as it is drawn [D]: mm of the room.
constexpr double kRounded = 45, kCushionRounded = 28, kChairBack = 45, kBackDeep = 230, kPillowDeep = 130,
                 kTopEdge = 22, kLegThick = 50, kLegIn = 45, kLeafThick = 22, kCaseSide = 22, kHeadboard = 60,
                 kFringe = 45;
constexpr double kLeastDetailed = 150;  // smaller things are outlines

/// What a draughtsman holds: a piece's own frame, and the layer he draws in.
class Draught {
 public:
  Draught(Drawing& d, const FloorPlace& place, const ItemId& id, Layer layer)
      : drawing_(d), at_(place.at), turn_(turnOf(place.turn)), id_(id), layer_(layer) {}

  [[nodiscard]] Vec2 there(Vec2 p) const { return at_ + rotated(p, turn_); }
  void path(Polygon points, bool closed, Ink fill, Stroke stroke) {
    for (Vec2& p : points) p = there(p);
    drawing_.add(layer_, id_, PathItem{std::move(points), closed, fill, stroke});
  }
  /// Upright in the piece's frame, its corners in any order, rounded by `r` where there is room for it.
  void box(Vec2 a, Vec2 b, double r, Ink fill, Stroke stroke) {
    const Vec2 low{std::min(a.x, b.x), std::min(a.y, b.y)}, high{std::max(a.x, b.x), std::max(a.y, b.y)};
    r = std::min({r, (high.x - low.x) / 3, (high.y - low.y) / 3});
    if (r < 1) return path({low, {high.x, low.y}, high, {low.x, high.y}}, true, fill, stroke);
    const double h = r * (1 - std::numbers::sqrt2 / 2);  // the middle of a rounded corner
    path({{low.x + r, low.y},
          {high.x - r, low.y},
          {high.x - h, low.y + h},
          {high.x, low.y + r},
          {high.x, high.y - r},
          {high.x - h, high.y - h},
          {high.x - r, high.y},
          {low.x + r, high.y},
          {low.x + h, high.y - h},
          {low.x, high.y - r},
          {low.x, low.y + r},
          {low.x + h, low.y + h}},
         true, fill, stroke);
  }
  void stroke(Vec2 a, Vec2 b, Stroke stroke) { path({a, b}, false, Ink::None, stroke); }
  void ring(double radius, Ink fill, Stroke stroke) {
    drawing_.add(layer_, id_, ArcItem{at_, radius, 0, 360, fill, stroke});
  }

 private:
  Drawing& drawing_;
  Vec2 at_;
  Turn turn_;
  const ItemId& id_;
  Layer layer_;
};

const Stroke kEdge{Ink::Ink, kFurnitureLine, Dash::Solid};
Stroke hidden() { return {Ink::Fine, kFineLine, Dash::Dashed}; }

/// Cushions side by side from x `from` to `to`, y `front` to `back`, with those they lean on.
void addCushions(Draught& pen, double from, double to, double front, double back) {
  if (to - from < kLeastDetailed || back - front < kLeastDetailed) return;
  const int count = timesIn(to - from, kSeatCushion);
  const double each = (to - from) / count;
  for (int i = 0; i < count; ++i)
    pen.box({from + i * each, front}, {from + (i + 1) * each, back}, kCushionRounded, Ink::None, fine());
  for (int i = 0; i < count; ++i)
    pen.box({from + i * each + 10, back - kPillowDeep}, {from + (i + 1) * each - 10, back}, kRounded, Ink::Cloth,
            fine());
}

void addUpholstered(Draught& pen, const Piece& piece, double w, double h) {
  const double arm = piece.seat->arm ? std::min(kDefaultArmWidth, piece.width / 4) : 0,
               back = std::min(2 * h * 0.24, kBackDeep);
  pen.box({-w, -h}, {w, h}, kRounded, Ink::Cloth, kEdge);
  pen.box({-w + arm, h - back}, {w - arm, h}, kCushionRounded, Ink::ClothShade, thin());
  if (arm > 0)
    for (const double side : {-1.0, 1.0})
      pen.box({side * w, -h}, {side * (w - arm), h}, kRounded, Ink::ClothShade, thin());
  addCushions(pen, -w + arm, w - arm, -h + 12, h - back);
  if (reclines(piece.kind)) pen.stroke({-w + arm, -h + 90}, {w - arm, -h + 90}, fine());
}

/// An L: its back along the whole long limb and down the outer side of the return.
void addCornerSeat(Draught& pen, const Piece& piece, double w, double h) {
  const double longDeep = piece.limbs->longDepth.value_or(h), back = std::min(longDeep * 0.24, kBackDeep),
               side = piece.limbs->hand == Hand::Left ? -1 : 1;
  pen.box({-w, h - back}, {w, h}, kCushionRounded, Ink::ClothShade, thin());
  pen.box({side * w, -h}, {side * (w - back), h - back}, kCushionRounded, Ink::ClothShade, thin());
  const double front = h - longDeep, inner = side * (w - piece.limbs->returnWidth.value_or(w));
  const double from = std::min(-side * w, inner), to = std::max(-side * w, inner);
  addCushions(pen, from, to, front, h - back);
  pen.box({inner, -h}, {side * (w - back), h - back}, kCushionRounded, Ink::None, fine());
  if (longDeep < 2 * h - 1) pen.stroke({inner, front}, {side * (w - back), front}, fine());
}

/// A dining chair or a stool: its seat, and a back that is a bar.
void addChair(Draught& pen, const Piece& piece, double w, double h) {
  const bool backed = piece.seat->back.has_value();
  pen.box({-w, -h}, {w, h}, kRounded, Ink::Cloth, kEdge);
  if (!backed) return pen.box({-w + 30, -h + 30}, {w - 30, h - 30}, kRounded, Ink::None, fine());
  const double back = std::min(kChairBack, h / 3);
  pen.box({-w, h - back}, {w, h}, 12, Ink::ClothShade, thin());
  if (piece.seat->arm)
    for (const double side : {-1.0, 1.0})
      pen.box({side * w, -h * 0.5}, {side * (w - kChairBack), h - back}, 12, Ink::ClothShade, thin());
  if (staysPut(piece.kind)) addCushions(pen, -w, w, -h, h - back);
}

void addTop(Draught& pen, const Piece& piece, double w, double h) {
  pen.box({-w, -h}, {w, h}, 0, Ink::Wood, kEdge);
  if (std::min(w, h) < 3 * kTopEdge) return;
  pen.box({-w + kTopEdge, -h + kTopEdge}, {w - kTopEdge, h - kTopEdge}, 0, Ink::None, fine());
  const double in = std::max(kLegIn, piece.legs->inset.value_or(0));
  if (std::min(w, h) > in + 2 * kLegThick)
    for (const double x : {-1.0, 1.0})
      for (const double y : {-1.0, 1.0})
        pen.box({x * (w - in), y * (h - in)}, {x * (w - in - kLegThick), y * (h - in - kLegThick)}, 0, Ink::None,
                hidden());
  // Its leaves come in where it parts.
  if (extendsBy(piece) > 0) {
    if (w >= h) pen.stroke({0, -h}, {0, h}, fine());
    else pen.stroke({-w, 0}, {w, 0}, fine());
  }
}

/// Cases: a front of leaves or drawers, or open shelves between sides.
void addCase(Draught& pen, const Piece& piece, double w, double h) {
  pen.box({-w, -h}, {w, h}, 0, Ink::Wood, kEdge);
  if (h < 2 * kLeafThick) return;
  if (!opensForward(piece.kind)) {
    pen.path(
        {{-w + kCaseSide, -h}, {-w + kCaseSide, h - kCaseSide}, {w - kCaseSide, h - kCaseSide}, {w - kCaseSide, -h}},
        false, Ink::None, fine());
    return;
  }
  pen.stroke({-w, -h + kLeafThick}, {w, -h + kLeafThick}, fine(Ink::Ink));
  const int leaves = timesIn(2 * w, kLeafWide);
  for (int i = 1; i < leaves; ++i) {
    const double x = -w + 2 * w * i / leaves;
    pen.stroke({x, -h}, {x, -h + kLeafThick}, fine(Ink::Ink));
  }
}

void addBed(Draught& pen, double w, double h) {
  pen.box({-w, -h}, {w, h}, kRounded, Ink::Cloth, kEdge);
  const double head = h - std::min(kHeadboard, h / 8), pillow = std::min(420.0, h * 0.4);
  pen.box({-w, head}, {w, h}, 0, Ink::Wood, thin());
  const int pillows = 2 * w > 1200 ? 2 : 1;
  const double each = 2 * w / pillows;
  for (int i = 0; i < pillows; ++i)
    pen.box({-w + i * each + each * 0.08, head - pillow}, {-w + (i + 1) * each - each * 0.08, head - 40}, 90, Ink::None,
            fine());
  // The cover, turned down at one corner.
  const double fold = head - pillow - 80, corner = std::min(w * 0.7, h * 0.5);
  pen.path({{-w, fold}, {w - corner, fold}, {w, fold - corner}}, false, Ink::None, fine());
  pen.path({{w - corner, fold}, {w - corner, fold - corner * 0.9}, {w, fold - corner}}, false, Ink::ClothShade, fine());
}

void addFoldingScreen(Draught& pen, double w, double h) {
  pen.box({-w, -h}, {w, h}, 0, Ink::None, hidden());
  const int leaves = std::max(2, timesIn(2 * w, kScreenLeaf));
  Polygon zigzag;
  for (int i = 0; i <= leaves; ++i) zigzag.push_back({-w + 2 * w * i / leaves, i % 2 == 0 ? h : -h});
  pen.path(std::move(zigzag), false, Ink::None, {Ink::Ink, kFurnitureLine * 1.6, Dash::Solid});
}

/// A border, and a fringe at its two short ends.
void addRugWeave(Draught& pen, double w, double h) {
  if (std::min(w, h) < 3 * kRugBorder) return;
  pen.box({-w + kRugBorder, -h + kRugBorder}, {w - kRugBorder, h - kRugBorder}, 0, Ink::None, fine());
  const bool wide = w >= h;
  const double across = wide ? h : w, end = wide ? w : h;
  const int strands = std::clamp(timesIn(2 * across, 40), 4, 120);
  for (const double side : {-1.0, 1.0}) {
    Polygon comb;
    for (int i = 0; i <= strands; ++i) {
      const double t = -across + 2 * across * i / strands;
      const double in = side * (end - kFringe), out = side * end;
      const bool first = i % 2 == 0;
      for (const double reach : {first ? in : out, first ? out : in})
        comb.push_back(wide ? Vec2{reach, t} : Vec2{t, reach});
    }
    pen.path(std::move(comb), false, Ink::None, fine());
  }
}

void addRound(Draught& pen, const Piece& piece, Ink fill) {
  const double r = piece.width / 2;
  if (isPlant(piece.kind)) {
    // Leaves in a ring, each with its rib.
    constexpr int kLeaves = 8;
    Polygon crown;
    for (int i = 0; i < kLeaves * 4; ++i) {
      const double angle = 2 * std::numbers::pi * i / (kLeaves * 4);
      constexpr double kReach[] = {0.72, 0.93, 1.0, 0.93};
      crown.push_back(Vec2{std::cos(angle), std::sin(angle)} * (r * kReach[i % 4]));
    }
    pen.path(std::move(crown), true, Ink::Leaf, kEdge);
    for (int i = 0; i < kLeaves; ++i) {
      const double angle = 2 * std::numbers::pi * (i + 0.5) / kLeaves;
      const Vec2 out{std::cos(angle), std::sin(angle)};
      pen.stroke(out * (r * 0.25), out * (r * 0.85), fine());
    }
    return;
  }
  pen.ring(r, fill, kEdge);
  if (isRug(piece.kind)) return pen.ring(std::max(r * 0.5, r - kRugBorder), Ink::None, fine());
  if (isLamp(piece.kind)) {
    // The shade's upper opening, and the lamp in it.
    pen.ring(r * 0.6, Ink::None, fine());
    for (const Vec2 arm : {Vec2{r * 0.2, 0}, Vec2{0, r * 0.2}}) pen.stroke(arm * -1, arm, thin());
    return;
  }
  if (r > 4 * kTopEdge) pen.ring(isWooden(piece.kind) ? r - kTopEdge : r * 0.8, Ink::None, fine());
}

/// Ovals and curves: the outline, and a line within it along the top's edge or the seam.
void addCurved(Draught& pen, Drawing& d, const Piece& piece, const FloorPlace& place, const ItemId& id, Layer layer,
               Ink fill) {
  const Polygon outline = outlineOf(piece, place);
  d.add(layer, id, PathItem{outline, true, fill, kEdge});
  if (piece.shape == Shape::L && isUpholstered(piece.kind))
    return addCornerSeat(pen, piece, piece.width / 2, piece.depth.value_or(0) / 2);
  const double in = isWooden(piece.kind) ? kTopEdge : isRug(piece.kind) ? kRugBorder : 70;
  for (const Polygon& seam : grown(outline, -in)) d.add(layer, id, PathItem{seam, true, Ink::None, fine()});
}

}  // namespace

void addFurniturePlan(Drawing& d, const Piece& piece, const FloorPlace& place, const ItemId& id, Layer layer) {
  Draught pen(d, place, id, layer);
  const double w = piece.width / 2, h = piece.depth.value_or(piece.width) / 2;
  const Ink fill = isRug(piece.kind) ? Ink::Rug : isWooden(piece.kind) ? Ink::Wood : Ink::Cloth;
  if (isCut(piece)) return addCurved(pen, d, piece, place, id, layer, fill);
  if (piece.shape == Shape::Round) return addRound(pen, piece, fill);
  if (piece.shape != Shape::Rect) return addCurved(pen, d, piece, place, id, layer, fill);
  if (2 * std::min(w, h) < kLeastDetailed)
    return pen.box({-w, -h}, {w, h}, 0, fill, isRug(piece.kind) ? thin() : kEdge);
  if (isRug(piece.kind)) {
    pen.box({-w, -h}, {w, h}, 0, Ink::Rug, thin());
    return addRugWeave(pen, w, h);
  }
  if (isSeat(piece.kind)) return addUpholstered(pen, piece, w, h);
  if (isDiningSeat(piece.kind)) return addChair(pen, piece, w, h);
  if (isBed(piece.kind)) return addBed(pen, w, h);
  if (isFoldingScreen(piece.kind)) return addFoldingScreen(pen, w, h);
  if (drawnAsTable(piece.kind)) return addTop(pen, piece, w, h);
  if (isStorage(piece.kind)) return addCase(pen, piece, w, h);
  pen.box({-w, -h}, {w, h}, isUpholstered(piece.kind) ? kRounded : 0, fill, kEdge);
  if (isUpholstered(piece.kind)) pen.box({-w + 40, -h + 40}, {w - 40, h - 40}, kRounded, Ink::None, fine());
}

}  // namespace mezzet
