// One piece of furniture as it is drawn in the plan.
#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/space/bodies.h"
#include "core/drawing/base/drafting.h"
#include "core/drawing/plan/piece_label.h"
#include "core/drawing/plan/plan.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

Vec2 inPiece(const FloorPlace& place, Turn turn, double x, double y) { return place.at + rotated({x, y}, turn); }

PathItem pieceRect(const FloorPlace& place, Turn turn, Vec2 low, Vec2 high, Ink fill, double width) {
  return {{inPiece(place, turn, low.x, low.y), inPiece(place, turn, high.x, low.y),
           inPiece(place, turn, high.x, high.y), inPiece(place, turn, low.x, high.y)},
          true,
          fill,
          {Ink::Ink, width, Dash::Solid}};
}

/// Backs of an L: along the whole back, and down the outer side of the return.
void addCornerSeat(Drawing& d, const Piece& piece, const FloorPlace& place, Turn turn, const ItemId& id, Layer layer) {
  const double w = piece.width / 2, h = piece.depth.value_or(piece.width) / 2;
  const double back = std::min(piece.limbs->longDepth.value_or(h) * 0.24, 230.0),
               side = piece.limbs->hand == Hand::Left ? -1 : 1;
  d.add(layer, id, pieceRect(place, turn, {-w, h - back}, {w, h}, Ink::ClothShade, kDimensionLine));
  d.add(layer, id,
        pieceRect(place, turn, {std::min(side * w, side * (w - back)), -h},
                  {std::max(side * w, side * (w - back)), h - back}, Ink::ClothShade, kDimensionLine));
  const double limb = h - piece.limbs->longDepth.value_or(h), inner = side * (w - piece.limbs->returnWidth.value_or(w));
  d.add(layer, id, line(inPiece(place, turn, inner, limb), inPiece(place, turn, inner, h - back), fine(Ink::Fine)));
}

void addSeat(Drawing& d, const Piece& piece, const FloorPlace& place, Turn turn, const ItemId& id, Layer layer) {
  if (piece.shape != Shape::Rect) {
    // An oval or an L: its outline, with the seat's edge marked inside.
    d.add(layer, id, PathItem{outlineOf(piece, place), true, Ink::Cloth, {Ink::Ink, kFurnitureLine, Dash::Solid}});
    if (piece.shape == Shape::L) addCornerSeat(d, piece, place, turn, id, layer);
    return;
  }
  const double w = piece.width / 2, h = piece.depth.value_or(piece.width) / 2;
  const double arm = piece.seat->arm ? std::min(kDefaultArmWidth, piece.width / 4) : 0;
  const double back = std::min(2 * h * 0.24, 230.0);
  d.add(layer, id, pieceRect(place, turn, {-w, -h}, {w, h}, Ink::Cloth, kFurnitureLine));
  d.add(layer, id, pieceRect(place, turn, {-w + arm, h - back}, {w - arm, h}, Ink::ClothShade, kDimensionLine));
  if (arm > 0)
    for (const double side : {-1.0, 1.0})
      d.add(layer, id,
            pieceRect(place, turn, {std::min(side * w, side * (w - arm)), -h},
                      {std::max(side * w, side * (w - arm)), h}, Ink::ClothShade, kDimensionLine));
  const int cushions = piece.width > 1400 ? (piece.width > 2300 ? 3 : 2) : 1;
  for (int i = 1; i < cushions; ++i) {
    const double x = -w + arm + (2 * (w - arm)) * i / cushions;
    d.add(layer, id, line(inPiece(place, turn, x, -h), inPiece(place, turn, x, h - back), fine(Ink::Fine)));
  }
}

Ink fillOf(const std::string& kind) {
  if (isRug(kind)) return Ink::Rug;
  if (isWooden(kind)) return Ink::Wood;
  return Ink::Cloth;
}

}  // namespace

void addPiece(Drawing& d, const Piece& piece, const FloorPlace& place, const ItemId& id, const std::string& label,
              LengthFormat format, Layer layer) {
  const Turn turn = turnOf(place.turn);
  const bool rug = isRug(piece.kind);
  if (rug && layer == Layer::Furniture) layer = Layer::Rug;
  if (piece.shape == Shape::Round)
    d.add(layer, id,
          ArcItem{place.at, piece.width / 2, 0, 360, fillOf(piece.kind), {Ink::Ink, kFurnitureLine, Dash::Solid}});
  else if (isSeat(piece.kind)) addSeat(d, piece, place, turn, id, layer);
  else
    d.add(layer, id,
          PathItem{outlineOf(piece, place),
                   true,
                   fillOf(piece.kind),
                   {Ink::Ink, rug ? kDimensionLine : kFurnitureLine, Dash::Solid}});

  addPieceLabel(d, piece, place, id, label, format, layer == Layer::Working ? Layer::Working : Layer::Label);
}

}  // namespace mezzet
