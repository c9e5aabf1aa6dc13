// One piece of furniture as it is drawn in the plan.
#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/space/bodies.h"
#include "core/drawing/base/drafting.h"
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
  const double depth = piece.depth.value_or(piece.width);
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

  LengthFormat bare = format;
  bare.withUnit = false;
  const std::string size = piece.shape == Shape::Round
                               ? writeLength(piece.width, bare) + " dia"
                               : writeLength(piece.width, bare) + " x " + writeLength(depth, bare);
  // Words are level, but along the width of a piece that is turned neither square nor nearly so.
  const bool skew = piece.shape != Shape::Round && std::min(std::abs(turn.cosine), std::abs(turn.sine)) > 0.2;
  const Vec2 reading = skew ? rotated({1, 0}, turn) : Vec2{1, 0};
  const double lettersTurn = skew ? readableTurn(reading) : 0;
  const Vec2 up = rotated({0, 1}, turnOf(lettersTurn));
  // Room for the label through the middle of the footprint, along the words and across them.
  const auto through = [](double along, double other, double cosine, double sine) {
    return std::min(along / std::max(1e-9, std::abs(cosine)), other / std::max(1e-9, std::abs(sine)));
  };
  const bool own = skew || piece.shape == Shape::Round;
  const double across = own ? piece.width : through(piece.width, depth, turn.cosine, turn.sine);
  const double upright = own ? (skew ? depth : piece.width) : through(depth, piece.width, turn.cosine, turn.sine);
  const double lineHeight = kSmallLetters * 1.9 * d.scale;
  const auto fits = [&](const std::string& text, double lines) {
    return letteringWidth(text, kSmallLetters) * d.scale < across * 0.92 && lines * lineHeight < upright;
  };
  const Layer words = layer == Layer::Working ? Layer::Working : Layer::Label;
  // In an L the words stand in the long limb.
  const Vec2 middle = piece.shape == Shape::L
                          ? place.at + rotated({0, depth / 2 - piece.limbs->longDepth.value_or(depth) / 2}, turn)
                          : place.at;
  const auto write = [&](const std::string& text, double by) {
    d.add(words, id,
          TextItem{middle + up * by, text, kSmallLetters, Align::Centre, lettersTurn, Ink::Ink,
                   isSeat(piece.kind) ? Ink::Cloth : Ink::None});
  };
  if (rug && fits(label + "  " + size, 3)) {
    // What stands on a rug covers its middle: its words lie along its lower edge, under the furniture like the rug
    // itself.
    double reach = 0;
    for (const Convex& part : footprint(piece, place))
      for (const Vec2 p : part.core) reach = std::max(reach, dot(place.at - p, up) + part.radius);
    return d.add(layer, id,
                 TextItem{place.at - up * (reach - lineHeight * 0.8), label + "  " + size, kSmallLetters, Align::Centre,
                          lettersTurn, Ink::Ink, Ink::None});
  }
  if (label.empty()) {
    if (fits(size, 1)) write(size, 0);
  } else if (fits(label + "  " + size, 1)) write(label + "  " + size, 0);
  else if (fits(label, 2) && fits(size, 2)) {
    write(label, lineHeight / 2);
    write(size, -lineHeight / 2);
  } else if (fits(label, 1)) write(label, 0);
  else if (fits(size, 1)) write(size, 0);
}

}  // namespace mezzet
