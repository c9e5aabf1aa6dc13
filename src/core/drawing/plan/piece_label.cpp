#include "core/drawing/plan/piece_label.h"

#include <algorithm>
#include <cmath>

#include "core/drawing/base/drafting.h"
#include "core/drawing/plan/furniture_plan.h"
#include "core/model/kinds.h"
#include "core/space/bodies.h"

namespace mezzet {
namespace {

constexpr double kLineHeight = 1.9, kBreath = 0.92;  // of capitals; of the width that words may fill

/// The part of a footprint that words can use: level, but along the width of a piece that is turned neither square nor
/// nearly so.
struct WordsRoom {
  Vec2 middle;
  double turn = 0;
  double along = 0, upright = 0;
};

WordsRoom roomFor(const Piece& piece, const FloorPlace& place) {
  WordsRoom out;
  const Turn turn = turnOf(place.turn);
  const double depth = piece.depth.value_or(piece.width);
  const bool round = piece.shape == Shape::Round;
  const bool skew = !round && std::min(std::abs(turn.cosine), std::abs(turn.sine)) > 0.2;
  out.turn = skew ? readableTurn(rotated({1, 0}, turn)) : 0;
  // Through the middle of the footprint, along the words and across them.
  const auto through = [](double along, double other, double cosine, double sine) {
    return std::min(along / std::max(1e-9, std::abs(cosine)), other / std::max(1e-9, std::abs(sine)));
  };
  const bool own = skew || round;
  out.along = own ? piece.width : through(piece.width, depth, turn.cosine, turn.sine);
  out.upright = own ? (skew ? depth : piece.width) : through(depth, piece.width, turn.cosine, turn.sine);
  // In an L the words stand in the long limb.
  out.middle = piece.shape == Shape::L
                   ? place.at + rotated({0, depth / 2 - piece.limbs->longDepth.value_or(depth) / 2}, turn)
                   : place.at;
  return out;
}

/// Where lines of words stand in a footprint: in its middle, then off it as far as they fit.
void addSpots(Label& label, const std::vector<TextItem>& lines, const WordsRoom& room, bool spread, double scale) {
  double wide = 0;
  for (const TextItem& line : lines) wide = std::max(wide, letteringWidth(line.text, line.height) * scale);
  const double line = kSmallLetters * kLineHeight * scale, high = line * static_cast<double>(lines.size());
  if (wide > room.along * kBreath || high > room.upright) return;
  const Turn turn = turnOf(room.turn);
  const double free = (room.along * kBreath - wide) / 2, rise = (room.upright - high) / 2;
  const std::vector<double> across =
      spread ? std::vector<double>{0, -1, 1, -0.5, 0.5} : std::vector<double>{0, -0.6, 0.6};
  const std::vector<double> upright = spread ? std::vector<double>{-1, 1, -0.75, 0.75, -0.5, 0.5, -0.25, 0.25, 0}
                                             : std::vector<double>{0, -0.6, 0.6, 1, -1};
  for (const double v : upright)
    for (const double u : across) {
      Label::Spot spot = lines;
      for (std::size_t i = 0; i < spot.size(); ++i) {
        const double down = (static_cast<double>(i) - static_cast<double>(spot.size() - 1) / 2) * line;
        spot[i].at = room.middle + rotated({u * free, v * rise - down}, turn);
        spot[i].turn = room.turn;
      }
      label.spots.push_back(std::move(spot));
    }
}

}  // namespace

void addPieceLabel(Drawing& d, const Piece& piece, const FloorPlace& place, const ItemId& id, const std::string& name,
                   LengthFormat format, Layer layer) {
  LengthFormat bare = format;
  bare.withUnit = false;
  const std::string size = piece.shape == Shape::Round ? writeLength(piece.width, bare) + " dia"
                                                       : writeLength(piece.width, bare) + " x " +
                                                             writeLength(piece.depth.value_or(piece.width), bare);
  const bool rug = isRug(piece.kind);
  const auto words = [&](const std::string& text) {
    return TextItem{{}, text, kSmallLetters, Align::Centre, 0, Ink::Ink, isSeat(piece.kind) ? Ink::Cloth : Ink::None};
  };
  Label label{layer, id, rug ? Rank::Rug : Rank::Piece, {}, {}, words(name), Badge::None, false};
  WordsRoom room = roomFor(piece, place);
  if (rug && std::min(room.along, room.upright) > 4 * kRugBorder) {
    // Within its border.
    room.along -= 2 * kRugBorder;
    room.upright -= 2 * kRugBorder;
  }
  if (name.empty()) {
    addSpots(label, {words(size)}, room, rug, d.scale);
    return d.add(std::move(label));
  }
  addSpots(label, {words(name + "  " + size)}, room, rug, d.scale);
  addSpots(label, {words(name), words(size)}, room, rug, d.scale);
  addSpots(label, {words(name)}, room, rug, d.scale);
  const Turn turn = turnOf(room.turn);
  for (const Vec2 by :
       {Vec2{0, 0}, Vec2{-0.3, 0}, Vec2{0.3, 0}, Vec2{0, -0.3}, Vec2{0, 0.3}, Vec2{-0.3, -0.3}, Vec2{0.3, 0.3}})
    label.anchors.push_back(room.middle + rotated({by.x * room.along, by.y * room.upright}, turn));
  label.aside.ground = Ink::Floor;
  d.add(std::move(label));
}

}  // namespace mezzet
